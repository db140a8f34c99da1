import { wordsOf } from "../search/sought.ts";

/** Letters of a text that an entry quotes. */
export const longest = 600;

/** The words as they stand in the line, which may differ from the template's own in case and in marks between them. */
export function foundAt(line: string, column: number, text: string): string {
  const words = wordsOf(text).map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"));
  const match = new RegExp(words.join("(?:[\\s_.-]|&nbsp;)*"), "iu").exec(line.slice(column));
  return match?.[0] ?? text;
}

/** So much of a line that only this place is meant: what stands in quotes or between tags, or the line. */
export function excerpt(line: string, column: number, found: string): string {
  const around = [...line.matchAll(/"[^"\n]*"|'[^'\n]*'|`[^`\n]*`|>[^<>\n]+</g)].find(
    ({ 0: whole, index }) => index <= column && column + found.length <= index + whole.length && whole.includes(found),
  );
  const text = around?.[0] ?? line.trim();
  if (text.length <= longest) return text;
  // Of a long text, the sentence or the part of it.
  const start = around?.index ?? line.indexOf(text);
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
