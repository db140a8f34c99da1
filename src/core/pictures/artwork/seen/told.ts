import { channels, type Hex, hexOf, seenColor } from "../../../ground/values/color.ts";
import { readSmall, type Small } from "./small.ts";

/**
 * Least step between two neighbouring pixels, as a share of the step that they make on the ground that shows them
 * best, for an edge to be told at all, and for it to stand out: about 1.5 : 1 and 3 : 1 of a plain shape on a plain
 * ground (W3C, WCAG 2, non-text contrast).
 */
export const steps = { told: 0.2, standsOut: 0.33 } as const;

/** Grounds that a shape is looked at on to know what it is by itself. */
const best: readonly Hex[] = ["#000000", "#ffffff", "#808080"];

/** Smaller steps than this are shades within a shape, not its edges; black to white is 1. */
const leastEdge = 0.12;

/** Less of this lets through what lies behind: a pixel of the outline. */
const solid = 230;

/** A plate's outline is lost to this share at most where it is one with its ground; within it that much is left. */
const merged = { outline: 0.1, inner: 0.9, share: 0.25 } as const;

/** Edges, each by how plain it is by itself: all of them, those that are told, and those that stand out. */
interface Edges {
  all: number;
  told: number;
  standing: number;
}

/**
 * How much of a picture's shape can still be told on a ground, 0 to 1: of all its edges, those that are left. Edges
 * within the picture count as those of its outline do: an eye is not the fish. Where a plate goes into a ground of its
 * own colour all around, what is on the plate is the shape.
 */
export function shareTold(small: Small, ground: Hex, least: number = steps.told): number {
  const { pixels } = small;
  const there = laidOn(pixels, ground);
  const outline: Edges = { all: 0, told: 0, standing: 0 };
  const inner: Edges = { all: 0, told: 0, standing: 0 };
  const isSolid = (at: number) => (pixels[at * 4 + 3] ?? 0) >= solid;
  forEachEdge(small, (a, b, step) => {
    const edges = isSolid(a) && isSolid(b) ? inner : outline;
    const left = stepBetween(there, a, b);
    edges.all += step;
    if (left >= least * step) edges.told += step;
    if (left >= steps.standsOut * step) edges.standing += step;
  });
  const all = outline.all + inner.all;
  if (all === 0) return 0;
  // Whether a plate is one with its ground does not depend on how much is asked of its edges.
  const isMerged =
    outline.standing < merged.outline * outline.all &&
    inner.standing >= merged.inner * inner.all &&
    inner.all >= merged.share * all;
  return isMerged ? inner.told / inner.all : (outline.told + inner.told) / all;
}

/**
 * How much of a picture's shape can still be told where all of it is of one colour. @param options.key a colour that
 * is left out of it. @param options.isPlate its outline says nothing: only what is on it counts
 */
export function shareInOneColor(small: Small, { key, isPlate = false }: { key?: Hex; isPlate?: boolean } = {}): number {
  const { pixels } = small;
  const out = key === undefined ? undefined : channels(key);
  /** How much of a pixel is drawn; a soft edge to what is left out is soft as well. */
  const left = (at: number): number => {
    const alpha = (pixels[at * 4 + 3] as number) / 255;
    const far = out === undefined ? another : apart(out, [...pixels.subarray(at * 4, at * 4 + 3)]);
    return far <= sameColor ? 0 : alpha * Math.min(1, far / another);
  };
  const edges = { all: 0, told: 0 };
  const isSolid = (at: number) => (pixels[at * 4 + 3] as number) >= solid;
  forEachEdge(small, (a, b, step) => {
    if (isPlate && !(isSolid(a) && isSolid(b))) return;
    edges.all += step;
    if (Math.abs(left(a) - left(b)) >= steps.told) edges.told += step;
  });
  return edges.all === 0 ? 0 : edges.told / edges.all;
}

