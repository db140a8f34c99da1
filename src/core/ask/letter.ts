import { type Problem, problem } from "../problems/problem.ts";
import type { Letter } from "../record/asked.ts";
import type { ClientStanding } from "../record/board.ts";
import { stores } from "../stores/all.ts";
import { placeInBrief, type RecordField, recordFields } from "../stores/record-fields.ts";
import type { RecordRow } from "../stores/record-row.ts";
import type { PageLanguage } from "../values/page-language.ts";
import type { StoreKey } from "../values/store.ts";
import type { Resolved } from "../variant/variant.ts";
import type { Word } from "./words/en.ts";
import { isWord, type Say } from "./words/say.ts";

/** One thing that a client is asked for. */
export interface Thing {
  /** What it goes into, as the heading of a roster's column; none for what is no field. */
  heading?: string | undefined;
  /** In the client's words. */
  label: string;
  hints: readonly string[];
  /** Asked for before. */
  isStill: boolean;
}

/** What a client is asked for, in its own language. */
export interface Asked {
  client: string;
  name: string;
  owner: string;
  to: string | undefined;
  language: PageLanguage;
  until: string;
  /** The day of the letter before. */
  before?: string;
  groups: readonly { word: Word; things: readonly Thing[] }[];
}

/** In which part of a letter a field stands. */
const groupOf: Readonly<Partial<Record<RecordField, Word>>> = {
  support: "addresses",
  marketing: "addresses",
  privacy: "addresses",
  email: "people",
  contactName: "people",
  contactEmail: "people",
  contactPhone: "people",
  category: "offer",
  subcategory: "offer",
  audience: "offer",
  price: "offer",
  countries: "offer",
  released: "offer",
};

const order: readonly Word[] = ["pictures", "texts", "addresses", "people", "offer", "accounts", "answers"];

/** Everything that only the client can supply, and nothing that others must do. */
export function thingsOf(
  { values, problems }: Resolved,
  standing: ClientStanding | undefined,
  before: Letter | undefined,
  say: Say,
  agency: { name: string; email?: string | undefined },
): Asked["groups"] {
  const language = values.locale?.value ?? "en";
  const rows = new Map<RecordField, RecordRow>();
  const needed = new Set<RecordField>();
  for (const { store, lines } of standing?.stores ?? [])
    for (const { field, state, need, menders } of lines) {
      const isOpen = state === "missing" ? need !== "optional" : menders.includes("client");
      if (recordFields[field].who !== "client" || !isOpen) continue;
      if (need === "required") needed.add(field);
      const row = stores.find(({ key }) => key === store)?.record.find((each) => each.field === field);
      const known = rows.get(field);
      // The strictest store's limit is the one to keep.
      if (row && (!known || (row.most ?? Number.POSITIVE_INFINITY) < (known.most ?? Number.POSITIVE_INFINITY)))
        rows.set(field, row);
    }
  const things: { word: Word; thing: Thing }[] = [...rows].map(([field, row]) => ({
    word: groupOf[field] ?? "texts",
    thing: {
      heading: placeInBrief(field, language)?.join("."),
      label: isWord(field) ? say(field) : recordFields[field].says,
      hints: [...hintsFor(field, row, say), ...(needed.has(field) ? [] : [say("helps")])],
      isStill: before?.things.includes(field) === true,
    },
  }));
  for (const { store, title } of standing?.stores ?? [])
    if (standing?.unshared.includes(store))
      things.push({ word: "accounts", thing: shareOf(store, title, before, say, agency) });
  for (const each of problems.filter(isAsked)) things.push({ word: wordFor(each), thing: thingOf(each, before, say) });
  return order.flatMap((word) => {
    const own = things.filter((each) => each.word === word).map(({ thing }) => thing);
    return own.length > 0 ? [{ word, things: own }] : [];
  });
}

const steps = {
  "google-play": "sharePlay",
  "app-store": "shareApple",
  "mac-app-store": "shareApple",
  "microsoft-store": "shareMicrosoft",
} as const satisfies Record<StoreKey, Word>;

/** What a client does to share its account, and which codes it sends. */
const shareOf = (
  store: StoreKey,
  title: string,
  before: Letter | undefined,
  say: Say,
  { name, email }: { name: string; email?: string | undefined },
): Thing => ({
  label: say("share", { store: title }),
  hints: [say(steps[store], { agency: name, email: email ?? name })],
  isStill: before?.things.includes(say("share", { store: title })) === true,
});

const isAsked = ({ who, severity }: Problem): boolean =>
  severity !== "note" && (who === "client" || (who === "designer" && severity === "error"));

const wordFor = ({ who, code }: Problem): Word =>
  who === "designer" ? "pictures" : code.startsWith("answer") ? "answers" : "offer";

function thingOf({ message, expected }: Problem, before: Letter | undefined, say: Say): Thing {
  const what = expected === undefined ? message : `${message} (${expected})`;
  return { label: say("toMend", { what }), hints: [], isStill: before?.things.includes(message) === true };
}

function hintsFor(field: RecordField, { most, mostParts, mostEach }: RecordRow, say: Say): string[] {
  const { example } = recordFields[field];
  return [
    ...(most === undefined ? [] : [say("upTo", { most })]),
    ...(mostParts === undefined ? [] : [say("entries", { parts: mostParts, each: mostEach })]),
    ...(example === undefined ? [] : [say("example", { example })]),
  ];
}

/** What a letter asks for, to be remembered: fields by their names. */
export const namesOf = (groups: Asked["groups"]): string[] =>
  groups.flatMap(({ things }) =>
    things.map(({ heading, label }) => heading?.replace(/^store\.(?:texts\.[^.]+\.)?/, "") ?? label),
  );

/** Refuses a day that is none. */
export const untilProblem = (day: string): Problem =>
  problem("value-invalid", `"${day}" is no day.`, { expected: "a day such as 2026-12-01" });
