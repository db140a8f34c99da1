import type { Entry, Plan } from "../plan/plan.ts";
import { isPng, type Receipt } from "./receipt.ts";

/** What has to happen to one file. */
export type FileChange =
  /** Not there yet. */
  | { what: "create"; path: string; entry: Entry }
  /** Its inputs changed. */
  | { what: "change"; path: string; entry: Entry }
  /** Its inputs are the same, but the file is gone or was changed by hand. */
  | { what: "restore"; path: string; entry: Entry }
  /** As it should be, but not as small as it could. */
  | { what: "press"; path: string; entry: Entry }
  /** Made before, and no longer planned. */
  | { what: "remove"; path: string }
  /** No longer planned, but changed by hand since it was made: left where it is. */
  | { what: "abandon"; path: string };

/**
 * Holds plan, receipt and disk against each other.
 * @param onDisk SHA-256 of a file in the variant's folder, undefined where there is none.
 * @param smallest whether pictures have to be as small as they go; those that are count as right in any case.
 */
export function difference(
  plan: Plan,
  receipt: Receipt,
  onDisk: (path: string) => string | undefined,
  smallest = false,
): FileChange[] {
  const changes: FileChange[] = [];
  for (const entry of plan.entries) {
    const { path } = entry;
    const known = receipt.files[path];
    const found = onDisk(path);
    if (found === undefined) changes.push({ what: known?.sha256 ? "restore" : "create", path, entry });
    else if (known?.fingerprint !== entry.fingerprint) changes.push({ what: "change", path, entry });
    else if (known.sha256 !== found) changes.push({ what: known.sha256 ? "restore" : "change", path, entry });
    else if (smallest && isPng(entry) && !known.smallest) changes.push({ what: "press", path, entry });
  }
  const planned = new Set(plan.entries.map((entry) => entry.path));
  for (const [path, known] of Object.entries(receipt.files)) {
    if (planned.has(path)) continue;
    const found = onDisk(path);
    if (found === undefined) continue;
    changes.push({ what: known.sha256 === null || known.sha256 === found ? "remove" : "abandon", path });
  }
  return changes;
}
