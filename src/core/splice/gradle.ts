import type { Site } from "./site.ts";

/** A literal that a Gradle script, Groovy or Kotlin, gives to a name, and the blocks it stands in. */
export interface GradleSetting {
  /** For example ["android", "defaultConfig"]. */
  blocks: readonly string[];
  name: string;
  site: Site;
}

type Token =
  | { kind: "word" | "number" | "mark"; text: string; start: number; end: number }
  | { kind: "string"; text: string; quote: string; start: number; end: number };

const lexer =
  /\/\/[^\n]*|\/\*[\s\S]*?\*\/|"""[\s\S]*?"""|'''[\s\S]*?'''|"(?:[^"\\\n]|\\.)*"|'(?:[^'\\\n]|\\.)*'|[A-Za-z_][\w]*|\d[\d_]*|\n|[^\s]/g;

function tokens(text: string): Token[] {
  const found: Token[] = [];
  for (const match of text.matchAll(lexer)) {
    const raw = match[0];
    const start = match.index;
    const end = start + raw.length;
    if (raw.startsWith("//") || raw.startsWith("/*")) continue;
    const quote = /^("""|'''|"|')/.exec(raw)?.[0];
    if (quote && raw.length >= quote.length * 2) {
      const inner = raw.slice(quote.length, -quote.length);
      found.push({
        kind: "string",
        text: inner,
        quote,
        start: start + quote.length,
        end: end - quote.length,
      });
    } else {
      const kind = /^[A-Za-z_]/.test(raw) ? "word" : /^\d/.test(raw) ? "number" : "mark";
      found.push({ kind, text: raw, start, end });
    }
  }
  return found;
}

/** Every literal setting of a script: `name = "x"`, `name "x"`, `name("x")`, `name = 3`. */
export function gradleSettings(file: string, text: string): GradleSetting[] {
  const all = tokens(text);
  const blocks: string[] = [];
  const settings: GradleSetting[] = [];
  let statement: Token[] = [];
  for (const token of all) {
    if (token.text === "\n" || token.text === ";") statement = [];
    else if (token.kind === "mark" && token.text === "{") {
      blocks.push(blockName(statement));
      statement = [];
    } else if (token.kind === "mark" && token.text === "}") {
      blocks.pop();
      statement = [];
    } else {
      statement.push(token);
      const setting = settingOf(file, statement, blocks);
      if (setting) settings.push(setting);
    }
  }
  return settings;
}

function blockName(statement: readonly Token[]): string {
  const named = statement.find((token) => token.kind === "string");
  return named?.text ?? statement.find((token) => token.kind === "word")?.text ?? "";
}

function settingOf(
  file: string,
  statement: readonly Token[],
  blocks: readonly string[],
): GradleSetting | undefined {
  const [name, between, third] = statement;
  const value = statement.at(-1);
  if (name?.kind !== "word" || !value || value === name) return undefined;
  const assigned =
    between?.kind === "mark" && (between.text === "=" || between.text === "(") && statement.length === 3;
  if (!(statement.length === 2 || (assigned && third === value))) return undefined;
  const site = literalSite(file, value);
  return site && { blocks: [...blocks], name: name.text, site };
}

function literalSite(file: string, token: Token): Site | undefined {
  const { start, end, text } = token;
  if (token.kind === "number")
    return { file, start, end, value: text.replaceAll("_", ""), form: "gradle-number" };
  if (token.kind !== "string") return undefined;
  const single = token.quote.startsWith("'");
  if (!single && /(^|[^\\])\$/.test(text)) return undefined;
  return { file, start, end, value: unescaped(text), form: single ? "gradle-single" : "gradle-double" };
}

const unescaped = (raw: string): string =>
  raw.replace(/\\(u[0-9a-fA-F]{4}|.)/g, (_, code: string) =>
    code.length === 5
      ? String.fromCharCode(Number.parseInt(code.slice(1), 16))
      : ({ n: "\n", t: "\t", r: "\r" }[code] ?? code),
  );

/** The settings of a name within exactly these blocks, for example `in: ["android", "defaultConfig"]`. */
export const settingsNamed = (
  all: readonly GradleSetting[],
  name: string,
  blocks: readonly string[],
): GradleSetting[] => all.filter((each) => each.name === name && each.blocks.join("/") === blocks.join("/"));
