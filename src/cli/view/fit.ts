import { stripVTControlCharacters } from "node:util";
import stringWidth from "string-width";
import wrapAnsi from "wrap-ansi";

/** Lines of a text, each in so many columns: what is longer goes on under where its text began. */
export const fitLines = (text: string, columns: number): string =>
  text
    .split("\n")
    .map((line) => (stringWidth(line) <= columns ? line : fitLine(line, columns)))
    .join("\n");

/** A line of somebody's file, with its number: it is cut, so that the mark below it stays where it belongs. */
const fromFile = /^ +\d* \|/;

/** Labels in front of a text are no wider than this. */
const widestLabel = 26;

function fitLine(line: string, columns: number): string {
  const plain = stripVTControlCharacters(line);
  const pieces = (width: number) => wrapAnsi(line, width, { hard: true, trim: false }).split("\n");
  if (fromFile.test(plain)) return pieces(columns)[0] ?? "";
  const indent = indentOf(plain, columns);
  const [first = "", ...rest] = pieces(columns);
  // What follows is narrower by the indent: it is wrapped again, as one.
  const more = wrapAnsi(rest.join("").trimStart(), Math.max(20, columns - indent), { hard: true, trim: true });
  return [first.trimEnd(), ...more.split("\n").map((each) => " ".repeat(indent) + each)].join("\n");
}

/** Where a line's text begins: behind its label, which two blanks or more part from it; else where the line does. */
function indentOf(plain: string, columns: number): number {
  const [, label = "", gap = ""] = /^(\s*\S+(?: \S+)*)(\s{2,})\S/.exec(plain) ?? [];
  const behind = stringWidth(label) + gap.length;
  if (label && behind <= Math.min(widestLabel, columns / 2)) return behind;
  return Math.min(/^\s*/.exec(plain)?.[0].length ?? 0, Math.floor(columns / 2));
}
