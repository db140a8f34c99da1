import sharp, { type Sharp } from "sharp";

/** Samples as sRGB with alpha, 8 bits a channel, row by row. */
export interface Raw {
  data: Buffer;
  width: number;
  height: number;
}

/** The same, with its number of channels; without alpha where there are three. */
export interface Samples extends Raw {
  channels: 3 | 4;
}

export async function rawOf(image: Sharp): Promise<Raw> {
  const { data, info } = await image.toColourspace("srgb").ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

export const fromRaw = ({ data, width, height, channels = 4 }: Raw & Partial<Samples>): Sharp =>
  sharp(data, { raw: { width, height, channels } });

/** A drawn SVG is sRGB with alpha as it is. */
export async function rawOfSvg(svg: string): Promise<Raw> {
  const { data, info } = await sharp(Buffer.from(svg)).raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/**
 * Red, green, blue and alpha of each pixel in one number, as they lie in memory, red lowest; with a sign, since
 * engines count so faster.
 */
export function pixelsOf({ data }: Raw): Int32Array {
  const aligned = data.byteOffset % 4 === 0 ? data : Uint8Array.from(data);
  return new Int32Array(aligned.buffer, aligned.byteOffset, aligned.length / 4);
}

/** A picture of the same size with these pixels. */
export const rawWith = ({ width, height }: Raw, pixels: Int32Array): Raw => ({
  data: Buffer.from(pixels.buffer, pixels.byteOffset, pixels.byteLength),
  width,
  height,
});
