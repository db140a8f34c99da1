import { dataLines } from "../../clients/record/collected.ts";
import { asTaken } from "../../clients/record/count.ts";
import { declaredTo } from "../../clients/record/declared.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { textsOf } from "../../clients/record/texts.ts";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { languagesFor } from "../../proving/standing/rules/facts.ts";
import { categoryIn } from "../../proving/standing/rules/texts.ts";
import { agesSaid } from "../../stores/ages.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { placeInBrief } from "../../stores/record-fields.ts";
import { type RecordRow, rowsFor } from "../../stores/record-row.ts";

/** One thing that is copied into a store's form. */
export interface SheetItem {
  title: string;
  /** What it is known by: field and language. */
  id: string;
  text: string;
  /** Changes when the text does. */
  sum: string;
  most?: number;
  language?: string;
  /** Why a store would not take it. */
  faults: readonly string[];
}

/** One that a store asks for and that is not there. */
export interface LackingItem {
  title: string;
  lacks: string;
}

/** What a store is told of a client, in its own order. */
export interface SheetItems {
  fields: readonly (SheetItem | LackingItem)[];
  questions: readonly (SheetItem | LackingItem)[];
}

export interface ItemsFrom {
  identifier: string;
  store: StoreDefinition;
  record: StoreRecord;
  problems: readonly Problem[];
}

export const itemsOf = ({ identifier, store, record, problems }: ItemsFrom): SheetItems => ({
  fields: [
    item("identifier", "Identifier", identifier),
    ...rowsFor(store.record, record.features).flatMap((row) => rowItems(row, { store, record, problems })),
  ],
  questions: declaredTo(store.key, record.declared).flatMap(
    ({ declaration: { name, asks }, answer }): (SheetItem | LackingItem)[] => {
      if (!answer) return [{ title: asks, lacks: "Missing: nobody has answered it." }];
      if (name !== "data") return [item(`declares.${name}`, asks, answer.value)];
      return dataLines(store, record.collected).map(({ title, text }) =>
        item(`declares.data.${slugOf(title)}`, title, text),
      );
    },
  ),
});

/** An id is written in a command: small letters and hyphens alone. */
const slugOf = (title: string): string => title.toLowerCase().replace(/[^a-z0-9]+/g, "-");

export const isThere = (each: SheetItem | LackingItem): each is SheetItem => "id" in each;

const item = (id: string, title: string, text: string, more: Partial<SheetItem> = {}): SheetItem => ({
  title,
  id,
  text,
  sum: sha256(text).slice(0, 12),
  faults: [],
  ...more,
});

function rowItems(
  row: RecordRow,
  { store, record, problems }: Omit<ItemsFrom, "identifier">,
): (SheetItem | LackingItem)[] {
  const texts = textsOf(record.values[row.field], record).filter(({ text }) => !text.isDraft);
  const lacks = row.need === "required" ? "Missing: the store does not take the record without it." : "Not given.";
  if (texts.length === 0) return row.need === "optional" ? [] : [{ title: row.title, lacks }];
  const isSpoken = record.languages.length > 1 && Object.keys(record.values[row.field]?.further ?? {}).length > 0;
  return texts.map(({ language, text }) =>
    item(
      `${row.field}.${language ?? ""}`,
      isSpoken ? `${row.title} (${calledIn(store, language)})` : row.title,
      taken(text.value, row, store),
      {
        ...(row.most === undefined ? {} : { most: row.most }),
        ...(language === undefined ? {} : { language }),
        faults: faultsOf(row, language ?? record.languages[0] ?? "en", problems.filter(isError)),
      },
    ),
  );
}

/** A language as the store calls it, where it has it. */
const calledIn = (store: StoreDefinition, language = ""): string => languagesFor(store, language)?.[0] ?? language;

/** What is wrong with a field, in a language. */
function faultsOf({ field }: RecordRow, language: string, faults: readonly Problem[]): string[] {
  const place = (placeInBrief(field, language) ?? [field]).join(".");
  return faults.filter(({ about }) => about?.join(".") === place).map(({ message }) => message);
}

/** A value as the store's own form takes it. */
const taken = (value: string, row: RecordRow, store: StoreDefinition): string => {
  if (row.field === "audience") return agesSaid(value);
  return row.field === "category" || row.field === "subcategory"
    ? (categoryIn(store, value) ?? value)
    : asTaken(value, row);
};
