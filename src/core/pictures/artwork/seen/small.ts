import { deflateRawSync, inflateRawSync } from "node:zlib";
import sharp from "sharp";
import type { Box } from "../geometry.ts";

/**
 * Pixels of the small picture's longer side. An icon is shown 20 to 29 points large in lists, settings and searches
 * (Apple, "App icons"; Android, "Notifications"), at two pixels a point; a mark fills two thirds of it.
 */
const smallSide = 32;

/** A picture as small as it is shown at least, within a margin of one pixel: RGBA, `side` squared. */
export interface Small {
  side: number;
  pixels: Uint8Array;
}

/** What is drawn of a picture, made small; as text that a record can hold. @param part fractions of the picture */
export async function smallOf(pixels: { data: Uint8Array; width: number; height: number }, part: Box): Promise<string> {
  const { data, width, height } = pixels;
  const left = Math.floor(part.x * width);
  const top = Math.floor(part.y * height);
  const cut = {
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.round(part.width * width))),
    height: Math.max(1, Math.min(height - top, Math.round(part.height * height))),
  };
  const nothing = { r: 0, g: 0, b: 0, alpha: 0 };
  const small = await sharp(data, { raw: { width, height, channels: 4 } })
    .extract(cut)
    .resize(smallSide, smallSide, { fit: "contain", background: nothing })
    .extend({ top: 1, bottom: 1, left: 1, right: 1, background: nothing })
    .raw()
    .toBuffer();
  return deflateRawSync(small).toString("base64");
}

/** So many small pictures are kept open: one is asked for several times, of each ground that it may stand on. */
const mostOpen = 128;

const open = new Map<string, Small>();

/** A small picture from its text; the same object for the same text, while it is kept open. */
export function readSmall(text: string): Small {
  const known = open.get(text) ?? { side: smallSide + 2, pixels: inflateRawSync(Buffer.from(text, "base64")) };
  // The one that was asked for last goes last.
  open.delete(text);
  open.set(text, known);
  const [oldest] = open.keys();
  if (open.size > mostOpen && oldest !== undefined) open.delete(oldest);
  return known;
}

/** So much of a small picture is of colours of its own where it is a photo, or painted. */
const manyColors = 0.35;

/** Where so many pixels are no continuation of their neighbours, by so many levels, a picture is all texture. */
const texture = { share: 0.5, levels: 6 };

/** Whether a small picture has what photos have: hardly two pixels alike, or hardly one that goes on as others. */
export function isPaintedAll({ side, pixels }: Small): boolean {
  const seen = new Set<number>();
  let count = 0;
  let looked = 0;
  let broken = 0;
  const isThere = (at: number) => (pixels[at * 4 + 3] as number) >= 200;
  const level = (at: number) => ((pixels[at * 4] as number) + 2 * (pixels[at * 4 + 1] as number)) / 3;
  for (let at = 0; at < side * side; at++) {
    if (!isThere(at)) continue;
    count++;
    const [red, green, blue] = [0, 1, 2].map((c) => (pixels[at * 4 + c] as number) >> 3) as [number, number, number];
    seen.add(red | (green << 5) | (blue << 10));
    if (at % side === 0 || at % side === side - 1 || !isThere(at - 1) || !isThere(at + 1)) continue;
    looked++;
    if (Math.abs(level(at - 1) - 2 * level(at) + level(at + 1)) > texture.levels) broken++;
  }
  return count > 0 && (seen.size >= manyColors * count || broken >= texture.share * looked);
}
