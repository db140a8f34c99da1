import { locateWorkspace, workspaceAt } from "../../core/workspace/locate.ts";
import { readWorkspace, type Workspace } from "../../core/workspace/read.ts";
import type { Settings } from "./terminal.ts";

/** The workspace a command works in. */
export const openWorkspace = ({ workspace }: Settings): Workspace =>
  readWorkspace(workspace === undefined ? locateWorkspace(process.cwd()) : workspaceAt(workspace));
