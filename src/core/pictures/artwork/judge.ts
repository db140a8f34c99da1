import { extname } from "node:path";
import sharp from "sharp";
import { readInside } from "../../ground/files/reading/folder.ts";
import { attempt, refuse, stop } from "../../ground/problems/result.ts";
import { channels, hexOf } from "../../ground/values/color.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Place } from "../../ground/values/source.ts";
import type { Art } from "./art.ts";
import { countEnclosed } from "./bitmap/enclosed.ts";
import { lettersIn } from "./bitmap/letters.ts";
import { bitmapFacts, mostPixels } from "./bitmap/read.ts";
import { enclosingCircle } from "./geometry.ts";
import { likenessOf } from "./likeness.ts";
import type { LookedAt, Measured } from "./looked-at.ts";
import { overhangs } from "./masks.ts";
import { onOneThread } from "./one-thread.ts";
import { isPaintedAll, readSmall, smallOf } from "./seen/small.ts";
import { sameColor } from "./seen/told.ts";
import { trialLimits, tryDrawing, type Unfit } from "./trial.ts";
import { readVector, type Vector } from "./vector/read.ts";
import { sizeAt, standAlone } from "./vector/stand-alone.ts";

/** Longest side at which a picture is looked at, in pixels. */
const lookedAt = 400;

/** Reads and measures a picture; refuses what is none, is broken, unsafe, too large or empty. */
export async function judgeArt(root: string, file: string, place: Place, known?: LookedAt): Promise<Art> {
  const bytes = readAt(root, file, place);
  const hash = sha256(bytes);
  const before = known?.get(hash);
  const found = before ?? (await measureArt(bytes, file, place));
  // Also what was too dear to be drawn is tried once, not at every command.
  if (!before) known?.set(hash, found);
  if ("unfit" in found) refuse(found.unfit.code, `${file} ${found.unfit.says}.`, { place });
  return { file, hash, ...found };
}

async function measureArt(bytes: Uint8Array, file: string, place: Place): Promise<Measured | { unfit: Unfit }> {
  onOneThread();
  const vector = isSvg(file, bytes) ? readVector({ file, text: decode(bytes, file) }) : undefined;
  const unfit = vector?.unsure
    ? await tryDrawing(standAlone(vector, ...sizeAt(vector, trialLimits.side)).toString())
    : undefined;
  if (unfit) return { unfit };
  const facts = vector ? { format: "svg" as const, ...sizeOf(vector) } : await bitmapFacts(bytes, file, place);
  const pixels = await lookAt(
    vector ? standAlone(vector, ...sizeAt(vector, lookedAt)) : Buffer.from(bytes),
    facts,
    file,
    place,
  );
  const measured = measure(pixels.data, pixels.info.width, pixels.info.height);
  if (!measured) refuse("art-empty", `${file} shows nothing: it is transparent or of one colour all over.`, { place });
  const { width, height } = pixels.info;
  const likeness = await likenessOf(sharp(pixels.data, { raw: { width, height, channels: 4 } }));
  const small = await smallOf({ data: withoutGround(pixels.data, measured.edge), width, height }, measured.content);
  const made = { bitmap: vector?.bitmap ?? false, text: vector?.text ?? false };
  return {
    ...facts,
    ...measured,
    ...made,
    small,
    painted: isPaintedAll(readSmall(small)),
    ...(likeness ? { likeness } : {}),
  };
}

function readAt(root: string, file: string, place: Place): Uint8Array {
  const read = attempt(() => readInside(root, file, file));
  return read.ok ? read.value : stop(read.problems.map((each) => ({ ...each, place })));
}

/** Told by content, since names lie; an SVG by its name too, for a message about SVG rather than about bitmaps. */
function isSvg(file: string, bytes: Uint8Array): boolean {
  const start = Buffer.from(bytes.subarray(0, 1024)).toString("latin1");
  return extname(file).toLowerCase() === ".svg" || /^[^<]*<(\?xml|svg|!DOCTYPE svg|!--)/i.test(start);
}

function decode(bytes: Uint8Array, file: string): string {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    refuse("art-unreadable", `${file} is not an SVG: it is not UTF-8 text.`);
  }
}

const sizeOf = ({ width, height }: Vector) => ({ width, height });

async function lookAt(input: Buffer, size: { width: number; height: number }, file: string, place: Place) {
  const scale = lookedAt / Math.max(size.width, size.height);
  const [width, height] = [size.width, size.height].map((side) => Math.max(1, Math.round(side * scale)));
  try {
    return await sharp(input, { limitInputPixels: mostPixels })
      .autoOrient()
      .resize({ width, height, fit: "fill" } as { width: number; height: number; fit: "fill" })
      .timeout({ seconds: 20 })
      .toColourspace("srgb")
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
  } catch (error) {
    const why = (error as Error).message.split("\n")[0];
    refuse("art-unreadable", `${file} is broken or cut short (${why}).`, { place });
  }
}

/** The same pixels, and nothing where the ground's colour is. */
function withoutGround(data: Buffer, edge: string | undefined): Buffer {
  if (edge === undefined) return data;
  const ground = channels(edge);
  const cut = Buffer.from(data);
  for (let i = 0; i < cut.length; i += 4) if (distance(data, i, ground) <= sameColor) cut[i + 3] = 0;
  return cut;
}

