import type { Source } from "../../values/source.ts";
import type { Site } from "../site.ts";

/** A table's head, or a key that is given a string, on a line of its own (TOML 1.0). */
const line =
  /^[ \t]*(?:\[(?<table>[^\]\r\n]+)\]|(?<before>(?<key>[\w-]+|"[^"\r\n]*")[ \t]*=[ \t]*)(?<value>"(?:\\.|[^"\\\r\n])*"|'[^'\r\n]*'))[ \t]*(?:#[^\r\n]*)?$/gm;

/** Every string of a TOML file with the table and key that lead to it, quotes included in its range. */
export function tomlStrings(file: string, { text }: Source): { table: string; key: string; site: Site }[] {
  let table = "";
  return [...text.matchAll(line)].flatMap((match) => {
    const { table: head, before = "", key = "", value = "" } = match.groups ?? {};
    if (head !== undefined) {
      table = head.trim();
      return [];
    }
    const start = match.index + match[0].indexOf(before) + before.length;
    const read = value.startsWith("'") ? value.slice(1, -1) : unescaped(value.slice(1, -1));
    const site: Site = { file, start, end: start + value.length, value: read, form: "toml" };
    return [{ table, key: key.replaceAll('"', ""), site }];
  });
}

/** The site of a string at a path such as versions.app; undefined where there is none. */
export const tomlSite = (file: string, source: Source, at: string): Site | undefined =>
  tomlStrings(file, source).find(({ table, key }) => (table ? `${table}.${key}` : key) === at)?.site;

const short: Readonly<Record<string, string>> = { b: "\b", t: "\t", n: "\n", f: "\f", r: "\r" };

const unescaped = (raw: string): string =>
  raw.replace(/\\(?:u([0-9a-fA-F]{4})|U([0-9a-fA-F]{8})|(.))/g, (_, four, eight, other) =>
    (four ?? eight) ? String.fromCodePoint(Number.parseInt(four ?? eight, 16)) : (short[other] ?? other),
  );
