import { dirname, join, resolve } from "node:path";
import { isThere } from "../../ground/files/reading/folder.ts";
import { refuse } from "../../ground/problems/result.ts";

export const agencyFile = "oxalis.yaml";

/** The workspace that `start` lies in: the nearest folder upward that holds oxalis.yaml. */
export function locateWorkspace(start: string): string {
  const from = resolve(start);
  for (let folder = from; ; folder = dirname(folder)) {
    if (isThere(join(folder, agencyFile))) return folder;
    if (folder === dirname(folder)) break;
  }
  refuse("workspace-not-found", `No ${agencyFile} in ${from} or in any folder above it.`);
}

/** The workspace at exactly this folder. */
export function workspaceAt(folder: string): string {
  const root = resolve(folder);
  if (isThere(join(root, agencyFile))) return root;
  refuse("workspace-not-found", `No ${agencyFile} in ${root}.`);
}
