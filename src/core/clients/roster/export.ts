import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { fieldNames } from "../../ground/values/fields.ts";
import type { Column } from "./column.ts";
import { columnsOf, derivedHeading } from "./columns.ts";
import { itemsSheet } from "./items.ts";
import type { Grid, NamedSheet } from "./sheet.ts";
import { stateOf } from "./state.ts";

/**
 * The whole roster: every field as its brief gives it, then, in parentheses, every field as it was worked out; each
 * collection as a sheet of its own; and a sheet that says what the columns mean. Without clients, the sheet to hand
 * out.
 */
export function rosterSheets(all: readonly Resolved[], notes: TemplateNotes): readonly [NamedSheet, ...NamedSheet[]] {
  const briefs = all.flatMap(({ client }) => client.brief?.data ?? []);
  const columns = columnsOf(notes, briefs);
  const clients = all.map(({ client }) => client);
  return [
    { name: "Clients", sheet: clientsSheet(all, columns) },
    { name: "Columns", sheet: columnsSheet(columns) },
    ...Object.keys(notes.collections).map((name) => ({ name, sheet: itemsSheet(name, notes, clients) })),
  ];
}

function clientsSheet(all: readonly Resolved[], columns: readonly Column[]): Grid {
  const derived = all.length > 0 ? fieldNames.filter((field) => field !== "key") : [];
  return [
    [
      ...columns.map(({ heading }) => heading),
      ...[...derived, ...(all.length > 0 ? ["state"] : [])].map(derivedHeading),
    ],
    ...all.map((each) => [
      ...givenCells(each, columns),
      ...derived.map((field) => each.values[field]?.value ?? ""),
      stateOf(each),
    ]),
  ];
}

const givenCells = ({ client }: Resolved, columns: readonly Column[]): string[] =>
  columns.map(({ path, write }) => (path.length === 0 ? client.key : write(valueAt(client.brief?.data, path))));

/** A value by its path; a text has none below it. */
const valueAt = (data: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((at, step) => (typeof at === "object" && at !== null ? Reflect.get(at, step) : undefined), data);

/** What each column holds, with an example, and what else it may be headed. */
const columnsSheet = (columns: readonly Column[]): Grid => [
  ["Column", "What it holds", "Example", "Also taken as heading"],
  ...columns.map(({ heading, says, example, also }) => [heading, says, example, also.join(", ")]),
];
