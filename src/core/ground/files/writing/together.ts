import { lookAt, makeFolder, move, put, removeFile } from "./door.ts";
import { scratchName } from "./scratch.ts";
import { openTransaction } from "./transaction.ts";
import { orAbandon } from "./writer.ts";

/** What a file of a workspace will hold, by its path; undefined where there will be none. */
export type Change = readonly [path: string, content: string | Uint8Array | undefined];

/**
 * Changes several files of a workspace together: all of them or none, and safe from a loss of power.
 * @param mode of what is written, where it is not the usual one (POSIX)
 */
export function writeTogether(root: string, files: Iterable<Change>, mode?: number): void {
  const transaction = openTransaction(root, { durable: true });
  const changes = [...files];
  orAbandon(changes.map(([path]) => path).join(", "), transaction.abandon, () => {
    for (const [path, content] of changes)
      if (content === undefined) transaction.remove(path);
      else transaction.put(path, content, mode);
  });
  transaction.commit();
}

/** Writes one file of a workspace: whole, or not at all. */
export function replaceFile(root: string, path: string, content: string | Uint8Array): void {
  const beside = scratchName();
  const abandon = () => {
    if (lookAt(root, beside)) removeFile(root, beside);
  };
  orAbandon(path, abandon, () => {
    put(root, beside, content);
    move(root, beside, path);
  });
}

/** Writes a file by which time is saved and nothing else: in silence where it cannot be. */
export function keepFile(root: string, path: string, content: string | Uint8Array): void {
  try {
    replaceFile(root, path, content);
  } catch {
    // It is made again at the next run.
  }
}

/** Makes a folder for what time is saved by: in silence where it cannot be. */
export function keepFolder(root: string, path: string): void {
  try {
    makeFolder(root, path);
  } catch {
    // Nothing is kept then.
  }
}
