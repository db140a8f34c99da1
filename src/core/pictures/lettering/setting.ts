import type { Box } from "../artwork/geometry.ts";
import { type Lettered, type LetteredWord, movePath } from "./lettered.ts";

const em = 1000;
/** From one line's base line to the next, and from a line's top to its base line, where letters allow it; in em. */
const lineHeight = 1.16;
const ascent = 0.72;

/** Letters that stand higher or hang lower than these, in em, have all of their height: else two lines would touch. */
const usual = { up: 0.98, down: 0.3 };

/** What stays free between two lines of such letters, in em. */
const free = 0.1;

/** A name set in a box, as one outline in pixels of the canvas. */
export interface NameSet {
  path: string;
  width: number;
}

type LetteredLine = readonly LetteredWord[];

/**
 * Sets a name as large as a box lets it be, in up to three lines, in the middle of its height and from the edge that
 * its lines begin at: the box's left, or so far from its left as the widest line is wide.
 * @param largest height of the letters' em that is not exceeded, in pixels.
 */
export function setName({ words, direction }: Lettered, box: Box, largest: number): NameSet {
  const settings = [1, 2, 3]
    .filter((count) => count <= words.length)
    .map((count) => {
      const lines = breakLines(words, count);
      const widest = Math.max(...lines.map(widthOf));
      const { first, steps, tall } = heightsOf(lines);
      return {
        lines,
        widest,
        first,
        steps,
        tall,
        size: Math.min(largest, (box.width * em) / widest, box.height / tall),
      };
    });
  // Another line has to make the letters a good deal larger.
  const best = settings.reduce((a, b) => (b.size > a.size * 1.4 ? b : a));
  const top = box.y + (box.height - best.tall * best.size) / 2 + best.first * best.size;
  const scale = best.size / em;
  const path = best.lines
    .map((line, at) => {
      const indent = direction === "rtl" ? (best.widest - widthOf(line)) * scale : 0;
      return outline(line, box.x + indent, top + (best.steps[at] ?? 0) * best.size, scale);
    })
    .join("");
  return { path, width: best.widest * scale };
}

/** How far the first base line is from the top, each from the first, and the bottom from the top; in em. */
function heightsOf(lines: readonly LetteredLine[]): { first: number; steps: readonly number[]; tall: number } {
  const extents = lines.map(extentOf);
  const steps = [0];
  for (const [at, { up }] of extents.entries()) {
    if (at === 0) continue;
    const above = extents[at - 1];
    const needed = above && (above.isDeep || up > usual.up) ? above.down + up + free : 0;
    steps.push((steps[at - 1] ?? 0) + Math.max(lineHeight, needed));
  }
  const first = (extents[0]?.up ?? 0) > usual.up ? (extents[0]?.up ?? ascent) : ascent;
  const last = extents.at(-1);
  return { first, steps, tall: first + (steps.at(-1) ?? 0) + (last?.isDeep ? last.down : 0) };
}

/** How far a line's outlines stand above its base line and hang below it, in em. */
function extentOf(line: LetteredLine): { up: number; down: number; isDeep: boolean } {
  let [up, down] = [0, 0];
  for (const { parts } of line)
    for (const { path } of parts)
      for (const [at, number] of (path.match(/-?\d+/g) ?? []).entries())
        if (at % 2 === 1) [up, down] = [Math.max(up, -Number(number)), Math.max(down, Number(number))];
  return { up: up / em, down: down / em, isDeep: down / em > usual.down };
}

/** Words in so many lines, the longest of which is as short as it can be. */
function breakLines(words: LetteredLine, count: number): LetteredLine[] {
  if (count === 1) return [words];
  let best: LetteredLine[] | undefined;
  for (let first = 1; first <= words.length - count + 1; first++) {
    const lines = [words.slice(0, first), ...breakLines(words.slice(first), count - 1)];
    if (!best || widest(lines) < widest(best)) best = lines;
  }
  return best ?? [words];
}

const widest = (lines: readonly LetteredLine[]): number => Math.max(...lines.map(widthOf));

/** In thousandths of the em; the blank at its end does not count. */
const widthOf = (line: LetteredLine): number =>
  line.reduce((sum, { advance, blank }) => sum + advance + blank, 0) - (line.at(-1)?.blank ?? 0);

function outline(line: LetteredLine, x: number, y: number, scale: number): string {
  let at = x;
  let path = "";
  const order = fromLeftToRight(line);
  for (const [place, index] of order.entries()) {
    const { parts, advance } = line[index] as LetteredWord;
    for (const part of parts) path += movePath(part.path, at + part.x * scale, y, scale);
    // Between two words lies the blank of the one that is read first.
    const blank = line[Math.min(index, order[place + 1] ?? index)]?.blank ?? 0;
    at += (advance + blank) * scale;
  }
  return path;
}

/** Which word stands where, from left to right (Unicode Bidirectional Algorithm, rule L2). */
function fromLeftToRight(line: LetteredLine): number[] {
  const order = line.map((_, at) => at);
  const levelAt = (place: number): number => line[order[place] ?? -1]?.level ?? -1;
  for (let level = Math.max(0, ...line.map((word) => word.level)); level > 0; level--) {
    for (let at = 0; at < order.length; at++) {
      let end = at;
      while (levelAt(end) >= level) end++;
      if (end > at) order.splice(at, end - at, ...order.slice(at, end).reverse());
      at = Math.max(at, end);
    }
  }
  return order;
}