/** Colours of a small picture that cover this share of it at least, with those near them; the most common first. */
export function mainColors({ pixels }: Small, least = 0.05): Hex[] {
  const counts = new Map<Hex, number>();
  let all = 0;
  for (let i = 0; i < pixels.length; i += 4) {
    if ((pixels[i + 3] as number) < solid) continue;
    all++;
    const color = hexOf(pixels[i] as number, pixels[i + 1] as number, pixels[i + 2] as number);
    counts.set(color, (counts.get(color) ?? 0) + 1);
  }
  const main: { color: Hex; count: number }[] = [];
  for (const [color, count] of [...counts].sort((one, other) => other[1] - one[1])) {
    const near = main.find((each) => apart(channels(each.color), channels(color)) <= sameColor);
    if (near) near.count += count;
    else main.push({ color, count });
  }
  return main.filter(({ count }) => count >= least * all).map(({ color }) => color);
}

const apart = (one: readonly number[], other: readonly number[]): number =>
  one.reduce((sum, level, c) => sum + Math.abs(level - (other[c] as number)), 0);

/** Two colours nearer than this are taken for one: JPEG leaves noise on a plain ground. Sum of channel distances. */
export const sameColor = 36;

/** Colours so far apart have nothing of each other. */
const another = 300;

/** Edges of a picture by itself, as three numbers each: two pixels, and the step between them. */
const edgesKnown = new WeakMap<Small, readonly number[]>();

/** Every two neighbouring pixels between which there is an edge, and how plain that is by itself. */
function forEachEdge(small: Small, look: (a: number, b: number, step: number) => void): void {
  const edges = edgesKnown.get(small) ?? edgesOf(small);
  edgesKnown.set(small, edges);
  for (let at = 0; at < edges.length; at += 3)
    look(edges[at] as number, edges[at + 1] as number, edges[at + 2] as number);
}

function edgesOf({ side, pixels }: Small): number[] {
  const edges: number[] = [];
  const alone = best.map((each) => laidOn(pixels, each));
  const weigh = (a: number, b: number) => {
    const step = Math.max(...alone.map((colors) => stepBetween(colors, a, b)));
    if (step >= leastEdge) edges.push(a, b, step);
  };
  for (let at = 0; at < side * side; at++) {
    if ((at + 1) % side > 0) weigh(at, at + 1);
    if (at + side < side * side) weigh(at, at + side);
  }
  return edges;
}

/** Colours as they are seen, by five bits a channel: three numbers each, worked out when first asked for. */
const known = new Float64Array(32 * 32 * 32 * 3).fill(Number.NaN);

/** Where in `known` the colour of each pixel over a ground is. */
function laidOn(pixels: Uint8Array, ground: Hex): Uint32Array {
  const [red, green, blue] = channels(ground);
  const colors = new Uint32Array(pixels.length / 4);
  for (let i = 0; i < pixels.length; i += 4) {
    const alpha = (pixels[i + 3] as number) / 255;
    const over = (c: number, under: number) => ((pixels[i + c] as number) * alpha + under * (1 - alpha)) >> 3;
    colors[i / 4] = indexOf(over(0, red), over(1, green), over(2, blue));
  }
  return colors;
}

function indexOf(red: number, green: number, blue: number): number {
  const at = 3 * ((red << 10) | (green << 5) | blue);
  // The whole range, so that black is black and white is white.
  if (Number.isNaN(known[at])) known.set(seenColor((red * 255) / 31, (green * 255) / 31, (blue * 255) / 31), at);
  return at;
}

/** What a step of hue counts beside one of lightness: not everybody sees it, and nobody sees it well when small. */
const hueWeight = 0.3;

/** How far two pixels lie apart. */
function stepBetween(colors: Uint32Array, a: number, b: number): number {
  const [one, other] = [colors[a] as number, colors[b] as number];
  const part = (offset: number) => (known[one + offset] as number) - (known[other + offset] as number);
  return Math.sqrt(part(0) ** 2 + hueWeight ** 2 * (part(1) ** 2 + part(2) ** 2));
}

/** So much of a shape stands out from a ground that suits it. */
export const standing = 0.75;

/** Where less of a shape can be told at all, it is another one, or none. */
const recognisable = 0.6;

/** Where less of it stands out, it is taken for weak. */
const weak = 0.35;

/** Whether a picture would not be recognised on a ground. */
export const isLostOn = ({ small }: { small: string }, ground: Hex): boolean =>
  shareTold(readSmall(small), ground) < recognisable;

/** Whether a ground that is not the picture's own choice would be a bad one for it. */
export const isWeakOn = ({ small }: { small: string }, ground: Hex): boolean =>
  shareTold(readSmall(small), ground, steps.standsOut) < weak;
