import { type Imported, imports } from "../../agency/history/imported.ts";
import { isClientKey } from "../../agency/workspace/read.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { fixedColumns } from "./columns.ts";
import { unworked, unworkedSaid } from "./formulas.ts";
import type { ItemsGiven } from "./items.ts";
import { type Said, type Whose, whoseRows } from "./known.ts";
import type { Matched } from "./match.ts";
import { atCell, type Cell, type ImportedClient, importRow, type RowFault, type Settling } from "./row.ts";
import type { Grid } from "./sheet.ts";

/** A client as an import would leave it, and the row that says so, from 1. */
export type PlannedClient = ImportedClient & { row: number; cells: readonly Cell[] };

/** The line of a file that says something of a client's field, from 1; the client's first where none does. */
type LineOf = (client: string, field: string | undefined) => number | undefined;

/** What an import would do, decided and not yet done. */
export interface ImportPlan {
  lineOf?: LineOf | undefined;
  /** The sheet's file, as it is shown. */
  file: string;
  matched: Matched;
  clients: readonly PlannedClient[];
  /** Cells and rows that cannot be taken, each with row, column and reason; so many rows, and cells of others. */
  refused: readonly Problem[];
  rowsRefused: number;
  cellsLeft: number;
  /** Rows that sum up the others, from 1: they are passed over. */
  sums: readonly number[];
  /** Rows that somebody has struck out, from 1: they are passed over. */
  struck: readonly number[];
  /** Clients out of service of whom the sheet has something; it is passed over. */
  retired: readonly string[];
}

/** What the rows of a sheet say, with what is known of their clients from the last import. */
export interface SheetGiven {
  file: string;
  /** The line of a client's answer, of a sheet with a question a line. */
  lineOf?: LineOf | undefined;
  sheet: Grid;
  matched: Matched;
  /** Rows that are struck out, from 0. */
  struck: readonly number[];
  /** Items of collections, by client. */
  items: ItemsGiven;
  /** Whose word counts where both were changed; nobody's where absent. */
  settling?: Settling | undefined;
  /** What somebody said of rows that may be of a client under another name. */
  said: Said;
  lastImport(client: string): Imported;
}

/** What the last import gave each client of a workspace. */
export const lastImports =
  ({ root }: Workspace) =>
  (client: string): Imported =>
    imports.read(root, client) ?? {};

/** Decides what a sheet changes. A cell that is empty says nothing: it never takes a value away. Pure. */
export function planImport(workspace: Workspace, given: SheetGiven): ImportPlan {
  const { sheet, matched, file } = given;
  const known = new Map(workspace.clients.map((client) => [client.key, client]));
  const seen = new Map<string, number>();
  const clients: PlannedClient[] = [];
  const refused: Problem[] = [];
  const passed = new Set<string>();
  const sums: number[] = [];
  let rowsRefused = 0;
  const isNamed = matched.columns.some((each) => each && ["client", "app.name"].includes(each.heading));
  // Told once, not of each row.
  if (!isNamed && sheet.length > 0)
    return {
      ...nobodyNamed(given),
      clients,
      retired: [],
      sums: [],
      struck: [],
      refused: [problem("row-refused", `${file}: ${noColumn}`, wanted)],
    };
  const outOfService = new Set(workspace.retired.map(({ key }) => key));
  const isRetired = (key: string) => outOfService.has(key);
  const filled = [...sheet.entries()].filter(([at, row]) => at > matched.headingRow && row.some((cell) => cell !== ""));
  const out = new Set(given.struck);
  const rows = filled.filter(([at]) => !out.has(at));
  const cells = rows.map(([, row]) => cellsOf(matched, row));
  const whose = whoseRows(cells, workspace, given.said, isClientKey);
  for (const [index, [at, row]] of rows.entries()) {
    const number = at + 1;
    const own = whose[index];
    if (isSum(row)) {
      sums.push(number);
      continue;
    }
    if (own && "key" in own && isRetired(own.key)) {
      passed.add(own.key);
      continue;
    }
    const planned = planRow(given, known, seen, { whose: own, cells: cells[index] ?? [], row, number });
    const tell = (fault: RowFault) => {
      const line = own && "key" in own ? given.lineOf?.(own.key, fault.heading) : undefined;
      return atCell("row-refused", file, line ?? number, fault);
    };
    if ("faults" in planned) {
      rowsRefused++;
      refused.push(...planned.faults.map(tell));
      continue;
    }
    clients.push(planned);
    refused.push(...planned.left.map(tell));
  }
  for (const [key, { cells, row, file: named }] of given.items.clients) {
    if (isRetired(key)) passed.add(key);
    if (seen.has(key) || isRetired(key)) continue;
    const planned = planClient(given, known, key, cells, row);
    if ("faults" in planned) refused.push(...planned.faults.map((fault) => atCell("row-refused", named, row, fault)));
    else {
      clients.push(planned);
      refused.push(...planned.left.map((fault) => atCell("row-refused", named, row, fault)));
    }
  }
  const cellsLeft = clients.reduce((sum, { left }) => sum + left.length, 0);
  refused.push(...given.items.refused);
  return {
    ...{ file, matched, clients, refused, cellsLeft, lineOf: given.lineOf },
    rowsRefused: rowsRefused + given.items.refused.length,
    retired: [...passed],
    sums,
    struck: filled.filter(([at]) => out.has(at)).map(([at]) => at + 1),
  };
}

