import type { Client } from "../../../agency/workspace/workspace.ts";
import type { ClientFeature, LocalName, Names, Values } from "../../../app/variant/variant.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { directionOf } from "../../../ground/values/language.ts";
import { type Traced, trace, writtenAt } from "../../../ground/values/trail.ts";
import type { Varying } from "../../../ground/values/varying.ts";
import type { StoreDefinition } from "../../../stores/definition.ts";
import { fittedLabel } from "./label.ts";
import { roomForName, shortLabel, wideLabel } from "./rules.ts";

/**
 * A client's names in the further languages it gives names or texts in; what a language lacks is made as for the
 * first one.
 */
export function localNames({ brief }: Client, values: Values, features: readonly ClientFeature[]): LocalName[] {
  const given = brief?.data.app?.locales ?? {};
  const spoken = features.flatMap(({ isOn, usage }) => (isOn ? Object.keys(usage.further) : []));
  return [...new Set([...Object.keys(given), ...spoken])].sort().map((locale) => {
    const { name, label } = given[locale] ?? {};
    const said = (key: "name" | "label", value: string): Traced =>
      trace({
        by: "brief",
        note: "given in the brief",
        value: value.normalize("NFC"),
        ...(brief ? { place: brief.document.placeOf(["app", "locales", locale, key]) } : {}),
      });
    const long = name === undefined ? same("app.name", values) : said("name", name);
    return {
      locale,
      direction: directionOf(locale),
      name: long,
      label: label === undefined ? fittedLabel(same("the name", values, long)) : said("label", label),
    };
  });
}

const same = (what: string, values: Values, value = values["app.name"]): Traced =>
  trace({ by: "rule", note: `the same as ${what}`, value: value?.value ?? "" });

/** The limits that the first language's names keep, for a further one. */
export function judgeLocalName(
  { brief }: Client,
  { locale, name, label }: LocalName,
  stores: readonly StoreDefinition[],
): Problem[] {
  const place = writtenAt(name) ?? brief?.document.placeOf(["app", "locales", locale], "key");
  const expected = roomForName(name.value, stores);
  const message = `The name in ${locale} is "${name.value}".`;
  const about = ["app", "locales", locale, "name"];
  return [
    ...(expected === undefined
      ? []
      : [problem("name-invalid", message, { expected, place, about, facts: { value: name.value } })]),
    ...shortLabel({ name, label }, place, ["app", "locales", locale, "label"]),
    ...wideLabel(label.value, writtenAt(label) ?? place),
  ];
}

/** An app's names, in its first language and in further ones. */
export function namesByLanguage(values: Values, locales: readonly LocalName[]): Varying<Names> {
  const { "app.name": name, "app.label": label, locale } = values;
  return {
    first: name && label && locale && { direction: directionOf(locale.value), name, label },
    further: Object.fromEntries(locales.map(({ locale, ...names }) => [locale, names])),
  };
}
