import { strFromU8, unzipSync } from "fflate";
import { refuse } from "../../ground/problems/result.ts";

/** Forms of sheets that are not taken, by their first bytes, or by the file in a package that says what it is. */
const foreign: readonly { name: string; starts?: string; holds?: string }[] = [
  { name: "an OpenDocument sheet (.ods)", holds: "mimetypeapplication/vnd.oasis.opendocument.spreadsheet" },
  { name: "an old Excel workbook (.xls)", starts: "\u00d0\u00cf\u0011\u00e0" },
  { name: "a binary Excel workbook (.xlsb)", holds: "xl/workbook.bin" },
  { name: "a Numbers document", holds: "Index/Document.iwa" },
  { name: "a PDF", starts: "%PDF" },
  { name: "a page, not a sheet", starts: "<!DOCTYPE html" },
];

/** Stops where a file is a sheet in a form that is not taken, and says which: sheet-unknown. */
export function refuseForeign(bytes: Uint8Array, shown: string): void {
  const start = Buffer.from(bytes.subarray(0, 64)).toString("latin1");
  const isPackage = start.startsWith("PK");
  const found = foreign.find(
    ({ starts, holds }) =>
      (starts !== undefined && start.toLowerCase().startsWith(starts.toLowerCase())) ||
      (holds !== undefined && isPackage && Buffer.from(bytes).includes(holds)),
  );
  if (found) refuse("sheet-unknown", `${shown} is ${found.name}.`, { expected: "CSV or XLSX" });
}

/** A cell with a formula, and no value that somebody worked out. */
const uncalculated =
  /<c\b[^<>]*?\br="([A-Z]+\d+)"[^<>]*>\s*<f\b(?:[^<>]*\/>|[^<>]*>[^<]*<\/f>)\s*(?:<v\s*\/>|<v>\s*<\/v>)?\s*<\/c>/g;

/**
 * Stops where a workbook holds formulas that nobody has worked out, as programs write them: their cells would be taken
 * for empty ones. Sheet-unreadable, with the cells.
 */
export function refuseUncalculated(bytes: Uint8Array, shown: string): void {
  const sheets = unzipSync(bytes, { filter: ({ name }) => /^xl\/worksheets\/[^/]+\.xml$/i.test(name) });
  const cells = Object.values(sheets).flatMap((sheet) =>
    [...strFromU8(sheet, true).matchAll(uncalculated)].map(([, cell = ""]) => cell),
  );
  if (cells.length === 0) return;
  const named = `${cells.slice(0, 5).join(", ")}${cells.length > 5 ? ` and ${cells.length - 5} more` : ""}`;
  refuse("sheet-unreadable", `${shown} holds formulas that were never worked out: ${named}.`, {
    fix: "Open it in a spreadsheet program and save it there; or put the values in place of the formulas.",
  });
}
