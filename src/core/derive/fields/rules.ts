import { definitions } from "../../platforms/all.ts";
import { type Problem, problem } from "../../problems/problem.ts";
import { type Field, type FieldFact, fields } from "../../values/fields.ts";
import { type Platform, platformNames, platforms } from "../../values/platform.ts";
import type { Place } from "../../values/source.ts";
import { isDerived, type Traced, writtenAt } from "../../values/trail.ts";
import type { Resolved } from "../../variant/variant.ts";
import type { Client } from "../../workspace/workspace.ts";
import { brokenRules, isDistinguishedName } from "./identifier.ts";
import { drawnWidth, roomForLabel, tellingWords } from "./label.ts";
import { isReadingUnsure } from "./latin.ts";

type Values = Partial<Record<Field, Traced>>;

/** A limit a platform sets for a value that is not an identifier. */
interface Limit {
  field: Field;
  code: "name-invalid" | "version-invalid" | "value-invalid";
  severity: "error" | "warning";
  keeps(value: string): boolean;
  says: string;
}

/** Where to look for a value that is wrong: where it was written, or else the brief. */
const placeOf = (client: Client, value: Traced | undefined): Place | undefined =>
  (value && writtenAt(value)) ?? client.brief?.document.placeOf([]);

const briefPath = (field: Field): readonly string[] => (fields[field] as FieldFact).brief ?? [field];

const longest = (most: number) => (value: string) => [...value].length <= most;

/** Limits on names and versions, each from the documentation of the platform or store it names. */
const limits: readonly Limit[] = [
  {
    field: "app.name",
    code: "name-invalid",
    severity: "error",
    keeps: longest(30),
    says: "at most 30 characters in the Android and Apple stores",
  },
  {
    field: "app.name",
    code: "name-invalid",
    severity: "error",
    keeps: (value) => [...value].length >= 2,
    says: "at least 2 characters in the Apple store",
  },
  {
    field: "version",
    code: "version-invalid",
    severity: "error",
    keeps: (value) =>
      /^[1-9]\d{0,4}\.\d{1,5}\.\d{1,5}$/.test(value) && value.split(".").every((part) => Number(part) <= 65_535),
    says: "three whole numbers up to 65535, the first not 0: Apple and Windows accept no other form",
  },
  {
    field: "windows.version",
    code: "version-invalid",
    severity: "error",
    keeps: (value) => /^[1-9]\d*(\.\d+){3}$/.test(value) && value.split(".").every((part) => Number(part) <= 65_535),
    says: "four whole numbers up to 65535, the first not 0: Windows accepts no other form",
  },
  {
    field: "windows.publisher",
    code: "value-invalid",
    severity: "error",
    keeps: isDistinguishedName,
    says: "an X.500 name, such as CN=Hill Farm, O=Hill Farm, C=GB: the subject of the certificate",
  },
];

/**
 * Every rule that a client's values break on their own.
 * @param wanted platforms that the client wants: the rules of others are no matter
 */
export function judgeValues(client: Client, values: Values, wanted: readonly Platform[] = platforms): Problem[] {
  const place = (field: Field) => placeOf(client, values[field]);
  const broken = limits.flatMap(({ field, code, severity, keeps, says }) => {
    const value = values[field]?.value;
    if (value === undefined || keeps(value)) return [];
    return [
      problem(code, `${fields[field].says} is "${value}".`, {
        severity,
        expected: says,
        place: place(field),
        about: briefPath(field),
        facts: { value },
      }),
    ];
  });
  const refused = wanted.flatMap((platform) => {
    const field: Field = `identifiers.${platform}`;
    const value = values[field]?.value;
    if (value === undefined) return [];
    return brokenRules(platform, value).map((rule) =>
      problem("identifier-invalid", `${platformNames[platform]} does not accept the identifier "${value}".`, {
        expected: `it must ${rule}`,
        place: place(field),
        platform,
      }),
    );
  });
  const label = wideLabel(values["app.label"]?.value ?? "", place("app.label"));
  return [...broken, ...label, ...shortLabel(client, values), ...unsureIdentifier(client, values), ...refused];
}

/** Warns of a label that is one word of a name that has several. */
function shortLabel(client: Client, values: Values): Problem[] {
  const { "app.name": name, "app.label": label } = values;
  if (!name || !label || !isDerived(label) || label.value === name.value) return [];
  const words = tellingWords(name.value);
  if (words.length < 2 || label.value.split(/\s+/).length > 1) return [];
  const message = `Under the icon there is room for "${label.value}" alone, of "${name.value}".`;
  const detail = { severity: "warning", place: placeOf(client, name), about: ["app", "label"] } as const;
  return [problem("label-short", message, { ...detail, facts: { value: label.value } })];
}

