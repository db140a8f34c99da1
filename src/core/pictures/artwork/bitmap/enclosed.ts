import { piecesOf } from "./pieces.ts";

/** So much of what is drawn may be of its ground's colour before taking that colour out wrecks it. */
export const mostEnclosed = 0.01;

/**
 * How many pixels of the ground's colour cannot be reached from the edge: they lie within what is drawn.
 * @param drawn 1 where something stands on the ground, 0 where that is seen, row by row
 */
export function countEnclosed(drawn: Uint8Array, width: number, height: number): number {
  const isWithin = ({ left, right, top, bottom }: { left: number; right: number; top: number; bottom: number }) =>
    left > 0 && right < width && top > 0 && bottom < height;
  return piecesOf(drawn, width, 0)
    .filter(isWithin)
    .reduce((sum, { count }) => sum + count, 0);
}
