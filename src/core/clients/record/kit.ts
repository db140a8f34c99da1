import { stringify } from "yaml";
import type { StoreKey } from "../../ground/values/store.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { recordFields, spokenFieldNames } from "../../stores/record-fields.ts";
import type { captureFiles } from "./captures.ts";
import { asTaken } from "./count.ts";
import type { StoreRecord } from "./record.ts";
import { textsOf } from "./texts.ts";

/** A store's texts in one language, as a file of a variant. */
interface KitFile {
  store: StoreKey;
  path: string;
  text: string;
}

/** Whether a client has a record at all: a name alone is none, and whoever keeps none gets no files of it. */
export const isKept = ({ values }: Pick<StoreRecord, "values">): boolean =>
  spokenFieldNames.some((field) => field !== "name" && values[field] !== undefined);

/**
 * A store's texts as a file a language, in the store's own order of fields, and behind them its pictures of the running
 * app in theirs: `store/google-play/en.yaml`. Drafts that nobody has approved, and texts that only stand in for a
 * language's own, are none.
 */
export function kitFiles(
  store: StoreDefinition,
  record: StoreRecord,
  captured: ReturnType<typeof captureFiles>,
): KitFile[] {
  if (!isKept(record)) return [];
  const texts = store.record
    .filter(({ field }) => recordFields[field].byLanguage)
    .flatMap((row) =>
      textsOf(record.values[row.field], record)
        .filter(({ text }) => !text.isDraft)
        .map(({ language, text }) => ({ language, field: row.field, text: asTaken(text.value, row) })),
    );
  const own = captured.filter((each) => each.store === store.key);
  return record.languages.flatMap((language) => {
    const fields = texts.filter((each) => each.language === language);
    const shown = own.filter((each) => each.language === language);
    const devices = [...new Set(shown.map(({ device }) => device))];
    if (fields.length === 0 && shown.length === 0) return [];
    const content = {
      ...Object.fromEntries(fields.map(({ field, text }) => [field, text])),
      ...(shown.length > 0
        ? { captures: Object.fromEntries(devices.map((each) => [each, filesOf(shown, each)])) }
        : {}),
    };
    const text = `# ${store.title}, in the order in which it asks\n${stringify(content, { lineWidth: 0 })}`;
    return [{ store: store.key, path: `store/${store.key}/${language}.yaml`, text }];
  });
}

const filesOf = (captures: ReturnType<typeof captureFiles>, wanted: string): string[] =>
  captures.filter(({ device }) => device === wanted).map(({ to }) => to.slice(to.lastIndexOf("/") + 1));
