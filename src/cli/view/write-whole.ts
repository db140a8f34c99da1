import { lstatSync, mkdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { refuse } from "../../core/problems/problem.ts";

/** Writes a file that the user named, wherever that is: whole, or not at all. */
export function writeWhole(file: string, content: string | Uint8Array): void {
  const beside = `${file}.${process.pid}.tmp`;
  try {
    makeFolders(dirname(file));
    writeFileSync(beside, content);
    renameSync(beside, file);
  } catch (error) {
    try {
      rmSync(beside, { force: true });
    } catch {
      // There is no way to it.
    }
    refuse("write-failed", `${file} could not be written: ${(error as Error).message}.`);
  }
}

/** Makes a folder and those above it; one at a time, since Node's own way never comes to an end where a system refuses to tell why. */
export function makeFolders(path: string): void {
  if (lstatSync(path, { throwIfNoEntry: false })) return;
  makeFolders(dirname(path));
  try {
    mkdirSync(path);
  } catch (error) {
    // Another run may have made it meanwhile.
    if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
  }
}
