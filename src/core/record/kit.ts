import type { StoreDefinition } from "../stores/definition.ts";
import { recordFields, spokenFieldNames } from "../stores/record-fields.ts";
import type { StoreKey } from "../values/store.ts";
import { asTaken } from "./count.ts";
import type { StoreRecord } from "./record.ts";
import { textsOf } from "./rules/rule.ts";

/** A text of a store's record as a file of a variant. */
interface KitFile {
  store: StoreKey;
  path: string;
  text: string;
}

/** Whether a client has a record at all: a name alone is none, and whoever keeps none gets no files of it. */
export const isKept = ({ values }: Pick<StoreRecord, "values">): boolean =>
  spokenFieldNames.some((field) => field !== "name" && values[field] !== undefined);

/**
 * A store's texts as files, in each language of the app: `store/google-play/en/description.txt`. Drafts that nobody has
 * approved, and texts that only stand in for a language's own, are none.
 */
export function kitFiles(store: StoreDefinition, record: StoreRecord): KitFile[] {
  if (!isKept(record)) return [];
  return store.record
    .filter(({ field }) => recordFields[field].byLanguage)
    .flatMap((row) =>
      textsOf({ value: record.values[row.field] }, record)
        .filter(({ text }) => !text.isDraft)
        .map(({ language, text }) => ({
          store: store.key,
          path: `store/${store.key}/${language}/${row.field}.txt`,
          text: `${asTaken(text.value, row)}\n`,
        })),
    );
}
