import type { Source } from "../../../ground/values/source.ts";
import type { Shape } from "./shaped.ts";

/** Sections whose lines give a key a text to the line's end (Inno Setup, script sections). */
const ofTexts = /^(Setup|Messages|CustomMessages|LangOptions)$/i;

const quoted = /"(?:[^"\r\n]|"")*"/g;

const read = (text: string): string => text.replaceAll("{{", "{");

/** A text in quotes, in which a quote stands twice. */
const unquoted = (text: string): string => read(text.slice(1, -1).replaceAll('""', '"'));

/** An installer's script by its texts and what stands between them; its code has none here. */
export function setupShape({ text }: Source): Shape {
  const values: string[] = [];
  let section = "";
  const take = (line: string) =>
    line.replace(quoted, (literal) => {
      values.push(unquoted(literal));
      return '""';
    });
  const shape = text.split("\n").map((line) => {
    if (/^\s*(;|\/\/)/.test(line)) return "#";
    const opens = /^\s*\[(\w+)\]\s*$/.exec(line)?.[1];
    if (opens !== undefined) section = opens;
    const [, key, rest = ""] = /^\s*([\w.]+)\s*=([\s\S]*)$/.exec(line) ?? [];
    if (key === undefined || !ofTexts.test(section)) return /^Code$/i.test(section) ? line : take(line);
    const value = rest.trim();
    values.push(/^".*"$/.test(value) ? unquoted(value) : read(value));
    return `${key}=`;
  });
  return { shape: shape.join("\n"), values };
}
