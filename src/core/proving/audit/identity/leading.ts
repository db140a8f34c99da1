import type { Folder } from "../../../ground/files/reading/folder.ts";
import { keyedValues } from "./keyed.ts";

/** What stands, in a list's other entries, where a value stands in one of them. @param key what leads to that */
export function besideInList(template: Pick<Folder, "bytes" | "source">, file: string, key: string): string[] {
  const shape = (of: string) => of.replace(/(^|\.)\d+(?=\.|$)/, "$1*");
  if (shape(key) === key) return [];
  return keyedValues(template, file).flatMap((each) =>
    each.key !== key && shape(each.key) === shape(key) ? [each.value] : [],
  );
}

/** What leads to the value at an offset of a file, in its own form; undefined where nothing does. */
export function keysIn(template: Pick<Folder, "bytes" | "source">, file: string): (at: number) => string | undefined {
  const values = keyedValues(template, file);
  // Quotes around a value count as part of it.
  return (at) => values.find((each) => each.at <= at && at <= each.at + each.value.length + 2)?.key;
}
