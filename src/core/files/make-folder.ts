import { lstatSync, mkdirSync } from "node:fs";
import { dirname } from "node:path";

/** Makes a folder and those above it; one at a time, since Node's own way never comes to an end where a system refuses to tell why. */
export function makeFolder(path: string): void {
  if (lstatSync(path, { throwIfNoEntry: false })) return;
  makeFolder(dirname(path));
  try {
    mkdirSync(path);
  } catch (error) {
    // Another run may have made it meanwhile.
    if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
  }
}
