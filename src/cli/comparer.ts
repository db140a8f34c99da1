import { availableParallelism } from "node:os";
import { Worker } from "node:worker_threads";
import type { Pairs } from "../core/ground/files/reading/same.ts";
import type { Comparer } from "../core/operations/running/ports.ts";

/** Fewer folders are compared sooner than a thread has started. */
const leastFolders = 6;

/**
 * Compares folders in a thread of its own, so that one is read while another is judged; undefined where there is one
 * core, or little to compare.
 */
export function openComparer(folders: number): Comparer | undefined {
  if (folders < leastFolders || availableParallelism() < 2) return undefined;
  const thread = new Worker(new URL("compare.js", import.meta.url));
  const waiting = new Map<number, (same: Uint8Array) => void>();
  let counter = 0;
  let isGone = false;
  thread.on("message", ({ id, same }: { id: number; same: Uint8Array }) => {
    waiting.get(id)?.(same);
    waiting.delete(id);
  });
  // What it leaves unsaid is compared by whoever asked; that only takes longer.
  thread.on("error", () => {
    isGone = true;
    for (const answer of waiting.values()) answer(new Uint8Array());
    waiting.clear();
  });
  return {
    compare: (pairs: Pairs) =>
      new Promise((resolve) => {
        if (isGone) return resolve(new Uint8Array());
        const id = counter++;
        waiting.set(id, resolve);
        thread.postMessage({ id, pairs });
      }),
    close: () => void thread.terminate(),
  };
}
