import { basename, extname } from "node:path";
import { parse } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import iconv from "iconv-lite";
import readXlsxFile from "read-excel-file/node";
import writeXlsxFile from "write-excel-file/node";
import { readInside } from "../files/folder.ts";
import { refuse } from "../problems/problem.ts";

/** A sheet as text, row by row; the first row holds the headings. */
export type Sheet = string[][];

/** Limits on a roster, stated in docs/files.md. */
const limits = { bytes: 20 * 1024 * 1024, rows: 20_000, columns: 200 };

/** Reads a CSV or XLSX file. Errors: file-missing, sheet-unreadable, file-too-large. */
export async function readSheet(folder: string, file: string): Promise<Sheet> {
  const bytes = readInside(folder, file, file);
  const shown = basename(file);
  if (bytes.length > limits.bytes)
    refuse("file-too-large", `${shown} has ${bytes.length} bytes; the limit is ${limits.bytes}.`);
  const sheet = isZip(bytes) ? await readXlsx(bytes, shown) : readCsv(decode(bytes), shown);
  const filled = sheet.map((row) => row.map((cell) => unguarded(cell.trim())));
  while (filled.at(-1)?.every((cell) => cell === "")) filled.pop();
  if (filled.length < 2) refuse("sheet-unreadable", `${shown} has no rows below its headings.`);
  if (filled.length > limits.rows)
    refuse("file-too-large", `${shown} has ${filled.length} rows; the limit is ${limits.rows}.`);
  return filled;
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

async function readXlsx(bytes: Uint8Array, shown: string): Promise<Sheet> {
  try {
    const [first] = await readXlsxFile(Buffer.from(bytes));
    return (first?.data ?? []).map((row) => row.slice(0, limits.columns).map((cell) => cellText(cell)));
  } catch (error) {
    refuse("sheet-unreadable", `${shown} is not an XLSX file that can be read: ${(error as Error).message}.`);
  }
}

function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return "";
  return cell instanceof Date ? cell.toISOString().slice(0, 10) : String(cell);
}

/** UTF-8 and UTF-16 by their marks; UTF-8 where it is valid; otherwise Windows-1252, as spreadsheets in Europe save it. */
function decode(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return iconv.decode(Buffer.from(bytes), "windows-1252"); // Node 20 itself takes it for Latin-1
  }
}

const delimiters = [",", ";", "\t", "|"] as const;

/** The delimiter that stands most often in the first line, outside quotes. */
function delimiterOf(text: string): string {
  const first = /^(?:"(?:[^"]|"")*"|[^"\r\n])*/.exec(text)?.[0].replace(/"(?:[^"]|"")*"/g, "") ?? "";
  const counts = delimiters.map((mark) => ({ mark, count: first.split(mark).length }));
  return counts.reduce((most, each) => (each.count > most.count ? each : most)).mark;
}

function readCsv(text: string, shown: string): Sheet {
  try {
    return parse(text, {
      delimiter: delimiterOf(text),
      relaxColumnCount: true,
      skipEmptyLines: false,
      bom: true,
    });
  } catch (error) {
    refuse("sheet-unreadable", `${shown} is not a CSV file that can be read: ${(error as Error).message}.`);
  }
}

/** What a spreadsheet would take for a formula gets an apostrophe in front; on the way in it is taken off again. */
const guarded = (cell: string): string => (/^['=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
const unguarded = (cell: string): string => (/^'['=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** A sheet as CSV, with nothing in it that a spreadsheet would run. */
export const csvText = (sheet: Sheet): string => stringify(sheet.map((row) => row.map(guarded)));

/** A sheet as the bytes of a file, CSV or XLSX by the file's name; safe to open in a spreadsheet. */
export async function sheetBytes(file: string, sheet: Sheet): Promise<Uint8Array> {
  const safe = sheet.map((row) => row.map(guarded));
  if (extname(file).toLowerCase() !== ".xlsx") return Buffer.from(`\uFEFF${csvText(sheet)}`);
  const [headings = [], ...rows] = safe;
  const bold = headings.map((value) => ({ value, type: String, fontWeight: "bold" as const }));
  const data = [bold, ...rows.map((row) => row.map((value) => ({ value, type: String })))];
  const columns = headings.map((_, at) => ({
    width: Math.min(40, Math.max(8, ...safe.map((row) => (row[at] ?? "").length + 2))),
  }));
  return await writeXlsxFile(data, { sheet: "Clients", stickyRowsCount: 1, columns }).toBuffer();
}
