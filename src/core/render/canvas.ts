import type { Box } from "../artwork/geometry.ts";
import { plateMask } from "./compose.ts";
import type { Drawing } from "./drawing.ts";
import { fromRaw, type Raw, rawOf } from "./raw.ts";

/** A bitmap at several sizes, and the part of it that is wanted, in fractions. */
export interface Bitmap {
  /** The largest first, each half of the one before. */
  levels: readonly Raw[];
  part: Box;
}

interface Canvas {
  width: number;
  height: number;
}

/** Source pixels a pixel: so many are best, and from so many on the whole canvas is cut out of the source and reduced at once. */
const fine = { best: 4, enough: 2 };

/**
 * A bitmap on an empty canvas. It lies between pixels where it should: the canvas is laid over the source, to a fraction of a
 * pixel, and then reduced; a source that is hardly larger, or smaller, is laid on whole pixels.
 */
export function onCanvas({ levels, part }: Bitmap, at: Box, canvas: Canvas): Promise<Raw> {
  const scale = (level: Raw) =>
    Math.min((part.width * level.width) / at.width, (part.height * level.height) / at.height);
  const largest = levels[0] as Raw;
  const level = levels.findLast((each) => scale(each) >= fine.best) ?? largest;
  return scale(level) >= fine.enough
    ? reduced(level, part, at, canvas)
    : onWholePixels(largest, part, at, canvas);
}

async function reduced(level: Raw, part: Box, at: Box, canvas: Canvas): Promise<Raw> {
  const [x, y] = [(part.width * level.width) / at.width, (part.height * level.height) / at.height];
  const wanted = pixelsOf(level, part);
  const window = {
    left: Math.round(part.x * level.width - at.x * x),
    top: Math.round(part.y * level.height - at.y * y),
    width: Math.round(canvas.width * x),
    height: Math.round(canvas.height * y),
  };
  const inside = within(window, wanted)
    ? fromRaw(level).extract(window)
    : fromRaw(copied(level, wanted, window));
  const size = { width: canvas.width, height: canvas.height };
  return rawOf(inside.resize({ ...size, fit: "fill", kernel: "lanczos3" }));
}

async function onWholePixels(level: Raw, part: Box, at: Box, canvas: Canvas): Promise<Raw> {
  const [left, top] = [Math.round(at.x), Math.round(at.y)];
  const size = {
    width: Math.max(1, Math.round(at.x + at.width) - left),
    height: Math.max(1, Math.round(at.y + at.height) - top),
  };
  const layer = await rawOf(
    fromRaw(level)
      .extract(pixelsOf(level, part))
      .resize({ ...size, fit: "fill", kernel: "lanczos3" }),
  );
  return copied(layer, { left: 0, top: 0, ...size }, { left: -left, top: -top, ...canvas });
}

/** Whole pixels of a bitmap. */
interface Area extends Canvas {
  left: number;
  top: number;
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

/** What a window shows of an area of a bitmap; nothing around it. */
function copied({ data, width }: Raw, area: Area, window: Area): Raw {
  const copy = Buffer.alloc(window.width * window.height * 4);
  const left = Math.max(area.left, window.left);
  const right = Math.min(area.left + area.width, window.left + window.width);
  const bottom = Math.min(area.top + area.height, window.top + window.height);
  for (let y = Math.max(area.top, window.top); y < bottom && right > left; y++) {
    const to = ((y - window.top) * window.width + left - window.left) * 4;
    data.copy(copy, to, (y * width + left) * 4, (y * width + right) * 4);
  }
  return { data: copy, width: window.width, height: window.height };
}

/** A layer cut to the shape of its plate. */
export const clipped = (layer: Raw, drawing: Drawing): Promise<Raw> =>
  rawOf(fromRaw(layer).composite([{ input: Buffer.from(plateMask(drawing)), blend: "dest-in" }]));
