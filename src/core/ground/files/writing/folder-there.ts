import { lookAt, through } from "./door.ts";
import { openNewFolder } from "./new-folder.ts";
import { openTransaction } from "./transaction.ts";
import { modeOf, orAbandon, orAbandonAsync, type Writer } from "./writer.ts";

/** Opens a folder for writing; whether it is there yet or not. @param folder relative to the workspace. */
export function openWriter(root: string, folder: string): Writer {
  if (!lookAt(root, folder)) return openNewFolder(root, folder);
  // Looked at whole before anything is prepared: a link in its place is told at once.
  through(root, `${folder}/file`);
  const transaction = openTransaction(root, { keeps: folder });
  const { abandon } = transaction;
  return {
    write: (path, content, executable = false) =>
      orAbandonAsync(`${folder}/${path}`, abandon, () =>
        transaction.putSoon(`${folder}/${path}`, content, modeOf(executable)),
      ),
    copy: (path, from, executable, bytes) =>
      orAbandon(`${folder}/${path}`, abandon, () => {
        const mode = modeOf(executable);
        if (bytes) transaction.put(`${folder}/${path}`, bytes, mode);
        else transaction.copy(`${folder}/${path}`, from, mode);
      }),
    remove: (path) => transaction.remove(`${folder}/${path}`),
    finish: () => transaction.commit(),
    abandon,
  };
}
