import { basename, dirname, resolve } from "node:path";
import { readInside } from "../../ground/files/reading/folder.ts";
import type { Ports } from "./ports.ts";

/** A file that the user names, from where they stand. @param limit of its size, in bytes. Stops: file-missing, … */
export function readNamed(
  { folder }: Pick<Ports, "folder">,
  named: string,
  limit?: number,
): { path: string; name: string; bytes: Uint8Array } {
  const path = resolve(folder, named);
  const name = basename(path);
  return { path, name, bytes: readInside(dirname(path), name, named, limit) };
}
