import sharp from "sharp";

/**
 * How light a picture is, coarsely: on five greys from white to black where it is transparent, each 24 by 24 values
 * with a mean of nought and a length of one. Plain ones are left out.
 */
export type Light = readonly Float32Array[];

const side = 24;

/** Grounds that a transparent picture is looked at on, as brightness from 0 to 255. */
const grounds = [255, 192, 128, 64, 0];

/** Least standard deviation of brightness, of 255, of a picture that is not plain. */
const leastContrast = 4;

/** Looks at a picture; nothing where it cannot be read, or is plain all over. */
export async function lightOf(bytes: Uint8Array): Promise<Light> {
  try {
    const image = sharp(bytes, { limitInputPixels: 64_000_000 });
    const { data, info } = await image
      .toColourspace("srgb")
      .ensureAlpha()
      .resize(side, side, { fit: "fill" })
      .raw()
      .toBuffer({ resolveWithObject: true });
    if (info.channels !== 4) return [];
    const isOpaque = Array.from({ length: side * side }, (_, at) => data[at * 4 + 3]).every((a) => a === 255);
    return (isOpaque ? [0] : grounds).flatMap((ground) => normalise(data, ground) ?? []);
  } catch {
    return [];
  }
}

/** Rec. 709 brightness on a ground, shifted and scaled. */
function normalise(rgba: Buffer, ground: number): Float32Array | undefined {
  const light = new Float32Array(side * side);
  let mean = 0;
  for (let at = 0; at < light.length; at++) {
    const [red = 0, green = 0, blue = 0, alpha = 0] = rgba.subarray(at * 4, at * 4 + 4);
    const share = alpha / 255;
    light[at] = (0.2126 * red + 0.7152 * green + 0.0722 * blue) * share + ground * (1 - share);
    mean += (light[at] ?? 0) / light.length;
  }
  let sum = 0;
  for (let at = 0; at < light.length; at++) sum += ((light[at] ?? 0) - mean) ** 2;
  if (Math.sqrt(sum / light.length) < leastContrast) return undefined;
  return light.map((value) => (value - mean) / Math.sqrt(sum));
}

/** Correlation from which two pictures are taken for the same one, in other colours, inverted, or encoded anew. */
const same = 0.98;

/** Whether two pictures show the same, whatever their colours: light and dark may even have changed places. */
export const resembles = (a: Light, b: Light): boolean =>
  a.some((one) =>
    b.some((other) => Math.abs(one.reduce((sum, value, at) => sum + value * (other[at] ?? 0), 0)) >= same),
  );
