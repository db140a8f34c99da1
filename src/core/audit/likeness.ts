import sharp from "sharp";

/** What a picture looks like, coarsely: 256 bits, one for each step of brightness from left to right. */
export type Likeness = Uint8Array;

const columns = 17;
const rows = 16;

/** Reads a picture coarsely; undefined where it is none, or is plain all over and so like every other plain one. */
export async function likenessOf(bytes: Uint8Array): Promise<Likeness | undefined> {
  let pixels: Buffer;
  try {
    pixels = await sharp(bytes, { limitInputPixels: 64_000_000 })
      .flatten({ background: "#ffffff" })
      .greyscale()
      .resize(columns, rows, { fit: "fill" })
      .raw()
      .toBuffer();
  } catch {
    return undefined;
  }
  const bits = new Uint8Array((columns - 1) * rows);
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < columns - 1; x++) {
      const at = y * columns + x;
      bits[y * (columns - 1) + x] = (pixels[at] ?? 0) > (pixels[at + 1] ?? 0) + 1 ? 1 : 0;
    }
  }
  return bits.some((bit) => bit === 1) ? bits : undefined;
}

/** How many of the 256 steps differ. Up to `alike` two pictures are taken for the same one, re-encoded or resized. */
export const unlikeness = (a: Likeness, b: Likeness): number =>
  a.reduce((sum, bit, at) => sum + (bit === b[at] ? 0 : 1), 0);

export const alike = 16;
