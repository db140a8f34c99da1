import { mkdirSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { refuse } from "../problems/problem.ts";
import { copyTo, leadsDown, makeFolder, move, removeTree, writeSoon } from "./door.ts";
import { assertHeld } from "./lock.ts";
import { scratchName } from "./scratch.ts";
import { failed, modeOf, type Writer } from "./writer.ts";

/**
 * Writes a folder that is not there yet: all of it beside, and in one step into its place. Until then there is nothing of it,
 * whatever happens; so no file has to be moved by itself. Folders beside are this run's own, each made once.
 */
export function openNewFolder(root: string, folder: string): Writer {
  let own: { name: string; path: string } | undefined;
  const made = new Set<string>();

  /** Where a file is written; its folders are made. */
  const placed = (file: string): string => {
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
  const stopped = (file: string, error: unknown): never => {
    abandon();
    return failed(file === "" ? folder : `${folder}/${file}`, error);
  };

  return {
    isNew: true,
    async write(file, content, executable = false) {
      try {
        await writeSoon(placed(file), content, { mode: modeOf(executable) });
      } catch (error) {
        stopped(file, error);
      }
    },
    copy(file, from, executable, bytes) {
      const mode = modeOf(executable);
      try {
        const target = placed(file);
        if (bytes) return writeFileSync(target, bytes, { mode });
        copyTo(target, from, mode);
      } catch (error) {
        stopped(file, error);
      }
    },
    remove() {},
    hash: () => undefined,
    finish() {
      if (!own) return;
      try {
        assertHeld(root);
        move(root, own.name, folder);
      } catch (error) {
        stopped("", error);
      }
    },
    abandon,
  };
}
