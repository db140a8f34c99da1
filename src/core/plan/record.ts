import { lstatSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { sha256 } from "../files/hash.ts";
import type { Problem } from "../problems/problem.ts";
import { type Receipt, receiptFile } from "./receipt.ts";
import { writeTogether } from "./write.ts";

/**
 * What a run left behind for a client: the key of everything it was made from, and how each file looked to the file
 * system. While neither has changed, nothing has to be planned, read or hashed.
 */
export interface Made {
  form: 1;
  key: string;
  /** When it was written, in milliseconds since 1970. */
  at: number;
  /** Told at every run, changed or not. */
  problems: readonly Problem[];
  files: { [path: string]: Seen };
}

/** Size, time of the last change of content or state, inode, and SHA-256 of the content. */
type Seen = readonly [size: number, changed: number, inode: number, sha256: string];

/** A file changed so shortly before it was recorded could be changed again without a sign; it is read. */
const unsure = 100;

/** Where a variant's record is kept: in which workspace, and under which name. */
interface Kept {
  root: string;
  name: string;
}

/** Relative to the workspace. */
const recordFile = ({ name }: Kept): string => `.oxalis/made/${name}.json`;

/** What is known of a variant; undefined where nothing is, or it cannot be read. */
export function readRecord(kept: Kept): Made | undefined {
  try {
    const record = JSON.parse(readFileSync(join(kept.root, recordFile(kept)), "utf8")) as Made;
    return record.form === 1 ? record : undefined;
  } catch {
    return undefined;
  }
}

/** Whether every file of a variant is as it was recorded. */
export function isUntouched(folder: string, { files, at }: Made): boolean {
  return Object.entries(files).every(([path, [size, changed, inode, hash]]) => {
    const file = `${folder}/${path}`;
    const stat = lstatSync(file, { throwIfNoEntry: false });
    if (!stat?.isFile() || stat.size !== size || stat.ctimeMs !== changed || stat.ino !== inode) return false;
    return changed + unsure < at || sha256(readFileSync(file)) === hash;
  });
}

/** Records a variant that is complete. A record that cannot be written costs time, nothing else. */
export function writeRecord(
  kept: Kept,
  folder: string,
  { files }: Receipt,
  key: string,
  problems: readonly Problem[],
): void {
  const seen: Made["files"] = {};
  const see = (path: string, hash: string) => {
    const stat = lstatSync(join(folder, path));
    seen[path] = [stat.size, stat.ctimeMs, stat.ino, hash];
  };
  try {
    for (const [file, { sha256: hash }] of Object.entries(files)) see(file, hash ?? "");
    see(receiptFile, sha256(readFileSync(join(folder, receiptFile))));
    const made: Made = { form: 1, key, at: Date.now(), problems, files: seen };
    writeTogether(kept.root, new Map([[recordFile(kept), JSON.stringify(made)]]));
  } catch {
    // It is made again at the next run.
  }
}
