import { closest, distance } from "fastest-levenshtein";

/** The known name a misspelt one was most likely meant to be; undefined when none is near. */
export function nearest(word: string, known: readonly string[]): string | undefined {
  if (known.length === 0) return undefined;
  const best = closest(word.toLowerCase(), known as string[]);
  return distance(word.toLowerCase(), best.toLowerCase()) <= Math.max(2, word.length / 3) ? best : undefined;
}

/**
 * What would have been right in place of a name that nothing has: the nearest one, or all of them, or where they come
 * from.
 */
export function expectedAmong(name: string, known: readonly string[], otherwise: string): string {
  const near = nearest(name, known);
  if (near) return `"${near}"`;
  return known.length > 0 ? `one of ${known.join(", ")}` : otherwise;
}
