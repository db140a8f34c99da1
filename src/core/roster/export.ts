import { fieldNames } from "../values/fields.ts";
import type { Resolved } from "../variant/variant.ts";
import { columns, derivedHeading } from "./columns.ts";
import type { Sheet } from "./sheet.ts";
import { stateOf } from "./state.ts";

/** The whole roster: every field as its brief gives it, then, in parentheses, every field as it was worked out. */
export function rosterSheet(all: readonly Resolved[]): Sheet {
  const derived = fieldNames.filter((field) => field !== "key");
  const headings = [
    ...columns.map((column) => column.heading),
    ...derived.map(derivedHeading),
    derivedHeading("state"),
  ];
  return [
    headings,
    ...all.map((each) => [
      ...givenCells(each),
      ...derived.map((field) => each.values[field]?.value ?? ""),
      stateOf(each),
    ]),
  ];
}

function givenCells({ client }: Resolved): string[] {
  return columns.map(({ path }) => {
    if (path.length === 0) return client.key;
    const value = path.reduce<unknown>(
      (at, step) => (at as Record<string, unknown> | undefined)?.[step],
      client.brief?.data,
    );
    return Array.isArray(value) ? value.join(", ") : value === undefined ? "" : String(value);
  });
}
