import { attempt, orElse } from "../../problems/result.ts";
import type { Source } from "../../values/source.ts";
import { type Folder, textIfAny } from "./folder.ts";

const known = new WeakMap<object, Map<string, Source | undefined>>();

/** A file of a folder as a text, decoded once; undefined of pictures and other binary content. */
export function textOf(folder: Pick<Folder, "bytes" | "source">, file: string): Source | undefined {
  const texts = known.get(folder) ?? new Map<string, Source | undefined>();
  known.set(folder, texts);
  if (!texts.has(file)) {
    const isText = textIfAny(folder.bytes(file)) !== undefined;
    const read = isText ? attempt(() => folder.source(file)) : undefined;
    texts.set(file, read && orElse(read, undefined));
  }
  return texts.get(file);
}
