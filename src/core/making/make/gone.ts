import type { Workspace } from "../../agency/workspace/workspace.ts";
import { receiptFile } from "../../app/variant/receipt-file.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { filesBelow, lookAt, namesIn, removeTree } from "../../ground/files/writing/door.ts";
import { attempt } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { readReceipt } from "../jobs/receipt.ts";

/** Folders below variants/ that some client's app may lie in, at one stage or another. */
export function wantedVariants({ clients, agency }: Workspace): ReadonlySet<string> {
  const stages = Object.keys(agency.data.stages);
  return new Set(clients.flatMap(({ key }) => [key, ...stages.map((stage) => `${key}.${stage}`)]));
}

/**
 * Folders below variants/ that Oxalis made for clients or stages that are no more. @param of only these clients'; all
 * where absent
 */
export function goneVariants(workspace: Workspace, of?: readonly string[]): string[] {
  const { root } = workspace;
  const wanted = wantedVariants(workspace);
  return namesIn(root, "variants")
    .filter((name) => of === undefined || of.includes(name.replace(/\..*$/, "")))
    .filter((name) => !wanted.has(name) && lookAt(root, `variants/${name}/${receiptFile}`)?.isFile() === true)
    .sort();
}

/** What became of a variant that nobody wants any more. */
export interface Cleared {
  variant: string;
  /** Why it stays: somebody changed or added this file. */
  kept?: string;
}

/** Removes variants of clients and stages that are gone; one in which somebody has worked stays. */
export const clearGone = (workspace: Workspace, of?: readonly string[]): Cleared[] =>
  goneVariants(workspace, of).map((variant) => {
    const kept = findOwn(workspace.root, `variants/${variant}`, variant);
    if (kept !== undefined) return { variant, kept };
    removeTree(workspace.root, `variants/${variant}`);
    return { variant };
  });

/** A file that is not as Oxalis made it; the receipt itself where it cannot be read. */
function findOwn(root: string, folder: string, variant: string): string | undefined {
  const receipt = attempt(() => readReceipt(root, folder, variant));
  if (!receipt.ok) return receiptFile;
  return filesBelow(root, folder)
    .map(({ path }) => path.slice(folder.length + 1))
    .find((file) => {
      const path = `${folder}/${file}`;
      return file !== receiptFile && receipt.value.files[file]?.sha256 !== sha256(readInside(root, path, path));
    });
}
