import type { Box } from "../../pictures/artwork/geometry.ts";
import { plateMask } from "./compose.ts";
import type { Drawing } from "./drawing.ts";
import { flatten } from "./formats/flatten.ts";
import { fromRaw, type Raw, rawOf, type Samples } from "./raw.ts";

/** A bitmap at several sizes, and the part of it that is wanted, in fractions. */
export interface Bitmap {
  /** The largest first, each half of the one before. */
  levels: readonly Raw[];
  part: Box;
}

interface Size {
  width: number;
  height: number;
}

/** Whole pixels of a picture; they may lie beyond its edges. */
interface Area extends Size {
  left: number;
  top: number;
}

/** The ground of a canvas: one pixel as it lies in memory; absent where the canvas is transparent. */
type Ground = number | undefined;

/**
 * Source pixels per pixel: how many are best, and from how many on the wanted part is cut out of the source and
 * reduced at once.
 */
const fine = { best: 4, enough: 2 };

/**
 * Lays a bitmap on a canvas, to a fraction of a pixel: the pixels that it touches are laid over the source and then
 * reduced. A source that is hardly larger, or smaller, is laid on whole pixels. On a plain ground it is reduced
 * without an alpha channel, which takes a third of the time.
 */
export async function onCanvas(bitmap: Bitmap, at: Box, canvas: Size, ground?: Ground): Promise<Raw> {
  const { level, wanted, window, area } = overlay(bitmap, at, canvas);
  const source: Samples = ground === undefined ? { ...level, channels: 4 } : flatten(level, ground);
  const shown = within(window, wanted)
    ? fromRaw(source).extract(window)
    : fromRaw(copyOver(source, wanted, window, ground));
  const { left, top, width, height } = area;
  const layer = await rawOf(shown.resize({ width, height, fit: "fill", kernel: "lanczos3" }));
  const whole = { left: 0, top: 0, ...canvas };
  if (within(whole, area) && within(area, whole)) return layer;
  const around = { left: -left, top: -top, ...canvas };
  return copyOver({ ...layer, channels: 4 }, { left: 0, top: 0, width, height }, around, ground);
}

/** Which pixels of the canvas show which pixels of which level; and what of that level is wanted at all. */
function overlay({ levels, part }: Bitmap, at: Box, canvas: Size) {
  const scale = (level: Raw) =>
    Math.min((part.width * level.width) / at.width, (part.height * level.height) / at.height);
  const level = levels.findLast((each) => scale(each) >= fine.best) ?? (levels[0] as Raw);
  const wanted = pixelsOf(level, part);
  if (scale(level) < fine.enough) return { level, wanted, window: wanted, area: nearest(at) };
  const area = touchedPart(at, canvas);
  return { level, wanted, window: windowOn(level, part, at, area), area };
}

/** The pixels of a canvas that a box touches, and one more on each side. */
function touchedPart({ x, y, width, height }: Box, canvas: Size): Area {
  const [left, top] = [Math.max(0, Math.floor(x) - 1), Math.max(0, Math.floor(y) - 1)];
  return {
    left,
    top,
    width: Math.max(1, Math.min(canvas.width, Math.ceil(x + width) + 1) - left),
    height: Math.max(1, Math.min(canvas.height, Math.ceil(y + height) + 1) - top),
  };
}

/** A box on whole pixels. */
function nearest({ x, y, width, height }: Box): Area {
  const [left, top] = [Math.round(x), Math.round(y)];
  return {
    left,
    top,
    width: Math.max(1, Math.round(x + width) - left),
    height: Math.max(1, Math.round(y + height) - top),
  };
}

/** What lies under an area of the canvas, in a bitmap's own pixels. */
function windowOn(level: Raw, part: Box, at: Box, area: Area): Area {
  const [x, y] = [(part.width * level.width) / at.width, (part.height * level.height) / at.height];
  return {
    left: Math.round(part.x * level.width + (area.left - at.x) * x),
    top: Math.round(part.y * level.height + (area.top - at.y) * y),
    width: Math.round(area.width * x),
    height: Math.round(area.height * y),
  };
}

/** The wanted part, in a bitmap's own pixels. */
function pixelsOf({ width, height }: Raw, part: Box): Area {
  const [left, top] = [Math.floor(part.x * width), Math.floor(part.y * height)];
  return {
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.round(part.width * width))),
    height: Math.max(1, Math.min(height - top, Math.round(part.height * height))),
  };
}

const within = (inner: Area, outer: Area): boolean =>
  inner.left >= outer.left &&
  inner.top >= outer.top &&
  inner.left + inner.width <= outer.left + outer.width &&
  inner.top + inner.height <= outer.top + outer.height;

/** What a window shows of an area of a bitmap; the ground around it. */
function copyOver({ data, width, channels }: Samples, area: Area, window: Area, ground: Ground): Samples {
  const copy = layOnGround(window.width * window.height * channels, channels, ground);
  const left = Math.max(area.left, window.left);
  const right = Math.min(area.left + area.width, window.left + window.width);
  const bottom = Math.min(area.top + area.height, window.top + window.height);
  for (let y = Math.max(area.top, window.top); y < bottom && right > left; y++) {
    const to = ((y - window.top) * window.width + left - window.left) * channels;
    data.copy(copy, to, (y * width + left) * channels, (y * width + right) * channels);
  }
  return { data: copy, width: window.width, height: window.height, channels };
}

/** So many bytes of a ground. */
function layOnGround(length: number, channels: 3 | 4, ground: Ground): Buffer {
  if (ground === undefined) return Buffer.alloc(length);
  const bytes = new Uint8Array(Int32Array.of(ground).buffer, 0, channels);
  return Buffer.allocUnsafeSlow(length).fill(bytes);
}

/** A layer cut to the shape of its plate. */
export const clipTo = (layer: Raw, drawing: Drawing): Promise<Raw> =>
  rawOf(fromRaw(layer).composite([{ input: Buffer.from(plateMask(drawing)), blend: "dest-in" }]));
