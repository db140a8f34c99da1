import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import { refuse } from "../../../ground/problems/result.ts";
import { placeAt, type Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** A value of an OpenStep property list, the format of Xcode's project files. */
export type OpenStep =
  | { kind: "string"; value: string; start: number; end: number }
  | { kind: "list"; items: OpenStep[]; start: number; end: number }
  | {
      kind: "group";
      entries: ReadonlyMap<string, OpenStep>;
      /** Where each key stands. */
      keys: ReadonlyMap<string, number>;
      start: number;
      end: number;
    };

/** Deepest nesting taken. */
const deepest = 64;

const blank = /(?:\s+|\/\/[^\n]*|\/\*[\s\S]*?\*\/)+/y;
const bare = /[A-Za-z0-9_$./:-]+/y;
const quoted = /"((?:[^"\\]|\\[\s\S])*)"|'((?:[^'\\]|\\[\s\S])*)'/y;
const data = /<[0-9a-fA-F\s]*>/y;

/** Parses an OpenStep property list, with the ranges of its values. Stops: template-syntax. */
export const parseOpenStep = parsedOnce((source: Source): OpenStep => openStepParser(source).value(0));

/** Parses a .strings file: the entries of a group, without its braces. Stops: template-syntax. */
export const parseStrings = parsedOnce(
  (source: Source): OpenStep => openStepParser(source).entries(0, source.text.length),
);

function openStepParser(source: Source) {
  const { text } = source;
  let at = text.startsWith("\uFEFF") ? 1 : 0;

  const fail = (expected: string): never =>
    refuse("template-syntax", `${source.file} cannot be read as an OpenStep property list.`, {
      place: placeAt(source, at),
      expected,
    });
  const take = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    const match = pattern.exec(text);
    if (match) at = pattern.lastIndex;
    return match;
  };
  const skip = () => void take(blank);
  const expect = (mark: string) => {
    skip();
    if (text[at] !== mark) fail(`"${mark}"`);
    at++;
  };
  const string = (): Extract<OpenStep, { kind: "string" }> => {
    skip();
    const start = at;
    const match = take(quoted);
    if (match) return { kind: "string", value: readEscapes(match[1] ?? match[2] ?? ""), start, end: at };
    const plain = take(bare) ?? take(data);
    if (!plain) return fail("a value");
    return { kind: "string", value: plain[0], start, end: at };
  };
  const value = (depth: number): OpenStep => {
    if (depth > deepest) fail("fewer levels");
    skip();
    if (text[at] === "{") return group(depth);
    if (text[at] === "(") return list(depth);
    return string();
  };
  const entries = (depth: number, until: number): OpenStep => {
    const start = at;
    const found = new Map<string, OpenStep>();
    const keys = new Map<string, number>();
    for (skip(); at < until && text[at] !== "}"; skip()) {
      const key = string();
      expect("=");
      found.set(key.value, value(depth + 1));
      keys.set(key.value, key.start);
      expect(";");
    }
    return { kind: "group", entries: found, keys, start, end: at };
  };
  const group = (depth: number): OpenStep => {
    expect("{");
    const inside = entries(depth, text.length);
    expect("}");
    return inside;
  };
  const list = (depth: number): OpenStep => {
    expect("(");
    const start = at;
    const items: OpenStep[] = [];
    for (skip(); text[at] !== ")"; skip()) {
      items.push(value(depth + 1));
      skip();
      if (text[at] === ",") at++;
      else if (text[at] !== ")") fail('"," or ")"');
    }
    return { kind: "list", items, start, end: at++ };
  };
  return { value, entries };
}

const readEscapes = (raw: string): string =>
  raw.replace(/\\(U[0-9a-fA-F]{4}|u[0-9a-fA-F]{4}|[0-7]{1,3}|[\s\S])/g, (_, code: string) => {
    if (/^[Uu]./.test(code)) return String.fromCharCode(Number.parseInt(code.slice(1), 16));
    if (/^[0-7]/.test(code)) return String.fromCharCode(Number.parseInt(code, 8));
    return { n: "\n", t: "\t", r: "\r" }[code] ?? code;
  });

export const entry = (node: OpenStep | undefined, ...path: string[]): OpenStep | undefined =>
  path.reduce<OpenStep | undefined>((at, key) => (at?.kind === "group" ? at.entries.get(key) : undefined), node);

export const textOf = (node: OpenStep | undefined): string | undefined =>
  node?.kind === "string" ? node.value : undefined;

export const itemsOf = (node: OpenStep | undefined): OpenStep[] => (node?.kind === "list" ? node.items : []);

/** The site of a string, its quotes included, so that quotes can come and go with the value. */
export const openStepSite = (file: string, node: OpenStep | undefined): Site | undefined =>
  node?.kind === "string" ? { file, start: node.start, end: node.end, value: node.value, form: "openstep" } : undefined;

/**
 * The site of a key's value in a .strings file, where a value always stands in quotes; undefined where there is none.
 */
export function stringsSite(file: string, source: Source, key: string): Site | undefined {
  const site = openStepSite(file, entry(parseStrings(source), key));
  return site && { ...site, form: "openstep-quoted" };
}
