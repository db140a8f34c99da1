import type { RecordValue, StoreRecord } from "../../../clients/record/record.ts";
import type { ProblemCode } from "../../../ground/problems/catalogue.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import type { StoreKey } from "../../../ground/values/store.ts";
import type { Varying } from "../../../ground/values/varying.ts";
import type { StoreDefinition } from "../../../stores/definition.ts";
import type { RecordRow } from "../../../stores/record-row.ts";

/** One row of a store's record, as a client has it. */
export interface RecordLine {
  row: RecordRow;
  value: Varying<RecordValue> | undefined;
}

/** What rules look at: a client's record as one store sees it. */
export interface Examined {
  record: StoreRecord;
  store: StoreDefinition;
  lines: readonly RecordLine[];
  /** The day, as 2026-03-01. */
  today: string;
}

/** What a rule finds: the row and the language that it is about, and what is wrong there. */
export interface Remark {
  row: RecordRow;
  language: string | undefined;
  message: string;
  expected?: string;
  /** Where it is weaker than the rule mostly is. */
  severity?: Problem["severity"];
}

/** One rule of a store: data, but for how it looks. */
export interface Rule {
  code: ProblemCode;
  level: Problem["severity"];
  /** What it asks for, as producers tick it off. */
  says: string;
  /** Whose record it is about; all where absent. */
  stores?: readonly StoreKey[];
  source: string;
  asOf: string;
  look(at: Examined): Remark[];
}

/** How a row is named in a message: with its language where the app has several. */
export const rowName = ({ title }: RecordRow, language: string | undefined, { languages }: StoreRecord): string =>
  language !== undefined && languages.length > 1 ? `${title} (${language})` : title;
