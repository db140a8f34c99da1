import type { Hex } from "../../ground/values/color.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import type { Box } from "../../pictures/artwork/geometry.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import type { MarkSource } from "./source.ts";

/** A client's picture laid onto the canvas. */
export interface Placed {
  art: Pick<Art, "file" | "hash" | "format" | "width" | "height">;
  /** The part of the picture that is used; fractions of it. */
  part: Box;
  /** Where that part lies on the canvas, in pixels, to a thousandth. */
  at: Box;
  /** Colour that is made transparent: the plain ground of a picture whose mark is wanted alone. */
  key?: Hex;
  /** Cut to the plate's shape. */
  clip: boolean;
}

interface Size {
  width: number;
  height: number;
}

/**
 * A picture over a whole box in the middle of the canvas; what is too long is cut, as far as can be away from the
 * focus.
 */
export function covering(art: Art, focus: { x: number; y: number }, box: Size, canvas: Size): Placed {
  const scale = Math.max(box.width / art.width, box.height / art.height);
  const [width, height] = [box.width / (art.width * scale), box.height / (art.height * scale)];
  const start = (share: number, at: number) => Math.max(0, Math.min(1 - share, at - share / 2));
  const part = { x: start(width, focus.x), y: start(height, focus.y), width, height };
  const at = { x: (canvas.width - box.width) / 2, y: (canvas.height - box.height) / 2, ...box };
  return { art: artRef(art), part, at: settleBox(at), clip: false };
}

/**
 * What is drawn of a picture, laid into the safe zone: by its smallest circle, or by its box, around the point that is
 * to be in the middle.
 */
export function fitInto(source: MarkSource, slot: Slot): Placed {
  const { art, part, circle } = source;
  const { width, height, safe } = slot;
  const share = safe.share * (safe.drawn ?? 1);
  const size = sizeOf(source);
  const off = {
    x: (source.middle.x - circle.x) * art.width,
    y: (source.middle.y - circle.y) * art.height,
  };
  const scale =
    safe.shape === "circle"
      ? (Math.min(width, height) * share) / (2 * (circle.radius * art.width + Math.hypot(off.x, off.y)))
      : Math.min(
          (width * share) / (size.width + 2 * Math.abs(off.x)),
          (height * share) / (size.height + 2 * Math.abs(off.y)),
        );
  const outline =
    safe.shape === "circle"
      ? { x: (circle.x - part.x) * art.width, y: (circle.y - part.y) * art.height }
      : { x: size.width / 2, y: size.height / 2 };
  const at = {
    x: width / 2 - (outline.x + off.x) * scale,
    y: height / 2 - (outline.y + off.y) * scale,
    width: size.width * scale,
    height: size.height * scale,
  };
  return placeBox(source, at);
}

/** What is drawn of a picture, as large as it has room in a box, in its middle. */
export function within(source: MarkSource, box: Box): Placed {
  const size = sizeOf(source);
  const scale = Math.min(box.width / size.width, box.height / size.height);
  const [width, height] = [size.width * scale, size.height * scale];
  return placeBox(source, {
    x: box.x + (box.width - width) / 2,
    y: box.y + (box.height - height) / 2,
    width,
    height,
  });
}

/** Size of what is drawn, in the picture's own units. */
export const sizeOf = ({ art, part }: MarkSource): Size => ({
  width: part.width * art.width,
  height: part.height * art.height,
});

function placeBox({ art, part, key }: MarkSource, at: Box): Placed {
  const base = { art: artRef(art), part, at: settleBox(at), clip: false };
  return key === undefined ? base : { ...base, key };
}

export const artRef = ({ file, hash, format, width, height }: Art): Placed["art"] => ({
  file,
  hash,
  format,
  width,
  height,
});

/** To a thousandth of a pixel: enough for any eye, and the same on every machine. */
function settleBox({ x, y, width, height }: Box): Box {
  const round = (value: number) => Math.round(value * 1000) / 1000;
  return { x: round(x), y: round(y), width: round(width), height: round(height) };
}
