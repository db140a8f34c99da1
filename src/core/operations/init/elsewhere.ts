import { brandColors, drawnFiles } from "../../app/survey/template.ts";
import type { PartSurvey } from "../../app/template/found.ts";
import { isOfCode, occurrenceIn } from "../../app/template/occurrence.ts";
import { placesIn } from "../../app/template/places.ts";
import { applyEdits } from "../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { Field } from "../../ground/values/fields.ts";
import { replacedIn } from "../../ground/values/replaced.ts";
import type { Place } from "../../ground/values/source.ts";
import { identifierField } from "../../proving/audit/advice/identifier-field.ts";
import { tryFill } from "../../proving/audit/advice/proof.ts";
import { gatherIdentity, type Identity } from "../../proving/audit/identity/gather.ts";
import { shellName } from "../../proving/audit/identity/keyed.ts";
import { unnamed } from "../../proving/audit/identity/unnamed.ts";
import { codeReason } from "../../proving/audit/place-kinds.ts";
import { searchFor } from "../../proving/audit/search/search.ts";

/** Something that names the template and that a survey does not fill. */
export interface Elsewhere {
  /** What stands there. */
  text: string;
  place: Place;
}

/** A place that template.yaml can name, and the pattern that puts the client's own values there. */
export interface Suggestion {
  file: string;
  at: string;
  with: string;
}

/** Largest file that is looked through, in bytes. */
const largest = 2 * 1024 * 1024;

/** Finds where the template names itself beyond what its parts' surveys fill, and proposes what can go there. */
export function lookElsewhere(
  template: Folder,
  parts: readonly PartSurvey[],
): { left: Elsewhere[]; suggestions: Suggestion[]; unknown: Problem[] } {
  const fills = parts.flatMap((part) => part.fills);
  const colors = brandColors(parts);
  const own = new Map<string, Field>();
  for (const { holds, site, before, after } of fills) {
    const isName = holds === "app.name" || holds === "app.label" || holds.startsWith("identifiers.");
    const value = site.value.trim();
    if (holds.startsWith("colors.") && colors.includes(value.toLowerCase()) && !own.has(value)) own.set(value, holds);
    // Where the long and the short name are the same, the long one stands in texts.
    if (isName && value && !before && !after && own.get(value) !== "app.name") own.set(value, holds);
  }
  /** What the template is known by stands for the identifier of whoever reads the file. */
  const ownIn = (file: string): ReadonlyMap<string, Field> =>
    new Map(
      [...own].map(([text, holds]) => [
        text,
        holds.startsWith("identifiers.") ? identifierField(parts, file, { text, line: "" }) : holds,
      ]),
    );
  const identity = gatherIdentity(template, template.list(), []);
  const search = searchFor(identity, colors, { values: {}, names: { further: {} }, answers: {} });
  const drawn = drawnFiles(parts);
  const left: Elsewhere[] = [];
  const suggestions: Suggestion[] = [];
  for (const file of template.list()) {
    if (drawn.has(file)) continue;
    const bytes = template.bytes(file);
    const text = bytes.length > largest ? undefined : textIfAny(bytes);
    if (text === undefined) continue;
    const blanked = fills
      .filter(({ site }) => site.file === file)
      .map(({ site }) => ({ ...site, text: blank(text.slice(site.start, site.end)) }));
    const searched = applyEdits(text, withoutOverlaps(blanked));
    // A package's name is the program's no more where another is put in beside it.
    const named = fills.some(({ site, opens }) => site.file === file && opens?.includes("productName"));
    const found = search
      .inFile(file, Buffer.from(searched), file)
      .residue.flatMap(({ problem, text: what, key }) =>
        problem.place && what && !(named && key === shellName)
          ? [{ text: what, place: { ...problem.place, text: lineAt(text, problem.place.line) } }]
          : [],
      );
    if (found.length === 0) continue;
    const proposed = new Set<number>();
    for (const { at, site } of calledOnce(placesIn(template, file))) {
      const here = ownIn(file);
      const pattern = asPattern(site.value, here);
      if (
        pattern === undefined ||
        // What is asked about where the audit finds it is not filled unasked.
        isAsked(at, site.value, here) ||
        tryFill({ folder: template, parts }, { file, at, with: pattern }) === undefined ||
        // What else of the template is in it is somebody's to decide: half of it filled would be worse than none.
        isLeftIn(pattern, identity) ||
        codeReason(file, { at }) !== undefined ||
        fills.some((each) => each.site.file === file && each.site.start === site.start)
      )
        continue;
      suggestions.push({ file, at, with: pattern });
      const first = lineNumber(text, site.start);
      for (let line = first; line <= lineNumber(text, site.end); line++) proposed.add(line);
    }
    left.push(...found.filter(({ place }) => !proposed.has(place.line)));
  }
  return { left, suggestions, unknown: unnamed(identity, "warning") };
}

/** Places whose names lead to them alone. */
function calledOnce<T extends { at: string }>(places: readonly T[]): T[] {
  const times = new Map<string, number>();
  for (const { at } of places) times.set(at, (times.get(at) ?? 0) + 1);
  return places.filter(({ at }) => times.get(at) === 1);
}

/** As long a value that says nothing, and that leaves its file in the file's own form: within its quotes. */
function blank(value: string): string {
  let depth = 0;
  const isQuoted = (at: number) => /["'`]/.test(value.charAt(at)) && value.charAt(at) === value.at(-1 - at);
  while (value.length - 2 * depth > 1 && isQuoted(depth)) depth++;
  const inner = value.slice(depth, value.length - depth);
  return (
    value.slice(0, depth) + inner.replace(/[^\n]/g, /^\d+$/.test(inner) ? "1" : "x") + value.slice(value.length - depth)
  );
}

/** Whether nobody knows what may stand where one of the template's names or identifiers stands. */
const isAsked = (at: string, value: string, own: ReadonlyMap<string, Field>): boolean =>
  [...own].some(([text, field]) => {
    if (field.startsWith("colors.") || !value.includes(text)) return false;
    const kind = field.startsWith("identifiers.") ? "identifier" : "name";
    return (
      (kind === "name" && (isOfCode(at) || /\bCFBundleURLSchemes\b/.test(at))) ||
      "doubt" in occurrenceIn(value, { kind, found: text, text, field })
    );
  });

/** Whether something that the template is known by is left in a pattern. */
function isLeftIn(pattern: string, { terms }: Identity): boolean {
  const rest = pattern.replace(/\{[\w.]+\}/g, " ").toLowerCase();
  return terms.some(({ text, weak }) => !weak && rest.includes(text.toLowerCase()));
}

/** A value with the template's own names taken out, as a pattern; undefined where none is in it. */
function asPattern(value: string, own: ReadonlyMap<string, Field>): string | undefined {
  const longestFirst = [...own].sort(([a], [b]) => b.length - a.length);
  const escaped = value.replace(/[{}]/g, "$&$&");
  const pattern = longestFirst.reduce(
    (at, [text, field]) => replacedIn(at, text, `{${field}}`, { isWhole: true }),
    escaped,
  );
  return pattern === escaped ? undefined : pattern;
}

const lineNumber = (text: string, offset: number): number => text.slice(0, offset).split("\n").length;

const lineAt = (text: string, line: number): string => (text.split("\n")[line - 1] ?? "").replace(/\r$/, "");

function withoutOverlaps<T extends { start: number; end: number }>(ranges: T[]): T[] {
  let end = -1;
  return ranges
    .sort((a, b) => a.start - b.start || b.end - a.end)
    .filter((each) => {
      if (each.start < end || each.start === each.end) return false;
      end = each.end;
      return true;
    });
}
