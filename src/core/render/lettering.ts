import type { Box } from "../artwork/geometry.ts";
import letterData from "./letters.json" with { type: "json" };

/**
 * Outlines of letters: by letter its advance and its path, in thousandths of the em, and how much nearer some pairs
 * stand.
 */
const font = letterData as unknown as {
  letters: Record<string, readonly [advance: number, path: string]>;
  pairs: Record<string, number>;
};

const em = 1000;
/** From one line's base line to the next, and from a line's top to its base line; in em. */
const lineHeight = 1.16;
const ascent = 0.72;

/** Whether every letter of a text has an outline. */
export const canBeLettered = (text: string): boolean =>
  [...text.normalize("NFC")].every((letter) => Object.hasOwn(font.letters, letter));

/** A name set in a box, as one outline in pixels of the canvas. */
export interface Lettering {
  path: string;
  width: number;
}

/**
 * Sets a name as large as a box lets it be, in up to three lines, from its left edge and in the middle of its height.
 * @param largest height of the letters' em that is not exceeded, in pixels.
 */
export function letterName(name: string, box: Box, largest: number): Lettering {
  const words = name.normalize("NFC").split(/\s+/);
  const settings = [1, 2, 3]
    .filter((count) => count <= words.length)
    .map((count) => {
      const lines = breakLines(words, count);
      const widest = Math.max(...lines.map(widthOf));
      const tall = ascent + (lines.length - 1) * lineHeight;
      return { lines, widest, tall, size: Math.min(largest, (box.width * em) / widest, box.height / tall) };
    });
  // Another line has to make the letters a good deal larger.
  const best = settings.reduce((a, b) => (b.size > a.size * 1.4 ? b : a));
  const top = box.y + (box.height - best.tall * best.size) / 2 + ascent * best.size;
  const path = best.lines
    .map((line, at) => outline(line, box.x, top + at * lineHeight * best.size, best.size / em))
    .join("");
  return { path, width: (best.widest * best.size) / em };
}

/** Words in so many lines, the longest of which is as short as it can be. */
function breakLines(words: readonly string[], count: number): string[] {
  if (count === 1) return [words.join(" ")];
  let best: string[] | undefined;
  for (let first = 1; first <= words.length - count + 1; first++) {
    const lines = [words.slice(0, first).join(" "), ...breakLines(words.slice(first), count - 1)];
    if (!best || widest(lines) < widest(best)) best = lines;
  }
  return best ?? [words.join(" ")];
}

const widest = (lines: readonly string[]): number => Math.max(...lines.map(widthOf));

const advances = (line: string): { letter: string; advance: number }[] =>
  [...line].map((letter, at, all) => ({
    letter,
    advance: (font.letters[letter]?.[0] ?? 0) + (font.pairs[letter + (all[at + 1] ?? "")] ?? 0),
  }));

const widthOf = (line: string): number => advances(line).reduce((sum, { advance }) => sum + advance, 0);

function outline(line: string, x: number, y: number, scale: number): string {
  let at = x;
  let path = "";
  for (const { letter, advance } of advances(line)) {
    path += placeLetters(font.letters[letter]?.[1] ?? "", at, y, scale);
    at += advance * scale;
  }
  return path;
}

/** A glyph's path moved and scaled; coordinates come in pairs. To a hundredth of a pixel. */
function placeLetters(path: string, x: number, y: number, scale: number): string {
  let horizontal = false;
  return path.replace(/([A-Z])|-?\d+/g, (token, command: string | undefined) => {
    if (command) {
      horizontal = false;
      return command;
    }
    horizontal = !horizontal;
    return String(Math.round((Number(token) * scale + (horizontal ? x : y)) * 100) / 100);
  });
}
