import type { RecordField } from "./record-fields.ts";

/** One field of a store's record as that store wants it, in the order in which it asks. */
export interface RecordRow {
  field: RecordField;
  /** What the store calls it, on its own pages. */
  title: string;
  need: "required" | "recommended" | "optional";
  /** Characters, in all: Unicode code points; of a list with what stands between its parts. */
  most?: number;
  least?: number;
  /** Parts that a list may have, and characters of each. */
  mostParts?: number;
  mostEach?: number;
  /** Words in all parts of a list together. */
  mostWords?: number;
  /** Bytes (UTF-8) beyond which some page of the store's would cut it: it is told, and refused by nobody for sure. */
  sureBytes?: number;
  /** Wanted of an update; a first version has none. */
  isOfUpdates?: true;
  /** It is held against the store's rules for titles. */
  isTitle?: true;
  /** What stands between a list's parts where the store takes them as one text. */
  between?: string;
  /** Only where the app has this feature. */
  feature?: string;
  /** Whose documentation says so, and the day on which it was read. */
  source: string;
  asOf: string;
}

/** Rows of a store's record that an app with these features is asked for. */
export const rowsFor = (rows: readonly RecordRow[], features: readonly string[]): RecordRow[] =>
  rows.filter(({ feature }) => feature === undefined || features.includes(feature));
