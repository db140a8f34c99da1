import { renameSync, rmSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { makeRoot } from "../../core/files/door.ts";
import { refuse } from "../../core/problems/problem.ts";

/** Writes a file that the user named, wherever that is: whole, or not at all. */
export function writeWhole(file: string, content: string | Uint8Array): void {
  const beside = `${file}.${process.pid}.tmp`;
  try {
    makeRoot(dirname(file));
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
