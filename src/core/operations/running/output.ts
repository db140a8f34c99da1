import { basename, dirname, join, relative, resolve } from "node:path";
import { leadsDown, lookAt, namesIn, removeFile, removeTree } from "../../ground/files/writing/door.ts";
import { replaceFile } from "../../ground/files/writing/together.ts";
import { writeWhole } from "../../ground/files/writing/whole.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Ports } from "./ports.ts";

/** What somebody wrote, and what Oxalis keeps: no result stands in its place. */
const inputs = /^(?:clients\/|words\/|(?:oxalis|template)\.yaml$)/;

/** Where a result goes: a file that the user named, from where they stand, or its usual place in the workspace. */
type Where = { named: string } | { named?: string | undefined; usual: string };

/** How pictures beside a page are called: by their sums, so that one that is there is the one that is meant. */
const besideForm = /^[0-9a-f]{16}\.\w{1,5}$/;

/** The file that a result goes to: absolute. */
export const outputFile = (root: string, { folder }: Pick<Ports, "folder">, where: Where): string =>
  where.named === undefined && "usual" in where ? resolve(root, where.usual) : resolve(folder, where.named ?? "");

/**
 * Writes what a page will show from a folder beside it; what is there already stays.
 * @param beside the folder, absolute
 */
export function writeBeside(
  root: string,
  ports: Pick<Ports, "folder">,
  beside: string,
  files: ReadonlyMap<string, Uint8Array>,
): void {
  const [above, folder] = [dirname(beside), basename(beside)];
  for (const [name, content] of files)
    if (lookAt(above, `${folder}/${name}`)?.size !== content.length)
      writeOutput(root, ports, { named: join(beside, name) }, content);
}

/** Removes from a folder beside a page what the page, as it is now, no longer shows. */
export function clearBeside(beside: string, files: ReadonlyMap<string, Uint8Array>): void {
  const [above, folder] = [dirname(beside), basename(beside)];
  const there = namesIn(above, folder);
  const stale = there.filter((name) => besideForm.test(name) && !files.has(name));
  for (const name of stale) removeFile(above, `${folder}/${name}`);
  if (there.length > 0 && there.length === stale.length) removeTree(above, folder);
}

/**
 * Writes a page or a sheet, whole or not at all. Whatever lies in the workspace is written by its door: no link leads
 * out of it. Stops: output-refused, path-outside, write-failed
 * @returns the file's absolute path
 */
export function writeOutput(
  root: string,
  ports: Pick<Ports, "folder">,
  where: Where,
  content: string | Uint8Array,
): string {
  const file = outputFile(root, ports, where);
  const inside = relative(root, file).replaceAll("\\", "/");
  if (!leadsDown(inside)) writeWhole(file, content);
  else if (inputs.test(inside)) refuse("output-refused", `${inside} would be written over.`);
  else replaceFile(root, inside, content);
  return file;
}
