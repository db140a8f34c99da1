import { basename, dirname } from "node:path";
import { lookAt, makeRoot, move, put, removeFile } from "./door.ts";
import { orAbandon } from "./writer.ts";

/** Writes a file that the user named, wherever that is: whole, or not at all. */
export function writeWhole(file: string, content: string | Uint8Array): void {
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
