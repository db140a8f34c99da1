import { namesIn, removeFile, removeTree } from "./door.ts";

/** Where files are prepared before they come into their places; on the same disk as the workspace, and relative to it. */
const scratchFolder = ".oxalis/scratch";

let counter = 0;

/** A path there that nobody else uses; it begins with the number of its process. */
export const scratchName = (): string =>
  `${scratchFolder}/${process.pid}-${Date.now().toString(36)}-${counter++}`;

/** Throws away what killed runs left there; a run that only reads may have something of its own there meanwhile. */
export function clearScratch(root: string): void {
  for (const name of namesIn(root, scratchFolder)) {
    if (isAlive(Number.parseInt(name, 10))) continue;
    removeFile(root, `${scratchFolder}/${name}`);
    removeTree(root, `${scratchFolder}/${name}`);
  }
}

function isAlive(pid: number): boolean {
  if (!(pid > 0) || pid === process.pid) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
}
