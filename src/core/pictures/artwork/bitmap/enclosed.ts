import { flood } from "./flood.ts";

/** So much of what is drawn may be of its ground's colour before taking that colour out wrecks it. */
export const mostEnclosed = 0.01;

/**
 * How many pixels of the ground's colour cannot be reached from the edge: they lie within what is drawn.
 * @param isGround of a pixel by its position, row by row
 */
export function countEnclosed(isGround: (at: number) => boolean, width: number, height: number): number {
  const total = width * height;
  const outside = new Uint8Array(total);
  const edge: number[] = [];
  for (let x = 0; x < width; x++) edge.push(x, total - width + x);
  for (let y = 0; y < height; y++) edge.push(y * width, y * width + width - 1);
  flood(edge, isGround, { width, reached: outside });
  let enclosed = 0;
  for (let at = 0; at < total; at++) if (!outside[at] && isGround(at)) enclosed++;
  return enclosed;
}
