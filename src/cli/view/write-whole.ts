import { renameSync, rmSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { makeFolder } from "../../core/files/make-folder.ts";
import { refuse } from "../../core/problems/problem.ts";

/** Writes a file that the user named: whole, or not at all. */
export function writeWhole(file: string, content: string | Uint8Array): void {
  const beside = `${file}.${process.pid}.tmp`;
  try {
    makeFolder(dirname(file));
    writeFileSync(beside, content);
    renameSync(beside, file);
  } catch (error) {
    rmSync(beside, { force: true });
    refuse("write-failed", `${file} could not be written: ${(error as Error).message}.`);
  }
}
