import type { Change } from "../../core/plan/difference.ts";
import { generate, type Outcome } from "../../core/plan/generate.ts";
import { isError, type Problem } from "../../core/problems/problem.ts";
import type { Layout } from "../../core/values/layout.ts";
import { placed } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { openProgress } from "../view/progress.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { today } from "../view/today.ts";
import { inWorkspace } from "../view/workspace.ts";

interface Options {
  layout?: Layout;
  dryRun?: boolean;
  locked?: boolean;
  smallest?: boolean;
}

const failed = (outcome: Outcome): boolean => outcome.problems.some(isError);

export async function run(keys: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const dryRun = options.dryRun === true;
  const { outcomes, gaps } = await inWorkspace(options, !dryRun, async (workspace) => {
    const longest = Math.max(...workspace.clients.map((client) => client.key.length));
    const progress = openProgress(terminal, (outcome) => line(outcome, dryRun, longest, terminal));
    const generated = await generate(workspace, {
      clients: keys,
      dryRun,
      layout: options.layout,
      locked: options.locked === true,
      smallest: options.smallest === true,
      today: today(),
      progress,
    });
    progress.close();
    return generated;
  });
  if (options.json) terminal.json({ dryRun, clients: outcomes.map(asData), gaps: gaps.map(placed) });
  else summarise(outcomes, gaps, dryRun, terminal);
  return outcomes.some(failed) ? 1 : 0;
}

const asData = (outcome: Outcome): object => ({
  client: outcome.client,
  folder: outcome.folder,
  files: outcome.files,
  changes: outcome.changes,
  problems: outcome.problems.map(placed),
});

/** How each kind of change is said: when it was done, and when it would be. */
const said: Readonly<Record<Change["what"], readonly [done: string, would: string]>> = {
  create: ["made", "to make"],
  change: ["changed", "to change"],
  restore: ["restored", "to restore"],
  press: ["pressed smaller", "to press smaller"],
  remove: ["removed", "to remove"],
  abandon: ["left, changed by hand", "left, changed by hand"],
};

function line(
  outcome: Outcome,
  dryRun: boolean,
  longest: number,
  { err, settings }: Terminal,
): string | undefined {
  const { changes, files } = outcome;
  const client = outcome.client.padEnd(longest);
  if (failed(outcome))
    return `${err.red("✗")} ${client}  ${err.red(counted(outcome.problems.filter(isError).length, "error"))}`;
  if (settings.quiet) return undefined;
  if (changes.length === 0)
    return `${err.green("✓")} ${client}  ${err.dim(`${counted(files, "file")}, nothing to do`)}`;
  const counts = Object.entries(said).flatMap(([what, words]) => {
    const count = changes.filter((change) => change.what === what).length;
    return count > 0 ? [`${count} ${words[dryRun ? 1 : 0]}`] : [];
  });
  return `${err.green("✓")} ${client}  ${counted(files, "file")}: ${counts.join(", ")}`;
}

function summarise(
  outcomes: readonly Outcome[],
  gaps: readonly Problem[],
  dryRun: boolean,
  terminal: Terminal,
): void {
  const { out, err, settings } = terminal;
  const problems = [...gaps, ...outcomes.flatMap((outcome) => outcome.problems)].filter(
    (each) => !settings.quiet || isError(each),
  );
  if (problems.length > 0) terminal.note(`\n${showProblems(problems, err)}\n`);
  if (dryRun || settings.verbose) {
    for (const { folder, changes } of outcomes) {
      for (const { what, path } of changes)
        terminal.print(`${said[what][dryRun ? 1 : 0].padEnd(10)}  ${folder}/${path}`);
    }
  }
  if (settings.quiet) return;
  const good = outcomes.filter((outcome) => !failed(outcome));
  const bad = outcomes.length - good.length;
  const changed = good.filter((outcome) => outcome.changes.length > 0).length;
  const head = dryRun
    ? `${counted(changed, "variant")} would change, ${good.length - changed} would not.`
    : `${counted(good.length, "variant")} in variants/: ${changed} changed, ${good.length - changed} as before.`;
  terminal.print(bad > 0 ? `${head} ${out.red(`${counted(bad, "client")} failed.`)}` : head);
  if (!dryRun && bad === 0) terminal.print(out.dim("Next: oxalis audit, oxalis proof"));
}
