import { statSync } from "node:fs";
import { basename, dirname } from "node:path";
import { refuse } from "../../problems/result.ts";
import { lookAt, makeRoot, move, put, removeFile } from "./door.ts";
import { orAbandon } from "./writer.ts";

/**
 * Writes a file that the user named, wherever that is: whole, or not at all. A folder, a device or a pipe is nothing
 * that a file could stand in the place of.
 */
export function writeWhole(file: string, content: string | Uint8Array): void {
  const there = statSync(file, { throwIfNoEntry: false });
  if (there && !there.isFile()) refuse("write-failed", `${file} is there already, and is no file.`);
  const [folder, name] = [dirname(file), basename(file)];
  const beside = `${name}.${process.pid}.tmp`;
  const abandon = () => {
    if (lookAt(folder, beside)) removeFile(folder, beside);
  };
  orAbandon(file, abandon, () => {
    makeRoot(folder);
    put(folder, beside, content);
    move(folder, beside, name);
  });
}
