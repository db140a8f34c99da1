import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Site } from "../site.ts";

/** One statement of a Gradle script, Groovy or Kotlin, and the blocks it stands in. */
export interface GradleStatement {
  /** For example ["android", "defaultConfig"]. */
  blocks: readonly string[];
  tokens: readonly GradleToken[];
  /** Whether it opens a block; the block's content then starts behind the last token. */
  opens: boolean;
}

export interface GradleToken {
  kind: "word" | "number" | "mark" | "string";
  /** A string's without its quotes, as it is written. */
  text: string;
  /** A string's quote; empty for other tokens. */
  quote: string;
  /** Offsets of `text`. */
  start: number;
  end: number;
}

/** A literal that a script gives to a name. */
export interface GradleSetting {
  blocks: readonly string[];
  name: string;
  site: Site;
}

const lexer = longPattern("g")`
  \/\/[^\n]*|\/\*[\s\S]*?\*\/|"""[\s\S]*?"""|'''[\s\S]*?'''|"(?:[^"\\\n]|\\.)*"|'(?:[^'\\\n]
  |\\.)*'|[A-Za-z_][\w]*|\d[\d_]*|\n|[^\s]
`;

function* tokens(text: string): Generator<GradleToken> {
  for (const match of text.matchAll(lexer)) {
    const [raw] = match;
    const start = match.index;
    if (raw.startsWith("//") || raw.startsWith("/*")) continue;
    const quote = /^("""|'''|"|')/.exec(raw)?.[0] ?? "";
    if (quote && raw.length >= quote.length * 2) {
      const inner = raw.slice(quote.length, -quote.length);
      const from = start + quote.length;
      yield { kind: "string", text: inner, quote, start: from, end: from + inner.length };
    } else {
      const kind = /^[A-Za-z_]/.test(raw) ? "word" : /^\d/.test(raw) ? "number" : "mark";
      yield { kind, text: raw, quote: "", start, end: start + raw.length };
    }
  }
}

/** Every statement of a script, in order. One that stands in brackets over several lines is one. */
export function gradleStatements(text: string): GradleStatement[] {
  const found: GradleStatement[] = [];
  const open: { name: string; depth: number }[] = [];
  let statement: GradleToken[] = [];
  let depth = 0;
  const finish = (opens: boolean) => {
    if (statement.length > 0 || opens) found.push({ blocks: open.map(({ name }) => name), tokens: statement, opens });
    statement = [];
  };
  for (const token of tokens(text)) {
    const mark = token.kind === "mark" ? token.text : "";
    if (mark === "\n") {
      if (depth === 0) finish(false);
    } else if (mark === ";") finish(false);
    else if (mark === "{") {
      const name = blockName(statement);
      statement.push(token);
      finish(true);
      open.push({ name, depth });
      depth = 0;
    } else if (mark === "}") {
      finish(false);
      depth = open.pop()?.depth ?? 0;
    } else {
      statement.push(token);
      if (mark === "(" || mark === "[") depth++;
      else if (mark === ")" || mark === "]") depth = Math.max(0, depth - 1);
    }
  }
  finish(false);
  return found;
}

function blockName(statement: readonly GradleToken[]): string {
  const named = statement.find((token) => token.kind === "string");
  return named?.text ?? statement.find((token) => token.kind === "word")?.text ?? "";
}

/** Words that may stand before the name of what a statement sets. */
const modifiers = new Set(["const", "def", "ext", "extra", "final", "private", "public", "String", "val", "var"]);

/** What a statement sets, and the tokens that say to what: `name = …`, `name …`, `name(…)`, `val name = …`. */
export function assignment(statement: GradleStatement): { name: string; value: readonly GradleToken[] } | undefined {
  let { tokens } = statement;
  if (statement.opens) return undefined;
  while (tokens[1] && (modifiers.has(tokens[0]?.text ?? "") || tokens[0]?.text === ".")) tokens = tokens.slice(1);
  const [name, between] = tokens;
  if (name?.kind !== "word" || !between) return undefined;
  const marked = between.kind === "mark";
  if (marked && between.text === "(" && tokens.at(-1)?.text === ")")
    return { name: name.text, value: tokens.slice(2, -1) };
  if (marked && between.text === "=") return { name: name.text, value: tokens.slice(2) };
  return marked ? undefined : { name: name.text, value: tokens.slice(1) };
}

/** Every literal setting of a script: `name = "x"`, `name "x"`, `name("x")`, `name = 3`. */
export const gradleSettings = (file: string, text: string): GradleSetting[] =>
  gradleStatements(text).flatMap((statement) => {
    const set = assignment(statement);
    const [value] = set?.value ?? [];
    const site = set?.value.length === 1 && value ? literalSite(file, value) : undefined;
    return set && site ? [{ blocks: statement.blocks, name: set.name, site }] : [];
  });

/** The site of a literal; undefined for a string that other values are put into. */
export function literalSite(file: string, token: GradleToken): Site | undefined {
  const { start, end, text, kind } = token;
  if (kind === "number") return { file, start, end, value: text.replaceAll("_", ""), form: "gradle-number" };
  if (kind !== "string") return undefined;
  const single = token.quote.startsWith("'");
  if (!single && /(^|[^\\])\$/.test(text)) return undefined;
  return { file, start, end, value: readEscapes(text), form: single ? "gradle-single" : "gradle-double" };
}

const readEscapes = (raw: string): string =>
  raw.replace(/\\(u[0-9a-fA-F]{4}|.)/g, (_, code: string) =>
    code.length === 5
      ? String.fromCharCode(Number.parseInt(code.slice(1), 16))
      : ({ n: "\n", t: "\t", r: "\r" }[code] ?? code),
  );

/** The settings of a name within exactly these blocks, for example `in: ["android", "defaultConfig"]`. */
export const findSettings = (all: readonly GradleSetting[], name: string, blocks: readonly string[]): GradleSetting[] =>
  all.filter((each) => each.name === name && each.blocks.join("/") === blocks.join("/"));

/** The string that a statement gives to a key among others: `["key"] = "x"`, `[key: "x"]`, `mapOf("key" to "x")`. */
export function keyedSite(file: string, { tokens }: GradleStatement, key: string): Site | undefined {
  const at = tokens.findIndex((token) => token.kind !== "mark" && token.text === key);
  const value = tokens
    .slice(at + 1)
    .find((token) => token.kind === "string" || !["]", "=", ":", ",", "to"].includes(token.text));
  return at >= 0 && value ? literalSite(file, value) : undefined;
}
