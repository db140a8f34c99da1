import { mkdirSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { refuse } from "../../problems/result.ts";
import { assertHeld } from "../holding/lock.ts";
import { copyTo, leadsDown, makeFolder, move, removeTree, writeSoon } from "./door.ts";
import { scratchName } from "./scratch.ts";
import { modeOf, orAbandon, orAbandonAsync, type Writer } from "./writer.ts";

/**
 * Writes a folder that is not there yet: all of it beside, and in one step into its place. Until then there is
 * nothing of it, whatever happens; so no file has to be moved by itself. Folders beside are this run's own, each made
 * once.
 */
export function openNewFolder(root: string, folder: string): Writer {
  let own: { name: string; path: string } | undefined;
  const made = new Set<string>();

  /** Where a file is written; its folders are made. */
  const placeFor = (file: string): string => {
    if (!leadsDown(file)) refuse("path-outside", `"${file}" does not lead into ${folder}.`);
    if (!own) {
      const name = scratchName();
      own = { name, path: makeFolder(root, name) };
    }
    const target = `${own.path}/${file}`;
    const below = dirname(target);
    if (!made.has(below)) {
      mkdirSync(below, { recursive: true });
      made.add(below);
    }
    return target;
  };
  const abandon = () => {
    if (own) removeTree(root, own.name);
  };
  const named = (file: string) => `${folder}/${file}`;

  return {
    write: (file, content, executable = false) =>
      orAbandonAsync(named(file), abandon, async () =>
        writeSoon(placeFor(file), content, { mode: modeOf(executable) }),
      ),
    copy: (file, from, executable, bytes) =>
      orAbandon(named(file), abandon, () => {
        const mode = modeOf(executable);
        const target = placeFor(file);
        if (bytes) writeFileSync(target, bytes, { mode });
        else copyTo(target, from, mode);
      }),
    remove() {},
    finish() {
      const { name } = own ?? {};
      if (name === undefined) return;
      orAbandon(folder, abandon, () => {
        assertHeld(root);
        move(root, name, folder);
      });
    },
    abandon,
  };
}
