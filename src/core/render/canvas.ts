import sharp, { type OverlayOptions } from "sharp";
import { plateMask } from "./compose.ts";
import type { Drawing } from "./drawing.ts";
import type { Placed } from "./fit.ts";
import { fromRaw, type Raw, rawOf } from "./raw.ts";

/**
 * How many times finer a small picture is drawn before it is reduced, where pixels have to be worked on: a bitmap lies
 * on whole pixels, and an edge is cut out pixel by pixel; on a canvas of 24 pixels both would show.
 */
export const finer = ({ width, height }: Drawing): number =>
  Math.min(8, Math.max(1, Math.floor(256 / Math.max(width, height))));

/** A drawing with a picture in it. */
export type Pictured = Drawing & { picture: Placed };

/** The same, so many times larger. */
export function times(drawing: Drawing, factor: number): Pictured {
  const { plate, picture } = drawing as Pictured;
  const at = {
    x: picture.at.x * factor,
    y: picture.at.y * factor,
    width: picture.at.width * factor,
    height: picture.at.height * factor,
  };
  return {
    ...drawing,
    width: drawing.width * factor,
    height: drawing.height * factor,
    ...(plate ? { plate: { ...plate, side: plate.side * factor, corner: plate.corner * factor } } : {}),
    picture: { ...picture, at },
  };
}

/** With the picture on whole pixels, where a bitmap has to lie. */
export function onWholePixels(drawing: Pictured): Pictured {
  const { x, y, width, height } = drawing.picture.at;
  const [left, top] = [Math.round(x), Math.round(y)];
  const at = {
    x: left,
    y: top,
    width: Math.max(1, Math.round(x + width) - left),
    height: Math.max(1, Math.round(y + height) - top),
  };
  return { ...drawing, picture: { ...drawing.picture, at } };
}

/** The layer in its place on an empty canvas, cut to the plate's shape where that is asked. */
export async function placed(drawing: Pictured, layer: Raw): Promise<Raw> {
  const { width, height, picture } = drawing;
  const empty = { width, height, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } as const;
  const alone = await rawOf(sharp({ create: empty }).composite([inCanvas(layer, picture.at, drawing)]));
  if (!picture.clip) return alone;
  const mask = { input: Buffer.from(plateMask(drawing)), blend: "dest-in" } as const;
  return rawOf(fromRaw(alone).composite([mask]));
}

/** The layer without what would lie outside the canvas. */
function inCanvas(layer: Raw, at: Placed["at"], { width, height }: Drawing): OverlayOptions {
  const [left, top] = [Math.max(0, -at.x), Math.max(0, -at.y)];
  const [w, h] = [
    Math.min(layer.width - left, width - Math.max(0, at.x)),
    Math.min(layer.height - top, height - Math.max(0, at.y)),
  ];
  const data = Buffer.alloc(w * h * 4);
  for (let row = 0; row < h; row++) {
    const start = ((top + row) * layer.width + left) * 4;
    layer.data.copy(data, row * w * 4, start, start + w * 4);
  }
  return {
    input: data,
    raw: { width: w, height: h, channels: 4 },
    left: Math.max(0, at.x),
    top: Math.max(0, at.y),
  };
}
