import { patience, withLock } from "../../core/files/lock.ts";
import { hasOpen, settleOpen } from "../../core/files/transaction.ts";
import { Refusal } from "../../core/problems/problem.ts";
import { locateWorkspace, workspaceAt } from "../../core/workspace/locate.ts";
import { readWorkspace, type Workspace } from "../../core/workspace/read.ts";
import { atStage } from "../../core/workspace/stage.ts";
import type { Settings } from "./terminal.ts";

/** The folder of the workspace a command works in. */
export const workspaceRoot = ({ workspace }: Settings): string =>
  workspace === undefined ? locateWorkspace(process.cwd()) : workspaceAt(workspace);

/** The workspace a command works in, read, and at the stage that is asked for; after what a dead run has left open is settled. */
export async function openWorkspace(settings: Settings): Promise<Workspace> {
  const root = workspaceRoot(settings);
  if (hasOpen(root)) await settle(root);
  return atStage(readWorkspace(root), settings.stage);
}

/** Settles what a dead run has left open; what a living one is about to settle itself is its own. */
async function settle(root: string): Promise<void> {
  try {
    await withLock(
      root,
      async () => {},
      () => settleOpen(root),
      patience.step,
    );
  } catch (error) {
    const isAlive = error instanceof Refusal && error.problems.some(({ code }) => code === "run-in-progress");
    if (!isAlive) throw error;
  }
}

/** Works in a workspace. Where that writes, it is held from before it is read: nothing is decided on what another run changes. */
export async function inWorkspace<T>(
  settings: Settings,
  writes: boolean,
  work: (workspace: Workspace) => Promise<T>,
): Promise<T> {
  if (!writes) return work(await openWorkspace(settings));
  const root = workspaceRoot(settings);
  return holding(root, () => work(atStage(readWorkspace(root), settings.stage)));
}

/** Works in a workspace that is held, after what a dead run has left open is settled. */
export const holding = <T>(root: string, work: () => Promise<T>): Promise<T> =>
  withLock(root, work, () => settleOpen(root));
