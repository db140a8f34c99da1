/** Keeps the results of the last few keys, so that work for the same key is done once. */
export function lastFew<A extends readonly unknown[], R>(
  count: number,
  keyOf: (...args: A) => string,
  work: (...args: A) => R,
): (...args: A) => R {
  const kept = new Map<string, R>();
  return (...args) => {
    const key = keyOf(...args);
    const known = kept.get(key) ?? work(...args);
    kept.delete(key);
    kept.set(key, known);
    for (const oldest of [...kept.keys()].slice(0, -count)) kept.delete(oldest);
    return known;
  };
}
