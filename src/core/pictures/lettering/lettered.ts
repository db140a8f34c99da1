/** Letters of a word: their outline, and how far from the word's left edge they stand, in thousandths of the em. */
export interface Outline {
  /** An SVG path in whole thousandths of the em, from its left edge and its base line; y grows downward. */
  path: string;
  x: number;
}

/** A part of a name that stays on one line. */
export interface LetteredWord {
  parts: readonly Outline[];
  /** How far the next word is, in thousandths of the em, without the blank between them. */
  advance: number;
  /** The blank behind it, in thousandths of the em; none where a script has no blanks between words. */
  blank: number;
  /** Its level of direction: even from left to right, odd from right to left (Unicode Bidirectional Algorithm). */
  level: number;
}

/** A name as outlines, ready to be set in lines of any width. */
export interface Lettered {
  /** Which way its lines run. */
  direction: "ltr" | "rtl";
  words: readonly LetteredWord[];
}

/** What came of lettering a name: its outlines, or the letters that no font at hand has. */
export type Lettering =
  | { lettered: Lettered; lacking: readonly [] }
  | { lettered: undefined; lacking: readonly string[] };

/** An outline moved, and scaled by so much; coordinates come in pairs. To a hundredth. */
export function movePath(path: string, x: number, y: number, scale: number): string {
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
