import type { Folder } from "../../../ground/files/reading/folder.ts";
import { countUpTo } from "../../../ground/values/ascending.ts";
import { keyedValues } from "./keyed.ts";
import type { Keyed } from "./reader.ts";

/** What stands, in a list's other entries, where a value stands in one of them. @param key what leads to that */
export function besideInList(template: Pick<Folder, "bytes" | "source">, file: string, key: string): string[] {
  const shape = (of: string) => of.replace(/(^|\.)\d+(?=\.|$)/, "$1*");
  if (shape(key) === key) return [];
  return keyedValues(template, file).flatMap((each) =>
    each.key !== key && shape(each.key) === shape(key) ? [each.value] : [],
  );
}

/** What leads to the value at an offset of a file, in its own form; undefined where nothing does. */
export function keysIn(template: Pick<Folder, "bytes" | "source">, file: string): KeyAt {
  const values = keyedValues(template, file);
  const before = known.get(values) ?? keysAmong(values);
  known.set(values, before);
  return before;
}

type KeyAt = (at: number) => string | undefined;

/** What is asked of a file many times is put in order once. */
const known = new WeakMap<readonly Keyed[], KeyAt>();

function keysAmong(all: readonly Keyed[]): KeyAt {
  // Quotes around a value count as part of it.
  const values = all
    .map(({ key, value, at }, order) => ({ key, at, end: at + value.length + 2, order }))
    .sort((one, other) => one.at - other.at);
  // How far the values up to each reach: those further in front need not be looked at.
  const reach: number[] = [];
  for (const { end } of values) reach.push(Math.max(reach.at(-1) ?? 0, end));
  return (at) => {
    const low = countUpTo(values, at, (value) => value.at);
    let first: (typeof values)[number] | undefined;
    for (let each = low - 1; each >= 0 && (reach[each] ?? 0) >= at; each--) {
      const value = values[each];
      if (value && value.end >= at && (!first || value.order < first.order)) first = value;
    }
    return first?.key;
  };
}
