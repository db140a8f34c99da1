import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Fill } from "./found.ts";

/** Where a platform says how its app may be turned, and what it is for. */
export type DevicePlaces = (template: Folder, files: readonly string[]) => Fill[];
