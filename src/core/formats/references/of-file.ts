import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../ground/problems/result.ts";
import { readers } from "./readers.ts";
import type { Reference } from "./reference.ts";

/** Every file that a file names; none where it is of no form that names files, or cannot be read as its own. */
export function referencesIn(folder: Folder, file: string): Reference[] {
  const own = readers.filter((each) => each.file.test(file));
  if (own.length === 0 || textIfAny(folder.bytes(file)) === undefined) return [];
  return orElse(
    attempt(() => own.flatMap(({ read }) => read(file, folder))),
    [],
  );
}
