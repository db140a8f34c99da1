import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import type { Client } from "../../agency/workspace/workspace.ts";
import { expectedAmong } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import { number, text } from "./cells.ts";
import type { Column } from "./column.ts";
import { fixedColumns, plain } from "./columns.ts";
import { unworked, unworkedSaid } from "./formulas.ts";
import { atCell, type Cell } from "./row.ts";
import type { Grid, NamedSheet } from "./sheet.ts";

/** An item of a collection: its fields with their answers. */
export type Item = Readonly<Record<string, string | number>>;

/** What the sheets of collections say: for each client, its items, one cell a collection, and the row they start in. */
export interface ItemsGiven {
  clients: ReadonlyMap<string, { cells: readonly Cell[]; row: number; file: string }>;
  refused: readonly Problem[];
  /** Headings of these sheets that are no field of their collection. */
  unknown: readonly { heading: string }[];
}

export const noItems: ItemsGiven = { clients: new Map(), refused: [], unknown: [] };

/** The column that holds all items of a collection; its items are compared as a whole. */
const columnOf = (name: string): Column => ({
  path: ["content", name],
  heading: `content.${name}`,
  also: [],
  says: `Items of ${name}`,
  example: "",
  read: (cell) => cell,
  write: (value) => JSON.stringify(value),
  tell: (value) => (Array.isArray(value) ? `${value.length} ${value.length === 1 ? "item" : "items"}` : String(value)),
});

/** The sheets of a workbook that hold the items of a collection: those that are called like one. */
export const sheetsOfItems = (sheets: readonly NamedSheet[], { collections }: TemplateNotes): Map<string, NamedSheet> =>
  new Map(
    Object.keys(collections).flatMap((name) => {
      const found = sheets.find((each) => plain(each.name) === plain(name));
      return found ? [[name, found] as const] : [];
    }),
  );

/**
 * Reads the sheets of collections, by the collections' names: a row an item, the client's key in its first column.
 * Whoever stands in a sheet has these items, and no others.
 */
export function readItems(sheets: ReadonlyMap<string, NamedSheet>, { collections }: TemplateNotes): ItemsGiven {
  const clients = new Map<string, { cells: Cell[]; row: number; file: string }>();
  const refused: Problem[] = [];
  const unknown: { heading: string }[] = [];
  for (const [name, { name: file, sheet }] of sheets) {
    const { items, problems, headings } = itemsIn(sheet, file, Object.entries(collections[name]?.fields ?? {}));
    refused.push(...problems);
    unknown.push(...headings.map((heading) => ({ heading })));
    for (const [client, { value, row }] of items) {
      const before = clients.get(client) ?? { cells: [], row, file };
      const written = `${value.length} rows`;
      before.cells.push({ column: columnOf(name), heading: name, written, value });
      clients.set(client, before);
    }
  }
  return { clients, refused, unknown };
}

function itemsIn(sheet: Grid, file: string, fields: readonly (readonly [string, { kind: string }])[]) {
  const [headings = [], ...rows] = sheet;
  const [key] = fixedColumns;
  const keyAt = headings.findIndex((each) =>
    [key?.heading ?? "", ...(key?.also ?? [])].some((one) => plain(one) === plain(each)),
  );
  const fieldAt = headings.map((heading) => fields.find(([name]) => plain(name) === plain(heading)));
  const items = new Map<string, { value: Item[]; row: number }>();
  const problems: Problem[] = [];
  if (keyAt === -1) problems.push(problem("row-refused", `The sheet ${file} has no column for the client's key.`));
  for (const [at, row] of keyAt === -1 ? [] : rows.entries()) {
    if (row.every((cell) => cell === "")) continue;
    const client = (row[keyAt] ?? "").toLowerCase();
    if (!client) {
      const message = "nothing says which client this is.";
      problems.push(atCell("row-refused", file, at + 2, { message, heading: headings[keyAt] }));
      continue;
    }
    const item = Object.fromEntries(
      fieldAt.flatMap((field, column) => {
        const cell = (row[column] ?? "").normalize("NFC");
        if (field && cell === unworked) {
          problems.push(atCell("row-refused", file, at + 2, { message: unworkedSaid, heading: headings[column] }));
          return [];
        }
        return field && cell ? [[field[0], cellValue(cell, field[1].kind)]] : [];
      }),
    );
    const before = items.get(client) ?? { value: [], row: at + 2 };
    before.value.push(item);
    items.set(client, before);
  }
  const untaken = headings.filter((heading, at) => heading.trim() && at !== keyAt && !fieldAt[at]);
  return { items, problems, headings: untaken };
}

const cellValue = (cell: string, kind: string): string | number =>
  (kind === "number" ? number : text).read(cell) as string | number;

/** A collection by its name. Stops: collection-unknown. */
export function collectionOf({ collections }: TemplateNotes, name: string): string {
  const known = Object.keys(collections);
  if (known.includes(name)) return name;
  return refuse("collection-unknown", `The template has no collection called "${name}".`, {
    expected: expectedAmong(name, known, "collections in template.yaml"),
  });
}

/** A collection as a sheet of its own: a row an item. */
export function itemsSheet(name: string, { collections }: TemplateNotes, clients: readonly Client[]): Grid {
  const fields = Object.keys(collections[name]?.fields ?? {});
  const rows = clients.flatMap(({ key, brief }) =>
    (brief?.data.content?.[name] ?? []).map((item) => [key, ...fields.map((field) => text.write(item[field]))]),
  );
  return [["client", ...fields], ...rows];
}
