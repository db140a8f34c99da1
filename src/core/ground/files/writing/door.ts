import {
  accessSync,
  appendFileSync,
  chmodSync,
  constants,
  copyFileSync,
  cpSync,
  linkSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmdirSync,
  rmSync,
  type Stats,
  statSync,
  utimesSync,
  writeFile,
  writeFileSync,
} from "node:fs";
import { dirname, join } from "node:path";
import { promisify } from "node:util";
import { refuse } from "../../problems/result.ts";
import { hereFacts } from "../../systems/system.ts";

/**
 * The one door through which the core writes, moves and removes: below a root, and nothing outside it. Whoever goes
 * through names a path relative to the root, and every folder on the way is looked at when it is used; a link there
 * is refused.
 */

/**
 * Writes by callbacks, to a path that `through` has given: the file handles of Node's promises take longer than
 * writing a small file.
 */
export const writeSoon = promisify(writeFile);

/** Marks that no part of a path may have here. */
const { misleading } = hereFacts();

/** Whether a path is written as one that leads down from where it starts. */
export const leadsDown = (path: string): boolean =>
  path.split("/").every((part) => part !== "" && part !== "." && part !== ".." && !misleading.test(part));

/** What lies at a path; undefined where nothing does, or something else than a folder stands on the way. */
export function lookAt(root: string, path: string): Stats | undefined {
  try {
    return lstatSync(through(root, path), { throwIfNoEntry: false });
  } catch {
    return undefined;
  }
}

/**
 * The absolute path of what lies, or will lie, at a path. Stops: path-outside. @param make makes the folders on the
 * way.
 */
export function through(root: string, path: string, make = false): string {
  if (!leadsDown(path)) refuse("path-outside", `"${path}" does not lead to a file below ${root}.`);
  const parts = path.split("/");
  let at = root;
  for (const [depth, part] of parts.slice(0, -1).entries()) {
    at = join(at, part);
    const stat = lstatSync(at, { throwIfNoEntry: false });
    if (!stat) {
      if (!make) break;
      makeOne(at);
    } else if (!stat.isDirectory())
      refuse("path-outside", `${parts.slice(0, depth + 1).join("/")} is not a folder, but a link or a file.`);
  }
  return join(root, path);
}

/** Makes a folder, and those on the way to it; refuses a link or a file in its place. */
export function makeFolder(root: string, path: string): string {
  through(root, `${path}/file`, true);
  return join(root, path);
}

function makeOne(path: string): void {
  try {
    mkdirSync(path);
  } catch (error) {
    // Another run may have made it meanwhile.
    if ((error as NodeJS.ErrnoException).code !== "EEXIST" || !lstatSync(path).isDirectory()) throw error;
  }
}

/**
 * Makes a folder that a user named, and those above it, wherever that is: a root to be. One at a time, since Node's
 * own way never comes to an end where a system refuses to tell why.
 */
export function makeRoot(path: string): void {
  if (lstatSync(path, { throwIfNoEntry: false })) return;
  makeRoot(dirname(path));
  makeOne(path);
}

/** Copies a folder that ships with the program to one that a user named, with a file that it cannot ship with. */
export function copyFolder(from: string, to: string, more: { file: string; text: string }): void {
  cpSync(from, to, { recursive: true });
  writeFileSync(join(to, more.file), more.text);
}

/** Writes a new file. */
export const put = (root: string, path: string, content: string | Uint8Array, mode = 0o644): void =>
  writeFileSync(through(root, path, true), content, { mode, flag: "wx" });

/** Adds to a file that is there. */
export const append = (root: string, path: string, content: string): void =>
  appendFileSync(through(root, path), content);

/**
 * Gives a file a second name, if nothing has that name yet; whoever finds it finds all of it. Where a disk knows no
 * second names, a copy is made.
 */
export function nameAnew(root: string, from: string, to: string): void {
  const [source, target] = [through(root, from), through(root, to, true)];
  try {
    linkSync(source, target);
  } catch (error) {
    if (!/^(EPERM|ENOTSUP|ENOSYS|EMLINK)$/.test((error as NodeJS.ErrnoException).code ?? "")) throw error;
    copyFileSync(source, target, constants.COPYFILE_EXCL);
  }
}

/** Whether anything can be written into a folder: not where its disk is mounted to be read, or it is another's. */
export function canWriteIn(root: string): boolean {
  try {
    accessSync(root, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

/** Writes a new file, while others are written too. */
export const putSoon = (root: string, path: string, content: string | Uint8Array, mode = 0o644): Promise<void> =>
  writeSoon(through(root, path, true), content, { mode, flag: "wx" });

/** Copies a file to a path that `through` has given; without taking room where the file system can. */
export function copyTo(target: string, from: string, mode: number): void {
  copyFileSync(from, target, constants.COPYFILE_FICLONE | constants.COPYFILE_EXCL);
  if ((statSync(target).mode & 0o777) !== mode) chmodSync(target, mode);
}

/** Moves a file or a folder to another path below the same root. What is there is replaced, where it is a file. */
export const move = (root: string, from: string, to: string): void =>
  renameSync(through(root, from), through(root, to, true));

/** Removes a file. A link is removed, not what it leads to; a folder stays. */
export function removeFile(root: string, path: string): void {
  const stat = lookAt(root, path);
  if (stat && !stat.isDirectory()) rmSync(through(root, path), { force: true });
}

/** Removes the folders above a path that are empty, up to one that stays. */
export function pruneAbove(root: string, path: string, upTo: string): void {
  for (let at = dirname(path); at !== upTo && at.startsWith(`${upTo}/`); at = dirname(at)) {
    const stat = lookAt(root, at);
    if (stat && (!stat.isDirectory() || readdirSync(join(root, at)).length > 0)) return;
    if (stat) rmdirSync(join(root, at));
  }
}

/** Removes a folder and all below it; a link in its place is refused, links in it are removed and not followed. */
export function removeTree(root: string, path: string): void {
  const stat = lstatSync(through(root, path), { throwIfNoEntry: false });
  if (!stat) return;
  if (!stat.isDirectory()) refuse("path-outside", `${path} is not a folder, but a link or a file.`);
  rmSync(join(root, path), { recursive: true, force: true });
}

/** Names of what lies in a folder; none where there is no folder. */
export function namesIn(root: string, path: string): string[] {
  return lookAt(root, path)?.isDirectory() ? readdirSync(join(root, path)).sort() : [];
}

/** Every file below a folder, with its size in bytes and when it was last used; none where there is no folder. */
export function filesBelow(root: string, folder: string): { path: string; size: number; used: number }[] {
  return namesIn(root, folder).flatMap((name) => {
    const path = `${folder}/${name}`;
    const stat = lookAt(root, path);
    if (stat?.isDirectory()) return filesBelow(root, path);
    return stat?.isFile() ? [{ path, size: stat.size, used: stat.mtimeMs }] : [];
  });
}

/** Notes that a file was used now. */
export function touch(root: string, path: string): void {
  const now = new Date();
  utimesSync(through(root, path), now, now);
}
