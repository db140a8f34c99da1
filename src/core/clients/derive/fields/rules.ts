import { domainToUnicode } from "node:url";
import type { Client } from "../../../agency/workspace/workspace.ts";
import { definitions } from "../../../app/platforms/all.ts";
import type { ValueLimit } from "../../../app/platforms/limit.ts";
import type { Resolved } from "../../../app/variant/variant.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { type Field, fields } from "../../../ground/values/fields.ts";
import type { FieldFact } from "../../../ground/values/known-of-field.ts";
import { type Platform, platformNames, platforms } from "../../../ground/values/platform.ts";
import type { Place } from "../../../ground/values/source.ts";
import { isDerived, type Traced, writtenAt } from "../../../ground/values/trail.ts";
import type { StoreDefinition } from "../../../stores/definition.ts";
import { characters } from "../../record/count.ts";
import { brokenRules } from "./identifier.ts";
import { drawnWidth, isCut, roomForLabel, tellingWords } from "./label.ts";
import { isReadingUnsure } from "./latin.ts";

type Values = Partial<Record<Field, Traced>>;

/** Where to look for a value that is wrong: where it was written, or else the brief. */
const placeOf = (client: Client, value: Traced | undefined): Place | undefined =>
  (value && writtenAt(value)) ?? client.brief?.document.placeOf([]);

const briefPath = (field: Field): readonly string[] => (fields[field] as FieldFact).brief ?? [field];

/** What holds for every app: its own form of a version is counted on from release to release. */
const own: readonly ValueLimit[] = [
  {
    field: "version",
    code: "version-invalid",
    keeps: (value) => /^\d{1,5}\.\d{1,5}\.\d{1,5}$/.test(value),
    says: "three whole numbers, such as 1.0.0",
  },
];

/** What a client's app is for: the limits of others are no matter. */
export interface Wanted {
  platforms: readonly Platform[];
  stores: readonly StoreDefinition[];
}

/** Every rule that a client's values break on their own. */
export function judgeValues(client: Client, values: Values, { platforms: wanted, stores }: Wanted): Problem[] {
  const place = (field: Field) => placeOf(client, values[field]);
  const isBroken = ({ field, keeps }: ValueLimit) => {
    const value = values[field]?.value;
    return value !== undefined && !keeps(value);
  };
  const of = (field: Field) => ({
    place: place(field),
    about: briefPath(field),
    facts: { value: values[field]?.value ?? "" },
  });
  const said = (field: Field) => `${fields[field].says} is "${values[field]?.value}".`;
  const broken = [...own.filter(isBroken), ...wanted.flatMap((each) => definitions[each].limits.filter(isBroken))];
  const told = [...new Map(broken.map((each) => [each.field, each])).values()].map(({ field, code, says }) =>
    problem(code, said(field), { ...of(field), expected: says }),
  );
  const room = roomForName(values["app.name"]?.value ?? "", stores);
  const named =
    room === undefined ? [] : [problem("name-invalid", said("app.name"), { ...of("app.name"), expected: room })];
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
  const { "app.name": name, "app.label": label } = values;
  const labels = [
    ...wideLabel(label?.value ?? "", place("app.label")),
    ...shortLabel({ name, label }, place("app.name"), ["app", "label"]),
  ];
  return [
    ...[...named, ...told, ...labels, ...unsureIdentifier(client, values), ...refused],
    ...(wanted.includes("android") ? freeToTurn(values.orientation, place("orientation")) : []),
  ];
}

/** What holds an app upright holds it on narrow screens alone (Android 16, behavior changes: target 36). */
function freeToTurn(orientation: Traced | undefined, place: Place | undefined): Problem[] {
  if (orientation === undefined || orientation.value === "any") return [];
  const message = `Tablets and unfolded phones turn an app that is ${orientation.value} all the same.`;
  return [problem("orientation-free", message, { severity: "note", place, about: ["orientation"] })];
}

/** How long a name may be where it is too long or too short for a store; undefined where it fits all. */
export function roomForName(name: string, stores: readonly StoreDefinition[]): string | undefined {
  const length = characters(name);
  const rows = stores.flatMap(({ title, record }) => {
    const row = record.find(({ field }) => field === "name");
    return row ? [{ title, least: row.least ?? 1, most: row.most ?? Number.POSITIVE_INFINITY }] : [];
  });
  const strict = rows.filter(({ least, most }) => name !== "" && (length < least || length > most));
  if (strict.length === 0) return undefined;
  const where = strict.map(({ title }) => title).join(" and ");
  const isLong = strict.some(({ most }) => length > most);
  return isLong
    ? `at most ${Math.min(...strict.map(({ most }) => most))} characters in ${where}`
    : `at least ${Math.max(...strict.map(({ least }) => least))} characters in ${where}`;
}

/** Warns of a label that was made of a name and says less: one word of several, or a word that was cut. */
export function shortLabel(
  { name, label }: { name: Traced | undefined; label: Traced | undefined },
  place: Place | undefined,
  about: readonly string[],
): Problem[] {
  if (!name || !label || !(isDerived(label) || label.trail[0]?.by === "rule") || label.value === name.value) return [];
  const wasCut = isCut(name.value, label.value);
  const isOneOfSeveral = tellingWords(name.value).length > 1 && label.value.split(/\s+/).length === 1;
  if (!wasCut && !isOneOfSeveral) return [];
  const room = `Under the icon there is room for "${label.value}" alone, of "${name.value}"`;
  const message = wasCut ? `${room}: that is cut, and may be no name.` : `${room}.`;
  return [problem("label-short", message, { severity: "warning", place, about, facts: { value: label.value } })];
}

/** Warns of an identifier that nobody can be sure of, before a release fixes it: of the name, or of the domain. */
function unsureIdentifier(client: Client, values: Values): Problem[] {
  const { "app.name": name, "identifiers.base": base } = values;
  const isFixed = platforms.some((each) => client.ledger?.identifiers[each]?.fixed !== undefined);
  if (!name || !base || !isDerived(base) || isFixed) return [];
  const unsure = isReadingUnsure(name.value)
    ? { of: name, said: `"${name.value}"`, value: name.value }
    : unsureDomain(values, base);
  if (!unsure) return [];
  const { of, said, value } = unsure;
  const message = `Nobody can be sure how ${said} is written in Latin letters: the identifier is "${base.value}".`;
  const detail = { severity: "warning", place: placeOf(client, of), about: ["identifiers", "base"] } as const;
  return [problem("identifier-unsure", message, { ...detail, facts: { value } })];
}

/** A domain in a script with no sure reading, or with letters that its client's language does not have. */
function unsureDomain({ domain, locale }: Values, base: Traced) {
  const read = domainToUnicode(domain?.value ?? "");
  if (!domain || read === domain.value || !base.trail.some(({ note }) => note.includes("domain"))) return undefined;
  const isForeign = /^en\b/.test(locale?.value ?? "en") || isReadingUnsure(read);
  return isForeign ? { of: domain, said: `the domain ${read}`, value: read } : undefined;
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
