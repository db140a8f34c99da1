import type { Template } from "../../app/survey/template.ts";
import type { FeaturePlaces } from "../../app/template/feature-places.ts";
import type { Spoken } from "../../app/template/localized.ts";
import { type ClientFeature, furtherNames, type Variant } from "../../app/variant/variant.ts";
import { type Cut, withCuts } from "../../formats/splice/cut.ts";
import type { Edit, Site } from "../../formats/splice/site.ts";
import { valueFor } from "../../ground/values/varying.ts";

/** The template's features as a client has them: on, with what people read, or off. */
const pairs = ({ features }: Variant, template: Template): { feature: ClientFeature; places: FeaturePlaces }[] =>
  features.flatMap((feature) => {
    const places = template.features.find(({ name }) => name === feature.name);
    return places ? [{ feature, places }] : [];
  });

/** Every place that holds what people read when the app asks for something, and what stands there. */
export function usageTexts(
  variant: Variant,
  template: Template,
): { site: Site; text: string; place: { opens?: string; closes?: string } }[] {
  return pairs(variant, template).flatMap(({ feature, places }) =>
    !feature.isOn
      ? []
      : places.usage.flatMap(({ site, locale, opens, closes }) => {
          const text = valueFor(feature.usage, locale)?.value;
          const place = { ...(opens ? { opens } : {}), ...(closes ? { closes } : {}) };
          return text === undefined ? [] : [{ site, text, place }];
        }),
  );
}

/** What features put into the build files, where a client has them or has them not; two of them may need the same. */
export function askedFor(variant: Variant, template: Template): { file: string; edit: Edit }[] {
  const all = pairs(variant, template).flatMap(({ feature, places }) => (feature.isOn ? places.adds : places.keepsOut));
  const once = new Map(all.map((each) => [`${each.file} ${each.at} ${each.text}`, each]));
  return [...once.values()].map(({ file, at, text }) => ({ file, edit: { start: at, end: at, text } }));
}

/** A client's further languages, each with what people read in it. */
export function spokenBy(variant: Variant, template: Template): Spoken[] {
  const on = pairs(variant, template).filter(({ feature }) => feature.isOn);
  return furtherNames(variant).map((name) => {
    const texts = on.flatMap(({ feature, places }) => {
      const text = feature.usage.further[name.locale]?.value;
      const keys = new Set(places.usage.map(({ key }) => key));
      return text === undefined ? [] : [...keys].map((key) => [key, text]);
    });
    return { ...name, usage: Object.fromEntries(texts) };
  });
}

/** A client's first language, with its names and what people read in it. */
export function mainSpoken(variant: Variant, template: Template): Spoken | undefined {
  const { values, names } = variant;
  if (!values.locale || !names.first) return undefined;
  const texts = pairs(variant, template).flatMap(({ feature, places }) => {
    const text = feature.isOn ? feature.usage.first?.value : undefined;
    return text === undefined ? [] : places.usage.map(({ key }) => [key, text]);
  });
  return { locale: values.locale.value, ...names.first, usage: Object.fromEntries(texts) };
}

/** The edits of each file, and what goes with the features that a client does not have. */
export function withoutFeatures(
  edits: ReadonlyMap<string, Edit[]>,
  variant: Variant,
  template: Template,
): Map<string, Edit[]> {
  const cuts = new Map<string, Cut[]>();
  for (const { feature, places } of pairs(variant, template)) {
    if (feature.isOn) continue;
    for (const cut of places.cuts) cuts.set(cut.file, [...(cuts.get(cut.file) ?? []), cut]);
  }
  const result = new Map(edits);
  for (const [file, gone] of cuts) result.set(file, withCuts(edits.get(file) ?? [], gone));
  return result;
}
