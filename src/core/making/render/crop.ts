import { type Drawing, isOnPlainGround } from "./drawing.ts";
import type { Placement } from "./png/placement.ts";

/** A drawing reduced to what is drawn on it, and where that lies on the canvas. */
export interface Cropped {
  drawing: Drawing;
  placement: Placement;
}

/** Canvases smaller than this are drawn whole: there is nothing to gain, and some of them are drawn finer first. */
const smallest = 256;
/** Of the canvas; a picture that takes more of it is drawn with its canvas. */
const most = 0.7;

/** Whole pixels around the picture, and one more on each side; undefined where all of the canvas has to be drawn. */
export function cropToWhole(drawing: Drawing): Cropped | undefined {
  const { width, height, picture } = drawing;
  if (!picture || !isOnPlainGround(drawing) || Math.max(width, height) < smallest) return undefined;
  const { at } = picture;
  const left = Math.max(0, Math.floor(at.x) - 1);
  const top = Math.max(0, Math.floor(at.y) - 1);
  const size = {
    width: Math.min(width, Math.ceil(at.x + at.width) + 1) - left,
    height: Math.min(height, Math.ceil(at.y + at.height) + 1) - top,
  };
  if (size.width * size.height > most * width * height) return undefined;
  const moved = { ...at, x: thousandth(at.x - left), y: thousandth(at.y - top) };
  return {
    drawing: { ...drawing, ...size, picture: { ...picture, at: moved } },
    placement: { canvas: { width, height }, left, top, width: size.width, height: size.height },
  };
}

const thousandth = (value: number): number => Math.round(value * 1000) / 1000;
