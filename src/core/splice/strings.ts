import type { Source } from "../files/source.ts";
import type { Site } from "./site.ts";

/** Comments, and pairs of a key and a value, each in quotes or a plain word (Apple, "Strings files"). */
const pair =
  /\/\*[\s\S]*?\*\/|\/\/[^\r\n]*|("(?:\\[\s\S]|[^"\\])*"|[\w.-]+)(\s*=\s*)"((?:\\[\s\S]|[^"\\])*)"\s*;/g;

/** The site of a key's value in a strings file, without its quotes. */
export function stringsSite(file: string, { text }: Source, key: string): Site | undefined {
  for (const match of text.matchAll(pair)) {
    const [, name, equals, value] = match;
    if (name === undefined || equals === undefined || value === undefined) continue;
    if (unescaped(name.replace(/^"|"$/g, "")) !== key) continue;
    const start = match.index + name.length + equals.length + 1;
    return { file, start, end: start + value.length, value: unescaped(value), form: "strings" };
  }
  return undefined;
}

const escapes: Readonly<Record<string, string>> = { n: "\n", r: "\r", t: "\t" };

const unescaped = (written: string): string =>
  written.replace(/\\(?:U([0-9a-fA-F]{4})|([\s\S]))/g, (_, code, other) =>
    code ? String.fromCharCode(Number.parseInt(code, 16)) : (escapes[other] ?? other),
  );
