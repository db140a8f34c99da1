import { receiptFile } from "../../app/variant/receipt-file.ts";
import { glanceAt, readInside } from "../../ground/files/reading/folder.ts";
import { keepSummed, readSummed } from "../../ground/files/writing/summed.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Receipt } from "../jobs/receipt.ts";
import type { MadeFrom } from "./why.ts";

/**
 * What a run left behind for a client: the key of everything it was made from, and how each file looked to the file
 * system. While neither has changed, nothing has to be planned, read or hashed.
 */
export interface Made {
  form: 5;
  /** Whose it is: one that lies under another's name is none. */
  name: string;
  key: string;
  from: MadeFrom;
  /** Told at every run, changed or not. */
  problems: readonly Problem[];
  files: { [path: string]: Seen };
}

/**
 * Size, time of the last change of content or state, inode; and SHA-256 of the content, where that has to be looked
 * at again.
 */
type Seen = readonly [size: number, changed: number, inode: number, sha256?: string];

/** What the file system shows of a file, so far as it is recorded. */
type Looks = Record<"size" | "ctimeMs" | "ino", number>;

/** Milliseconds within which a file could change again without the file system showing it. */
const unsure = 100;

/** Where a variant's record is kept: in which workspace, and under which name. */
interface Kept {
  root: string;
  name: string;
}

/** Relative to the workspace. */
const recordFile = ({ name }: Kept): string => `.oxalis/made/${name}.json`;

/** What is known of a variant; undefined where nothing is, or it cannot be read. */
export function readMade(kept: Kept): Made | undefined {
  const record = readSummed(kept.root, recordFile(kept)) as Made | undefined;
  return record?.form === 5 && record.name === kept.name ? record : undefined;
}

/** The record to keep from now on, if every file of the variant is as it says; undefined otherwise. */
export function seenAgain(root: string, folder: string, made: Made): Made | undefined {
  const now = Date.now();
  const read: Made["files"] = {};
  for (const [path, seen] of Object.entries(made.files)) {
    const file = `${folder}/${path}`;
    const stat = glanceAt(`${root}/${file}`);
    const [size, changed, inode, hash] = seen;
    if (!stat?.isFile() || stat.size !== size || stat.ctimeMs !== changed || stat.ino !== inode) return undefined;
    if (hash === undefined) continue;
    if (sha256(readInside(root, file, file)) !== hash) return undefined;
    read[path] = seenOf(stat, hash, now);
  }
  return Object.keys(read).length > 0 ? { ...made, files: { ...made.files, ...read } } : made;
}

/** Records a variant that is complete. */
export function madeOf(
  { root, name }: Kept,
  folder: string,
  { files }: Receipt,
  { key, from, problems }: Pick<Made, "key" | "from" | "problems">,
): Made {
  const now = Date.now();
  const written = `${folder}/${receiptFile}`;
  const receipt = sha256(readInside(root, written, written));
  const hashes = Object.entries(files).map(([path, { sha256: hash }]) => [path, hash ?? ""] as const);
  const seen = [...hashes, [receiptFile, receipt] as const].flatMap(([path, hash]) => {
    const stat = glanceAt(`${root}/${folder}/${path}`);
    return stat ? [[path, seenOf(stat, hash, now)] as const] : [];
  });
  return { form: 5, name, key, from, problems, files: Object.fromEntries(seen) };
}

function seenOf({ size, ctimeMs, ino }: Looks, hash: string, now: number): Seen {
  return ctimeMs + unsure < now ? [size, ctimeMs, ino] : [size, ctimeMs, ino, hash];
}

/** Keeps a record. One that cannot be made or written costs time, nothing else. */
export function keepMade(kept: Kept, made: () => Made): void {
  try {
    keepSummed(kept.root, recordFile(kept), made());
  } catch {
    // It is made again at the next run.
  }
}
