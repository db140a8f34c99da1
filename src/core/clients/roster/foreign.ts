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
