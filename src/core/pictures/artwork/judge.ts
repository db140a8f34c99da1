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
import { stretchesOf } from "./bitmap/pieces.ts";
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
  const opaque = isOpaque(data);
  const edge = opaque ? commonEdge(data, width, height) : undefined;
  const mask = edge ? unlike(data, edge, sameColor) : opaque ? new Uint8Array(width * height).fill(1) : shownIn(data);
  const outline: { x: number; y: number }[] = [];
  let [red, green, blue] = [0, 0, 0];
  const mass = { x: 0, y: 0 };
  let count = 0;
  for (let y = 0; y < height; y++) {
    const row = mask.subarray(y * width, (y + 1) * width);
    const stretches = stretchesOf(row);
    const [[first] = [], [, last] = []] = [stretches[0], stretches.at(-1)];
    if (first === undefined || last === undefined) continue;
    let inRow = 0;
    for (const [left, right] of stretches) {
      inRow += right - left;
      mass.x += ((right - left) * (left + right)) / 2;
      for (let i = (y * width + left) * 4; i < (y * width + right) * 4; i += 4) {
        red += data[i] as number;
        green += data[i + 1] as number;
        blue += data[i + 2] as number;
      }
    }
    count += inRow;
    mass.y += inRow * (y + 0.5);
    for (const x of [first, last]) outline.push({ x, y }, { x, y: y + 1 });
  }
  if (outline.length === 0 || (opaque && !edge && isPlain(data))) return undefined;
  const [xs, ys] = [outline.map((point) => point.x), outline.map((point) => point.y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const circle = enclosingCircle(outline);
  const mean: Color = [red / count, green / count, blue / count];
  const enclosed = edge ? countEnclosed(mask, width, height) : 0;
  const letters = lettersIn(mask, width);
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
    rounded: !opaque && isRounded((x, y) => data[(y * width + x) * 4 + 3] ?? 0, width, height),
    ...(letters ? { letters } : {}),
    mean: hexOf(...mean),
    varied: variedFrom(data, mean, edge && mask) / count,
    enclosed: enclosed / (count + enclosed),
    filled: Math.min(1, count / Math.min(box, Math.PI * circle.radius ** 2)),
  };
}

function isOpaque(data: Buffer): boolean {
  for (let i = 3; i < data.length; i += 4) if ((data[i] as number) < 250) return false;
  return true;
}

/** 1 where something can be seen, row by row. */
function shownIn(data: Buffer): Uint8Array {
  const mask = new Uint8Array(data.length / 4);
  for (let at = 0; at < mask.length; at++) if ((data[at * 4 + 3] as number) > 16) mask[at] = 1;
  return mask;
}

/** 1 where a pixel is further from a colour than that, row by row. */
function unlike(data: Buffer, [red, green, blue]: Color, far: number): Uint8Array {
  const mask = new Uint8Array(data.length / 4);
  for (let at = 0, i = 0; at < mask.length; at++, i += 4) {
    const across = Math.abs((data[i] as number) - red) + Math.abs((data[i + 1] as number) - green);
    if (across + Math.abs((data[i + 2] as number) - blue) > far) mask[at] = 1;
  }
  return mask;
}

/**
 * Pixels of what is drawn, and not of its soft edge, that are of another colour than the mean.
 * @param drawn 1 where something stands on a ground; absent where there is none
 */
function variedFrom(data: Buffer, mean: Color, drawn: Uint8Array | undefined): number {
  const other = unlike(data, mean, another);
  let count = 0;
  for (let at = 0; at < other.length; at++)
    if (other[at] === 1 && (data[at * 4 + 3] as number) > 200 && (!drawn || drawn[at] === 1)) count++;
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
