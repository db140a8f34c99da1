import { answerMark, noField } from "./fill-in.ts";
import type { RowFault } from "./row.ts";
import type { Grid } from "./sheet.ts";

/** What the lines of sheets that clients filled in say, as a roster: a row a client, a column a field. */
export interface Answers {
  sheet: Grid;
  /** The line of a client's answer, from 1, by its field; its first where there is none. */
  lineOf(client: string, field: string | undefined): number | undefined;
  /** Answers that go into no field. */
  aside: readonly { line: number; fault: RowFault }[];
}

const codeForm = /^([a-z0-9][a-z0-9-]*)\/(\S+)$/;

/**
 * Reads a sheet with a question a line; undefined of a sheet that is none. Each line says for itself whose it is and
 * which field it answers, so that they may be moved, sorted, left out, or put together from several clients.
 * @param isField whether something is a field's name
 */
export function readAnswers(sheet: Grid, isField: (name: string) => boolean): Answers | undefined {
  const codeAt = codeColumn(sheet, isField);
  if (codeAt === undefined) return undefined;
  const answerAt = answerColumn(sheet);
  const given = new Map<string, Map<string, { answer: string; line: number }>>();
  const aside: { line: number; fault: RowFault }[] = [];
  for (const [at, row] of sheet.entries()) {
    const [, client, field = ""] = codeForm.exec(row[codeAt] ?? "") ?? [];
    const answer = row[answerAt] ?? "";
    if (client === undefined || answer === "") continue;
    const line = at + 1;
    if (field === noField || !isField(field)) {
      const message = `"${answer}" answers "${row[0] ?? ""}", which goes into no field by itself.`;
      aside.push({ line, fault: { message, expected: "somebody who reads it, and works it in" } });
      continue;
    }
    const own = given.get(client) ?? new Map();
    given.set(client, own.set(field, { answer, line }));
  }
  const fields = [...new Set([...given.values()].flatMap((own) => [...own.keys()]))];
  return {
    sheet: [
      ["client", ...fields],
      ...[...given].map(([client, own]) => [client, ...fields.map((field) => own.get(field)?.answer ?? "")]),
    ],
    lineOf(client, field = "") {
      const own = given.get(client);
      return (own?.get(field) ?? [...(own?.values() ?? [])][0])?.line;
    },
    aside,
  };
}

/** The column in which lines say whose they are and what they answer. */
function codeColumn(sheet: Grid, isField: (name: string) => boolean): number | undefined {
  const isCode = (cell: string) => {
    const [, , field = ""] = codeForm.exec(cell) ?? [];
    return field === noField || isField(field);
  };
  const width = Math.max(0, ...sheet.map((row) => row.length));
  const counts = Array.from({ length: width }, (_, at) => sheet.filter((row) => isCode(row[at] ?? "")).length);
  const most = Math.max(0, ...counts);
  return most > 0 ? counts.indexOf(most) : undefined;
}

const answerColumn = (sheet: Grid): number => {
  for (const row of sheet) {
    const at = row.findIndex((cell) => cell.endsWith(answerMark));
    if (at !== -1) return at;
  }
  return 1;
};
