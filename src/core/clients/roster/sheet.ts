import { basename, extname } from "node:path";
import { parse } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import readXlsxFile from "read-excel-file/node";
import writeXlsxFile from "write-excel-file/node";
import { readInside } from "../../ground/files/reading/folder.ts";
import { problem } from "../../ground/problems/problem.ts";
import { orStop, orStopAsync, refuse } from "../../ground/problems/result.ts";
import { decodeSheet } from "./encoding.ts";
import { refuseForeign } from "./foreign.ts";
import { unworked, unworkedCells } from "./formulas.ts";
import { workbookParts } from "./opened.ts";
import { struckRows } from "./struck.ts";
import { guardWorkbook, sheetLimits } from "./workbook.ts";

/** A sheet as text, row by row; the first row holds the headings. */
export type Grid = string[][];

/** A sheet of a workbook, by its name. */
export interface NamedSheet {
  name: string;
  sheet: Grid;
}

/** The same as it is read, with the rows, from 0, that somebody has struck out. */
type SheetInFile = NamedSheet & { struck: readonly number[] };

/** How a sheet was read, and what a producer is told of it. */
export interface ReadSheet {
  sheet: Grid;
  /** Every sheet of a workbook, the first among them; none of a CSV file. */
  sheets: readonly NamedSheet[];
  /** The encoding that it was taken for, where nothing in it says so. */
  guessed?: string;
  /** Rows of the first sheet, from 0, in which everything is struck out. */
  struck: readonly number[];
  /** Rows with a quote in the middle of a cell, which was taken as it stands. */
  quotes: number[];
}

/** Reads a CSV or XLSX file. Errors: file-missing, sheet-unreadable, file-too-large. */
export async function readSheet(folder: string, file: string, encoding?: string): Promise<ReadSheet> {
  const bytes = readInside(folder, file, file);
  const shown = basename(file);
  if (bytes.length > sheetLimits.bytes)
    refuse("file-too-large", `${shown} has ${bytes.length} bytes; the limit is ${sheetLimits.bytes}.`);
  refuseForeign(bytes, shown);
  const decoded = isZip(bytes) ? undefined : decodeSheet(bytes, shown, encoding);
  const { text, quotes } = decoded ? readCsv(decoded.text, shown) : { text: undefined, quotes: [] };
  const read: SheetInFile[] = text ? [{ name: shown, sheet: text, struck: [] }] : await readXlsx(bytes, shown);
  const sheets = read.map((each) => ({ ...each, sheet: settled(each.sheet, shown) }));
  // Where one is called so, that is the roster; the others may say what it means.
  const { sheet = [], struck = [] } = sheets.find(({ name }) => /^clients$/i.test(name)) ?? sheets[0] ?? {};
  if (sheet.length < 2) refuse("sheet-unreadable", `${shown} has no rows below its headings.`);
  return {
    sheet,
    struck,
    sheets: text ? [] : sheets,
    quotes,
    ...(decoded?.guessed ? { guessed: decoded.guessed } : {}),
  };
}

/** Cells without what surrounds them; no empty rows at the end. */
function settled(sheet: Grid, shown: string): Grid {
  const filled = sheet.map((row) => row.map((cell) => unguard(cell.trim())));
  while (filled.at(-1)?.every((cell) => cell === "")) filled.pop();
  if (filled.length > sheetLimits.rows)
    refuse("file-too-large", `${shown} has ${filled.length} rows; the limit is ${sheetLimits.rows}.`);
  return filled;
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

async function readXlsx(bytes: Uint8Array, shown: string): Promise<SheetInFile[]> {
  const read = async () => {
    guardWorkbook(bytes, shown);
    const parts = workbookParts(bytes);
    const spoiled = unworkedCells(parts);
    const struck = struckRows(parts);
    return (await readXlsxFile(Buffer.from(bytes))).map(({ sheet: name, data }, nth) => {
      const sheet = data.map((row) => row.slice(0, sheetLimits.columns).map((cell) => cellText(cell)));
      for (const { row, column } of spoiled[nth] ?? []) if (sheet[row]) sheet[row][column] = unworked;
      return { name, sheet, struck: struck[nth] ?? [] };
    });
  };
  return orStopAsync(read, ({ message }) =>
    problem("sheet-unreadable", `${shown} is not an XLSX file that can be read: ${message}.`),
  );
}

function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return "";
  return cell instanceof Date ? cell.toISOString().slice(0, 10) : String(cell);
}

