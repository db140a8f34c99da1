import { type Tester, testerSchema } from "../../agency/workspace/schema/testers.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { address, dayOf, language } from "../roster/cells.ts";
import { plain } from "../roster/columns.ts";
import type { Grid } from "../roster/sheet.ts";

/** Headings that people give the columns of such a sheet, in the languages of pages. */
const headings: Readonly<Record<keyof typeof forms, readonly string[]>> = {
  name: ["name", "tester", "person", "nom", "nombre"],
  address: ["address", "email", "e-mail", "mail", "adresse", "correo", "courriel"],
  language: ["language", "sprache", "langue", "idioma"],
  platforms: ["platforms", "platform", "device", "plattform", "gerät", "plateforme", "plataforma"],
  group: ["group", "gruppe", "groupe", "grupo"],
  clients: ["clients", "client", "apps", "app", "kunden", "kunde", "cliente", "clientes"],
  consent: ["consent", "agreed", "einwilligung", "zustimmung", "accord", "consentimiento"],
  ended: ["ended", "until", "ende", "fin"],
};

const parts = (cell: string): string[] =>
  cell
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter(Boolean);

/** How each column's cells are read, and written. */
const forms = {
  name: { read: (cell: string) => cell, write: ({ name }: Tester) => name },
  address: {
    read: (cell: string) => String(address.read(cell)).toLowerCase(),
    write: ({ address: own }: Tester) => own,
  },
  language: { read: language.read, write: ({ language: own = "" }: Tester) => own },
  platforms: {
    read: (cell: string) => parts(cell.toLowerCase()),
    write: ({ platforms = [] }: Tester) => platforms.join(", "),
  },
  group: { read: (cell: string) => cell.toLowerCase().replace(/\s+/g, "-"), write: ({ group }: Tester) => group },
  clients: { read: parts, write: ({ clients = [] }: Tester) => clients.join(", ") },
  consent: { read: dayOf.read, write: ({ consent = "" }: Tester) => consent },
  ended: { read: dayOf.read, write: ({ ended = "" }: Tester) => ended },
} as const;

type Column = keyof typeof forms;

const columns = Object.keys(forms) as Column[];

/** Testers as a sheet: headings, then a row a person. */
export const testersSheet = (testers: readonly Tester[]): Grid => [
  columns,
  ...testers.map((each) => columns.map((column) => forms[column].write(each))),
];

/** A sheet as testers; a row that cannot be taken is told, and the others are taken. */
export function testersIn(sheet: Grid, file: string): { testers: Tester[]; problems: Problem[] } {
  const [first = [], ...rows] = sheet;
  const found = first.map((heading) =>
    columns.find((each) => headings[each].some((name) => plain(name) === plain(heading))),
  );
  const missing = (["name", "address"] as const).filter((each) => !found.includes(each));
  if (missing.length > 0) {
    const message = `${file} has no column for ${missing.join(" and ")}.`;
    return { testers: [], problems: [problem("tester-invalid", message, { expected: columns.join(", ") })] };
  }
  const problems: Problem[] = [];
  const testers = rows.flatMap((row, at): Tester[] => {
    if (row.every((cell) => cell.trim() === "")) return [];
    const held = testerSchema.safeParse(rowIn(row, found));
    if (held.success) return [held.data];
    const [issue] = held.error.issues;
    const message = `${file}, row ${at + 2}: ${issue?.path.join(".")}: ${issue?.message}.`;
    problems.push(problem("tester-invalid", message));
    return [];
  });
  return { testers, problems };
}

/** A row's cells by their columns; what cannot be read stays as it is, and is refused with its own words. */
function rowIn(row: readonly string[], found: readonly (Column | undefined)[]): Record<string, unknown> {
  return Object.fromEntries(
    found.flatMap((column, at) => {
      const cell = (row[at] ?? "").trim();
      return column === undefined || cell === "" ? [] : [[column, forms[column].read(cell)]];
    }),
  );
}
