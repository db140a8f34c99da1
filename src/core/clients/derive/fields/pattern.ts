import { nearest } from "../../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { fail, type Result } from "../../../ground/problems/result.ts";
import { type Field, fieldNames } from "../../../ground/values/fields.ts";
import type { Place } from "../../../ground/values/source.ts";
import { words } from "./words.ts";

/** A pattern, read: plain text, and fields with the words that change them. */
export type Pattern = readonly (string | Slotted)[];

interface Slotted {
  field: Field;
  words: readonly { name: string; argument: string }[];
}

/** What is wrong with a pattern; `column` counts from 1 within the pattern. */
interface PatternFault {
  column: number;
  message: string;
  expected?: string;
}

type Parsed<T> = { ok: true; value: T } | { ok: false; fault: PatternFault };

/** The same few patterns are read for every client. */
const known = new Map<string, Parsed<Pattern>>();

/**
 * Reads `"{domain reversed}.{app.name joined}"`. Doubled braces stand for themselves.
 * @param place where the pattern's text starts, its quote included
 */
export function readPattern(text: string, place?: Place): Result<Pattern> {
  const read = known.get(text) ?? parsePattern(text);
  known.set(text, read);
  return read.ok ? read : fail(patternProblem(read.fault, place));
}

/** Fields and words under the names that they had before. */
const former: Readonly<Record<string, string>> = {
  "colors.onBrand": "colors.brandText",
  "colors.onBrandDark": "colors.brandTextDark",
  "colors.onSoft": "colors.softText",
  "colors.onSoftDark": "colors.softTextDark",
  toned: "lightness",
};

function parsePattern(text: string): Parsed<Pattern> {
  const parts: (string | Slotted)[] = [];
  const token = /\{\{|\}\}|\{([^{}]*)\}|[{}]|[^{}]+/g;
  for (const match of text.matchAll(token)) {
    const [whole, inner] = match;
    const column = match.index + 1;
    if (inner !== undefined) {
      const slotted = parseSlotted(inner, column + 1);
      if (!slotted.ok) return slotted;
      parts.push(slotted.value);
    } else if (whole === "{" || whole === "}") {
      const message = whole === "{" ? "This brace is never closed." : "This brace was never opened.";
      return faulty(column, message, `${whole}${whole} for a brace that stands for itself`);
    } else parts.push(whole === "{{" ? "{" : whole === "}}" ? "}" : whole);
  }
  return { ok: true, value: parts };
}

const faulty = (column: number, message: string, expected: string): Parsed<never> => ({
  ok: false,
  fault: { column, message, expected },
});

function parseSlotted(inner: string, column: number): Parsed<Slotted> {
  const tokens = [...inner.matchAll(/\S+/g)].map((match) => ({
    text: Object.hasOwn(former, match[0]) ? (former[match[0]] ?? "") : match[0],
    column: column + match.index,
  }));
  const [first, ...rest] = tokens;
  if (!first) return faulty(column, "These braces are empty.", "a field, such as app.name");
  if (!isField(first.text)) return unknownField("field", first, fieldNames);
  const used: { name: string; argument: string }[] = [];
  for (let at = 0; at < rest.length; at++) {
    const token = rest[at] as (typeof rest)[number];
    const word = Object.hasOwn(words, token.text) ? words[token.text] : undefined;
    if (!word) return unknownField("word", token, Object.keys(words));
    const next = word.takes ? rest[++at] : undefined;
    if (word.takes && !word.takes.form.test(next?.text ?? "")) {
      const message = `"${token.text}" wants ${word.takes.what} behind it.`;
      return faulty(next?.column ?? token.column, message, `{${first.text} ${token.text} ${word.takes.example}}`);
    }
    used.push({ name: token.text, argument: next?.text ?? "" });
  }
  return { ok: true, value: { field: first.text, words: used } };
}

const isField = (text: string): text is Field => (fieldNames as string[]).includes(text);

function unknownField(kind: string, token: { text: string; column: number }, known: readonly string[]): Parsed<never> {
  const near = nearest(token.text, known);
  const expected = near ? `"${near}"` : `one of ${known.join(", ")}`;
  return faulty(token.column, `No ${kind} is called "${token.text}".`, expected);
}

/**
 * Fills a pattern in; undefined where a field it uses has no value. @param written how a value is written among the
 * pattern's own texts.
 */
export function fillPattern(
  pattern: Pattern,
  lookUp: (field: Field) => string | undefined,
  written: (value: string) => string = (value) => value,
): string | undefined {
  const parts = pattern.map((part) => {
    if (typeof part === "string") return part;
    const value = fillPart(part, lookUp);
    return value === undefined ? undefined : written(value);
  });
  return parts.includes(undefined) ? undefined : parts.join("");
}

function fillPart(part: Slotted, lookUp: (field: Field) => string | undefined): string | undefined {
  const value = lookUp(part.field);
  if (value === undefined) return undefined;
  const language = lookUp("locale");
  return part.words.reduce((text, { name, argument }) => words[name]?.apply(text, argument, language) ?? text, value);
}

/**
 * The first field of which nothing is left when its words have changed it; undefined where something is left of all.
 */
export function findVanished(pattern: Pattern, lookUp: (field: Field) => string | undefined): Field | undefined {
  const part = pattern.find((each) => typeof each !== "string" && lookUp(each.field) && fillPart(each, lookUp) === "");
  return typeof part === "object" ? part.field : undefined;
}

/** The fields a pattern uses. */
export const fieldsOf = (pattern: Pattern): Field[] =>
  pattern.flatMap((part) => (typeof part === "string" ? [] : [part.field]));

function patternProblem({ column, message, expected }: PatternFault, place: Place | undefined): Problem {
  const at = place && { ...place, column: place.column + column };
  return problem("pattern-invalid", message, { place: at, ...(expected === undefined ? {} : { expected }) });
}