/** Warns of an identifier that the domain had to give, before a release fixes it. */
function unsureIdentifier(client: Client, values: Values): Problem[] {
  const { "app.name": name, "identifiers.base": base } = values;
  const isFixed = platforms.some((each) => client.ledger?.identifiers[each]?.fixed !== undefined);
  if (!name || !base || !isDerived(base) || isFixed || !isReadingUnsure(name.value)) return [];
  const message =
    `Nobody can be sure how "${name.value}" is written in Latin letters: the identifier is ` + `"${base.value}".`;
  const detail = { severity: "warning", place: placeOf(client, name), about: ["identifiers", "base"] } as const;
  return [problem("identifier-unsure", message, { ...detail, facts: { value: name.value } })];
}

/** Warns of a label that a home screen cuts off. */
export function wideLabel(label: string, place: Place | undefined): Problem[] {
  const width = drawnWidth(label);
  if (width <= roomForLabel) return [];
  const message =
    `"${label}" is ${width.toFixed(1)} em wide under the icon; a home screen cuts it off after about ` +
    `${roomForLabel.toFixed(1)}.`;
  return [problem("label-wide", message, { severity: "warning", place })];
}

/** Finds identifiers that two clients share; both are told, each with the other's key. */
export function judgeTogether(all: readonly Resolved[]): Map<string, Problem[]> {
  const found = new Map<string, Problem[]>();
  for (const platform of platforms) {
    const field: Field = `identifiers.${platform}`;
    const holders = new Map<string, Resolved[]>();
    for (const each of all) {
      const value = each.variant?.values[field]?.value;
      if (value === undefined || !each.variant?.platforms.includes(platform)) continue;
      const compared = definitions[platform].identifiers.comparable(value, each.variant?.values.domain?.value ?? "");
      addTo(holders, compared, each);
    }
    for (const sharing of holders.values()) {
      if (sharing.length < 2) continue;
      for (const each of sharing) addShared(found, each, sharing, platform);
    }
  }
  return found;
}

/** Finds names that two clients share: a store takes a name once. Warnings, by client. */
export function judgeNames(all: readonly Resolved[]): Map<string, Problem[]> {
  const holders = new Map<string, Resolved[]>();
  for (const each of all) {
    const name = each.values["app.name"]?.value.normalize("NFKC").toLowerCase().replace(/\s+/g, " ");
    if (name) addTo(holders, name, each);
  }
  const found = new Map<string, Problem[]>();
  for (const sharing of holders.values())
    for (const { client, values } of sharing.length > 1 ? sharing : []) {
      const { key } = client;
      const name = values["app.name"];
      const message = `"${name?.value}" is also the name of ${othersOf(sharing, key)}.`;
      const place = placeOf(client, name);
      const detail = { severity: "warning", client: key, place, about: ["app", "name"] } as const;
      found.set(key, [problem("name-shared", message, { ...detail, facts: { value: name?.value ?? "" } })]);
    }
  return found;
}

function addTo(holders: Map<string, Resolved[]>, key: string, each: Resolved): void {
  const known = holders.get(key);
  if (known) known.push(each);
  else holders.set(key, [each]);
}

/** So many others are named. */
const mostNamed = 3;

/** The others among clients that share something: a thousand may share one name. */
function othersOf(sharing: readonly Resolved[], key: string): string {
  const named = sharing.slice(0, mostNamed + 1).flatMap(({ client }) => (client.key === key ? [] : [client.key]));
  const shown = named.slice(0, mostNamed);
  const more = sharing.length - 1 - shown.length;
  return [...shown, ...(more > 0 ? [`${more} more`] : [])].join(" and ");
}

function addShared(found: Map<string, Problem[]>, each: Resolved, sharing: Resolved[], platform: Platform): void {
  const { key } = each.client;
  const value = each.variant?.values[`identifiers.${platform}`];
  const place = placeOf(each.client, value);
  const message = `${platformNames[platform]}: "${value?.value}" is also the identifier of ${othersOf(sharing, key)}.`;
  found.set(key, [...(found.get(key) ?? []), problem("identifier-taken", message, { client: key, place, platform })]);
}
