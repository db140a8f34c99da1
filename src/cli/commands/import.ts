import { existsSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import { writeTogether } from "../../core/files/together.ts";
import { refuse } from "../../core/problems/problem.ts";
import { readMapping } from "../../core/roster/columns.ts";
import { type ImportedClient, type ImportPlan, planImport } from "../../core/roster/import.ts";
import { readSheet } from "../../core/roster/sheet.ts";
import { jsonSchema } from "../../core/workspace/json-schema.ts";
import { placed } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { inWorkspace } from "../view/workspace.ts";

interface Options {
  map: string[];
  encoding?: string;
  partial?: boolean;
  dryRun?: boolean;
}

export async function run([file = ""]: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const mapping = readMapping(options.map);
  if (typeof mapping === "string") refuse("map-invalid", `"${mapping}" names no column and field.`);
  const path = resolve(file);
  const { sheet, guessed, quotes } = await readSheet(dirname(path), basename(path), options.encoding);
  if (!options.json && !options.quiet) {
    const { note, err } = terminal;
    if (guessed)
      note(
        `${err.yellow("read as")}  ${guessed}, since it is not UTF-8. Is a word wrong? --encoding says what it is.`,
      );
    for (const line of quotes)
      note(`${err.yellow("taken as it stands")}  a quote in the middle of a cell, line ${line}.`);
  }
  const writes = options.dryRun !== true;
  const { plan, changed, taken } = await inWorkspace(options, writes, async (workspace) => {
    const plan = planImport(workspace, sheet, basename(path), mapping);
    const changed = plan.clients.filter((client) => client.isNew || client.changes.length > 0);
    const taken = writes && (plan.refused.length === 0 || options.partial === true);
    if (taken && changed.length > 0) writeTogether(workspace.root, files(workspace.root, changed));
    return { plan, changed, taken };
  });
  if (options.json) {
    const clients = changed.map(({ key, isNew, changes }) => ({ key, isNew, changes }));
    terminal.json({ taken, clients, refused: plan.refused.map(placed), unknown: plan.unknown });
  } else show(plan, changed, taken, options, terminal);
  return plan.refused.length > 0 ? 1 : 0;
}

/** The briefs to write, and the schema that new ones point at. */
function files(root: string, changed: readonly ImportedClient[]): Map<string, string> {
  const written = new Map(changed.map(({ key, text }) => [`clients/${key}/brief.yaml`, text]));
  const schema = "schemas/brief.json";
  if (changed.some((client) => client.isNew) && !existsSync(join(root, schema)))
    written.set(schema, jsonSchema("brief"));
  return written;
}

function show(
  plan: ImportPlan,
  changed: readonly ImportedClient[],
  taken: boolean,
  options: Options,
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
  const counts = `${counted(created, "new client")}, ${changed.length - created} changed, ${same} as before`;
  const refused = plan.refused.length > 0 ? out.red(`, ${plan.refused.length} refused`) : "";
  const end = taken
    ? ""
    : options.dryRun
      ? " Nothing was written."
      : " Nothing was taken: correct the sheet, or take the good rows with --partial.";
  print(`${counts}${refused}.${end}`);
}
