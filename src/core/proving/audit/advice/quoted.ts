import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { wordsOf } from "../search/sought.ts";

/** Letters of a text that an entry quotes. */
export const longest = 600;

const patterns = new Map<string, RegExp>();

function patternOf(text: string): RegExp {
  const known = patterns.get(text) ?? new RegExp(wordsOf(text).map(escapeRegExp).join("(?:[\\s_.-]|&nbsp;)*"), "iu");
  patterns.set(text, known);
  return known;
}

/** The words as they stand in the line, which may differ from the template's own in case and in marks between them. */
export const foundAt = (line: string, column: number, text: string): string =>
  patternOf(text).exec(line.slice(column))?.[0] ?? text;

/** What stands in quotes, where none of them is an apostrophe, or between tags. */
const enclosed = /"[^"\n]*"|(?<![\p{L}\p{N}])'[^'\n]*'(?![\p{L}\p{N}])|`[^`\n]*`|>[^<>\n]+</gu;

/**
 * So much of a line that only this place is meant: what stands in quotes or between tags, or the line, without what in
 * quotes holds the same.
 */
export function excerpt(line: string, column: number, found: string): string {
  const all = [...line.matchAll(enclosed)].filter(({ 0: whole }) => whole.includes(found));
  const around = all.find(({ 0: whole, index }) => index <= column && column + found.length <= index + whole.length);
  const from = Math.max(
    0,
    ...all.filter(({ index }) => index < column).map(({ 0: whole, index }) => index + whole.length),
  );
  const to = Math.min(line.length, ...all.filter(({ index }) => index > column).map(({ index }) => index));
  const text = around?.[0] ?? line.slice(from, to).trim();
  if (text.length <= longest) return text;
  // Of a long text, the sentence or the part of it.
  const start = around?.index ?? line.indexOf(text, from);
  let at = start;
  for (const part of text.split(/(?<=[.!?;,])(?=\s)/)) {
    if (at <= column && column + found.length <= at + part.length && part.length <= longest)
      return part.replace(/^["'`>\s]+|["'`<\s]+$/g, "");
    at += part.length;
  }
  return found;
}

/** A text with what gives it to a setting: `bundleID = "org.crate"`. */
export const withSetting = (line: string, text: string): string =>
  `${/[\w.]+\s*[=:(]\s*$/.exec(line.slice(0, line.indexOf(text)))?.[0] ?? ""}${text}`;
