import { problemOfFile } from "../../ground/problems/of-files.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { difference, type FileChange } from "../../making/jobs/difference.ts";
import type { Receipt } from "../../making/jobs/receipt.ts";
import type { Plan } from "../../making/plan/plan.ts";

/** Where disk, receipt and plan differ. @param hashes of the files that are there, by path. */
export function whole(plan: Plan, receipt: Receipt, hashes: ReadonlyMap<string, string>, at: string): Problem[] {
  return difference(plan, receipt, (path) => hashes.get(path)).map((change) =>
    asProblem(change, at, hashes.has(change.path)),
  );
}

function asProblem({ what, path }: FileChange, at: string, there: boolean): Problem {
  const file = { file: path, shown: `${at}/${path}` };
  switch (what) {
    case "create":
      return problemOfFile("out-of-date", file, "is planned and has not been made.");
    case "press":
    case "change":
      return problemOfFile("out-of-date", file, "was made from other inputs than there are now.");
    case "remove":
      return problemOfFile("out-of-date", file, "is no longer planned.");
    case "abandon":
      return problemOfFile("output-stray", file, "is no longer planned, and was changed by hand.");
    case "restore":
      return there
        ? problemOfFile("output-changed", file, "is not as it was made.")
        : problemOfFile("output-missing", file, "is missing.");
  }
}

/** Files that neither the plan nor the receipt knows. */
export function strays(plan: Plan, receipt: Receipt, files: readonly string[], at: string): Problem[] {
  const known = new Set([...plan.entries.map((entry) => entry.path), ...Object.keys(receipt.files)]);
  return files
    .filter((file) => !known.has(file))
    .map((file) => problemOfFile("output-stray", { file, shown: `${at}/${file}` }, "was not made by Oxalis."));
}
