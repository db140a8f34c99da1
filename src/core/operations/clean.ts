import { breakLock } from "../ground/files/holding/lock.ts";
import { clearCache } from "../making/jobs/cache.ts";
import { type Cleared, clearGone } from "../making/make/gone.ts";
import { operation } from "./running/operation.ts";
import { type At, holding, inWorkspace, workspaceRoot } from "./running/workspace.ts";

/** Takes the hold on a workspace away, whoever has it: who that was; undefined where nobody had. */
export const freeWorkspace = operation(
  async (at: At, ports): Promise<{ holder: string | undefined }> => ({
    holder: breakLock(workspaceRoot(at, ports)),
  }),
);

/** Removes what was made for clients and stages that are no more. */
export const clearVariants = operation(
  (at: At, ports): Promise<Cleared[]> =>
    inWorkspace(at, ports, { writes: true }, async (workspace) => clearGone(workspace)),
);

/** Empties the cache of drawn pictures: how many there were, and their bytes. */
export const emptyCache = operation(async (at: At, ports): Promise<{ pictures: number; bytes: number }> => {
  const root = workspaceRoot(at, ports);
  return holding(root, async () => clearCache(root));
});