const delimiters = [",", ";", "\t", "|"] as const;

/** The delimiter that stands most often in the first line, outside quotes. */
function delimiterOf(text: string): string {
  const first = /^(?:"(?:[^"]|"")*"|[^"\r\n])*/.exec(text)?.[0].replace(/"(?:[^"]|"")*"/g, "") ?? "";
  const counts = delimiters.map((mark) => ({ mark, count: first.split(mark).length }));
  return counts.reduce((most, each) => (each.count > most.count ? each : most)).mark;
}

/**
 * Reads no further than the limits. A quote in the middle of a cell counts as text: then the sheet is read once more,
 * leniently.
 */
function readCsv(text: string, shown: string): { text: Grid; quotes: number[] } {
  const refused = ({ message }: Error) =>
    problem("sheet-unreadable", `${shown} is not a CSV file that can be read: ${message}.`);
  return orStop(() => {
    try {
      return { text: parseCsv(text, shown, false), quotes: [] };
    } catch (error) {
      const { code, lines } = error as Error & { code?: string; lines?: number };
      if (code !== "INVALID_OPENING_QUOTE" && code !== "CSV_INVALID_CLOSING_QUOTE") throw error;
      return { text: parseCsv(text, shown, true), quotes: lines === undefined ? [] : [lines] };
    }
  }, refused);
}

const parseCsv = (text: string, shown: string, relaxQuotes: boolean): Grid =>
  parse(text, {
    delimiter: delimiterOf(text),
    relaxColumnCount: true,
    relaxQuotes,
    skipEmptyLines: false,
    bom: true,
    to: sheetLimits.rows + 1,
    maxRecordSize: 4 * 1024 * 1024,
    onRecord: (record: string[], { lines }) => {
      if (record.length > sheetLimits.columns)
        refuse(
          "file-too-large",
          `${shown}, line ${lines} has ${record.length} columns; the limit is ${sheetLimits.columns}.`,
        );
      return record;
    },
  });

/** What a spreadsheet would take for a formula gets an apostrophe in front; on the way in it is taken off again. */
export const guard = (cell: string): string => (/^['=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
const unguard = (cell: string): string => (/^'['=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** A sheet as CSV, with nothing in it that a spreadsheet would run. */
export const csvText = (sheet: Grid): string => stringify(sheet.map((row) => row.map(guard)));

/**
 * Sheets as the bytes of a file, by its name: an XLSX workbook, or the first of them as CSV; safe to open in a
 * spreadsheet. Stops: sheet-unknown.
 */
export async function sheetBytes(file: string, sheets: readonly [NamedSheet, ...NamedSheet[]]): Promise<Uint8Array> {
  const extension = extname(file).toLowerCase();
  if (extension === ".csv") return Buffer.from(`\uFEFF${csvText(sheets[0].sheet)}`);
  if (extension === ".xlsx") return await writeXlsxFile(sheets.map(asWritten)).toBuffer();
  return refuse("sheet-unknown", `${basename(file)} is in no form that a roster is written in.`, {
    expected: "a file called .csv or .xlsx",
  });
}

function asWritten({ name, sheet }: NamedSheet) {
  const [headings = [], ...rows] = sheet.map((row) => row.map(guard));
  const bold = headings.map((value) => ({ value, type: String, fontWeight: "bold" as const }));
  const data = [bold, ...rows.map((row) => row.map((value) => ({ value, type: String })))];
  const columns = headings.map((heading, at) => ({
    width: Math.min(40, Math.max(8, heading.length + 2, ...rows.map((row) => (row[at] ?? "").length + 2))),
  }));
  return { data, sheet: name, stickyRowsCount: 1, columns };
}
