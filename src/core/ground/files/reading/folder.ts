import { existsSync, lstatSync, readdirSync, readFileSync, realpathSync, type Stats, statSync } from "node:fs";
import { join, relative, resolve } from "node:path";
import { problem } from "../../problems/problem.ts";
import { orStop, refuse } from "../../problems/result.ts";
import { sha256 } from "../../values/hash.ts";
import type { Source } from "../../values/source.ts";
import { decodeText, isMarked } from "./encoding.ts";
import { isInside, listFiles } from "./listing.ts";
import { asHeld, missing } from "./near.ts";
import { holds, readPlain } from "./plain.ts";

/** The narrow door through which the core reads files: one folder, and nothing outside it. */
export interface Folder {
  /** Absolute path on disk. */
  root: string;
  /** How a producer would name the folder, put before file names in messages; may be empty. */
  label: string;
  /** Every file, sorted, relative to the root, with forward slashes. */
  list(): readonly string[];
  has(file: string): boolean;
  bytes(file: string): Uint8Array;
  /** The same, of a file that is looked at once: it is not kept. */
  glimpse(file: string): Uint8Array;
  /** Whether a listing showed a file there, and no link. */
  isPlain(file: string): boolean;
  /** Whether a file that is listed holds exactly these bytes; nothing of it is kept. */
  holds(file: string, bytes: Uint8Array): boolean;
  /** A text file; refuses one that is not UTF-8. */
  source(file: string): Source;
  hash(file: string): string;
  /** Where a file really lies, to be copied from; refuses what lies outside. */
  real(file: string): string;
  /** The bytes of a file that is small, to be written many times; undefined of a larger one, which is better copied. */
  small(file: string): Uint8Array | undefined;
  /** What the file system shows of a file without reading it: it changes when the content does. */
  state(file: string): readonly number[];
  /** The same; undefined where there is no such file. */
  hashIfAny(file: string): string | undefined;
  /** Whether the file may be run, as a build's start script must be. */
  executable(file: string): boolean;
  /** Folders within it that hold nothing. */
  empty(): readonly string[];
  /** Links within it to what is not there. */
  lost(): readonly string[];
}

/** Largest text or picture that is read, in bytes. */
const largestFile = 64 * 1024 * 1024;

/** Largest file that is written from memory rather than copied, in bytes. */
const smallFile = 64 * 1024;

/**
 * Opens a folder for reading. What was read once is kept, so a folder is a snapshot for one run.
 * @param options.everything lists what builds and desktops leave behind too.
 */
export function openFolder(root: string, label = "", options: { everything?: boolean } = {}): Folder {
  const bytes = new Map<string, Uint8Array>();
  const sources = new Map<string, Source>();
  const hashes = new Map<string, string>();
  const smalls = new Map<string, Uint8Array | undefined>();
  const executables = new Map<string, boolean>();
  const reals = new Map<string, string>();
  let listed: readonly string[] | undefined;
  const links = new Set<string>();
  const [empty, lost]: [string[], string[]] = [[], []];
  let names: ReadonlySet<string> | undefined;
  const shown = (file: string) => (label ? `${label}/${file}` : file);
  const isPlain = (file: string) => listed !== undefined && folder.has(file) && !links.has(file);
  const readListed = (file: string) =>
    (isPlain(file) ? readPlain(`${root}/${file}`, largestFile) : undefined) ?? readInside(root, file, shown(file));

  const folder: Folder = {
    root,
    label,
    list() {
      listed ??= listFiles(root, shown, options.everything === true, { links, empty, lost });
      return listed;
    },
    empty() {
      folder.list();
      return empty;
    },
    lost() {
      folder.list();
      return lost;
    },
    has(file) {
      names ??= new Set(folder.list());
      return names.has(file);
    },
    bytes(file) {
      const known = bytes.get(file);
      if (known) return known;
      const read = readListed(file);
      bytes.set(file, read);
      return read;
    },
    glimpse: (file) => bytes.get(file) ?? readListed(file),
    isPlain,
    holds(file, wanted) {
      return isPlain(file) ? holds(`${root}/${file}`, wanted) : Buffer.compare(folder.bytes(file), wanted) === 0;
    },
    source(file) {
      const known = sources.get(file);
      if (known) return known;
      const read = { file: shown(file), text: decode(folder.bytes(file), shown(file)) };
      sources.set(file, read);
      return read;
    },
    real(file) {
      let path = reals.get(file);
      if (path === undefined) {
        path = realpathSync.native(join(root, file));
        if (!isInside(realpathSync.native(root), path))
          refuse("path-outside", `${shown(file)} is a link that leads outside.`);
        reals.set(file, path);
      }
      return path;
    },
    hashIfAny(file) {
      return folder.has(file) ? folder.hash(file) : undefined;
    },
    executable(file) {
      let known = executables.get(file);
      if (known === undefined) {
        known = (statSync(join(root, file)).mode & 0o100) !== 0;
        executables.set(file, known);
      }
      return known;
    },
    small(file) {
      if (!smalls.has(file)) {
        const { size } = statSync(join(root, file));
        smalls.set(file, size <= smallFile ? folder.bytes(file) : undefined);
      }
      return smalls.get(file);
    },
    state(file) {
      const { size, ctimeMs, ino, mode } = statSync(join(root, file));
      return [size, ctimeMs, ino, mode];
    },
    hash(file) {
      let hash = hashes.get(file);
      if (!hash) {
        // A file that is only hashed is not kept: a template may have thousands.
        hash = sha256(bytes.get(file) ?? readListed(file));
        hashes.set(file, hash);
      }
      return hash;
    },
  };
  return folder;
}

