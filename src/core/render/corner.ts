import type { Slot } from "../catalog/slot.ts";
import type { Variant } from "../derive/variant.ts";
import { type Hex, readableOn } from "../values/color.ts";
import { canBeLettered, lettered } from "./lettering.ts";

/** A mark on an icon that is not for the store: a disc with a rim, and a few letters where they can be read; in pixels. */
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

/** Pictures that stand for the app where people open it, by platform. */
const marked: Readonly<Record<Slot["platform"], RegExp>> = {
  android: /^(launcher|launcher-round|adaptive-foreground|tv-banner)$/,
  ios: /^icon$/,
  windows: /Logo$/,
  web: /^(any|maskable|touch|favicon)$/,
};

/** The disc's radius as a share of what is surely seen of an icon; and, as shares of it, its rim and what letters may take. */
const share = { radius: 0.2, rim: 0.1, letters: { width: 1.5, height: 1.1 } };

/** A disc's radius from which on letters on it can be read, in pixels. */
const readable = 8;

/** Decides the mark on a slot's picture; undefined where there is none. Pure. */
export function cornerOf(slot: Slot, { corner }: Variant): Corner | undefined {
  if (!corner || slot.tone !== "color" || !marked[slot.platform].test(slot.role)) return undefined;
  const ink = readableOn(corner.color);
  const at = placeOn(slot);
  const disc = { ...at, color: corner.color as Hex, ink };
  if (at.radius < readable || !canBeLettered(corner.text)) return disc;
  return { ...disc, path: letters(corner.text, at) };
}

/** At the lower right of a circle that no mask cuts, or of the square that is drawn. */
function placeOn({ width, height, safe, ground }: Slot): { x: number; y: number; radius: number } {
  const shorter = Math.min(width, height);
  const diameter = circleShown(safe, ground);
  if (diameter !== undefined) {
    const radius = (diameter * shorter * share.radius) / 1.2;
    const off = ((diameter * shorter) / 2 - radius) * Math.SQRT1_2;
    return { x: hundredth(width / 2 + off), y: hundredth(height / 2 + off), radius: hundredth(radius) };
  }
  const side = ground.kind === "square" ? ground.side : 0.94;
  const [w, h] = ground.kind === "square" ? [shorter * side, shorter * side] : [width * side, height * side];
  const radius = shorter * side * share.radius;
  return {
    x: hundredth(width / 2 + w / 2 - radius),
    y: hundredth(height / 2 + h / 2 - radius),
    radius: hundredth(radius),
  };
}

/** Diameter of the circle within which the icon is surely seen, as a share of the canvas; undefined where none is cut. */
function circleShown(safe: Slot["safe"], ground: Slot["ground"]): number | undefined {
  if (ground.kind === "circle") return ground.side;
  return safe.shape === "circle" ? safe.share : undefined;
}

function letters(text: string, { x, y, radius }: { x: number; y: number; radius: number }): string {
  const [width, height] = [radius * share.letters.width, radius * share.letters.height];
  const box = { x: x - width / 2, y: y - height / 2, width, height };
  const set = lettered(text, box, height);
  return lettered(text, { ...box, x: x - set.width / 2 }, height).path;
}

/** The mark as a part of an SVG. */
export const cornerShape = ({ x, y, radius, color, ink, path }: Corner): string => {
  const rim = radius * share.rim;
  const disc = `<circle cx="${x}" cy="${y}" r="${hundredth(radius - rim / 2)}" fill="${color}" stroke="${ink}" stroke-width="${hundredth(rim)}"/>`;
  return path === undefined ? disc : `${disc}<path fill="${ink}" d="${path}"/>`;
};

const hundredth = (value: number): number => Math.round(value * 100) / 100;
