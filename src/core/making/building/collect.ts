import { basename } from "node:path";
import type { BuiltFile } from "../../agency/history/builds.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import type { ResultKind } from "../../ground/values/package.ts";
import { type BuildAt, buildFolder } from "./work.ts";

/** A file that a build has given, by its path in the folder where it was made. */
export interface Given {
  kind: ResultKind;
  path: string;
  sha256: string;
  content: Uint8Array;
}

/** Puts what a build has given where builds lie: all of it or nothing. */
export function collectBuilt(root: string, build: BuildAt, given: readonly Given[]): BuiltFile[] {
  const taken = new Set<string>();
  const files = given.map(({ path, ...each }) => {
    // Two of one name are told apart by where they come from.
    const name = taken.has(basename(path)) ? path.replaceAll("/", "-") : basename(path);
    taken.add(name);
    return { ...each, path: name };
  });
  writeTogether(
    root,
    files.map(({ path, content }) => [`${buildFolder(build)}/${path}`, content]),
  );
  return files.map(({ content, kind, path, sha256 }) => ({ kind, path, size: content.length, sha256 }));
}
