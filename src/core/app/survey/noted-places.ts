import picomatch from "picomatch";
import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Form } from "../../formats/splice/forms.ts";
import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { textOf } from "../../ground/files/reading/text-of.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { allOf, mapResult, type Result, stop, succeed, unwrap } from "../../ground/problems/result.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Place } from "../../ground/values/source.ts";
import type { Fill } from "../template/found.ts";
import type { OccurrenceKind } from "../template/occurrence.ts";
import { namedPlace } from "../template/places.ts";
import { placesRead } from "./read-by-people.ts";
import { formIn, overlaps, textSites } from "./text-places.ts";

/** A place from template.yaml, the pattern of what goes there, and where that is said. */
export interface NotedPlace {
  site: Site;
  pattern: string;
  place: Place;
  /** How a value is written within the site's text, where that is a part of more. */
  form?: Form;
}

type Noted = TemplateNotes["fill"][number];

/** The places that template.yaml names: by what leads to them, or by the text that stands there. */
export function notedPlaces({ notes }: Workspace, folder: Folder, fills: readonly Fill[]): NotedPlace[] {
  const lineOf = (index: number) => (key: string) => notes.document.placeOf(["fill", index, key]);
  const named = notes.data.fill.map((given, index): Result<NotedPlace[]> => {
    const line = lineOf(index);
    const { with: pattern } = given;
    const place = line("with");
    if ("files" in given) return succeed([]);
    if ("text" in given)
      return mapResult(textSites(folder, given, line, fills), (sites) =>
        sites.map(({ site, form }) => ({ site, pattern, place, form })),
      );
    return mapResult(namedPlace(folder, { file: given.file, at: given.at }, line), (site) => [
      { site, pattern, place },
    ]);
  });
  const once = withoutTwice(unwrap(allOf(named)).flat());
  const taken = [...once.map(({ site }) => site), ...fills.map(({ site }) => site)];
  return [...once, ...inManyFiles(folder, notes.data.fill, { taken, lineOf })];
}

type InMany = Extract<Noted, { files: string }>;

/**
 * Places of texts in many files, the longer text's first: where a place that is named for itself stands, or what the
 * survey fills, it is left to that. Stops: fill-not-found
 */
function inManyFiles(
  folder: Folder,
  all: readonly Noted[],
  { taken, lineOf }: { taken: readonly Site[]; lineOf: (index: number) => (key: string) => Place },
): NotedPlace[] {
  const noted = all
    .flatMap((given, index) => ("files" in given ? [{ given, line: lineOf(index) }] : []))
    .sort((a, b) => b.given.text.length - a.given.text.length);
  if (noted.length === 0) return [];
  const sites = new Map<string, Site[]>();
  for (const site of taken) if (site.end > site.start) sites.set(site.file, [...(sites.get(site.file) ?? []), site]);
  const missed: Problem[] = [];
  const found = noted.flatMap(({ given, line }) => {
    const read = filesOf(folder, given.files).map((file) => ({ file, places: sitesIn(folder, file, given) }));
    if (!read.some(({ places }) => places.length > 0)) {
      const message = `"${given.text}" is read in none of the files that "${given.files}" means.`;
      missed.push(problem("fill-not-found", message, { place: line("text") }));
    }
    return read.flatMap(({ file, places }) => {
      const others = sites.get(file) ?? [];
      const free = places.filter(({ site }) => !others.some((other) => overlaps(other, site)));
      sites.set(file, [...others, ...free.map(({ site }) => site)]);
      return free.map((each): NotedPlace => ({ ...each, pattern: given.with, place: line("with") }));
    });
  });
  if (missed.length > 0) stop(missed);
  return found;
}

/** Files that a glob means. */
export function filesOf(folder: Folder, glob: string): string[] {
  const isMeant = picomatch(glob, { dot: true });
  return folder.list().filter((file) => isMeant(file));
}

/** Where people read a text in a file. */
export function sitesIn(
  folder: Folder,
  file: string,
  { text, with: pattern }: Pick<InMany, "text" | "with">,
): { site: Site; form: Form }[] {
  const source = textOf(folder, file);
  if (!source?.text.includes(text)) return [];
  const kind = kindOf(text, pattern);
  const term = { kind, found: text, text, field: fieldsOf[kind] };
  const form = formIn(source, '"');
  return placesRead(source, term).map(({ start, end }) => ({
    site: { file, start, end, value: text, form: "raw" },
    form,
  }));
}

type ReadKind = Extract<OccurrenceKind, "name" | "host" | "email">;

const fieldsOf: Readonly<Record<ReadKind, Field>> = { name: "app.name", host: "domain", email: "email" };

/** What a text is, by how it is written and what goes there. */
const kindOf = (text: string, pattern: string): ReadKind =>
  /^\S+@\S+$/.test(text) ? "email" : /^[\w-]+(\.[\w-]+)+$/.test(text) && /\{domain\b/.test(pattern) ? "host" : "name";

/** Each place once, where it is filled alike; one that is filled in two ways is nobody's. Stops: fill-overlaps */
function withoutTwice(all: readonly NotedPlace[]): NotedPlace[] {
  const once: NotedPlace[] = [];
  const clashes: Problem[] = [];
  for (const each of all) {
    const { site, pattern, place } = each;
    const other = once.find((known) => known.site.file === site.file && overlaps(known.site, site));
    if (!other) once.push(each);
    else if (other.site.start !== site.start || other.site.end !== site.end || other.pattern !== pattern)
      clashes.push(
        problem("fill-overlaps", `${site.file} is filled twice in one place: "${other.pattern}" and "${pattern}".`, {
          place,
          expected: `one of them; the other stands in line ${other.place.line}`,
        }),
      );
  }
  if (clashes.length > 0) stop(clashes);
  return once;
}
