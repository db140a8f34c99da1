import { locateWorkspace, workspaceAt } from "../../core/workspace/locate.ts";
import { readWorkspace, type Workspace } from "../../core/workspace/read.ts";
import type { Settings } from "./terminal.ts";

/** The folder of the workspace a command works in. */
export const workspaceRoot = ({ workspace }: Settings): string =>
  workspace === undefined ? locateWorkspace(process.cwd()) : workspaceAt(workspace);

/** The workspace a command works in, read. */
export const openWorkspace = (settings: Settings): Workspace => readWorkspace(workspaceRoot(settings));
