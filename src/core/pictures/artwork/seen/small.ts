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
