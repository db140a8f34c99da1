import type { Variant } from "../../../app/variant/variant.ts";
import { isCode } from "../../../formats/splice/formats/code.ts";
import { pathByFormat } from "../../../formats/splice/known-ending.ts";
import { textIfAny } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { placeAt, type Source } from "../../../ground/values/source.ts";
import { readArchive } from "../archives.ts";
import type { Identity } from "../identity/gather.ts";
import { shellName } from "../identity/keyed.ts";
import type { TermKind } from "../identity/kinds.ts";
import { keysIn } from "../identity/leading.ts";
import { textsIn } from "./binary.ts";
import { codeHit } from "./context.ts";
import { foldedText, hasTags } from "./folded.ts";
import { blank, maskCode, ownValues } from "./masked.ts";
import { mayBeIn, type Sought, soughtOf } from "./sought.ts";

/** Something of the template that is left in a file of a variant. */
export interface Residue {
  /** Path within the variant. */
  file: string;
  /** Path within the file, where that is an archive. */
  inside?: string;
  /** What was found, as the template has it; absent for pictures. */
  text?: string;
  /** Where in the text it starts. */
  at?: number;
  /** What leads to it, in the file's own form. */
  key?: string;
  kind?: TermKind | "color";
  problem: Problem;
}

/** What was found in a file: what people or systems meet, and how often only code says it. */
export interface SearchFound {
  residue: Residue[];
  code: CodeHit[];
}

/** A place where only code says a name, and why that may stay. */
export interface CodeHit {
  file: string;
  line: number;
  text: string;
  reason: string;
}

/** Finds what names the template in a file of a variant. */
export interface TextSearch {
  /** @param shown the file as a producer would name it. */
  inFile(path: string, bytes: Uint8Array, shown: string): SearchFound;
}

/**
 * Prepares the search for one client; its own values are no residue, though they hold the template's name.
 * @param colors that brand the template, as #rrggbb.
 */
export function searchFor(
  { terms, namespaces, shells }: Identity,
  colors: readonly string[],
  variant: Pick<Variant, "values" | "names" | "answers">,
): TextSearch {
  const sought = soughtOf(terms, colors, variant.values);
  const any =
    sought.length > 0 ? new RegExp(sought.map(({ pattern }) => `(?:${pattern.source})`).join("|"), "iu") : undefined;
  const owned = ownValues(variant);
  const ownedAsSeen = owned.map((value) => foldedText(value)?.text ?? value);
  const search: TextSearch = {
    inFile(path, bytes, shown) {
      const inside = readArchive(bytes).map(({ name, bytes: content }) => {
        const found = search.inFile(name, content, `${shown}, in ${name}`);
        return { ...found, residue: found.residue.map((each) => ({ ...each, inside: name })) };
      });
      const held = inside.flatMap(({ residue }) => residue);
      if (held.length > 0)
        return {
          residue: held.map((each) => ({ ...each, file: path })),
          code: inside.flatMap(({ code }) => code),
        };
      const text = textIfAny(bytes);
      const inName = namesIn(sought, any, path, shown);
      if (text === undefined) return { residue: [...inName, ...inBinary(sought, any, path, bytes, shown)], code: [] };
      const here = mayBeIn(text, sought);
      const searched = { source: { file: shown, text }, path, owned, ownedAsSeen, namespaces, shells };
      const found = here.length > 0 ? inText(here, searched) : nothing;
      const seen = inFolded(sought, searched, found);
      return { residue: [...inName, ...found.residue, ...seen], code: found.code };
    },
  };
  return search;
}

/** A text that is searched, and what of it is nobody's business. */
interface Searched {
  source: Source;
  /** Within the variant. */
  path: string;
  /** The client's own values. */
  owned: readonly string[];
  ownedAsSeen: readonly string[];
  namespaces: readonly string[];
  shells: Identity["shells"];
}

function inText(sought: readonly Sought[], { source, path, owned, namespaces, shells }: Searched): SearchFound {
  const { text, file: shown } = source;
  let searched = maskCode(text, path, owned, namespaces);
  let keys: ((at: number) => string | undefined) | undefined;
  const residue: Residue[] = [];
  const code: CodeHit[] = [];
  const file = pathByFormat({ file: path, text });
  for (const { code: problemCode, term, pattern } of sought) {
    const hits = [...searched.matchAll(pattern)];
    if (hits.length === 0) continue;
    keys ??= keysOf(path, source);
    for (const { 0: found, index } of hits) {
      const place = placeAt(source, index);
      const led = keys(index);
      const isShown = shells.get(path) === "taken" || (shells.has(path) && !/"productName"\s*:/.test(text));
      const key = led === shellName && !isShown ? "name" : led;
      const isWhole = term.weak !== true || standsAlone(place.text, place.column - 1, found);
      if (!isWhole) continue;
      const hit = {
        file,
        kind: term.kind as TermKind,
        found,
        line: place.text,
        column: place.column - 1,
        key,
      };
      const reason = term.kind === "color" ? undefined : codeHit(hit);
      if (reason !== undefined) {
        code.push({ file: path, line: place.line, text: term.text, reason });
        continue;
      }
      const message = `"${term.text}", which is the template's, is left in ${shown}.`;
      residue.push({
        file: path,
        text: term.text,
        at: index,
        ...(key === undefined ? {} : { key }),
        kind: term.kind,
        problem: problem(problemCode, message, { place }),
      });
    }
    searched = searched.replace(pattern, blank);
  }
  return { residue, code };
}

