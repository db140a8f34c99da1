import { stripVTControlCharacters } from "node:util";
import Table from "cli-table3";
import type { Colors } from "./terminal.ts";

const none = {
  top: "",
  "top-mid": "",
  "top-left": "",
  "top-right": "",
  bottom: "",
  "bottom-mid": "",
  "bottom-left": "",
  "bottom-right": "",
  left: "",
  "left-mid": "",
  mid: "",
  "mid-mid": "",
  right: "",
  "right-mid": "",
  middle: "  ",
};

/** Columns that the widest line takes. */
export const widthOf = (drawn: string): number =>
  Math.max(
    ...stripVTControlCharacters(drawn)
      .split("\n")
      .map((line) => [...line].length),
  );

/** Columns under headings, without lines; widths follow the content, counting wide letters as two. */
export function table(headings: readonly string[], rows: readonly (readonly string[])[], colors: Colors): string {
  const drawn = new Table({
    head: headings.map((heading) => colors.dim(heading)),
    chars: none,
    style: { "padding-left": 0, "padding-right": 0, head: [], border: [], compact: true },
  });
  drawn.push(...rows.map((row) => [...row]));
  return drawn
    .toString()
    .split("\n")
    .map((line) => line.trimEnd())
    .join("\n");
}
