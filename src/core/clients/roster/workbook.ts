import { Unzip, UnzipInflate } from "fflate";
import { refuse } from "../../ground/problems/result.ts";

/** Limits on a roster, stated in docs/files.md. */
export const sheetLimits = {
  bytes: 20 * 1024 * 1024,
  rows: 20_000,
  columns: 200,
  /** Bytes that a workbook unpacks to, and files in it. */
  unpacked: 64 * 1024 * 1024,
  parts: 2_000,
};

/**
 * Looks into a workbook before anything is made of it: counts, while unpacking, what it unpacks to, and reads in the
 * text of its sheets how far their cells reach. Stops: file-too-large.
 */
export function guardWorkbook(bytes: Uint8Array, shown: string): void {
  let unpacked = 0;
  let parts = 0;
  const tooLarge = (what: string): never => refuse("file-too-large", `${shown} ${what}.`);
  const decoder = new TextDecoder("latin1");
  const unzip = new Unzip((file) => {
    if (++parts > sheetLimits.parts) tooLarge(`holds more than ${sheetLimits.parts} files`);
    const isSheet = /worksheets\/[^/]+\.xml$/i.test(file.name);
    let rest = "";
    file.ondata = (error, chunk, final) => {
      if (error) throw error;
      unpacked += chunk.length;
      if (unpacked > sheetLimits.unpacked) tooLarge(`unpacks to more than ${sheetLimits.unpacked / 1024 / 1024} MB`);
      if (!isSheet) return;
      const text = rest + decoder.decode(chunk);
      for (const [, letters = "", row = ""] of text.matchAll(/<(?:\w+:)?c\b[^<>]*?\br="([A-Z]+)(\d+)"/g))
        if (columnOf(letters) > sheetLimits.columns || Number(row) > sheetLimits.rows)
          tooLarge(
            `has a cell at ${letters}${row}; the limits are ${sheetLimits.rows} rows and ${sheetLimits.columns} ` +
              "columns",
          );
      for (const [, row = ""] of text.matchAll(/<(?:\w+:)?row\b[^<>]*?\br="(\d+)"/g))
        if (Number(row) > sheetLimits.rows) tooLarge(`has a row ${row}; the limit is ${sheetLimits.rows}`);
      // The start of a cell that the next part ends.
      const cut = text.lastIndexOf("<");
      rest = final || cut === -1 || text.length - cut > 400 ? "" : text.slice(cut);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  for (let at = 0; at < bytes.length; at += step) unzip.push(bytes.subarray(at, at + step), at + step >= bytes.length);
}

/** Packed bytes that are taken at once: so much unpacks to a thousand times as much at most. */
const step = 16 * 1024;

/** A is 1. */
export const columnOf = (letters: string): number =>
  [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);
