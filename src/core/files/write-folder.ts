import { readFileSync } from "node:fs";
import { lookAt, through } from "./door.ts";
import { sha256 } from "./hash.ts";
import { openNewFolder } from "./new-folder.ts";
import { openTransaction } from "./transaction.ts";
import { failed, modeOf, type Writer } from "./writer.ts";

/** Opens a folder for writing; whether it is there yet or not. @param folder relative to the workspace. */
export function openWriter(root: string, folder: string): Writer {
  if (!lookAt(root, folder)) return openNewFolder(root, folder);
  // Looked at whole before anything is prepared: a link in its place is told at once.
  through(root, `${folder}/file`);
  const transaction = openTransaction(root, { keeps: folder });
  const trying = (path: string, error: unknown): never => {
    transaction.abandon();
    return failed(`${folder}/${path}`, error);
  };
  return {
    isNew: false,
    async write(path, content, executable = false) {
      await transaction
        .putSoon(`${folder}/${path}`, content, modeOf(executable))
        .catch((error) => trying(path, error));
    },
    copy(path, from, executable, bytes) {
      const mode = modeOf(executable);
      try {
        if (bytes) transaction.put(`${folder}/${path}`, bytes, mode);
        else transaction.copy(`${folder}/${path}`, from, mode);
      } catch (error) {
        trying(path, error);
      }
    },
    remove: (path) => transaction.remove(`${folder}/${path}`),
    hash(path) {
      if (!lookAt(root, `${folder}/${path}`)?.isFile()) return undefined;
      try {
        return sha256(readFileSync(through(root, `${folder}/${path}`)));
      } catch {
        return undefined;
      }
    },
    finish: () => transaction.commit(),
    abandon: () => transaction.abandon(),
  };
}
