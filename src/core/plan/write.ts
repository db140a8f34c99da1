import {
  chmodSync,
  constants,
  copyFileSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmdirSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import { sha256 } from "../files/hash.ts";
import { makeFolder } from "../files/make-folder.ts";
import { writeBeside } from "../files/write-beside.ts";
import { refuse } from "../problems/problem.ts";
import { openNewFolder } from "./new-folder.ts";
import { modeOf, scratchFile, scratchFolder, type Writer } from "./writer.ts";

/** Opens a folder below the workspace for writing; makes it where it is not there. */
export function openWriter(workspace: string, folder: string): Writer {
  const safe = new Set<string>();
  const scratch = scratchFolder(workspace);

  /** Makes a folder and refuses any link on the way to it. */
  const ensure = (path: string) => {
    if (safe.has(path)) return;
    if (path !== workspace) ensure(dirname(path));
    const stat = lstatSync(path, { throwIfNoEntry: false });
    if (!stat) mkdirSync(path);
    else if (path !== workspace && !stat.isDirectory()) {
      const shown = relative(workspace, path).split(sep).join("/");
      refuse("path-outside", `${shown} is not a folder, but a link or a file.`);
    }
    safe.add(path);
  };

  if (!lstatSync(folder, { throwIfNoEntry: false })) return openNewFolder(workspace, folder, ensure);

  /** Where a file is made, and where it goes when it is whole. */
  const prepared = (path: string) => {
    const target = join(folder, path);
    ensure(scratch);
    ensure(dirname(target));
    return { target, beside: scratchFile(workspace) };
  };
  const failed = (target: string, beside: string, error: unknown): never => {
    rmSync(beside, { force: true });
    const shown = relative(workspace, target).split(sep).join("/");
    refuse("write-failed", `${shown} could not be written: ${(error as Error).message}.`);
  };

  return {
    isNew: false,
    async write(path, content, executable = false) {
      const { target, beside } = prepared(path);
      try {
        await writeBeside(beside, target, content, modeOf(executable));
      } catch (error) {
        failed(target, beside, error);
      }
    },
    copy(path, from, executable, bytes) {
      const { target, beside } = prepared(path);
      const mode = modeOf(executable);
      try {
        if (bytes) writeFileSync(beside, bytes, { mode });
        else copyFileSync(from, beside, constants.COPYFILE_FICLONE);
        if ((lstatSync(beside).mode & 0o777) !== mode) chmodSync(beside, mode);
        renameSync(beside, target);
      } catch (error) {
        failed(target, beside, error);
      }
    },
    remove(path) {
      rmSync(join(folder, path), { force: true });
      for (let at = dirname(join(folder, path)); at !== folder && at.startsWith(folder); at = dirname(at)) {
        if (readdirSync(at).length > 0) break;
        rmdirSync(at);
      }
    },
    hash(path) {
      try {
        const target = join(folder, path);
        return lstatSync(target).isFile() ? sha256(readFileSync(target)) : undefined;
      } catch {
        return undefined;
      }
    },
    finish() {},
    abandon() {},
  };
}

/** Throws away what a killed run left in the scratch folder. */
export function clearScratch(workspace: string): void {
  rmSync(scratchFolder(workspace), { recursive: true, force: true });
}

/** Writes several small files of a workspace together: either all of them, or, where one cannot be written, none. */
export function writeTogether(workspace: string, files: ReadonlyMap<string, string>): void {
  const staged = [...files].map(([path, text]) => ({
    path,
    text,
    beside: scratchFile(workspace),
  }));
  try {
    makeFolder(scratchFolder(workspace));
    for (const { beside, text } of staged) writeFileSync(beside, text);
    for (const { beside, path } of staged) {
      makeFolder(dirname(join(workspace, path)));
      renameSync(beside, join(workspace, path));
    }
  } catch (error) {
    for (const { beside } of staged) rmSync(beside, { force: true });
    refuse(
      "write-failed",
      `${[...files.keys()].join(", ")} could not be written: ${(error as Error).message}.`,
    );
  }
}
