import { move, put, removeFile } from "./door.ts";
import { scratchName } from "./scratch.ts";
import { openTransaction } from "./transaction.ts";
import { failed } from "./writer.ts";

/** Writes several small files of a workspace together: all of them, or, where one cannot be written, none; and for good. */
export function writeTogether(root: string, files: ReadonlyMap<string, string>): void {
  const transaction = openTransaction(root, { durable: true });
  try {
    for (const [path, text] of files) transaction.put(path, text);
  } catch (error) {
    transaction.abandon();
    failed([...files.keys()].join(", "), error);
  }
  transaction.commit();
}

/** Writes a file by which time is saved and nothing else: whole or not at all, and in silence where it cannot be. */
export function keepFile(root: string, path: string, content: string | Uint8Array): void {
  const beside = scratchName();
  try {
    put(root, beside, content);
    move(root, beside, path);
  } catch {
    try {
      removeFile(root, beside);
    } catch {
      // There is no way to where it was.
    }
  }
}
