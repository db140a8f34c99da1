import { removeTree } from "./door.ts";

/** Where files are prepared before they come into their places; on the same disk as the workspace, and relative to it. */
const scratchFolder = ".oxalis/scratch";

let counter = 0;

/** A path there that nobody else uses. */
export const scratchName = (): string =>
  `${scratchFolder}/${process.pid}-${Date.now().toString(36)}-${counter++}`;

/** Throws away what a killed run left there. */
export const clearScratch = (root: string): void => removeTree(root, scratchFolder);
