import { readFileSync } from "node:fs";
import { sha256 } from "../../values/hash.ts";
import { lookAt, through } from "../writing/door.ts";

/**
 * SHA-256 of the files of a folder, by their paths within it; undefined where there is none, or something else in its
 * place. @param folder relative to the root, there or not yet. Stops: path-outside, where it is a link.
 */
export function sumsIn(root: string, folder: string): (path: string) => string | undefined {
  if (!lookAt(root, folder)) return () => undefined;
  through(root, `${folder}/file`);
  return (path) => {
    if (!lookAt(root, `${folder}/${path}`)?.isFile()) return undefined;
    try {
      return sha256(readFileSync(through(root, `${folder}/${path}`)));
    } catch {
      return undefined;
    }
  };
}