/** Reads a file below `root`, following links only where they stay inside. @param limit of its size, in bytes */
export function readInside(root: string, file: string, shown: string, limit = largestFile): Uint8Array {
  const path = asHeld(resolve(root, file));
  if (!isInside(root, path)) refuse("path-outside", `${shown} lies outside its folder.`);
  return orStop(
    () => {
      const real = realpathSync.native(path);
      if (!isInside(realpathSync.native(root), real)) refuse("path-outside", `${shown} is a link that leads outside.`);
      refuseOthers(root, file, real, shown);
      const stat = statSync(real);
      if (!stat.isFile()) refuse("file-unreadable", `${shown} is not a file.`);
      if (stat.size > limit) refuse("file-too-large", `${shown} has ${stat.size} bytes; the limit is ${limit}.`);
      return readFileSync(real);
    },
    (error) =>
      (error as NodeJS.ErrnoException).code === "ENOENT"
        ? missing(path, shown)
        : problem("file-unreadable", `${shown} cannot be read.`),
  );
}

export function isFolder(path: string): boolean {
  try {
    return lstatSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false;
  } catch {
    return false; // there is a file where a folder on the way should be, or nobody may look
  }
}

/** A link in one client's folder into another's: whose that is, nobody could tell any more. */
function refuseOthers(root: string, file: string, real: string, shown: string): void {
  const ownerOf = (path: string) => /^clients\/([^/]+)\//.exec(path.replaceAll("\\", "/"))?.[1];
  const owner = ownerOf(file);
  if (owner === undefined) return;
  const other = ownerOf(relative(realpathSync.native(root), real));
  if (other !== undefined && other !== owner) refuse("path-outside", `${shown} is a link into the folder of ${other}.`);
}

/** What the file system shows of a file, for looking only: nothing is done on what it says. */
export const glanceAt = (path: string): Stats | undefined => {
  try {
    return lstatSync(path, { throwIfNoEntry: false });
  } catch {
    return undefined;
  }
};

/** Whether a folder is not there yet, or has nothing in it. */
export const isEmptyOrNone = (path: string): boolean => !existsSync(path) || readdirSync(path).length === 0;

/** Whether there is anything at a path, which is a user's own or a fixed one. */
export const isThere = (path: string): boolean => existsSync(path);

/** Names and kinds of what lies in a folder, sorted; none where there is no folder. Stops: file-unreadable. */
export function entriesOf(path: string, shown: string): { name: string; isFolder: boolean; isLink: boolean }[] {
  if (!isFolder(path)) return [];
  try {
    return readdirSync(path, { withFileTypes: true })
      .map((entry) => ({
        name: entry.name,
        isFolder: entry.isDirectory(),
        isLink: entry.isSymbolicLink(),
      }))
      .sort((a, b) => (a.name < b.name ? -1 : 1));
  } catch (error) {
    return refuse("file-unreadable", `${shown} cannot be read: ${(error as Error).message}.`);
  }
}

function decode(bytes: Uint8Array, shown: string): string {
  if (Buffer.from(bytes.subarray(0, 6)).toString("latin1") === "bplist") {
    refuse("template-syntax", `${shown} is a binary property list.`, {
      fix: "Save it as an XML property list: `plutil -convert xml1`, or `plistutil -f xml`.",
    });
  }
  return decodeText(bytes) ?? refuse("file-unreadable", `${shown} is not UTF-8 text.`);
}

/** The text of a file where it is text; undefined for pictures and other binary content. */
export function textIfAny(bytes: Uint8Array): string | undefined {
  return !isMarked(bytes) && bytes.subarray(0, 8192).includes(0) ? undefined : decodeText(bytes);
}
