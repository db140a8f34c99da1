import type { Hex } from "../../ground/values/color.ts";
import type { Letters } from "./bitmap/letters.ts";
import type { Box, Circle } from "./geometry.ts";
import type { Overhang } from "./masks.ts";

/** A picture that a client supplied, and what was measured of it. */
export interface Art {
  /** Relative to the workspace. */
  file: string;
  hash: string;
  format: "svg" | "png" | "jpeg" | "webp";
  /** Pixels; user units for SVG. */
  width: number;
  height: number;
  /** True when no pixel lets anything through. */
  opaque: boolean;
  /** The colour that all four edges have in common, where the picture is opaque and they do. */
  edge?: Hex;
  /** What is drawn, without transparent margins or margins of the edge's colour; fractions of the canvas. */
  content: Box;
  /** The smallest circle around what is drawn; x and radius in fractions of the canvas's width, y of its height. */
  circle: Circle;
  /** The centre of mass of what is drawn; fractions of the canvas's width and height. */
  mass: { x: number; y: number };
  /** Masks that would cut what is drawn, where it stands on a plain ground. */
  cut: readonly Overhang[];
  /** The mean colour of what is drawn. */
  mean: Hex;
  /** The share of what is drawn that is of another colour than the mean. */
  varied: number;
  /** The share of what is drawn that has the edge's colour and is enclosed by the rest; 0 where there is no edge. */
  enclosed: number;
  /** The share of the smaller of its box and its circle that is drawn. */
  filled: number;
  /** Its corners are transparent and the middles of its edges are not: somebody has cut them round already. */
  rounded: boolean;
  /** The letters that it is made of, where it is a word. */
  letters?: Letters;
  /** It has what photos have: hardly two spots alike. */
  painted: boolean;
  /** A vector that holds a bitmap; one that holds text in a font it does not bring along. */
  bitmap: boolean;
  text: boolean;
  /** What is drawn, without a plain ground, as small as it is shown at least (`seen/small.ts`). */
  small: string;
  /** What it looks like, to be held against others; absent for a plain picture. */
  likeness?: string;
}
