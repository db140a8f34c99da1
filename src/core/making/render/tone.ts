import type { Drawing } from "./drawing.ts";
import { pixelsOf, type Raw, rawWith } from "./raw.ts";

/**
 * One colour with the shape in the alpha; or greys, stretched so that the darkest part still shows when it is tinted.
 */
export function applyTone(raw: Raw, tone: Drawing["tone"]): Raw {
  if (tone === "color") return raw;
  const pixels = pixelsOf(raw);
  if (tone === "grey") turnGrey(pixels);
  else paintOver(pixels, tone === "white" ? 255 : 0);
  return rawWith(raw, pixels);
}

function paintOver(pixels: Int32Array, level: number): void {
  for (let at = 0; at < pixels.length; at++) pixels[at] = grey(pixels[at] as number, level);
}

function turnGrey(pixels: Int32Array): void {
  let [darkest, lightest] = [255, 0];
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    if (color >>> 24 < 128) continue;
    const luma = lumaOf(color);
    if (luma < darkest) darkest = luma;
    if (luma > lightest) lightest = luma;
  }
  const range = lightest - darkest;
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    const share = Math.min(1, Math.max(0, (lumaOf(color) - darkest) / range));
    pixels[at] = grey(color, range < 16 ? 255 : Math.round(130 + 125 * share));
  }
}

const lumaOf = (color: number): number =>
  0.2126 * (color & 255) + 0.7152 * ((color >>> 8) & 255) + 0.0722 * ((color >>> 16) & 255);

/** All channels at one level; the alpha stays. */
const grey = (color: number, level: number): number => (color & 0xff000000) | (level << 16) | (level << 8) | level;
