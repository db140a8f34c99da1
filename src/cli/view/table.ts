import { stripVTControlCharacters } from "node:util";
import Table from "cli-table3";
import stringWidth from "string-width";
import wrapAnsi from "wrap-ansi";
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

/** Behind what sets a colour. */
const leadingBlanks = new RegExp(`^((?:${String.fromCharCode(27)}\\[[\\d;]*m)*) +`);

/** Between two columns. */
const gap = 2;

/** No column is made narrower than this, unless all of it is. */
const narrowest = 8;

/** Widths of columns that take no more than there is: the widest gives way first. */
function widthsFor(rows: readonly (readonly string[])[], columns: number): number[] {
  const count = Math.max(0, ...rows.map((row) => row.length));
  const widths = Array.from({ length: count }, (_, at) =>
    Math.max(0, ...rows.map((row) => stringWidth(row[at] ?? ""))),
  );
  const room = columns - gap * (count - 1);
  for (let over = widths.reduce((sum, each) => sum + each, 0) - room; over > 0; over--) {
    const widest = Math.max(...widths);
    if (widest <= narrowest) break;
    widths[widths.indexOf(widest)] = widest - 1;
  }
  return widths;
}

/**
 * Columns under headings, without lines; widths follow the content, counting wide letters as two.
 * @param columns that there are in all: cells that have no room are broken into lines
 */
export function table(
  headings: readonly string[],
  rows: readonly (readonly string[])[],
  colors: Colors,
  columns = Number.POSITIVE_INFINITY,
): string {
  const widths = widthsFor([headings, ...rows], columns);
  const broken = (cell: string, at: number) => {
    const [first = "", ...more] = wrapAnsi(cell, widths[at] ?? columns, { hard: true, trim: false }).split("\n");
    // A cell may begin with blanks, a line on which it goes on does not.
    return [first, ...more.map((line) => line.replace(leadingBlanks, "$1"))].join("\n");
  };
  const drawn = new Table({
    head: headings.map((heading, at) => colors.dim(broken(heading, at))),
    chars: none,
    style: { "padding-left": 0, "padding-right": 0, head: [], border: [], compact: true },
  });
  drawn.push(...rows.map((row) => (Number.isFinite(columns) ? row.map(broken) : [...row])));
  return drawn
    .toString()
    .split("\n")
    .map((line) => line.trimEnd())
    .join("\n");
}
