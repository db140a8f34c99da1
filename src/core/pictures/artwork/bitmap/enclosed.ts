/** So much of what is drawn may be of its ground's colour before taking that colour out wrecks it. */
export const mostEnclosed = 0.01;

/**
 * How many pixels of the ground's colour cannot be reached from the edge: they lie within what is drawn.
 * @param isGround of a pixel by its position, row by row
 */
export function countEnclosed(isGround: (at: number) => boolean, width: number, height: number): number {
  const total = width * height;
  const outside = new Uint8Array(total);
  const open: number[] = [];
  const reach = (at: number) => {
    if (outside[at] || !isGround(at)) return;
    outside[at] = 1;
    open.push(at);
  };
  for (let x = 0; x < width; x++) for (const at of [x, total - width + x]) reach(at);
  for (let y = 0; y < height; y++) for (const at of [y * width, y * width + width - 1]) reach(at);
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (at % width > 0) reach(at - 1);
    if (at % width < width - 1) reach(at + 1);
    if (at >= width) reach(at - width);
    if (at < total - width) reach(at + width);
  }
  let enclosed = 0;
  for (let at = 0; at < total; at++) if (!outside[at] && isGround(at)) enclosed++;
  return enclosed;
}
