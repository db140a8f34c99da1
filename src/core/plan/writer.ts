import { join } from "node:path";

/** Writes into one folder of a workspace, each file whole or not at all, and never through a link. */
export interface Writer {
  /** Whether there is nothing in the folder yet, and will be nothing before all of it is there. */
  isNew: boolean;
  write(path: string, content: string | Uint8Array, executable?: boolean): Promise<void>;
  /** Copies a file; where the file system can, without taking room. @param bytes what is in it, where that is known. */
  copy(path: string, from: string, executable: boolean, bytes?: Uint8Array): void;
  remove(path: string): void;
  /** SHA-256 of a file; undefined where there is none, or something else in its place. */
  hash(path: string): string | undefined;
  /** Puts everything in its place, where that has not been done file by file. */
  finish(): void;
  /** Throws away what has not been put in its place. */
  abandon(): void;
}

/** Permissions of a file. */
export const modeOf = (executable: boolean): number => (executable ? 0o755 : 0o644);

/** Where files are written before they are renamed into place; on the same disk as the workspace. */
export const scratchFolder = (workspace: string): string => join(workspace, ".oxalis", "scratch");

let counter = 0;

/** A file there that nobody else writes. */
export const scratchFile = (workspace: string): string =>
  join(scratchFolder(workspace), `${process.pid}-${counter++}`);
