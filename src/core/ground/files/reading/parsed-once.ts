import type { Source } from "../../values/source.ts";

/**
 * A parser that parses each text once, whoever asks, as long as somebody holds the text. What it gives must not be
 * changed.
 */
export function parsedOnce<T extends object>(parse: (source: Source) => T): (source: Source) => T {
  const known = new WeakMap<Source, T>();
  return (source) => {
    const before = known.get(source);
    if (before) return before;
    const parsed = parse(source);
    known.set(source, parsed);
    return parsed;
  };
}
