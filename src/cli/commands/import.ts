import { importRoster } from "../../core/operations/import.ts";
import type { Event } from "../../core/operations/ports.ts";
import { mapResult } from "../../core/problems/result.ts";
import type { ImportedClient, ImportPlan } from "../../core/roster/import.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"import"> = async (given, { terminal, ports }) => {
  const on = (event: Event) => noteReading(event, terminal);
  return mapResult(await importRoster(given, { ...ports, on }), ({ plan, changed, taken }) => {
    if (given.json) {
      const clients = changed.map(({ key, isNew, changes }) => ({ key, isNew, changes }));
      terminal.json({ taken, clients, refused: plan.refused.map(placeData), unknown: plan.unknown });
    } else show(plan, changed, taken, given.dryRun, terminal);
    return plan.refused.length > 0 ? 1 : 0;
  });
};

function noteReading(event: Event, { note, err, settings }: Terminal): void {
  if (settings.json || settings.quiet) return;
  if (event.what === "encoding")
    note(
      `${err.yellow("read as")}  ${event.guessed}, since it is not UTF-8. Is a word wrong? --encoding says what it is.`,
    );
  if (event.what === "quote")
    note(`${err.yellow("taken as it stands")}  a quote in the middle of a cell, line ${event.line}.`);
}

function show(
  plan: ImportPlan,
  changed: readonly ImportedClient[],
  taken: boolean,
  dryRun: boolean,
  terminal: Terminal,
): void {
  const { print, note, out, err, settings } = terminal;
  for (const { heading, near } of plan.unknown) {
    const hint = near ? `--map "${heading}=${near}"?` : `--map "${heading}=…" says what it holds.`;
    note(`${err.yellow("passed over")}  the column "${heading}". ${hint}`);
  }
  if (!settings.quiet) {
    for (const { key, isNew, changes } of changed) {
      print(`${isNew ? out.green("new") : out.cyan("changed")}  ${out.bold(key)}`);
      const longest = Math.max(0, ...changes.map((change) => change.field.length));
      for (const { field, before, after } of changes) {
        const from = before === undefined ? "" : `${out.dim(before)} → `;
        print(`    ${field.padEnd(longest)}  ${from}${after}`);
      }
    }
  }
  if (plan.refused.length > 0) note(`\n${showProblems(plan.refused, err)}\n`);
  if (settings.quiet) return;
  const created = changed.filter((client) => client.isNew).length;
  const same = plan.clients.length - changed.length;
  const counts = `${countOf(created, "new client")}, ${changed.length - created} changed, ${same} as before`;
  const refused = plan.refused.length > 0 ? out.red(`, ${plan.refused.length} refused`) : "";
  const end = taken
    ? ""
    : dryRun
      ? " Nothing was written."
      : " Nothing was taken: correct the sheet, or take the good rows with --partial.";
  print(`${counts}${refused}.${end}`);
}
