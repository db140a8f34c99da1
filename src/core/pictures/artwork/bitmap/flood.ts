/**
 * Reaches pixels from some of them on, over the four sides of each. What was reached before is not reached again.
 * @param seeds positions of pixels, row by row. @param isOpen of a pixel by its position
 * @param reached 1 where a pixel has been reached; written to
 */
export function flood(
  seeds: Iterable<number>,
  isOpen: (at: number) => boolean,
  { width, reached }: { width: number; reached: Uint8Array },
  visit: (at: number) => void = () => {},
): void {
  const open: number[] = [];
  const reach = (at: number) => {
    if (reached[at] || !isOpen(at)) return;
    reached[at] = 1;
    open.push(at);
  };
  for (const seed of seeds) reach(seed);
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    visit(at);
    if (at % width > 0) reach(at - 1);
    if (at % width < width - 1) reach(at + 1);
    if (at >= width) reach(at - width);
    if (at < reached.length - width) reach(at + width);
  }
}
