import type { Resolved } from "../../core/app/variant/variant.ts";
import { stateOf } from "../../core/clients/roster/state.ts";
import { isError } from "../../core/ground/problems/problem.ts";
import { succeed } from "../../core/ground/problems/result.ts";
import type { Field } from "../../core/ground/values/fields.ts";
import { type Platform, platforms as platformNames } from "../../core/ground/values/platform.ts";
import { listClients } from "../../core/operations/clients.ts";
import type { SigningState } from "../../core/proving/keys/findings.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { isShown, showProblems } from "../view/problems.ts";
import { table, widthOf } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"clients"> = async (given, { terminal, ports }) => {
  const listed = await listClients(given, ports);
  if (!listed.ok) return listed;
  const { clients, platforms, signing, retired } = listed.value;
  const columns = columnsFor(platforms, signing);
  if (given.json) terminal.json({ clients: clients.map((each) => asData(each, signing)), retired });
  else if (given.csv) await showCsv(clients, columns, terminal);
  else show(clients, columns, terminal);
  if (retired.length > 0 && !given.json && !given.csv && !given.quiet)
    terminal.note(
      terminal.err.dim(`Out of service: ${retired.map(({ client, on }) => `${client} (since ${on})`).join(", ")}.`),
    );
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
const columnsFor = (platforms: readonly Platform[], signing: Signing): Column[] => [
  ofField("name", "app.name", 0),
  { heading: "identifier", from: 60, to: wide - 1, value: (each) => identifiers(each, platforms) },
  ...platforms.map((platform) => ofField(platform, `identifiers.${platform}`, wide)),
  ...(signing.size > 0 ? [{ heading: "keys", from: 80, value: (each: Resolved) => keysSaid(each, signing) }] : []),
  ofField("label", "app.label", 90),
  ofField("stock code", "sku", 130),
  ofField("version", "version", 106),
  ofField("build", "build", 106),
];

type Signing = ReadonlyMap<string, SigningState>;

const says: Readonly<Record<SigningState, string>> = { known: "there", absent: "missing", wrong: "wrong" };

const keysSaid = ({ client }: Resolved, signing: Signing): string => says[signing.get(client.key) ?? "absent"];

/** The one identifier that platforms share; each of them where they differ. A page has none of its own. */
function identifiers(each: Resolved, platforms: readonly Platform[]): string {
  const all = platforms
    .filter((platform) => platform !== "web")
    .map((platform) => value(each, `identifiers.${platform}`));
  return [...new Set(all)].filter(Boolean).join(" · ");
}

const asData = (each: Resolved, signing: Signing): object => ({
  key: each.client.key,
  state: stateOf(each),
  ...(signing.size > 0 ? { keys: keysSaid(each, signing) } : {}),
  groups: each.client.brief?.data.groups ?? [],
  values: Object.fromEntries(Object.entries(each.values).map(([field, traced]) => [field, traced.value])),
  problems: each.problems.map(placeData),
});

async function showCsv(clients: readonly Resolved[], columns: readonly Column[], { raw }: Terminal): Promise<void> {
  const { csvText } = await import("../../core/clients/roster/sheet.ts");
  const shown = columns.filter((column) => column.to === undefined);
  const headings = ["client", ...shown.map((column) => column.heading), "state"];
  const rows = clients.map((each) => [each.client.key, ...shown.map((column) => column.value(each)), stateOf(each)]);
  raw(csvText([headings, ...rows]).trimEnd());
}

function show(clients: readonly Resolved[], columns: readonly Column[], terminal: Terminal): void {
  const { out, settings, width } = terminal;
  const shown = columns.filter(({ from, to }) => width >= from && width <= (to ?? width));
  const drawn = (count: number): { text: string; count: number } => {
    const some = shown.slice(0, count);
    const rows = clients.map((each) => [
      each.client.key,
      ...some.map((column) => column.value(each)),
      state(each, terminal),
    ]);
    const all = table(["client", ...some.map((column) => column.heading), "state"], rows, out);
    // Of what has no room, the last columns are left out; --csv and --json have them all.
    return count > 0 && widthOf(all) > width ? drawn(count - 1) : { text: all, count };
  };
  const { text, count } = drawn(shown.length);
  terminal.print(text);
  const told = new Set(shown.slice(0, count).map(({ heading }) => heading));
  const left = columns.filter(
    ({ heading, to }) => !told.has(heading) && (to === undefined || !hasOwnIdentifiers(told)),
  );
  const named = [...new Set(left.filter(({ from }) => from < wide).map(({ heading }) => heading))];
  if (named.length > 0 && !settings.quiet)
    terminal.note(
      terminal.err.dim(`No room for: ${named.join(", ")}. A wider terminal has it; --csv and --json have all.`),
    );
  const problems = clients.flatMap((each) => each.problems).filter((each) => isShown(each, settings));
  if (problems.length > 0) terminal.note(`\n${showProblems(problems, terminal.err)}`);
}

/** Where each platform has a column of its own, the one for all of them is not missed. */
const hasOwnIdentifiers = (told: ReadonlySet<string>): boolean => platformNames.some((each) => told.has(each));

function state(each: Resolved, { out }: Terminal): string {
  const errors = each.problems.filter(isError).length;
  if (errors > 0) return out.red(countOf(errors, "error"));
  const warnings = each.problems.filter(({ severity }) => severity === "warning").length;
  const told = stateOf(each);
  return warnings > 0 ? `${told}, ${out.yellow(countOf(warnings, "warning"))}` : out.green(told);
}
