import { isRunning } from "../../systems/running.ts";
import { namesIn, removeFile, removeTree } from "./door.ts";

/**
 * Where files are prepared before they come into their places; on the same disk as the workspace, and relative to it.
 */
const scratchFolder = ".oxalis/scratch";

let counter = 0;

/** A path there that nobody else uses; it begins with the number of its process. */
export const scratchName = (): string => `${scratchFolder}/${process.pid}-${Date.now().toString(36)}-${counter++}`;

/** Throws away what killed runs left there; a run that only reads may have something of its own there meanwhile. */
export function clearScratch(root: string): void {
  for (const name of namesIn(root, scratchFolder)) {
    const pid = Number.parseInt(name, 10);
    if (pid > 0 && pid !== process.pid && isRunning(pid)) continue;
    removeFile(root, `${scratchFolder}/${name}`);
    removeTree(root, `${scratchFolder}/${name}`);
  }
}
