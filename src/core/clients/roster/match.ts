import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import { expectedAmong, nearest } from "../../ground/problems/nearest.ts";
import { problem } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import type { Column } from "./column.ts";
import { columnInLanguage, columnOfField, plain } from "./columns.ts";

/** How the columns of a sheet were understood. */
export interface Matched {
  /** Position of the row that holds the headings; what stands above it is a title. */
  headingRow: number;
  /** The rows above it that say something, as texts. */
  above: readonly string[];
  headings: readonly string[];
  /** By position in the sheet; undefined for a column that is passed over. */
  columns: readonly (Column | undefined)[];
  /** Headings nobody knows, each with the field it may have been meant for. */
  unknown: readonly { heading: string; near?: string }[];
  /** Headings of columns for a field that an earlier column gave. */
  twice: readonly { heading: string; field: string }[];
}

/** Fields by the headings that somebody said they stand under, as `plain` writes them. */
export type Mapping = ReadonlyMap<string, Column>;

/** What headings are matched with: the columns there are, what is said of some headings, and the template's notes. */
export interface Known {
  known: readonly Column[];
  mapped: Mapping;
  notes: TemplateNotes;
}

/** So many rows at the head of a sheet may be titles. */
const mostTitles = 10;

/**
 * Finds the row of headings, and matches them to columns: by what is said of them, by a field's name, or by a name
 * that people use. The headings are in the first row in which most of them are known.
 */
export function matchColumns(sheet: readonly (readonly string[])[], { known, mapped, notes }: Known): Matched {
  const find = (heading: string) => mapped.get(plain(heading)) ?? findColumn(heading, known, notes);
  const tried = sheet.slice(0, mostTitles).map((headings, headingRow) => matchRow(headings, headingRow, known, find));
  const taken = ({ columns }: Pick<Matched, "columns">) => columns.filter(Boolean).length;
  const [first = matchRow([], 0, known, find), ...rest] = tried;
  const best = rest.reduce((most, each) => (taken(each) > Math.max(1, taken(most)) ? each : most), first);
  const titles = sheet.slice(0, best.headingRow).map((row) => row.filter(Boolean).join(" "));
  return { ...best, above: titles.filter(Boolean) };
}

function matchRow(
  headings: readonly string[],
  headingRow: number,
  known: readonly Column[],
  find: (heading: string) => Column | undefined,
): Omit<Matched, "above"> {
  const unknown: { heading: string; near?: string }[] = [];
  const twice: { heading: string; field: string }[] = [];
  const taken = new Set<string>();
  const columns = headings.map((heading) => {
    const column = find(heading);
    if (column && !taken.has(column.heading)) {
      taken.add(column.heading);
      return column;
    }
    if (column) twice.push({ heading, field: column.heading });
    else if (heading.trim() && !/^\(.*\)$/.test(heading.trim()))
      unknown.push({ heading, ...nearestTo(heading, known) });
    return undefined;
  });
  return { headingRow, headings, columns, unknown, twice };
}

/** The field that a heading nobody knows is most like. */
function nearestTo(heading: string, known: readonly Column[]): { near?: string } {
  const names = new Map(
    known.flatMap(({ heading: field, also }) => [field, ...also].map((each) => [plain(each), field])),
  );
  const near = nearest(plain(heading), [...names.keys()]);
  const field = near === undefined ? undefined : names.get(near);
  return field === undefined ? {} : { near: field };
}

/** A field's own name goes before names that people use. */
function findColumn(heading: string, known: readonly Column[], notes: TemplateNotes): Column | undefined {
  const wanted = plain(heading);
  if (!wanted || /^\(.*\)$/.test(heading.trim())) return undefined;
  return (
    known.find((column) => plain(column.heading) === wanted) ??
    columnOfField(heading.trim(), notes) ??
    columnInLanguage(heading) ??
    known.find(({ also }) => also.some((each) => plain(each) === wanted))
  );
}

/** Reads `Heading=field` pairs. Fails with every pair that names no column and field. */
export function readMapping(
  pairs: readonly string[],
  known: readonly Column[],
  notes: TemplateNotes,
): Result<Map<string, Column>> {
  const mapping = new Map<string, Column>();
  const wrong = pairs.flatMap((pair) => {
    const at = pair.lastIndexOf("=");
    const field = pair.slice(at + 1).trim();
    const column = known.find((each) => each.heading === field) ?? columnOfField(field, notes);
    if (at > 0 && column) {
      mapping.set(plain(pair.slice(0, at)), column);
      return [];
    }
    if (at < 1) return [problem("map-invalid", `"${pair}" names no column and field.`)];
    const fields = known.map((each) => each.heading);
    const near = nearest(field, fields);
    return [
      problem("map-invalid", `"${pair}": no field is called "${field}".`, near === undefined ? {} : { expected: near }),
    ];
  });
  return wrong.length > 0 ? fail(...wrong) : succeed(mapping);
}

/** Fails where a pair names a heading that the sheet does not have. */
export function judgeMapping(pairs: readonly string[], { headings }: Matched): Result<undefined> {
  const there = new Set(headings.map(plain));
  const wrong = pairs
    .map((pair) => pair.slice(0, pair.lastIndexOf("=")))
    .filter((heading) => !there.has(plain(heading)))
    .map((heading) =>
      problem("map-invalid", `No column is headed "${heading}".`, {
        expected: expectedAmong(heading, headings.filter(Boolean), "a heading of the sheet"),
      }),
    );
  return wrong.length > 0 ? fail(...wrong) : succeed(undefined);
}
