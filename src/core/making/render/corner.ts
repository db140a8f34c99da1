import { definitions } from "../../app/platforms/all.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { type Hex, readableOn } from "../../ground/values/color.ts";
import type { Lettered } from "../../pictures/lettering/lettered.ts";
import { setName } from "../../pictures/lettering/setting.ts";
import type { Slot } from "../../pictures/slots/slot.ts";

/**
 * A mark on an icon that is not for the store: a disc with a rim, and a few letters where they can be read; in
 * pixels.
 */
export interface Corner {
  x: number;
  y: number;
  radius: number;
  color: Hex;
  /** Of the rim and the letters. */
  ink: Hex;
  /** The letters' outlines. */
  path?: string;
}

/**
 * The disc's radius as a share of the visible icon (a circle or a box); its rim and the room for letters as shares of
 * the radius.
 */
const share = { inCircle: 1 / 6, inBox: 0.2, rim: 0.1, letters: { width: 1.5, height: 1.1 } };

/** Of a canvas that is shown whole, what stays in sight where its corners are rounded. */
const withoutCorners = 0.94;

/** A disc's radius from which on letters on it can be read, in pixels. */
const readable = 8;

/** Decides the mark on a slot's picture; undefined where there is none. Pure. */
export function cornerOf(slot: Slot, { corner }: Variant): Corner | undefined {
  if (!corner || slot.tone !== "color" || !definitions[slot.platform].opensBy.test(slot.role)) return undefined;
  const ink = readableOn(corner.color);
  const at = placeOn(slot);
  const disc = { ...at, color: corner.color, ink };
  if (at.radius < readable || !corner.lettered) return disc;
  return { ...disc, path: letters(corner.lettered, at) };
}

/** At the lower right of a circle that no mask cuts, or of the box that is drawn. */
function placeOn(slot: Slot): { x: number; y: number; radius: number } {
  const { width, height, ground } = slot;
  const shorter = Math.min(width, height);
  const at = (radius: number, right: number, down: number) => ({
    x: hundredth(width / 2 + right),
    y: hundredth(height / 2 + down),
    radius: hundredth(radius),
  });
  const circle = circleShown(slot);
  if (circle !== undefined) {
    const radius = circle * shorter * share.inCircle;
    const off = ((circle * shorter) / 2 - radius) * Math.SQRT1_2;
    return at(radius, off, off);
  }
  const box =
    ground.kind === "square"
      ? { width: ground.side * shorter, height: ground.side * shorter }
      : { width: withoutCorners * width, height: withoutCorners * height };
  const radius = Math.min(box.width, box.height) * share.inBox;
  return at(radius, box.width / 2 - radius, box.height / 2 - radius);
}

/**
 * Diameter of the circle within which the icon is surely seen, as a share of the canvas; undefined where none is cut.
 */
function circleShown({ safe, ground }: Slot): number | undefined {
  if (ground.kind === "circle") return ground.side;
  return safe.shape === "circle" ? safe.share : undefined;
}

function letters(text: Lettered, { x, y, radius }: { x: number; y: number; radius: number }): string {
  const [width, height] = [radius * share.letters.width, radius * share.letters.height];
  const box = { x: x - width / 2, y: y - height / 2, width, height };
  const set = setName(text, box, height);
  return setName(text, { ...box, x: x - set.width / 2 }, height).path;
}

/** The mark as a part of an SVG. */
export const cornerShape = ({ x, y, radius, color, ink, path }: Corner): string => {
  const rim = radius * share.rim;
  const disc =
    `<circle cx="${x}" cy="${y}" r="${hundredth(radius - rim / 2)}" fill="${color}" stroke="${ink}" ` +
    `stroke-width="${hundredth(rim)}"/>`;
  return path === undefined ? disc : `${disc}<path fill="${ink}" d="${path}"/>`;
};

const hundredth = (value: number): number => Math.round(value * 100) / 100;