function measure(
  data: Buffer,
  width: number,
  height: number,
):
  | Pick<
      Art,
      | ("opaque" | "edge" | "content" | "circle" | "mass" | "cut" | "letters")
      | ("mean" | "varied" | "enclosed" | "filled" | "rounded")
    >
  | undefined {
  const at = (x: number, y: number) => (y * width + x) * 4;
  const channel = (offset: number) => data[offset] ?? 0;
  let opaque = true;
  for (let i = 3; i < data.length && opaque; i += 4) opaque = channel(i) >= 250;
  const edge = opaque ? commonEdge(data, width, height) : undefined;
  const outline: { x: number; y: number }[] = [];
  const mask = new Uint8Array(width * height);
  const sum: Color = [0, 0, 0];
  const mass = { x: 0, y: 0 };
  let count = 0;
  for (let y = 0; y < height; y++) {
    let first = -1;
    let last = -1;
    for (let x = 0, i = at(0, y); x < width; x++, i += 4) {
      const drawn = edge ? distance(data, i, edge) > sameColor : opaque || channel(i + 3) > 16;
      if (!drawn) continue;
      mask[y * width + x] = 1;
      if (first < 0) first = x;
      last = x;
      count++;
      mass.x += x + 0.5;
      mass.y += y + 0.5;
      sum[0] += channel(i);
      sum[1] += channel(i + 1);
      sum[2] += channel(i + 2);
    }
    if (first < 0) continue;
    for (const x of [first, last + 1]) outline.push({ x, y }, { x, y: y + 1 });
  }
  if (outline.length === 0 || (opaque && !edge && isPlain(data))) return undefined;
  const [xs, ys] = [outline.map((point) => point.x), outline.map((point) => point.y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const circle = enclosingCircle(outline);
  const mean: Color = [sum[0] / count, sum[1] / count, sum[2] / count];
  const isGround = (pixel: number) => edge !== undefined && distance(data, pixel * 4, edge) <= sameColor;
  const enclosed = edge ? countEnclosed(isGround, width, height) : 0;
  const letters = lettersIn(mask, width, height);
  const box = (Math.max(...xs) - left) * (Math.max(...ys) - top);
  return {
    opaque,
    ...(edge ? { edge: hexOf(...edge) } : {}),
    content: {
      x: left / width,
      y: top / height,
      width: (Math.max(...xs) - left) / width,
      height: (Math.max(...ys) - top) / height,
    },
    circle: { x: circle.x / width, y: circle.y / height, radius: circle.radius / width },
    mass: { x: mass.x / count / width, y: mass.y / count / height },
    cut: edge ? overhangs(outline.map(({ x, y }) => ({ x: x / width, y: y / height }))) : [],
    rounded: !opaque && isRounded((x, y) => channel(at(x, y) + 3), width, height),
    ...(letters ? { letters } : {}),
    mean: hexOf(...mean),
    varied: variedFrom(data, mean, edge) / count,
    enclosed: enclosed / (count + enclosed),
    filled: Math.min(1, count / Math.min(box, Math.PI * circle.radius ** 2)),
  };
}

/** Pixels of what is drawn, and not of its soft edge, that are of another colour than the mean. */
function variedFrom(data: Buffer, mean: Color, edge: Color | undefined): number {
  let count = 0;
  for (let i = 0; i < data.length; i += 4)
    if ((data[i + 3] ?? 0) > 200 && (!edge || distance(data, i, edge) > sameColor) && distance(data, i, mean) > another)
      count++;
  return count;
}

/** Colours further apart than this are two. Sum of channel distances. */
const another = 72;

function isRounded(alpha: (x: number, y: number) => number, width: number, height: number): boolean {
  const [right, bottom] = [width - 1, height - 1];
  const [middle, centre] = [Math.floor(width / 2), Math.floor(height / 2)];
  const corners = [alpha(0, 0), alpha(right, 0), alpha(0, bottom), alpha(right, bottom)];
  const edges = [alpha(middle, 1), alpha(middle, bottom - 1), alpha(1, centre), alpha(right - 1, centre)];
  return corners.every((value) => value < 64) && edges.every((value) => value > 192);
}

type Color = [red: number, green: number, blue: number];

const distance = (data: Buffer, i: number, [red, green, blue]: Color): number =>
  Math.abs((data[i] ?? 0) - red) + Math.abs((data[i + 1] ?? 0) - green) + Math.abs((data[i + 2] ?? 0) - blue);

const isPlain = (data: Buffer): boolean => {
  const first: Color = [data[0] ?? 0, data[1] ?? 0, data[2] ?? 0];
  for (let i = 0; i < data.length; i += 4) if (distance(data, i, first) > 6) return false;
  return true;
};

/** The mean colour of the outermost pixels, where all of them are near it. */
function commonEdge(data: Buffer, width: number, height: number): Color | undefined {
  const ring: number[] = [];
  for (let x = 0; x < width; x++) ring.push(x * 4, ((height - 1) * width + x) * 4);
  for (let y = 0; y < height; y++) ring.push(y * width * 4, (y * width + width - 1) * 4);
  const mean = [0, 1, 2].map((c) => ring.reduce((sum, i) => sum + (data[i + c] ?? 0), 0) / ring.length) as Color;
  return ring.every((i) => distance(data, i, mean) <= sameColor) ? mean : undefined;
}
