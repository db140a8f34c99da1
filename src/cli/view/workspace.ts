import { withLock } from "../../core/files/lock.ts";
import { hasOpen, settleOpen } from "../../core/files/transaction.ts";
import { locateWorkspace, workspaceAt } from "../../core/workspace/locate.ts";
import { readWorkspace, type Workspace } from "../../core/workspace/read.ts";
import { atStage } from "../../core/workspace/stage.ts";
import type { Settings } from "./terminal.ts";

/** The folder of the workspace a command works in. */
export const workspaceRoot = ({ workspace }: Settings): string =>
  workspace === undefined ? locateWorkspace(process.cwd()) : workspaceAt(workspace);

/** The workspace a command works in, read, and at the stage that is asked for. */
export const openWorkspace = (settings: Settings): Workspace =>
  atStage(readWorkspace(workspaceRoot(settings)), settings.stage);

/** Works in a workspace. Where that writes, it is held from before it is read: nothing is decided on what another run changes. */
export async function inWorkspace<T>(
  settings: Settings,
  writes: boolean,
  work: (workspace: Workspace) => Promise<T>,
): Promise<T> {
  const root = workspaceRoot(settings);
  const opened = () => work(atStage(readWorkspace(root), settings.stage));
  if (writes) return holding(root, opened);
  // What a run that died had decided is brought to its end by whichever command comes next, also one that only reads.
  if (hasOpen(root)) await holding(root, async () => {});
  return opened();
}

/** Works in a workspace that is held, after what a dead run has left open is settled. */
export const holding = <T>(root: string, work: () => Promise<T>): Promise<T> =>
  withLock(root, work, () => settleOpen(root));