/** What people write before a sum, in four languages. */
const sumWords = /^(sum|totals?|count|summe|gesamt(summe)?|anzahl|somme|total général|suma|totales)[:.]?\s*\d*$/i;

/** Whether a row is a sum of the others: it begins as one, and all else in it is numbers. */
function isSum(row: readonly string[]): boolean {
  const [first = "", ...more] = row.filter((cell) => cell !== "");
  return sumWords.test(first) && more.every((cell) => /^[\d\s.,'%€$£]*$/.test(cell) || cell === unworked);
}

const noColumn = "no column says which client a row is.";
const wanted = {
  expected: "a column for the client's key, or one for app.name",
  fix: 'Say which column it is: --map "Heading=app.name".',
};

const nobodyNamed = ({ file, matched, sheet }: SheetGiven) => ({
  ...{ file, matched, cellsLeft: 0 },
  rowsRefused: sheet.slice(matched.headingRow + 1).filter((row) => row.some((cell) => cell !== "")).length,
});

function planRow(
  given: SheetGiven,
  known: ReadonlyMap<string, Client>,
  seen: Map<string, number>,
  from: { whose: Whose; cells: readonly Cell[]; row: readonly string[]; number: number },
): PlannedClient | { faults: readonly RowFault[] } {
  const { whose, cells, row, number } = from;
  if (!whose) {
    const expected = "a column for the client's key, or one for app.name";
    return { faults: [{ message: "nothing says which client this is.", expected }] };
  }
  if ("fault" in whose) return { faults: [whose.fault] };
  const { key } = whose;
  if (!isClientKey(key)) {
    const expected = "lower-case letters, digits and hyphens";
    return { faults: [{ message: `"${key}" cannot be a client's key.`, heading: "client", expected }] };
  }
  const before = seen.get(key);
  if (before !== undefined)
    return { faults: [{ message: `${key} stands in row ${before} already.`, heading: "client" }] };
  seen.set(key, number);
  const spoiled = spoiledIn(given.matched, row);
  const name = known.has(key) ? [] : nameAsKey(cells);
  return planClient(
    given,
    known,
    key,
    [...cells, ...name, ...(given.items.clients.get(key)?.cells ?? [])],
    number,
    spoiled,
  );
}

function planClient(
  { lastImport, settling }: SheetGiven,
  known: ReadonlyMap<string, Client>,
  key: string,
  cells: readonly Cell[],
  row: number,
  spoiled: readonly RowFault[] = [],
): PlannedClient | { faults: readonly RowFault[] } {
  const last = attempt(() => lastImport(key));
  if (!last.ok) return { faults: last.problems.map(({ message }) => ({ message })) };
  const imported = importRow(key, { client: known.get(key), cells, last: last.value, settling }, spoiled);
  if ("faults" in imported) return imported;
  const taken = cells.filter(({ heading }) => !imported.left.some((each) => each.heading === heading));
  return { ...imported, row, cells: taken };
}

function cellsOf({ columns, headings }: Matched, row: readonly string[]): Cell[] {
  return columns.flatMap((column, at) => {
    const written = row[at] ?? "";
    if (!column || written === "" || written === unworked) return [];
    return [{ column, heading: headings[at] ?? "", written, value: column.read(written.normalize("NFC")) }];
  });
}

/** Cells of a row whose formulas nobody has worked out. */
const spoiledIn = ({ columns, headings }: Matched, row: readonly string[]): RowFault[] =>
  columns.flatMap((column, at) =>
    column && row[at] === unworked ? [{ message: unworkedSaid, heading: headings[at], expected: "its value" }] : [],
  );

/** The name of a new client, where it stands in place of a key and nowhere else. */
function nameAsKey(cells: readonly Cell[]): Cell[] {
  const given = cells.find(({ column }) => column.path.length === 0);
  const column = fixedColumns.find(({ heading }) => heading === "app.name");
  if (!given || !column || isClientKey(given.written)) return [];
  if (cells.some((each) => each.column.heading === "app.name")) return [];
  return [{ column, heading: given.heading, written: given.written, value: given.written }];
}
