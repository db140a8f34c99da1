import { resolve } from "node:path";
import { locateWorkspace, workspaceAt } from "../../agency/workspace/locate.ts";
import { atStage } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { readWorkspace } from "../../app/survey/workspace.ts";
import { patience, withLock } from "../../ground/files/holding/lock.ts";
import { canWriteIn } from "../../ground/files/writing/door.ts";
import { hasOpen, settleOpen } from "../../ground/files/writing/transaction.ts";
import { attemptAsync, stop } from "../../ground/problems/result.ts";
import type { Ports } from "./ports.ts";

/** Which workspace an operation works in, and at which stage. */
export interface At {
  /** Its folder; otherwise the nearest one upward that holds oxalis.yaml. */
  workspace?: string | undefined;
  /** Absent for the store's. */
  stage?: string | undefined;
}

/** The folder of the workspace. */
export const workspaceRoot = ({ workspace }: At, { folder }: Ports): string =>
  workspace === undefined ? locateWorkspace(folder) : workspaceAt(resolve(folder, workspace));

/** The workspace, read, and at the stage that is asked for; after what a dead run has left open is settled. */
export async function openWorkspace(at: At, ports: Ports): Promise<Workspace> {
  const root = workspaceRoot(at, ports);
  if (hasOpen(root)) await settle(root);
  return atStage(readWorkspace(root), at.stage);
}

/** Settles what a dead run has left open; what a living one is about to settle itself is its own. */
async function settle(root: string): Promise<void> {
  const settled = await attemptAsync(() =>
    withLock(
      root,
      async () => {},
      () => settleOpen(root),
      patience.step,
    ),
  );
  if (!settled.ok && !settled.problems.some(({ code }) => code === "run-in-progress")) stop(settled.problems);
}

/**
 * Works in a workspace. Where that writes, it is held from before it is read: nothing is decided on what another run
 * changes.
 */
export async function inWorkspace<T>(
  at: At,
  ports: Ports,
  { writes }: { writes: boolean },
  work: (workspace: Workspace) => Promise<T>,
): Promise<T> {
  if (!writes) return work(await openWorkspace(at, ports));
  const root = workspaceRoot(at, ports);
  return holding(root, () => work(atStage(readWorkspace(root), at.stage)));
}

/**
 * Works in a workspace that is held, after what a dead run has left open is settled. @param wait for another run to
 * end, in milliseconds
 */
export const holding = <T>(root: string, work: () => Promise<T>, wait?: number): Promise<T> =>
  withLock(root, work, () => settleOpen(root), wait);

/** Reads a folder while nobody changes it: held where it can be, and as it is where nothing can be written there. */
export const holdingToRead = <T>(root: string, work: () => Promise<T>): Promise<T> =>
  canWriteIn(root) || hasOpen(root) ? holding(root, work) : work();
