import type { Face, Font } from "harfbuzzjs";
import { unpackBeside } from "../../ground/files/reading/beside.ts";
import { problem } from "../../ground/problems/problem.ts";
import { orStopAsync } from "../../ground/problems/result.ts";
import type { ScriptWithFont } from "./faces.ts";

/** A font that is open for shaping. */
export interface OpenFont {
  has(codePoint: number): boolean;
  /**
   * Letters as they join and stand in a word, from left to right, in whole thousandths of the em.
   * @param locale changes the letters' form in some languages (OpenType, language systems).
   */
  outline(text: string, direction: "ltr" | "rtl", locale: string): { path: string; advance: number };
  /** The blank between two words, in thousandths of the em. */
  blank: number;
}

type Shaper = typeof import("harfbuzzjs") & { ready?: Promise<void> };

let loaded: Promise<Shaper> | undefined;

/**
 * The library is loaded when the first name needs it: most do not. It keeps ten gigabytes of addresses for itself, of
 * which it uses few; where a machine gives no process so many, it stops. Stops: lettering-refused
 */
const load = (): Promise<Shaper> => {
  loaded ??= orStopAsync(
    async () => {
      const shaper: Shaper = await import("harfbuzzjs");
      await shaper.ready;
      return shaper;
    },
    ({ message }) => problem("lettering-refused", `This machine cannot letter a name in this script: ${message}.`),
  );
  return loaded;
};

const em = 1000;

/** Medium, where a font can be of any weight: as the letters that come with Oxalis (OpenType, axis wght). */
const weight = 500;

/** Opens a font's bytes (TrueType or OpenType); undefined where they are none. Stops: lettering-refused */
export async function openFont(bytes: Uint8Array): Promise<OpenFont | undefined> {
  const shaper = await load();
  const face = new shaper.Face(new shaper.Blob(bytes));
  const letters = new Set(face.collectUnicodes());
  if (letters.size === 0 || face.upem === 0) return undefined;
  const font = new shaper.Font(face);
  if ("wght" in face.getAxisInfos()) font.setVariations([new shaper.Variation("wght", weight)]);
  return {
    has: (codePoint) => letters.has(codePoint),
    outline: (text, direction, locale) => outline(shaper, { face, font }, text, direction, locale),
    blank: letters.has(0x20) ? outline(shaper, { face, font }, " ", "ltr", "en").advance : em / 4,
  };
}

function outline(
  shaper: Shaper,
  { face, font }: { face: Face; font: Font },
  text: string,
  direction: "ltr" | "rtl",
  locale: string,
): { path: string; advance: number } {
  const buffer = new shaper.Buffer();
  buffer.addText(text);
  buffer.guessSegmentProperties();
  buffer.setDirection(direction === "rtl" ? shaper.Direction.RTL : shaper.Direction.LTR);
  buffer.setLanguage(locale);
  shaper.shape(font, buffer);
  const scale = em / face.upem;
  const places = buffer.getGlyphPositions();
  let advance = 0;
  let path = "";
  for (const [at, { codepoint: glyph }] of buffer.getGlyphInfos().entries()) {
    const { xAdvance = 0, xOffset = 0, yOffset = 0 } = places[at] ?? {};
    path += glyphPath(font, glyph, { x: advance + xOffset * scale, y: -yOffset * scale, scale });
    advance += xAdvance * scale;
  }
  return { path, advance: Math.round(advance) };
}

/** A glyph's outline; the font's y grows upward. */
const glyphPath = (font: Font, glyph: number, { x, y, scale }: { x: number; y: number; scale: number }): string =>
  font
    .glyphToJson(glyph)
    .map(({ type, values }) => {
      const moved = values.map((value, at) => Math.round(at % 2 === 0 ? x + value * scale : y - value * scale));
      return `${type}${moved.join(" ")}`;
    })
    .join("");

const bundled = new Map<ScriptWithFont, Promise<OpenFont | undefined>>();

/** The font for a script that comes with Oxalis. */
export function bundledFont(script: ScriptWithFont): Promise<OpenFont | undefined> {
  const font = bundled.get(script) ?? openFont(unpackBeside(import.meta.url, `fonts/${script.toLowerCase()}.ttf.br`));
  bundled.set(script, font);
  return font;
}
