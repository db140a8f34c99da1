import type { Folder } from "../../../ground/files/reading/folder.ts";
import { keyedValues } from "./keyed.ts";

/** What leads to the value at an offset of a file, in its own form; undefined where nothing does. */
export function keysIn(template: Pick<Folder, "bytes" | "source">, file: string): (at: number) => string | undefined {
  const values = keyedValues(template, file);
  // Quotes around a value count as part of it.
  return (at) => values.find((each) => each.at <= at && at <= each.at + each.value.length + 2)?.key;
}
