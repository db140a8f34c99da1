import type { Varying } from "../../ground/values/varying.ts";
import type { RecordValue, StoreRecord } from "./record.ts";

/** Every text of a value that is a language's own, with that language. */
export const textsOf = (value: Varying<RecordValue> | undefined, { languages }: Pick<StoreRecord, "languages">) => [
  ...(value?.first ? [{ language: languages[0], text: value.first }] : []),
  ...Object.entries(value?.further ?? {})
    .filter(([, text]) => !text.isFallback)
    .map(([language, text]) => ({ language, text })),
];
