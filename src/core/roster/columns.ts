import { nearest } from "../problems/nearest.ts";
import { problem } from "../problems/problem.ts";
import { fail, type Result, succeed } from "../problems/result.ts";

/** A column of the roster: a field of a brief, and the headings it is known by. */
export interface Column {
  /** Path in the brief; empty for the client's key. */
  path: readonly string[];
  heading: string;
  /** Other headings that people use, as `plain` writes them. */
  also: readonly string[];
  /** Brings a cell into the form a brief has. */
  read(cell: string): unknown;
}

const text = (cell: string): unknown => cell;

/** 1,204 and 1204.0 are both 1204; what is no number stays as it is, and is refused with the cell's own words. */
const wholeNumber = (cell: string): unknown =>
  /^\d+(\.0+)?$/.test(cell.replace(/[,\s']/g, "")) ? Number.parseInt(cell.replace(/[,\s']/g, ""), 10) : cell;

/** People paste addresses: https://www.hill.example/shop is the domain hill.example. */
const domain = (cell: string): unknown =>
  cell
    .replace(/^[a-z]+:\/\//i, "")
    .replace(/[/?#].*$/, "")
    .replace(/^www\./i, "")
    .toLowerCase();

const list = (cell: string): unknown => cell.split(/\s*[,;]\s*/).filter(Boolean);

const color = (cell: string): unknown => (/^([0-9a-f]{3}|[0-9a-f]{6})$/i.test(cell) ? `#${cell}` : cell);

/** Every column that can be imported, in the order in which they are exported and new briefs are written. */
export const columns: readonly Column[] = [
  {
    path: [],
    heading: "client",
    also: ["key", "id", "folder", "code", "client key"],
    read: (cell) => cell.toLowerCase(),
  },
  { path: ["groups"], heading: "groups", also: ["group", "region", "plan", "franchise"], read: list },
  {
    path: ["app", "name"],
    heading: "app.name",
    also: ["name", "app name", "app", "long name", "title", "store name", "client name"],
    read: text,
  },
  {
    path: ["app", "label"],
    heading: "app.label",
    also: ["label", "short name", "icon name", "icon label", "display name"],
    read: text,
  },
  {
    path: ["owner"],
    heading: "owner",
    also: ["company", "legal name", "legal owner", "business", "firm"],
    read: text,
  },
  {
    path: ["domain"],
    heading: "domain",
    also: ["website", "web", "url", "site", "web site", "web address", "homepage"],
    read: domain,
  },
  {
    path: ["email"],
    heading: "email",
    also: ["e mail", "mail", "contact", "contact e mail", "contact email"],
    read: text,
  },
  { path: ["locale"], heading: "locale", also: ["language", "lang"], read: text },
  { path: ["version"], heading: "version", also: ["app version"], read: text },
  { path: ["build"], heading: "build", also: ["build number", "version code"], read: wholeNumber },
  {
    path: ["colors", "brand"],
    heading: "colors.brand",
    also: [
      "brand",
      "color",
      "colour",
      "brand color",
      "brand colour",
      "primary color",
      "primary colour",
      "main colour",
      "main color",
    ],
    read: color,
  },
  {
    path: ["colors", "ground"],
    heading: "colors.ground",
    also: ["ground", "background", "icon background", "background color", "background colour", "icon ground"],
    read: color,
  },
  {
    path: ["colors", "start"],
    heading: "colors.start",
    also: ["start", "splash color", "splash colour", "start screen"],
    read: color,
  },
  { path: ["art", "icon"], heading: "art.icon", also: ["icon", "app icon", "icon file"], read: text },
  { path: ["art", "mark"], heading: "art.mark", also: ["mark", "logo", "logo file"], read: text },
  {
    path: ["art", "mono"],
    heading: "art.mono",
    also: ["mono", "one colour logo", "one color logo"],
    read: text,
  },
  {
    path: ["identifiers", "base"],
    heading: "identifiers.base",
    also: ["identifier", "base identifier"],
    read: text,
  },
  {
    path: ["identifiers", "android"],
    heading: "identifiers.android",
    also: ["application id", "android id", "package name"],
    read: text,
  },
  {
    path: ["identifiers", "ios"],
    heading: "identifiers.ios",
    also: ["bundle identifier", "bundle id", "ios id"],
    read: text,
  },
  {
    path: ["identifiers", "windows"],
    heading: "identifiers.windows",
    also: ["identity name", "windows id"],
    read: text,
  },
  { path: ["identifiers", "web"], heading: "identifiers.web", also: ["manifest id", "web id"], read: text },
  { path: ["windows", "publisher"], heading: "windows.publisher", also: ["publisher"], read: text },
];

/** A heading without case, marks and doubled blanks, so that "E-Mail " and "e mail" are one. */
const plain = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

/** Headings of derived columns stand in parentheses: they are for reading, and an import passes them over. */
export const derivedHeading = (field: string): string => `(${field})`;

/** How the columns of a sheet were understood. */
export interface Matched {
  /** By position in the sheet; undefined for a column that is passed over. */
  columns: (Column | undefined)[];
  /** Headings nobody knows, each with the column it may have been meant for. */
  unknown: { heading: string; near?: string }[];
}

/** Matches a sheet's headings to columns: by what `--map` says, by name, or by a name people use. */
export function matchColumns(headings: readonly string[], mapped: ReadonlyMap<string, Column>): Matched {
  const unknown: Matched["unknown"] = [];
  const taken = new Set<Column>();
  const matched = headings.map((heading) => {
    const column = mapped.get(plain(heading)) ?? findColumn(heading);
    if (column && !taken.has(column)) {
      taken.add(column);
      return column;
    }
    if (heading.trim() && !/^\(.*\)$/.test(heading.trim())) {
      const near = nearest(
        plain(heading),
        columns.map((each) => plain(each.heading)),
      );
      const known = columns.find((each) => plain(each.heading) === near);
      unknown.push({ heading, ...(known ? { near: known.heading } : {}) });
    }
    return undefined;
  });
  return { columns: matched, unknown };
}

const findColumn = (heading: string): Column | undefined =>
  columns.find((column) => plain(column.heading) === plain(heading) || column.also.includes(plain(heading)));

/** Reads `Heading=field` pairs; a problem for the first that names no column and field. */
export function readMapping(pairs: readonly string[]): Result<Map<string, Column>> {
  const mapping = new Map<string, Column>();
  for (const pair of pairs) {
    const at = pair.lastIndexOf("=");
    const column = columns.find((each) => each.heading === pair.slice(at + 1).trim());
    if (at < 1 || !column) return fail(problem("map-invalid", `"${pair}" names no column and field.`));
    mapping.set(plain(pair.slice(0, at)), column);
  }
  return succeed(mapping);
}
