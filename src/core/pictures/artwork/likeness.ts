import sharp, { type Sharp } from "sharp";
import { decodeText } from "../../ground/files/reading/encoding.ts";
import { isBitmap } from "./bitmap/forms.ts";
import { guardVector } from "./vector/guard.ts";

/** What a picture looks like, coarsely: 256 bits as text, one for each step of brightness from left to right. */
export type Likeness = string;

/** Whether a file is a picture, by its name. */
export const isPicture = (file: string): boolean => /\.(png|jpe?g|webp|svg|gif)$/i.test(file);

const columns = 17;
const rows = 16;

/**
 * Reads a picture coarsely, once as long as somebody holds its bytes; undefined where it is none, or is plain all over
 * and so like every other plain one.
 */
export function likenessOf(input: Uint8Array | Sharp): Promise<Likeness | undefined> {
  if (!(input instanceof Uint8Array)) return look(input);
  const before = known.get(input) ?? look(input);
  known.set(input, before);
  return before;
}

const known = new WeakMap<Uint8Array, Promise<Likeness | undefined>>();

async function look(input: Uint8Array | Sharp): Promise<Likeness | undefined> {
  let pixels: Buffer;
  try {
    if (input instanceof Uint8Array && !isCheap(input)) return undefined;
    const image = input instanceof Uint8Array ? sharp(input, { limitInputPixels: 64_000_000 }) : input;
    pixels = await image
      .flatten({ background: "#ffffff" })
      .greyscale()
      .resize(columns, rows, { fit: "fill" })
      .raw()
      .toBuffer();
  } catch {
    return undefined;
  }
  let bits = "";
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < columns - 1; x++) {
      const at = y * columns + x;
      bits += (pixels[at] ?? 0) > (pixels[at + 1] ?? 0) + 1 ? "1" : "0";
    }
  }
  return bits.includes("1") ? bits : undefined;
}

/** Bitmaps, and vectors whose cost is known to be small: nothing else is drawn only to see what it looks like. */
function isCheap(bytes: Uint8Array): boolean {
  if (isBitmap(bytes) || Buffer.from(bytes.subarray(0, 4)).toString("latin1") === "GIF8") return true;
  const text = decodeText(bytes);
  return text !== undefined && !guardVector({ file: "", text }).unsure;
}

/** How many of the 256 steps differ. Up to `alike` two pictures are taken for the same one, re-encoded or resized. */
export function unlikeness(a: Likeness, b: Likeness): number {
  let count = 0;
  for (let at = 0; at < a.length; at++) if (a[at] !== b[at]) count++;
  return count;
}

export const alike = 16;
