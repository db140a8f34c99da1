import { listClients } from "../../core/operations/clients.ts";
import { isError } from "../../core/problems/problem.ts";
import { succeed } from "../../core/problems/result.ts";
import { stateOf } from "../../core/roster/state.ts";
import type { Field } from "../../core/values/fields.ts";
import type { Platform } from "../../core/values/platform.ts";
import type { Resolved } from "../../core/variant/variant.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { isShown, showProblems } from "../view/problems.ts";
import { table, widthOf } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"clients"> = async (given, { terminal, ports }) => {
  const listed = await listClients(given, ports);
  if (!listed.ok) return listed;
  const { clients, platforms } = listed.value;
  const columns = columnsFor(platforms);
  if (given.json) terminal.json({ clients: clients.map(asData) });
  else if (given.csv) await showCsv(clients, columns, terminal);
  else show(clients, columns, terminal);
  return succeed(clients.some(({ problems }) => problems.some(isError)) ? 1 : 0);
};

interface Column {
  heading: string;
  value(each: Resolved): string;
  /** Shown on terminals at least this wide, in columns. */
  from: number;
  /** And at most this wide: where there is more room, several columns say it better. */
  to?: number;
}

const value = ({ values }: Resolved, field: Field): string => values[field]?.value ?? "";
const ofField = (heading: string, field: Field, from: number): Column => ({
  heading,
  from,
  value: (each) => value(each, field),
});

/** Wide enough for an identifier a platform. */
const wide = 190;

/** The columns of an agency that makes apps for these platforms. */
const columnsFor = (platforms: readonly Platform[]): Column[] => [
  ofField("name", "app.name", 0),
  ofField("label", "app.label", 90),
  { heading: "identifier", from: 60, to: wide - 1, value: (each) => identifiers(each, platforms) },
  ...platforms.map((platform) => ofField(platform, `identifiers.${platform}`, wide)),
  ofField("stock code", "sku", 130),
  ofField("version", "version", 106),
  ofField("build", "build", 106),
];

/** The one identifier that platforms share; each of them where they differ. A page has none of its own. */
function identifiers(each: Resolved, platforms: readonly Platform[]): string {
  const all = platforms
    .filter((platform) => platform !== "web")
    .map((platform) => value(each, `identifiers.${platform}`));
  return [...new Set(all)].filter(Boolean).join(" · ");
}

const asData = (each: Resolved): object => ({
  key: each.client.key,
  state: stateOf(each),
  groups: each.client.brief?.data.groups ?? [],
  values: Object.fromEntries(Object.entries(each.values).map(([field, traced]) => [field, traced.value])),
  problems: each.problems.map(placeData),
});

async function showCsv(clients: readonly Resolved[], columns: readonly Column[], { print }: Terminal): Promise<void> {
  const { csvText } = await import("../../core/roster/sheet.ts");
  const shown = columns.filter((column) => column.to === undefined);
  const headings = ["client", ...shown.map((column) => column.heading), "state"];
  const rows = clients.map((each) => [each.client.key, ...shown.map((column) => column.value(each)), stateOf(each)]);
  print(csvText([headings, ...rows]).trimEnd());
}

function show(clients: readonly Resolved[], columns: readonly Column[], terminal: Terminal): void {
  const { out, settings, width } = terminal;
  const shown = columns.filter(({ from, to }) => width >= from && width <= (to ?? width));
  const drawn = (count: number): string => {
    const some = shown.slice(0, count);
    const rows = clients.map((each) => [
      each.client.key,
      ...some.map((column) => column.value(each)),
      state(each, terminal),
    ]);
    const all = table(["client", ...some.map((column) => column.heading), "state"], rows, out);
    // Of what has no room, the last columns are left out; --csv and --json have them all.
    return count > 0 && widthOf(all) > width ? drawn(count - 1) : all;
  };
  terminal.print(drawn(shown.length));
  const problems = clients.flatMap((each) => each.problems).filter((each) => isShown(each, settings));
  if (problems.length > 0) terminal.note(`\n${showProblems(problems, terminal.err)}`);
}

function state(each: Resolved, { out }: Terminal): string {
  const errors = each.problems.filter(isError).length;
  if (errors > 0) return out.red(countOf(errors, "error"));
  const warnings = each.problems.filter(({ severity }) => severity === "warning").length;
  const told = stateOf(each);
  return warnings > 0 ? `${told}, ${out.yellow(countOf(warnings, "warning"))}` : out.green(told);
}
