import { isError, type Problem, stoppedPlatforms, stopsClient } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import type { FileChange } from "../../core/making/jobs/difference.ts";
import type { ClientOutcome } from "../../core/making/make/generate.ts";
import { type Cause, causeName, causeSaid } from "../../core/making/make/why.ts";
import { makeVariants } from "../../core/operations/generate.ts";
import type { Run } from "../command.ts";
import { again, type Where } from "../view/again.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { isShown } from "../view/problems.ts";
import { openProgress } from "../view/progress.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"generate"> = async (given, { terminal, ports }) => {
  const { dryRun } = given;
  const progress = openProgress(terminal, (outcome, width) => line(outcome, dryRun, width, terminal));
  const made = await makeVariants(given, { ...ports, on: progress.on });
  progress.close();
  return mapResult(made, ({ outcomes, gaps, gone }) => {
    if (given.json) terminal.json({ dryRun, clients: outcomes.map(asData), gaps: gaps.map(placeData), gone });
    else summarise(outcomes, gaps, given, terminal);
    if (!given.json && !given.quiet && gone.length > 0) tellGone(gone, given, terminal);
    return outcomes.some(hasErrors) ? 1 : 0;
  });
};

const hasErrors = ({ problems }: ClientOutcome): boolean => problems.some(isError);

/** Whether it was not made, or not to the end; what an error of one platform stops is made without that. */
const isFailed = (outcome: ClientOutcome): boolean =>
  outcome.problems.some(stopsClient) || (outcome.files === 0 && hasErrors(outcome));

const asData = (outcome: ClientOutcome): object => ({
  client: outcome.client,
  folder: outcome.folder,
  files: outcome.files,
  changes: outcome.changes,
  causes: outcome.causes.map(causeSaid),
  problems: outcome.problems.map(placeData),
});

/** How each kind of change is said: when it was done, and when it would be. */
const said: Readonly<Record<FileChange["what"], readonly [done: string, would: string]>> = {
  create: ["made", "to make"],
  change: ["changed", "to change"],
  restore: ["restored", "to restore"],
  press: ["pressed smaller", "to press smaller"],
  remove: ["removed", "to remove"],
  abandon: ["left, changed by hand", "left, changed by hand"],
};

function line(
  outcome: ClientOutcome,
  dryRun: boolean,
  longest: number,
  { err, settings }: Terminal,
): string | undefined {
  const { changes, files } = outcome;
  const client = outcome.client.padEnd(longest);
  if (isFailed(outcome))
    return `${err.red("✗")} ${client}  ${err.red(countOf(outcome.problems.filter(isError).length, "error"))}`;
  const stopped = stoppedPlatforms(outcome.problems).map((each) => platformNames[each]);
  const sign = stopped.length > 0 ? err.yellow("!") : err.green("✓");
  const without = stopped.length > 0 ? `  ${err.yellow(`without ${stopped.join(", ")}`)}` : "";
  if (settings.quiet) return undefined;
  if (changes.length === 0)
    return settings.verbose || without
      ? `${sign} ${client}  ${err.dim(`${countOf(files, "file")}, nothing to do`)}${without}`
      : undefined;
  const counts = Object.entries(said).flatMap(([what, words]) => {
    const count = changes.filter((change) => change.what === what).length;
    return count > 0 ? [`${count} ${words[dryRun ? 1 : 0]}`] : [];
  });
  const why = outcome.causes.length > 0 ? `  ${err.dim(fewCauses(outcome.causes))}` : "";
  return `${sign} ${client}  ${countOf(files, "file")}: ${counts.join(", ")}${why}${without}`;
}

/** So many causes are named on a client's line. */
const mostCauses = 2;

function fewCauses(causes: readonly Cause[]): string {
  const more = causes.length - mostCauses;
  return `because of ${causes.slice(0, mostCauses).map(causeName).join(", ")}${more > 0 ? ` and ${more} more` : ""}`;
}

function tellGone(gone: readonly string[], given: Where, { note, err }: Terminal): void {
  const { workspace } = given;
  const named = gone.map((each) => `variants/${each}`).join(", ");
  note(
    `${err.yellow("of nobody")}  ${named}: ${again("clean --variants", { workspace })} removes what is of no client.`,
  );
}

function summarise(
  outcomes: readonly ClientOutcome[],
  gaps: readonly Problem[],
  given: Where & { dryRun: boolean },
  terminal: Terminal,
): void {
  const { dryRun } = given;
  const { out, err, settings } = terminal;
  const isTold = (outcome: ClientOutcome) => settings.verbose || hasErrors(outcome) || outcome.changes.length > 0;
  const told = outcomes.filter(isTold);
  const problems = [...gaps, ...told.flatMap((outcome) => outcome.problems)].filter((each) => isShown(each, settings));
  const before = outcomes.filter((each) => !isTold(each)).flatMap((outcome) => outcome.problems);
  const same = before.filter((each) => isShown(each, settings)).length;
  if (problems.length > 0) terminal.note(`\n${showGrouped(problems, settings.verbose === true, err)}\n`);
  if (dryRun || settings.verbose) {
    for (const { folder, changes } of outcomes) {
      for (const { what, path, why } of changes) {
        const because = settings.verbose ? `  ${out.dim(why)}` : "";
        terminal.print(`${said[what][dryRun ? 1 : 0].padEnd(10)}  ${folder}/${path}${because}`);
      }
    }
  }
  if (settings.quiet) return;
  const good = outcomes.filter((outcome) => !isFailed(outcome));
  const bad = outcomes.length - good.length;
  const changed = good.filter((outcome) => outcome.changes.length > 0).length;
  const head = dryRun
    ? `${countOf(changed, "variant")} would change, ${good.length - changed} would not.`
    : `${countOf(good.length, "variant")} in variants/: ${changed} changed, ${good.length - changed} as before.`;
  const part = good.filter(hasErrors).length;
  const partly = part > 0 ? ` ${out.yellow(`${countOf(part, "client")} without a platform.`)}` : "";
  terminal.print(`${head}${partly}${bad > 0 ? ` ${out.red(`${countOf(bad, "client")} failed.`)}` : ""}`);
  if (same > 0) terminal.print(out.dim(`${countOf(same, "warning")} as before, of clients that did not change: -v.`));
  if (!dryRun && bad + part === 0) terminal.print(out.dim(`Next: ${again("audit", given)}, ${again("proof", given)}`));
}
