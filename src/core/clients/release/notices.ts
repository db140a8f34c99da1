import type { Seen } from "../../agency/history/seen.ts";
import { suppliedArt, type Variant } from "../../app/variant/variant.ts";
import { type Platform, platformNames } from "../../ground/values/platform.ts";
import { sizeSaid } from "../../ground/values/size.ts";
import { questions } from "../../stores/all.ts";
import type { StoreRecord } from "../record/record.ts";

/** Something that people who have an app notice of an update, or are asked. */
export interface Notice {
  what: "name" | "label" | "system" | "picture" | "permission" | "purpose" | "feature" | "answer" | "size";
  /** In a sentence, for a producer. */
  says: string;
  /** People have to agree to it, or are asked by the system. */
  isAsked?: true;
}

/** What of the template people come to see: what its Android manifests ask for, and what each part runs on. */
interface OfTemplate {
  permissions: readonly string[];
  systems: Readonly<Partial<Record<Platform, string>>>;
  /** Bytes of each part's files. */
  sizes(): Readonly<Partial<Record<Platform, number>>>;
}

/** What people see of an app as it is now. */
export function seenOf(variant: Variant, { declared }: StoreRecord, of: OfTemplate): Seen {
  const { permissions, systems } = of;
  const sizes = of.sizes();
  const { names, art, features } = variant;
  const called = (what: "name" | "label") => ({
    ...(names.first ? { "": names.first[what].value } : {}),
    ...Object.fromEntries(Object.entries(names.further).map(([language, each]) => [language, each[what].value])),
  });
  const on = features.filter(({ isOn }) => isOn);
  return {
    names: called("name"),
    labels: called("label"),
    pictures: Object.fromEntries(suppliedArt(art).map(({ at, picture }) => [at.join("."), picture.hash])),
    permissions: [...new Set(permissions)].sort(),
    systems: Object.fromEntries(variant.platforms.flatMap((each) => (systems[each] ? [[each, systems[each]]] : []))),
    sizes: Object.fromEntries(variant.platforms.flatMap((each) => (sizes[each] ? [[each, sizes[each]]] : []))),
    purposes: Object.fromEntries(
      on.flatMap(({ name, usage }) => (usage.first ? [[name, usage.first.value] as const] : [])),
    ),
    features: on.map(({ name }) => name),
    answers: Object.fromEntries(
      declared.flatMap(({ declaration: { name }, answer }) => (answer ? [[name, answer.value] as const] : [])),
    ),
  };
}

type Texts = Readonly<Record<string, string>>;

const keysOf = (before: Texts, now: Texts): string[] => [...new Set([...Object.keys(before), ...Object.keys(now)])];

/** What of some texts is otherwise now. */
const changed = (before: Texts, now: Texts) =>
  keysOf(before, now)
    .filter((key) => before[key] !== now[key])
    .map((key) => ({ key, before: before[key], now: now[key] }));

const inLanguage = (key: string): string => (key === "" ? "" : ` (${key})`);

/** What people notice of an update, what they are asked first. */
export function noticesOf(before: Seen, now: Seen): Notice[] {
  const added = now.permissions.filter((each) => !before.permissions.includes(each));
  const gone = before.permissions.filter((each) => !now.permissions.includes(each));
  const featureChanges = [
    ...now.features.filter((each) => !before.features.includes(each)).map((each) => `${each} is new`),
    ...before.features.filter((each) => !now.features.includes(each)).map((each) => `${each} is gone`),
  ];
  return [
    ...added.map((each): Notice => ({ what: "permission", says: `it asks for ${plainName(each)}`, isAsked: true })),
    ...changed(before.purposes, now.purposes).flatMap(({ key, now: text }): Notice[] =>
      text === undefined
        ? []
        : [{ what: "purpose", says: `${key} is asked for with other words: ${text}`, isAsked: true }],
    ),
    ...changed(before.systems, now.systems).map(
      ({ key, before: former = "not said", now: least = "not said" }): Notice => ({
        what: "system",
        says: `on ${platformNames[key as Platform]} it runs from ${least} on, from ${former} before`,
      }),
    ),
    ...gone.map((each): Notice => ({ what: "permission", says: `it no longer asks for ${plainName(each)}` })),
    ...changed(before.names, now.names).map(
      ({ key, now: name = "none" }): Notice => ({ what: "name", says: `its name${inLanguage(key)} is ${name}` }),
    ),
    ...changed(before.labels, now.labels).map(
      ({ key, now: name = "none" }): Notice => ({
        what: "label",
        says: `the name under its icon${inLanguage(key)} is ${name}`,
      }),
    ),
    ...changed(before.pictures, now.pictures).map(
      ({ key, now: sum }): Notice => ({
        what: "picture",
        says: `${key} is ${sum === undefined ? "gone" : "another picture"}`,
      }),
    ),
    ...sizesChanged(before.sizes, now.sizes),
    ...featureChanges.map((says): Notice => ({ what: "feature", says })),
    ...changed(before.answers, now.answers).map(
      ({ key, before: former = "nothing", now: answer = "nothing" }): Notice => ({
        what: "answer",
        says: `${questionSaid(key)}: ${answer} instead of ${former}`,
      }),
    ),
  ];
}

/** So much more or less, as a share, and in bytes, is noticed where an update is loaded. */
const noticed = { share: 0.1, bytes: 1_000_000 };

/** Parts whose files have grown or shrunk by much. What is loaded in the end, a build shows. */
const sizesChanged = (before: Seen["sizes"], now: Seen["sizes"]): Notice[] =>
  Object.entries(now).flatMap(([platform, size]): Notice[] => {
    const former = before[platform];
    const difference = former === undefined ? 0 : Math.abs(size - former);
    if (former === undefined || difference < noticed.bytes || difference < noticed.share * former) return [];
    const on = platformNames[platform as Platform];
    const says = `on ${on} what it is made of is ${sizeSaid(size)}, not ${sizeSaid(former)}`;
    return [{ what: "size", says: `${says}: a build shows how much is to be loaded` }];
  });

const plainName = (permission: string): string => permission.replace(/^android\.permission\./, "");

const questionSaid = (name: string): string => questions.find((each) => each.name === name)?.asks ?? name;
