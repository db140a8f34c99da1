import type { Template } from "../../../app/survey/template.ts";
import { textSites } from "../../../app/survey/text-places.ts";
import { namedSite } from "../../../app/template/places.ts";
import { fillPattern, readPattern } from "../../../clients/derive/fields/pattern.ts";
import { type Form, write } from "../../../formats/splice/forms.ts";
import { edited } from "../../../formats/splice/shape/shape.ts";
import type { Shape } from "../../../formats/splice/shape/shaped.ts";
import type { Edit, Site } from "../../../formats/splice/site.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Source } from "../../../ground/values/source.ts";

/** What of a template advice is held against: its files, and what a survey fills. */
export type Surveyed = Pick<Template, "folder" | "parts">;

/** A place of a file and what is to go there, as an entry of template.yaml says it. */
export type FillEntry = { file: string; with: string } & ({ at: string } | { text: string; times: number });

/** A client that nobody has: every mark that means something to some format is in its name. */
const probe: Readonly<Partial<Record<Field, string>>> = {
  "app.name": `Brook & Mill's "Ö" <1> \${2} #{3}\\`,
  "app.label": `Brook's & "Mill"`,
  owner: `Brook & Mill's "Sons"`,
  email: "post@brook-mill.example",
  domain: "brook-mill.example",
  scheme: "brookmill",
  "identifiers.base": "example.brookmill.shop",
  "identifiers.android": "example.brookmill.shop",
  "identifiers.ios": "example.brookmill.shop",
  "identifiers.desktop": "example.brookmill.shop",
  "identifiers.windows": "Brookmill.Shop",
  "identifiers.web": "/brook-mill",
  "desktop.installerId": "6b0c71d4-52e9-5f3a-8c17-40d2a96be583",
  "colors.brand": "#0a1b2c",
};

const placeless = () => ({ file: "template.yaml", line: 1, column: 1, text: "" });

/** What a file's texts become, each as it was and as it is; undefined where the file does not hold. */
export interface Tried {
  /** Texts that change, as the format reads them. */
  changed: readonly { before: string; after: string }[];
}

/**
 * Fills a place for a client that nobody has, and reads the file back by its own format: what is no text has to be as
 * it was. Undefined where it is not, where the place is not found, or where nobody here reads such files.
 */
export function tryFill(template: Surveyed, entry: FillEntry): Tried | undefined {
  const source = textOf(template.folder, entry.file);
  if (!source) return undefined;
  const places = placesOf(template, entry);
  return places && tryPlaces(source, places, entry.with);
}

/** The same for places that are known. @param pattern what is to go there */
export function tryPlaces(
  source: Source,
  places: readonly { site: Site; form?: Form | undefined }[],
  pattern: string,
): (Tried & { edits: readonly Edit[] }) | undefined {
  const read = readPattern(pattern, placeless());
  if (places.length === 0 || !read.ok) return undefined;
  const edits: Edit[] = [];
  for (const { site, form } of places) {
    const inner = form && ((text: string) => write(form, text));
    const value = fillPattern(read.value, (field) => probe[field], inner);
    if (value === undefined) return undefined;
    edits.push({ start: site.start, end: site.end, text: write(site.form, value) });
  }
  const shapes = edited(source, edits);
  const changed = shapes?.after && differing(shapes.before, shapes.after);
  return changed && changed.length > 0 ? { changed, edits } : undefined;
}

function placesOf(template: Surveyed, entry: FillEntry) {
  if ("at" in entry) {
    const site = namedSite(template.folder, entry.file, entry.at);
    return site && [{ site, form: undefined }];
  }
  const fills = template.parts.flatMap((part) => part.fills);
  const found = textSites(template.folder, entry, placeless, fills);
  return found.ok ? found.value : undefined;
}

/** Texts that are others; undefined where anything else is. */
function differing(before: Shape, after: Shape): Tried["changed"] | undefined {
  if (before.shape !== after.shape || before.values.length !== after.values.length) return undefined;
  return before.values.flatMap((value, at) => {
    const now = after.values[at] ?? "";
    return now === value ? [] : [{ before: value, after: now }];
  });
}

/** What the client that nobody has would have in place of an expression. */
export function probeOf(expression: string): string | undefined {
  const pattern = readPattern(expression, placeless());
  return pattern.ok ? fillPattern(pattern.value, (field) => probe[field]) : undefined;
}
