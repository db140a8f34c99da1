import { resolveAll } from "../../core/derive/resolve.ts";
import type { Resolved } from "../../core/derive/variant.ts";
import { isError } from "../../core/problems/problem.ts";
import type { Field } from "../../core/values/fields.ts";
import { pickClients } from "../../core/workspace/read.ts";
import { problemData, showProblems } from "../view/problems.ts";
import { table } from "../view/table.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";

/** Columns in the order in which they are given up when the terminal is narrow, last first. */
const columns: readonly { heading: string; field: Field; from: number }[] = [
  { heading: "name", field: "app.name", from: 0 },
  { heading: "label", field: "app.label", from: 90 },
  { heading: "identifier", field: "identifiers.base", from: 60 },
  { heading: "version", field: "version", from: 110 },
  { heading: "build", field: "build", from: 110 },
];

const value = ({ variant }: Resolved, field: Field): string => variant?.values[field]?.value ?? "";

export async function run(keys: string[], options: Settings): Promise<number> {
  const terminal = openTerminal(options);
  const workspace = openWorkspace(options);
  const picked = new Set(pickClients(workspace, keys).map((client) => client.key));
  const clients = (await resolveAll(workspace)).filter(({ client }) => picked.has(client.key));
  if (options.json) terminal.json({ clients: clients.map(asData) });
  else show(clients, terminal);
  return clients.some(({ problems }) => problems.some(isError)) ? 1 : 0;
}

const asData = ({ client, variant, problems }: Resolved): object => ({
  key: client.key,
  values: Object.fromEntries(
    Object.entries(variant?.values ?? {}).map(([field, traced]) => [field, traced.value]),
  ),
  problems: problems.map(problemData),
});

function show(clients: readonly Resolved[], terminal: Terminal): void {
  const { out, settings, width } = terminal;
  const shown = columns.filter((column) => width >= column.from);
  const rows = clients.map((each) => [
    each.client.key,
    ...shown.map(({ field }) => value(each, field)),
    state(each, terminal),
  ]);
  terminal.print(table(["client", ...shown.map((column) => column.heading), "state"], rows, out));
  const problems = clients
    .flatMap((each) => each.problems)
    .filter((each) => !settings.quiet || isError(each));
  if (problems.length > 0) terminal.note(`\n${showProblems(problems, terminal.err)}`);
}

function state({ problems }: Resolved, { out }: Terminal): string {
  const errors = problems.filter(isError).length;
  if (errors > 0) return out.red(counted(errors, "error"));
  return problems.length > 0 ? out.yellow(counted(problems.length, "warning")) : out.green("ready");
}
