import { Refusal, refuse } from "../problems/problem.ts";

/** Writes one folder of a workspace: nothing of it is changed before all that will be is there. */
export interface Writer {
  /** Whether there is nothing in the folder yet. */
  isNew: boolean;
  write(path: string, content: string | Uint8Array, executable?: boolean): Promise<void>;
  /** Copies a file; where the file system can, without taking room. @param bytes what is in it, where that is known. */
  copy(path: string, from: string, executable: boolean, bytes?: Uint8Array): void;
  remove(path: string): void;
  /** SHA-256 of a file; undefined where there is none, or something else in its place. */
  hash(path: string): string | undefined;
  /** Puts all of it into its place. */
  finish(): void;
  /** Throws away what has not been put into its place. */
  abandon(): void;
}

/** Permissions of a file. */
export const modeOf = (executable: boolean): number => (executable ? 0o755 : 0o644);

/** Tells that a file could not be written. */
export function failed(path: string, error: unknown): never {
  if (error instanceof Refusal) throw error;
  return refuse("write-failed", `${path} could not be written: ${(error as Error).message}.`);
}
