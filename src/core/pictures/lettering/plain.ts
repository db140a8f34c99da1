import type { Outline } from "./lettered.ts";
import letterData from "./letters.json" with { type: "json" };

/**
 * Outlines of letters that only stand beside each other (Latin, Greek, Cyrillic): by letter its advance and its path,
 * in thousandths of the em, and how much nearer some pairs stand.
 */
const font = letterData as unknown as {
  letters: Record<string, readonly [advance: number, path: string]>;
  pairs: Record<string, number>;
};

export const isPlain = (letter: string): boolean => Object.hasOwn(font.letters, letter);

/** The blank between two words, in thousandths of the em. */
export const plainBlank = font.letters[" "]?.[0] ?? 250;

/** Letters beside each other, from left to right. */
export function outlinePlain(letters: readonly string[]): { parts: Outline[]; advance: number } {
  let advance = 0;
  const parts: Outline[] = [];
  for (const [at, letter] of letters.entries()) {
    const [own = 0, outline = ""] = font.letters[letter] ?? [];
    parts.push({ path: outline, x: advance });
    advance += own + (font.pairs[letter + (letters[at + 1] ?? "")] ?? 0);
  }
  return { parts, advance };
}
