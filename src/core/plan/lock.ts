import { join } from "node:path";
import { lock } from "proper-lockfile";
import { makeFolder } from "../files/make-folder.ts";
import { refuse } from "../problems/problem.ts";

/** After this long without a sign of life, in milliseconds, a run is taken for dead. */
const deadAfter = 5_000;

/** Holds the workspace for one run that writes; a second one is refused until the first has ended or is dead. */
export async function withLock<T>(workspace: string, work: () => Promise<T>): Promise<T> {
  const folder = join(workspace, ".oxalis");
  makeFolder(folder);
  const release = await lock(folder, {
    lockfilePath: join(folder, "lock"),
    stale: deadAfter,
    update: 1_000,
    retries: { retries: 12, minTimeout: 500, maxTimeout: 500 },
  }).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== "ELOCKED") throw error;
    refuse("run-in-progress", "Another run has been at work here for several seconds.");
  });
  try {
    return await work();
  } finally {
    await release();
  }
}
