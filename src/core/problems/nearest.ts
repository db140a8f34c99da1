import { closest, distance } from "fastest-levenshtein";

/** The known name a misspelt one was most likely meant to be; undefined when none is near. */
export function nearest(word: string, known: readonly string[]): string | undefined {
  if (known.length === 0) return undefined;
  const best = closest(word.toLowerCase(), known as string[]);
  return distance(word.toLowerCase(), best.toLowerCase()) <= Math.max(2, word.length / 3) ? best : undefined;
}
