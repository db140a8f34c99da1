import type { Drawing } from "./drawing.ts";
import { pixelsOf, type Raw } from "./raw.ts";
import { recolored } from "./recolor.ts";

/** One colour with the shape in the alpha; or greys, stretched so that the darkest part still shows when it is tinted. */
export function toned(raw: Raw, tone: Drawing["tone"]): Raw {
  if (tone === "color") return raw;
  if (tone === "grey") return greyed(raw);
  const level = tone === "white" ? 255 : 0;
  return recolored(raw, (color) => painted(color, level));
}

function greyed(raw: Raw): Raw {
  let [darkest, lightest] = [255, 0];
  const pixels = pixelsOf(raw);
  let before = 0;
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    if (color === before || color >>> 24 < 128) continue;
    before = color;
    const luma = lumaOf(color);
    if (luma < darkest) darkest = luma;
    if (luma > lightest) lightest = luma;
  }
  const range = lightest - darkest;
  return recolored(raw, (color) => {
    const share = Math.min(1, Math.max(0, (lumaOf(color) - darkest) / range));
    return painted(color, range < 16 ? 255 : Math.round(130 + 125 * share));
  });
}

const lumaOf = (color: number): number =>
  0.2126 * (color & 255) + 0.7152 * ((color >>> 8) & 255) + 0.0722 * ((color >>> 16) & 255);

const painted = (color: number, level: number): number =>
  (color & 0xff000000) | (level << 16) | (level << 8) | level;
