import type { Template } from "../../app/survey/template.ts";
import { type Fill, placeOf } from "../../app/template/found.ts";
import type { Localized } from "../../app/template/localized.ts";
import { applyShape } from "../../app/template/shapes.ts";
import { profileOf } from "../../app/variant/signing.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { fillPattern, readPattern } from "../../clients/derive/fields/pattern.ts";
import { write } from "../../formats/splice/forms.ts";
import type { Edit, Site } from "../../formats/splice/site.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { mapResult, type Result, stop, succeed } from "../../ground/problems/result.ts";
import { type Field, fields } from "../../ground/values/fields.ts";
import type { FieldFact } from "../../ground/values/known-of-field.ts";
import { askedFor, usageTexts } from "./features.ts";

/** A place of the template, and what goes there for a client; undefined where nobody gives it. */
interface Placement {
  site: Site;
  value: string | undefined;
  /** What is wanted there, as it is told. */
  wanted: string;
  /** Where a brief has that. */
  about?: readonly string[];
  opens?: string | undefined;
  closes?: string | undefined;
}

/** Every edit of each file. Where two want one place, the first has it: names by language before those for all. */
export function editsByFile(variant: Variant, template: Template, localized: Localized): Map<string, Edit[]> {
  const seen = new Set<string>();
  const isFirst = ({ site, opens }: Placement): boolean => {
    const place = placeOf(site, opens);
    return !seen.has(place) && Boolean(seen.add(place));
  };
  const named = localized.values
    .map(({ site, value }): Placement => ({ site, value, wanted: "a name" }))
    .filter(isFirst);
  const read = placementsOf(variant, template);
  const others = read.flatMap((each) => (each.ok ? [each.value] : [])).filter(isFirst);
  const problems = [
    ...read.flatMap((each) => (each.ok ? [] : each.problems)),
    ...[...named, ...others].filter(({ value }) => value === undefined).map(tellUnfilled),
  ];
  if (problems.length > 0) stop(problems);
  const all = [
    ...named.flatMap((each) => editsAt(template, each)),
    ...localized.inserts,
    ...askedFor(variant, template),
    ...others.flatMap((each) => editsAt(template, each)),
  ];
  const edits = new Map<string, Edit[]>();
  for (const { file, edit } of all) {
    const known = edits.get(file);
    if (known) known.push(edit);
    else edits.set(file, [edit]);
  }
  return edits;
}

/**
 * Every place that a client's values go to: texts of features, places of template.yaml, answers, then the surveys'
 * fills.
 */
function placementsOf(variant: Variant, template: Template): Result<Placement>[] {
  const lookUp = (field: Field) => variant.values[field]?.value;
  const added = template.parts.flatMap((part) => part.added.flatMap((file) => file.fills));
  const fills = [...template.parts.flatMap((part) => part.fills), ...added];
  return [
    ...usageTexts(variant, template).map(({ site, text, place }) =>
      succeed({ site, value: text, wanted: "a usage text", ...place }),
    ),
    ...template.places.map(({ site, pattern, place, form }) =>
      mapResult(readPattern(pattern, place), (read) => {
        const value = fillPattern(read, lookUp, form && ((text) => write(form, text)));
        return { site, value, wanted: `"${pattern}"` };
      }),
    ),
    ...template.answers.flatMap(({ name, sites }) =>
      sites.map((site) => {
        const value = variant.answers[name]?.value ?? (site.form === "raw" ? "0" : "");
        return succeed({ site, value, wanted: name });
      }),
    ),
    ...fills.flatMap((fill) => {
      const { site, holds: wanted, opens, closes, signs, optional } = fill;
      const given = wanted === "signing.profile" ? profileOf(variant, signs) : lookUp(wanted);
      const value = given === undefined ? undefined : fillText(fill, given);
      const { brief: about, isOptional } = fields[wanted] as FieldFact;
      return given === undefined && (optional || isOptional)
        ? []
        : [succeed({ site, value, wanted, opens, closes, ...(about ? { about } : {}) })];
    }),
  ];
}

function editsAt(template: Template, { site, value = "", opens = "", closes = "" }: Placement) {
  const edit = { start: site.start, end: site.end, text: opens + write(site.form, value) + closes };
  const more = site.form === "android-string" ? markUnformatted(template, site, value) : [];
  return [...more, edit].map((each) => ({ file: site.file, edit: each }));
}

/**
 * Two percent signs would be taken for places of arguments (Android documentation, "String resources"): the text says
 * that it has none.
 */
function markUnformatted(template: Template, site: Site, value: string): Edit[] {
  if (value.split("%").length < 3 || !template.folder.has(site.file)) return [];
  const { text } = template.folder.source(site.file);
  const tag = text.slice(text.lastIndexOf("<", site.start - 1), site.start);
  const isPlain = tag.startsWith("<string") && tag.endsWith(">") && !tag.includes("formatted=");
  return isPlain ? [{ start: site.start - 1, end: site.start - 1, text: ' formatted="false"' }] : [];
}

const fillText = ({ shape, site, before = "", after = "" }: Fill, value: string): string =>
  before + applyShape(shape, value, site.value) + after;

/** Left alone, the template's own value would stay. */
const tellUnfilled = ({ site: { file, value }, wanted, about = [] }: Placement): Problem =>
  problem("key-missing", `Nothing gives ${wanted}, which ${file} wants in place of "${value}".`, { about });
