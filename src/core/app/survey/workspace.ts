import { readFiles } from "../../agency/workspace/read.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { templateSchema } from "../platforms/template-schema.ts";

/** Reads and validates a workspace. A broken brief does not stop the others; a broken oxalis.yaml does. */
export const readWorkspace = (root: string): Workspace => readFiles(root, templateSchema);
