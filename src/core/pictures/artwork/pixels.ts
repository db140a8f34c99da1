import { imageSize } from "image-size";
import sharp from "sharp";
import { attempted } from "../../ground/values/attempted.ts";
import { sha256 } from "../../ground/values/hash.ts";

/** Most pixels of a picture that is compared by them. */
const most = 4096 * 4096;

/** Where a pixel's opacity stands in its 32 bits: last, since the first byte is the lowest on whatever this runs on. */
const alphaAt = 24;

/**
 * A sum over what a bitmap shows, pixel by pixel: the same for a picture that was packed anew, whatever lies under what
 * cannot be seen. Undefined where it is no bitmap that can be read.
 */
export async function pixelSum(bytes: Uint8Array): Promise<string | undefined> {
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: most })
      .ensureAlpha()
      .toColourspace("srgb")
      .raw()
      .toBuffer({ resolveWithObject: true });
    const pixels = new Uint32Array(Uint8Array.from(data).buffer);
    // Millions of them: an iterator would take a hundred times as long.
    for (let at = 0; at < pixels.length; at++) if ((pixels[at] ?? 0) >>> alphaAt === 0) pixels[at] = 0;
    return `${info.width}x${info.height} ${sha256(new Uint8Array(pixels.buffer))}`;
  } catch {
    return undefined;
  }
}

/** A picture's width and height as a text; undefined where its first bytes say none. */
export function sizeSaid(bytes: Uint8Array): string | undefined {
  const size = attempted(() => imageSize(bytes));
  return size && `${size.width}x${size.height}`;
}
