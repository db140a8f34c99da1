import type { Variant } from "../../../app/variant/variant.ts";
import type { ProblemCode } from "../../../ground/problems/catalogue.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import type { Term } from "../identity/gather.ts";
import type { TermKind } from "../identity/kinds.ts";

/** A term of the template with the form in which it is looked for. */
export interface Sought {
  code: ProblemCode;
  term: Pick<Term, "kind" | "text" | "weak"> | { kind: "color"; text: string; weak?: true };
  pattern: RegExp;
  /** What is in every text that the pattern finds something in, as `lowered` has it. */
  holds: string;
}

/** A text with no capitals, for what is the same in any case. */
const lowered = (text: string): string => text.toLowerCase().replaceAll("ς", "σ");

/** Those of what is sought that a text may hold: most texts hold nothing of it, which this tells in a moment. */
export function mayBeIn(text: string, sought: readonly Sought[]): Sought[] {
  const lower = lowered(text);
  return sought.filter(({ holds }) => lower.includes(holds));
}

const longestOf = (words: readonly string[]): string =>
  words.reduce((longest, word) => (word.length > longest.length ? word : longest), "");

const codes: Readonly<Record<TermKind, ProblemCode>> = {
  name: "residue-name",
  identifier: "residue-identifier",
  email: "residue-address",
  host: "residue-address",
  scheme: "residue-address",
  owner: "residue-owner",
  team: "residue-owner",
  fingerprint: "residue-owner",
  installer: "residue-identifier",
};

/** Between two words that are written as one: `HarbourRun`. */
const betweenWords = /(?<=\p{Ll}{3})(?=\p{Lu}\p{Ll}{2})/u;

/** The words of a name, however it is written. */
export const wordsOf = (name: string): string[] =>
  name
    .split(/[\s_.-]+/)
    .filter(Boolean)
    .flatMap((word) => word.split(betweenWords));

/** Names are found in any case, and with any or no mark between their words; the rest as it is. */
const patterns: Readonly<Record<TermKind, (text: string) => string>> = {
  name: (text) => {
    const words = wordsOf(text).map(escapeRegExp);
    return `(?<![\\p{L}\\p{N}])${words.join("[\\s_.+-]*")}(?![\\p{Ll}\\p{N}])`;
  },
  identifier: (text) => `(?<![A-Za-z0-9])${escapeRegExp(text)}(?![A-Za-z0-9])`,
  email: (text) => `(?<![\\w.+-])${escapeRegExp(text)}(?![\\w-])`,
  host: (text) => `(?<![\\w-])${escapeRegExp(text)}(?![\\w-]|\\.[a-z])`,
  scheme: (text) => `(?<![\\w.+-])${escapeRegExp(text)}(?=://|["'<])`,
  owner: (text) => `(?<![\\p{L}\\p{N}])${escapeRegExp(text)}(?![\\p{L}\\p{N}]|\\.[a-z]{2})`,
  team: (text) => `(?<![A-Za-z0-9])${escapeRegExp(text)}(?![A-Za-z0-9])`,
  fingerprint: escapeRegExp,
  installer: escapeRegExp,
};

/** A scheme that is the app's name, too: in quotes, it is that. */
const schemeOfName = (text: string): string => `(?<![\\w.+-])${escapeRegExp(text)}(?=://|<)`;

/** A colour as it is written, with its opacity in front or behind it or without. */
const colorPattern = (hex: string): string => `#(?:ff)?${hex.slice(1)}(?:ff)?(?![0-9a-f])`;

/** Longer and surer things first: a name within an identifier is told once. */
const order: readonly TermKind[] = [
  "email",
  "identifier",
  "host",
  "scheme",
  "team",
  "fingerprint",
  "installer",
  "owner",
  "name",
];
const rank = ({ kind }: Pick<Term, "kind">): number => order.indexOf(kind);

/** What is looked for in a client's variant, in the order in which it is told; its own colours are no residue. */
export function soughtOf(terms: readonly Term[], colors: readonly string[], values: Variant["values"]): Sought[] {
  const ordered = [...terms].sort((a, b) => rank(a) - rank(b) || b.text.length - a.text.length);
  const names = new Set(terms.flatMap(({ kind, text }) => (kind === "name" ? [text.toLowerCase()] : [])));
  const formOf = ({ kind, text }: Term) =>
    kind === "scheme" && names.has(text.toLowerCase()) ? schemeOfName : patterns[kind];
  return [
    ...ordered.map((term) => ({
      code: codes[term.kind],
      term,
      pattern: new RegExp(formOf(term)(term.text), "giu"),
      holds: lowered(term.kind === "name" ? longestOf(wordsOf(term.text)) : term.text),
    })),
    ...colors
      .filter((what) => !Object.values(values).some(({ value }) => value === what))
      .map((what) => ({
        code: "residue-color" as const,
        term: { kind: "color" as const, text: what },
        pattern: new RegExp(colorPattern(what), "gi"),
        holds: lowered(what.slice(1)),
      })),
  ];
}
