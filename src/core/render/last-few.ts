/** Does some work once for the same arguments, as long as it was among the last few that were asked for. */
export function lastFew<A extends readonly unknown[], R>(
  count: number,
  work: (...args: A) => Promise<R>,
): (...args: A) => Promise<R> {
  const kept = new Map<string, Promise<R>>();
  return (...args) => {
    const key = JSON.stringify(args);
    const known = kept.get(key) ?? work(...args);
    kept.delete(key);
    kept.set(key, known);
    for (const oldest of [...kept.keys()].slice(0, -count)) kept.delete(oldest);
    return known;
  };
}
