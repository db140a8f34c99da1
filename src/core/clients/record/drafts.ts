import { IntlMessageFormat } from "intl-messageformat";
import type { Variant } from "../../app/variant/variant.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Place } from "../../ground/values/source.ts";

/** What a pattern can put in, by name: fields with their full stops as underscores, features, counts, variants. */
export type Pieces = Readonly<Record<string, string | number>>;

/** How many variants of a passage there may be: `{variant3, select, 1 {…} 2 {…} other {…}}`. */
const mostVariants = 6;

/** What is known of a client's app, for patterns of texts in a language. */
export function putOf({ key, values, names, features, content }: Variant, language: string): Pieces {
  const called = names.further[language];
  const turn = Number.parseInt(sha256(key).slice(0, 8), 16);
  return {
    ...Object.fromEntries(Object.entries(values).map(([field, { value }]) => [named(field), value])),
    ...(called ? { app_name: called.name.value, app_label: called.label.value } : {}),
    ...Object.fromEntries(features.map(({ name, isOn }) => [named(name), isOn ? "on" : "off"])),
    ...Object.fromEntries(Object.entries(content).map(([name, items]) => [named(name), items.length])),
    ...Object.fromEntries(
      Array.from({ length: mostVariants - 1 }, (_, at) => [`variant${at + 2}`, String((turn % (at + 2)) + 1)]),
    ),
  };
}

/** A name within a pattern: marks of the pattern's own are not for names. */
const named = (field: string): string => field.replace(/[.-]/g, "_");

/**
 * Names of fields in a pattern, and before them what stands between apostrophes, where a brace is a brace (ICU,
 * "Quoting and Escaping").
 */
const fieldIn = /''|'[{}<>](?:''|[^'])*(?:'|$)|\{\s*([a-zA-Z][\w]*(?:[.-]\w+)+)/g;

/**
 * Writes a text by a pattern (ICU MessageFormat): `{app.name}`, `{boxes, plural, one {# box} other {# boxes}}`,
 * `{camera, select, on {…} other {}}`. In a language's own rules of plurals.
 */
export function writeDraft(pattern: string, language: string, put: Pieces, place: Place): Result<string> {
  try {
    const message = parsed(pattern, language);
    // Nothing but what is put in: what every object has by itself is no name.
    const own = Object.assign(Object.create(null) as Record<string, string | number>, put);
    return succeed(asParagraphs(String(message.format(own))));
  } catch (error) {
    return fail(faulty(error as Error, place));
  }
}

/** Patterns that have been read: all clients have the same few. */
const known = new Map<string, IntlMessageFormat>();

function parsed(pattern: string, language: string): IntlMessageFormat {
  const key = `${language} ${pattern}`;
  const message =
    known.get(key) ??
    new IntlMessageFormat(
      pattern.replace(fieldIn, (all, name?: string) => (name === undefined ? all : `{${named(name)}`)),
      language,
      undefined,
      { ignoreTag: true },
    );
  known.set(key, message);
  return message;
}

/** A pattern is written in lines as it is read best; only an empty line is a new paragraph. */
const asParagraphs = (text: string): string =>
  text
    .split(/\n\s*\n/)
    .map((paragraph) => paragraph.replace(/\s+/g, " ").trim())
    .join("\n\n")
    .trim();

function faulty({ message }: Error, place: Place): Problem {
  const [, missing] = /"([^"]*)" was not provided/.exec(message) ?? [];
  return problem(
    "draft-invalid",
    missing === undefined ? `The pattern cannot be read: ${message.split("\n")[0]}.` : `Nothing is called ${missing}.`,
    { place, expected: "fields such as {app.name}, names of features and of collections, variant2 to variant6" },
  );
}
