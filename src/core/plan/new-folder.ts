import {
  chmodSync,
  constants,
  copyFileSync,
  mkdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFile,
  writeFileSync,
} from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import { promisify } from "node:util";
import { refuse } from "../problems/problem.ts";
import { modeOf, scratchFile, type Writer } from "./writer.ts";

/** By callbacks: the file handles of Node's promises take longer than writing a small file. */
const writeSoon = promisify(writeFile);

/**
 * Writes a folder that is not there yet: all of it beside, and in one step into its place. Until then there is nothing of it,
 * whatever happens; so no file has to be moved by itself.
 * @param ensure makes a folder of the workspace, and refuses a link on the way to it.
 */
export function openNewFolder(workspace: string, folder: string, ensure: (path: string) => void): Writer {
  let root: string | undefined;
  const made = new Set<string>();
  const shownOf = (path: string) => relative(workspace, path).split(sep).join("/");

  /** Where a file is written; its folders are made. */
  const placed = (path: string): string => {
    if (root === undefined) {
      root = scratchFile(workspace);
      ensure(dirname(root));
    }
    const target = `${root}/${path}`;
    const below = dirname(target);
    if (!made.has(below)) {
      mkdirSync(below, { recursive: true });
      made.add(below);
    }
    return target;
  };
  const failed = (path: string, error: unknown): never => {
    if (root !== undefined) rmSync(root, { recursive: true, force: true });
    refuse(
      "write-failed",
      `${shownOf(join(folder, path))} could not be written: ${(error as Error).message}.`,
    );
  };

  return {
    isNew: true,
    async write(path, content, executable = false) {
      try {
        await writeSoon(placed(path), content, { mode: modeOf(executable) });
      } catch (error) {
        failed(path, error);
      }
    },
    copy(path, from, executable, bytes) {
      const mode = modeOf(executable);
      try {
        const target = placed(path);
        if (bytes) return writeFileSync(target, bytes, { mode });
        copyFileSync(from, target, constants.COPYFILE_FICLONE);
        if ((statSync(target).mode & 0o777) !== mode) chmodSync(target, mode);
      } catch (error) {
        failed(path, error);
      }
    },
    remove() {},
    hash: () => undefined,
    finish() {
      if (root === undefined) return;
      try {
        ensure(dirname(folder));
        renameSync(root, folder);
      } catch (error) {
        failed("", error);
      }
    },
    abandon() {
      if (root !== undefined) rmSync(root, { recursive: true, force: true });
    },
  };
}
