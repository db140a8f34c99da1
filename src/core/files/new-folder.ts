import { chmodSync, constants, copyFileSync, mkdirSync, statSync, writeFile, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { promisify } from "node:util";
import { refuse } from "../problems/problem.ts";
import { leadsDown, makeFolder, move, removeTree } from "./door.ts";
import { assertHeld } from "./lock.ts";
import { scratchName } from "./scratch.ts";
import { failed, modeOf, type Writer } from "./writer.ts";

/** By callbacks: the file handles of Node's promises take longer than writing a small file. */
const writeSoon = promisify(writeFile);

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
        copyFileSync(from, target, constants.COPYFILE_FICLONE);
        if ((statSync(target).mode & 0o777) !== mode) chmodSync(target, mode);
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
