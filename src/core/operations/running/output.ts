import { relative, resolve } from "node:path";
import { leadsDown } from "../../ground/files/writing/door.ts";
import { replaceFile } from "../../ground/files/writing/together.ts";
import { writeWhole } from "../../ground/files/writing/whole.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Ports } from "./ports.ts";

/** What somebody wrote, and what Oxalis keeps: no result stands in its place. */
const inputs = /^(?:clients\/|words\/|(?:oxalis|template)\.yaml$)/;

/** Where a result goes: a file that the user named, from where they stand, or its usual place in the workspace. */
type Where = { named: string } | { named?: string | undefined; usual: string };

/**
 * Writes a page or a sheet, whole or not at all. Whatever lies in the workspace is written by its door: no link leads
 * out of it. Stops: output-refused, path-outside, write-failed
 * @returns the file's absolute path
 */
export function writeOutput(
  root: string,
  { folder }: Pick<Ports, "folder">,
  where: Where,
  content: string | Uint8Array,
): string {
  const usual = "usual" in where ? where.usual : "";
  const file = where.named === undefined ? resolve(root, usual) : resolve(folder, where.named);
  const inside = relative(root, file).replaceAll("\\", "/");
  if (!leadsDown(inside)) writeWhole(file, content);
  else if (inputs.test(inside)) refuse("output-refused", `${inside} would be written over.`);
  else replaceFile(root, inside, content);
  return file;
}
