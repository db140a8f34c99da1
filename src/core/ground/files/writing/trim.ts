import { filesBelow, removeFile } from "./door.ts";

/**
 * Throws away what was not used for longest, where a folder holds more than it may, until a tenth is free.
 * @param most bytes
 */
export function trimFolder(root: string, folder: string, most: number): void {
  const kept = filesBelow(root, folder);
  let size = kept.reduce((sum, each) => sum + each.size, 0);
  if (size <= most) return;
  for (const each of kept.sort((a, b) => a.used - b.used)) {
    if (size <= most * 0.9) return;
    removeFile(root, each.path);
    size -= each.size;
  }
}
