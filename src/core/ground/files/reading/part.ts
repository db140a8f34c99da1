import { createHash } from "node:crypto";
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

/** So many bytes are in memory at a time. */
const pieceSize = 4 * 1024 * 1024;

/** SHA-256 of a file below a root that may be larger than memory. Stops: file-unreadable */
export function sumInside(root: string, path: string): string {
  const hash = createHash("sha256");
  for (let from = 0; ; ) {
    const piece = partInside(root, path, from, pieceSize);
    if (piece.length === 0) return hash.digest("hex");
    hash.update(piece);
    from += piece.length;
  }
}
