import { strFromU8, unzipSync } from "fflate";
import { columnOf } from "./workbook.ts";

/** Stands in a cell with a formula that nobody has worked out; nobody can write it. */
export const unworked = "\u0000formula";

/** What is told of such a cell. */
export const unworkedSaid = "it holds a formula that was never worked out.";

/** A cell with a formula, and no value that somebody worked out. */
const uncalculated =
  /<c\b[^<>]*?\br="([A-Z]+)(\d+)"[^<>]*>\s*<f\b(?:[^<>]*\/>|[^<>]*>[^<]*<\/f>)\s*(?:<v\s*\/>|<v>\s*<\/v>)?\s*<\/c>/g;

/** A cell by its place, from 0. */
interface At {
  row: number;
  column: number;
}

/**
 * Cells of a workbook whose formulas nobody has worked out, as programs write them, sheet by sheet in the workbook's
 * order: they would be taken for empty ones.
 */
export function unworkedCells(bytes: Uint8Array): At[][] {
  const parts = unzipSync(bytes, { filter: ({ name }) => /^xl\/(workbook|_rels\/|worksheets\/[^/]+)/i.test(name) });
  const textOf = (path: string) => (parts[path] ? strFromU8(parts[path], true) : "");
  const attribute = (element: string, name: string) => new RegExp(`\\b${name}="([^"]*)"`).exec(element)?.[1] ?? "";
  const targets = new Map(
    (textOf("xl/_rels/workbook.xml.rels").match(/<Relationship\b[^>]*>/g) ?? []).map((each) => [
      attribute(each, "Id"),
      attribute(each, "Target").replace(/^\/?(?:xl\/)?/, ""),
    ]),
  );
  const sheets = textOf("xl/workbook.xml").match(/<sheet\b[^>]*>/g) ?? [];
  return sheets.map((each) =>
    [...textOf(`xl/${targets.get(attribute(each, "r:id"))}`).matchAll(uncalculated)].map(
      ([, letters = "", row = ""]) => ({
        row: Number(row) - 1,
        column: columnOf(letters) - 1,
      }),
    ),
  );
}
