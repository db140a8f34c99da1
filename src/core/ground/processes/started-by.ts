import { randomUUID } from "node:crypto";
import { endProcess, runningWith } from "../systems/running.ts";

/**
 * A mark in the environment of a program, which all inherit that it starts, also those that leave its group and its
 * session: by it they are found again.
 */
export const markName = "OXALIS_STARTED_BY";

export const newMark = (): string => `${process.pid}-${randomUUID()}`;

/** Ends a program's group, and whatever else it has started; what that starts meanwhile, too. */
export function endAll(pid: number | undefined, mark: string): void {
  if (pid !== undefined) endProcess(pid, true);
  const ended = new Set<number>();
  for (;;) {
    // Whoever was ended shows its environment until it is waited for.
    const found = runningWith(markName, mark).filter((each) => !ended.has(each));
    if (found.length === 0) return;
    for (const each of found) {
      endProcess(each);
      ended.add(each);
    }
  }
}
