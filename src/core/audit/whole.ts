import { type Change, difference } from "../make/difference.ts";
import type { Receipt } from "../make/receipt.ts";
import type { Plan } from "../plan/plan.ts";
import { type Problem, problem } from "../problems/problem.ts";

/** Where disk, receipt and plan differ. @param hashes of the files that are there, by path. */
export function whole(plan: Plan, receipt: Receipt, hashes: ReadonlyMap<string, string>, at: string): Problem[] {
  return difference(plan, receipt, (path) => hashes.get(path)).map((change) =>
    aboutFile(asProblem(change, at, hashes.has(change.path)), change.path),
  );
}

function asProblem({ what, path }: Change, at: string, there: boolean): Problem {
  const shown = `${at}/${path}`;
  switch (what) {
    case "create":
      return problem("out-of-date", `${shown} is planned and has not been made.`);
    case "press":
    case "change":
      return problem("out-of-date", `${shown} was made from other inputs than there are now.`);
    case "remove":
      return problem("out-of-date", `${shown} is no longer planned.`);
    case "abandon":
      return problem("output-stray", `${shown} is no longer planned, and was changed by hand.`);
    case "restore":
      return there
        ? problem("output-changed", `${shown} is not as it was made.`)
        : problem("output-missing", `${shown} is missing.`);
  }
}

/** A problem of one file, told together with others of its kind. */
export const aboutFile = (each: Problem, file: string): Problem => ({
  ...each,
  cause: { of: each.code, file },
});

/** Files that neither the plan nor the receipt knows. */
export function strays(plan: Plan, receipt: Receipt, files: readonly string[], at: string): Problem[] {
  const known = new Set([...plan.entries.map((entry) => entry.path), ...Object.keys(receipt.files)]);
  return files
    .filter((file) => !known.has(file))
    .map((file) => aboutFile(problem("output-stray", `${at}/${file} was not made by Oxalis.`), file));
}
