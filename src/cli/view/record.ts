import type { RecordValue, StoreRecord } from "../../core/clients/record/record.ts";
import { recordFieldNames, recordFields } from "../../core/stores/record-fields.ts";

/** A value of a client's record, as `explain` shows it. */
export interface Explained {
  name: string;
  says: string;
  value: RecordValue;
}

/** Values of a record by the names that `explain` takes: store, store.description, store.description.fr. */
export const recordValues = ({ values, languages }: StoreRecord, wanted: string): Explained[] =>
  recordFieldNames
    .flatMap((field): Explained[] => {
      const { first, further = {} } = values[field] ?? {};
      const { says, byLanguage } = recordFields[field];
      const main = byLanguage && languages.length > 1 ? `.${languages[0]}` : "";
      return [
        ...(first ? [{ name: `store.${field}${main}`, says, value: first }] : []),
        ...Object.entries(further).map(([tag, value]) => ({ name: `store.${field}.${tag}`, says, value })),
      ];
    })
    .filter(({ name }) => name === wanted || name.startsWith(`${wanted}.`));
