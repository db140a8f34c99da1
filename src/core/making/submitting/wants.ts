import type { Variant } from "../../app/variant/variant.ts";
import { fieldOf } from "../../app/variant/variant.ts";
import { dataLines } from "../../clients/record/collected.ts";
import { declaredTo } from "../../clients/record/declared.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { textsOf } from "../../clients/record/texts.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { recordFields } from "../../stores/record-fields.ts";
import { rowsFor } from "../../stores/record-row.ts";

type Fields = Readonly<Record<string, string>>;

/** Facts of the app itself: its features, a line each, and the class of devices that it is for. */
export const capabilitiesFact = "capabilities";
export const devicesFact = "devices";

/** A picture that a store is to show. */
export interface WantedPicture {
  slot: string;
  language?: string;
  position: number;
  sum: string;
  /** Relative to the workspace. */
  file: string;
}

/** A package that a store is to get. */
export interface WantedBuild {
  version: string;
  build: number;
  sum: string;
  size: number;
  /** Relative to the workspace. */
  file: string;
}

/** Somebody who is to try the app. */
export interface WantedTester {
  address: string;
  group: string;
}

/** How whoever reviews signs in: the password is named, and given when the act is done. */
export interface ReviewAccess {
  user: string;
  /** env:NAME */
  password: string;
}

/** What a store is to have of a client's app. */
export interface Wants {
  identifier: string;
  name: string;
  language: string;
  /** By language, then by field. */
  texts: Readonly<Record<string, Fields>>;
  facts: Fields;
  answers: Fields;
  pictures: readonly WantedPicture[];
  goods: readonly { id: string; name: string; kind: string; price: string }[];
  /** The last good build for the store; none where nothing was built. */
  build?: WantedBuild | undefined;
  /** How whoever reviews signs in; absent where nobody says. */
  access?: ReviewAccess | undefined;
  /** A day, or "at once": when a version that is approved goes out by itself. */
  released?: string | undefined;
  /** Absent where nobody says who tries it: what the store has stays. */
  testers?: Readonly<Record<string, readonly WantedTester[]>> | undefined;
}

/** What a store is to be told of a client's app, as its record says it; drafts that nobody approved are none. */
export function recordWants(
  store: StoreDefinition,
  record: StoreRecord,
  variant: Variant,
): Pick<Wants, "identifier" | "name" | "language" | "texts" | "facts" | "answers" | "released"> {
  const [language = "en"] = record.languages;
  const texts: Record<string, Record<string, string>> = {};
  const facts: Record<string, string> = {};
  for (const row of rowsFor(store.record, record.features)) {
    const value = record.values[row.field];
    if (!recordFields[row.field].byLanguage) {
      if (value?.first && !value.first.isDraft) facts[row.field] = value.first.value;
    } else
      for (const { language: of, text } of textsOf(value, record))
        if (!text.isDraft && of !== undefined) {
          const own = texts[of] ?? {};
          texts[of] = own;
          own[row.field] = text.value;
        }
  }
  const { released, ...told } = facts;
  return {
    identifier: fieldOf(variant, `identifiers.${store.takes[0] ?? "web"}`),
    name: record.values.name?.first?.value ?? "",
    language,
    texts,
    facts: { ...told, ...assembledFacts(record) },
    answers: answersOf(store, record),
    ...(released === undefined ? {} : { released }),
  };
}

/** Answers to the store's questions, by name; what it is told of data by kind. */
const answersOf = (store: StoreDefinition, record: StoreRecord): Fields =>
  Object.fromEntries(
    declaredTo(store.key, record.declared).flatMap(({ declaration: { name }, answer }) => {
      if (!answer) return [];
      if (name !== "data") return [[name, answer.value]];
      return dataLines(store, record.collected).map(({ title, text }) => [`data: ${title}`, text]);
    }),
  );

/** What a store is told of the app itself, beside its record. */
const assembledFacts = ({ features, devices }: StoreRecord): Fields => ({
  ...(features.length > 0 ? { [capabilitiesFact]: features.join("\n") } : {}),
  ...(devices === undefined ? {} : { [devicesFact]: devices }),
});
