import type { Variant } from "../derive/variant.ts";
import { textIfAny } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import type { Template } from "../template/read.ts";
import { escapeRegExp } from "../values/regexp.ts";
import { archived } from "./archives.ts";

/** Something of the template that is left in a file of a variant. */
export interface Residue {
  /** Path within the variant. */
  file: string;
  /** The name or identifier that was found; absent for pictures. */
  text?: string;
  problem: Problem;
}

/** Finds what names the template in a file of a variant. */
export interface TextSearch {
  /** @param shown the file as a producer would name it. */
  inFile(path: string, bytes: Uint8Array, shown: string): Residue[];
}

interface Sought {
  code: "residue-identifier" | "residue-name" | "residue-color";
  what: string;
  pattern: RegExp;
}

/** Where code says its own namespace: it is not the app's identity, and stays. By file name. */
const namespacePlaces: readonly { file: RegExp; place: RegExp }[] = [
  { file: /\.(kt|java)$/, place: /^\s*(package|import)\s[^\n]*$/gm },
  { file: /\.(kt|java|pro)$/, place: /\b[a-z][\w.]*\b/g },
  { file: /\.gradle(\.kts)?$/, place: /\bnamespace\b[^\n]*/g },
  { file: /\.xml$/, place: /\b(android:name|tools:context|class)\s*=\s*"[^"]*"/g },
];

/** Prepares the search for one client; its own values are no residue, though they hold the template's name. Names are found in any case, and with any or no mark between their words. */
export function searchFor(
  template: Pick<Template, "identifiers" | "names" | "colors" | "parts">,
  variant: Pick<Variant, "values" | "locales" | "answers">,
): TextSearch {
  const sought: Sought[] = [
    ...template.identifiers.map((what) => ({
      code: "residue-identifier" as const,
      what,
      pattern: new RegExp(`(?<![A-Za-z0-9])${escapeRegExp(what)}(?![A-Za-z0-9])`, "gi"),
    })),
    ...template.names.map((what) => ({ code: "residue-name" as const, what, pattern: namePattern(what) })),
    ...template.colors
      .filter((what) => !Object.values(variant.values).some(({ value }) => value === what))
      .map((what) => ({ code: "residue-color" as const, what, pattern: colorPattern(what) })),
  ];
  const local = variant.locales.flatMap(({ name, label }) => [name, label]);
  const owned = [...Object.values(variant.values), ...Object.values(variant.answers), ...local]
    .map((traced) => traced.value)
    .filter((value) => value.length > 3);
  const namespaces = template.parts.flatMap((part) => part.namespace ?? []);
  const search: TextSearch = {
    inFile(path, bytes, shown) {
      const inside = archived(bytes).flatMap(({ name, bytes: content }) =>
        search.inFile(name, content, `${shown}, in ${name}`).map((each) => ({ ...each, file: path })),
      );
      if (inside.length > 0) return inside;
      const text = textIfAny(bytes);
      let searched = text === undefined ? undefined : masked(text, path, owned, namespaces);
      return sought.flatMap((each) => {
        const found = path.search(each.pattern) === -1 ? [] : [inName(each, shown)];
        if (text === undefined || searched === undefined) found.push(...inBinary(each, bytes, shown));
        else {
          found.push(...inText(each, text, searched, shown));
          searched = searched.replace(each.pattern, blank); // a name within an identifier is told once
        }
        return found.map((problem) => ({ file: path, text: each.what, problem }));
      });
    },
  };
  return search;
}

const blank = (part: string): string => " ".repeat(part.length);

/** A colour as it is written, with its opacity in front or behind it or without. */
const colorPattern = (hex: string): RegExp => new RegExp(`#(?:ff)?${hex.slice(1)}(?:ff)?(?![0-9a-f])`, "gi");

function namePattern(name: string): RegExp {
  const words = name
    .split(/[\s_.-]+/)
    .filter(Boolean)
    .map(escapeRegExp);
  return new RegExp(`(?<![\\p{L}\\p{N}])${words.join("(?:[\\s_.-]|&nbsp;)*")}(?![\\p{Ll}\\p{N}])`, "giu");
}

/** The same text with what may stay blanked out; offsets stay as they are. */
function masked(text: string, path: string, owned: readonly string[], namespaces: readonly string[]): string {
  let searched = owned.reduce((at, value) => at.replaceAll(value, blank), text);
  for (const { file, place } of namespacePlaces) {
    if (!file.test(path)) continue;
    searched = searched.replace(place, (part) =>
      namespaces.reduce((at, space) => at.replaceAll(space, blank), part),
    );
  }
  return searched;
}

function inText({ code, what, pattern }: Sought, text: string, searched: string, shown: string): Problem[] {
  return [...searched.matchAll(pattern)].map((match) =>
    problem(code, `"${what}", which is the template's, is left in ${shown}.`, {
      place: placeAt({ file: shown, text }, match.index),
    }),
  );
}

const inName = ({ code, what }: Sought, shown: string): Problem =>
  problem(code, `"${what}", which is the template's, is left in the name of ${shown}.`);

/** Binary files are searched as 8-bit and as 16-bit text. */
function inBinary({ code, what, pattern }: Sought, bytes: Uint8Array, shown: string): Problem[] {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const found =
    buffer.toString("latin1").search(pattern) !== -1 || buffer.toString("utf16le").search(pattern) !== -1;
  return found ? [problem(code, `"${what}", which is the template's, is left inside ${shown}.`)] : [];
}
