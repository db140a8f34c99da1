import { type Problem, problem } from "../../problems/problem.ts";
import { orStop, orStopAsync } from "../../problems/result.ts";

/** Writes one folder of a workspace: nothing of it is changed before all that will be is there. */
export interface Writer {
  write(path: string, content: string | Uint8Array, executable?: boolean): Promise<void>;
  /** Copies a file; where the file system can, without taking room. @param bytes what is in it, where that is known. */
  copy(path: string, from: string, executable: boolean, bytes?: Uint8Array): void;
  remove(path: string): void;
  /** Puts all of it into its place. */
  finish(): void;
  /** Throws away what has not been put into its place. */
  abandon(): void;
}

/** Permissions of a file. */
export const modeOf = (executable: boolean): number => (executable ? 0o755 : 0o644);

/** That a file could not be written. */
export const unwritten =
  (path: string) =>
  ({ message }: Error): Problem =>
    problem("write-failed", `${path} could not be written: ${message}.`);

/** Writes a file; where that fails, abandons all that goes with it, and tells which it was. */
export function orAbandon<T>(path: string, abandon: () => void, work: () => T): T {
  try {
    return orStop(work, unwritten(path));
  } catch (error) {
    abandon();
    throw error;
  }
}

export async function orAbandonAsync<T>(path: string, abandon: () => void, work: () => Promise<T>): Promise<T> {
  try {
    return await orStopAsync(work, unwritten(path));
  } catch (error) {
    abandon();
    throw error;
  }
}