const nothing: SearchFound = { residue: [], code: [] };

/** Terms that only show as people see a text: escapes undone, tags within a line gone, marks of no width too. */
function inFolded(
  sought: readonly Sought[],
  { source, path, owned, ownedAsSeen, namespaces }: Searched,
  { residue, code }: SearchFound,
): Residue[] {
  // What stands there as it is written has been told, on its line.
  const told = new Set([
    ...residue.map(({ text, problem: { place } }) => `${text} ${place?.line}`),
    ...code.map(({ text, line }) => `${text} ${line}`),
  ]);
  const found: Residue[] = [];
  const file = pathByFormat({ file: path, text: source.text });
  for (const form of hasTags(source.text) ? (["withTags", "withoutTags"] as const) : (["withTags"] as const)) {
    // Most files have nothing of the kind: what is nobody's business is blanked out in the others alone.
    const seen = foldedText(source.text, form);
    const here = seen ? mayBeIn(seen.text, sought) : [];
    if (!seen || here.length === 0) continue;
    const masked = maskCode(source.text, path, owned, namespaces);
    const folded = masked === source.text ? seen : foldedText(masked, form);
    if (!folded) continue;
    let searched = ownedAsSeen.reduce(
      (at, value) => (at.includes(value) ? at.replaceAll(value, blank) : at),
      folded.text,
    );
    for (const { code: problemCode, term, pattern } of here) {
      if (term.weak || term.kind === "color") continue;
      const hits = [...searched.matchAll(pattern)];
      if (hits.length === 0) continue;
      for (const { index, 0: hit } of hits) {
        const place = placeAt(source, folded.at(index));
        const as = `${term.text} ${place.line}`;
        const around = { file, kind: term.kind, found: hit, line: place.text, column: place.column - 1 };
        if (told.has(as) || codeHit({ ...around, key: undefined }) !== undefined) continue;
        told.add(as);
        const message = `"${term.text}", which is the template's, is left in ${source.file}, written otherwise.`;
        found.push({ file: path, text: term.text, kind: term.kind, problem: problem(problemCode, message, { place }) });
      }
      searched = searched.replace(pattern, blank);
    }
  }
  return found;
}

/** A common word counts where it is all that a text says, and as it is written. */
function standsAlone(line: string, column: number, found: string): boolean {
  const around = `${line[column - 1] ?? "\n"}${line[column + found.length] ?? "\n"}`;
  return /^["'>`\n][</"'`\n]$/.test(around);
}

/** Code that is longer was put together from many files: no settings, and a second to be parsed. In characters. */
const longestCode = 200_000;

/** What leads to the value at an offset of a file, in its own form. */
function keysOf(path: string, source: Source): (at: number) => string | undefined {
  if (isCode(path) && source.text.length > longestCode) return () => undefined;
  const file = { bytes: () => Buffer.from(source.text), source: () => ({ file: path, text: source.text }) };
  return keysIn(file, path);
}

/** Files that are handed on or served by their names; what code is called is code's. */
const shownByName = /\.(png|jpe?g|webp|gif|svg|ico|icns|pdf|html?|mp[34]|webmanifest|ics|csv|txt|docx?|zip)$/i;

/** Sets of pictures that code asks for by name (Apple, asset catalogs; freedesktop.org, Icon Theme Specification). */
const askedByName = /\.(xcassets|bundle|iconset)\/|(^|\/)(\d{2,4}(x\d{2,4})?|scalable|symbolic)\//;

function namesIn(sought: readonly Sought[], any: RegExp | undefined, path: string, shown: string): Residue[] {
  const written = path.slice(path.lastIndexOf("/") + 1);
  const name = `${written} ${foldedText(written)?.text ?? ""}`;
  if (!any?.test(name)) return [];
  if (!shownByName.test(written) || askedByName.test(path)) return [];
  return sought.flatMap(({ code, term, pattern }) => {
    if (term.kind === "color" || term.weak || name.search(pattern) === -1) return [];
    const message = `"${term.text}", which is the template's, is left in the name of ${shown}.`;
    return [{ file: path, text: term.text, kind: term.kind, problem: problem(code, message) }];
  });
}

/** What a binary file holds of the template's, in whatever way it writes texts. */
function inBinary(
  sought: readonly Sought[],
  any: RegExp | undefined,
  path: string,
  bytes: Uint8Array,
  shown: string,
): Residue[] {
  if (!any) return [];
  const texts = textsIn(path, bytes).filter((text) => any.test(text));
  if (texts.length === 0) return [];
  return sought
    .filter(({ term, pattern }) => !term.weak && texts.some((text) => text.search(pattern) !== -1))
    .map(({ code, term }) => ({
      file: path,
      text: term.text,
      kind: term.kind,
      problem: problem(code, `"${term.text}", which is the template's, is left inside ${shown}.`),
    }));
}
