import { constants, type ZlibOptions } from "node:zlib";
import { fromRaw, pixelsOf, type Raw } from "../raw.ts";
import { pngFile } from "./file.ts";
import { turnUpward, upwardHasFewerRuns } from "./filters.ts";
import { type Indexed, toPalette } from "./indexed.ts";
import type { Placement } from "./placement.ts";
import { colorRows, indexedRows, paint, type Rows } from "./rows.ts";
import { longestPiece, type Stretch, shortestRun, zlibStream } from "./stream.ts";

/** What is drawn, and in which form its pixels are best written. */
export interface Content {
  /** Without its pixels, where the form has them. */
  raw: Raw;
  /** Red, green, blue and alpha around it, as they lie in memory. */
  ground: number;
  /** Whether the file has an alpha channel. */
  alpha: boolean;
  /** Few colours; a photo, filtered row by row; or a drawing of many colours. */
  form: Indexed | "photo" | "drawing";
}

/** How a picture is to be looked at. */
interface Look extends Pick<Content, "ground" | "alpha"> {
  /** No palette. */
  trueColor?: boolean;
}

/** Looks at what is drawn. */
export function contentOf(raw: Raw, { ground, alpha, trueColor = false }: Look): Content {
  const pixels = pixelsOf(raw);
  if (isBusy(pixels, raw)) return { raw, ground, alpha, form: "photo" };
  const few = trueColor ? undefined : toPalette(pixels, ground);
  if (!few) return { raw, ground, alpha, form: "drawing" };
  return { raw: { ...raw, data: Buffer.alloc(0) }, ground, alpha, form: few };
}

/** Writes a PNG; what is drawn lies on a larger canvas where a placement says so. */
export async function encodePng(content: Content, placement = whole(content.raw)): Promise<Buffer> {
  const { raw, ground, alpha, form } = content;
  if (form === "photo") return filterRows(content, placement);
  if (form !== "drawing") return writeRows(indexedRows(form, placement, alpha), placement, ground);
  const rows = colorRows(raw.data, placement, ground, alpha);
  return writeRows(rows, placement, ground);
}

const whole = ({ width, height }: Raw): Placement => ({
  canvas: { width, height },
  left: 0,
  top: 0,
  width,
  height,
});

/** Up to so many bytes are pressed nearly as small as they go; with more that would take longer than drawing them. */
const longest = 500_000;

/** More than this share of pixels that differ from the one before: a photo, not a drawing. */
const busy = 0.25;
const rowsLookedAt = 48;

function isBusy(pixels: Int32Array, { width, height }: Raw): boolean {
  const apart = Math.max(1, Math.floor(height / rowsLookedAt));
  let [differing, all] = [0, 0];
  for (let y = 0; y < height; y += apart) {
    all += width;
    differing += differingIn(pixels, y * width, (y + 1) * width);
  }
  return differing > busy * all;
}

/** Pixels of a row that differ from the one before. */
function differingIn(pixels: Int32Array, start: number, end: number): number {
  let count = 0;
  for (let at = start + 1; at < end; at++) if (pixels[at] !== pixels[at - 1]) count++;
  return count;
}

/** Rows of the ground alone: zeros have no need to be written out, and others are compressed once for many. */
function flat({ header, length, step }: Rows, count: number, ground: number): Stretch[] {
  if (header.colorType === 3 || ground === 0) return [length * count];
  const rows = new Uint8Array(length * Math.min(count, Math.ceil(longestPiece / length)));
  paint(rows, length, step, ground);
  const times = rows.length === 0 ? 0 : Math.floor((length * count) / rows.length);
  return [{ bytes: rows, times }, rows.subarray(0, length * count - rows.length * times)];
}

/** The rows above the drawn ones, these, and the rows below: compressed in the way that suits the drawn ones. */
async function writeRows(rows: Rows, placement: Placement, ground: number): Promise<Buffer> {
  const { canvas, top, height } = placement;
  const below = canvas.height - top - height;
  const how = wayOf(rows);
  if (how.strategy === constants.Z_RLE) filterForRuns(rows, placement);
  const stretches = joinRows([...flat(rows, top, ground), rows.band, ...flat(rows, below, ground)]);
  return pngFile(rows.header, await zlibStream(stretches, { ...how, memLevel: 9 }));
}

/**
 * How to compress rows. The last level of zlib takes twice the time of the one before for a hundredth of the bytes;
 * and in a large palette picture, runs alone come close to the best in a fraction of its time.
 */
function wayOf({ header: { colorType }, band }: Rows): ZlibOptions {
  if (band.length <= longest) return { level: 8 };
  return colorType === 3 ? { level: 6, strategy: constants.Z_RLE } : { level: 7 };
}

/** Filters rows where they have fewer runs so. */
function filterForRuns({ header: { depth }, length, band }: Rows, { left, width }: Placement): void {
  const byteOf = (column: number) => 1 + ((column * depth) >> 3);
  const columns = { from: byteOf(left), to: Math.min(length, byteOf(left + width) + 1) };
  if (upwardHasFewerRuns(band, length, columns)) turnUpward(band, length, columns);
}

/** Short runs of zeros are taken together with what is beside them. */
function joinRows(stretches: readonly Stretch[]): Stretch[] {
  const all: Stretch[] = [];
  for (const stretch of stretches) {
    const last = plain(all.at(-1));
    const next = plain(stretch);
    if (last && next) all[all.length - 1] = Buffer.concat([last, next]);
    else all.push(stretch);
  }
  return all;
}

/** What can be written out: bytes, or few zeros. */
function plain(stretch: Stretch | undefined): Uint8Array | undefined {
  if (stretch instanceof Uint8Array) return stretch;
  return typeof stretch === "number" && stretch < shortestRun ? Buffer.alloc(stretch) : undefined;
}

/** A photo: each row is filtered in the way that suits it. */
function filterRows({ raw, ground, alpha }: Content, placement: Placement): Promise<Buffer> {
  const { canvas, left, top, width, height } = placement;
  const [r, g, b] = [ground & 255, (ground >> 8) & 255, (ground >> 16) & 255];
  const around = {
    left,
    top,
    right: canvas.width - left - width,
    bottom: canvas.height - top - height,
    background: { r, g, b, alpha: (ground >>> 24) / 255 },
  };
  const image = fromRaw(raw).extend(around);
  const flat = alpha ? image : image.removeAlpha();
  const large = canvas.width * canvas.height > longest;
  return flat.png({ compressionLevel: large ? 6 : 9, adaptiveFiltering: true }).toBuffer();
}
