import { type AST, getStaticTOMLValue, parseTOML } from "toml-eslint-parser";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

interface TomlString {
  table: string;
  key: string;
  start: number;
  end: number;
  value: string;
}

/** Every string of a TOML file with the table and key that lead to it; none of a file that is not TOML. */
const stringsOf = parsedOnce(({ text }: Source): readonly TomlString[] => {
  try {
    const [top] = parseTOML(text, { tomlVersion: "1.0.0" }).body;
    return top.body.flatMap((each) =>
      each.type === "TOMLTable"
        ? each.body.flatMap((entry) => stringIn(entry, each.resolvedKey.join(".")))
        : stringIn(each, ""),
    );
  } catch {
    return [];
  }
});

function stringIn({ key, value }: AST.TOMLKeyValue, table: string): TomlString[] {
  if (value.type !== "TOMLValue" || value.kind !== "string" || value.multiline) return [];
  const steps = key.keys.map((step) => (step.type === "TOMLBare" ? step.name : step.value));
  const [start, end] = value.range;
  return [{ table, key: steps.join("."), start, end, value: value.value }];
}

/** The same as sites, quotes included in their ranges. */
export const tomlStrings = (file: string, source: Source): { table: string; key: string; site: Site }[] =>
  stringsOf(source).map(({ table, key, start, end, value }) => ({
    table,
    key,
    site: { file, start, end, value, form: "toml" },
  }));

/** The site of a string at a path such as versions.app; undefined where there is none. */
export const tomlSite = (file: string, source: Source, at: string): Site | undefined =>
  tomlStrings(file, source).find(({ table, key }) => (table ? `${table}.${key}` : key) === at)?.site;

/** A TOML file's tables, keys and texts; stops where it is not TOML. */
export function tomlShape({ text }: Source): { shape: string; values: readonly string[] } {
  const values: string[] = [];
  const told = (value: unknown): string => {
    if (typeof value === "string") {
      values.push(value);
      return '""';
    }
    if (Array.isArray(value)) return `[${value.map(told).join()}]`;
    if (typeof value !== "object" || value === null || value instanceof Date) return String(value);
    return `{${Object.entries(value).map(([key, each]) => `${JSON.stringify(key)}:${told(each)}`)}}`;
  };
  return { shape: told(getStaticTOMLValue(parseTOML(text, { tomlVersion: "1.0.0" }))), values };
}
