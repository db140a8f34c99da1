import { pixelsOf, type Raw } from "./raw.ts";

/** Gives every pixel another colour, which its colour alone decides: that is asked for once where pixels of one colour follow each other. */
export function recolored(raw: Raw, colorOf: (color: number) => number): Raw {
  const { width, height } = raw;
  const pixels = pixelsOf(raw);
  let before = 0;
  let after = colorOf(before);
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    if (color !== before) {
      before = color;
      after = colorOf(color);
    }
    pixels[at] = after;
  }
  return { data: Buffer.from(pixels.buffer, pixels.byteOffset, pixels.byteLength), width, height };
}
