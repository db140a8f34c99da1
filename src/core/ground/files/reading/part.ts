import { closeSync, openSync, readSync } from "node:fs";
import { refuse } from "../../problems/result.ts";
import { lookAt, through } from "../writing/door.ts";

/** How large a file below a root is, in bytes. Stops: file-missing where there is none */
export function sizeInside(root: string, path: string): number {
  const found = lookAt(root, path);
  return found?.isFile() ? found.size : refuse("file-unreadable", `${path} is not there, or no file.`);
}

/** So many bytes of a file below a root, from a place on; fewer where it ends before. Stops: file-unreadable */
export function partInside(root: string, path: string, from: number, length: number): Uint8Array {
  sizeInside(root, path);
  const file = openSync(through(root, path), "r");
  try {
    const bytes = Buffer.alloc(length);
    return bytes.subarray(0, readSync(file, bytes, 0, length, from));
  } finally {
    closeSync(file);
  }
}
