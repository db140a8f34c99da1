import type { RecordRow } from "../../stores/record-row.ts";
import { partsOf } from "./record.ts";

/** Characters as a store counts them: Unicode code points, not bytes. */
export const characters = (text: string): number => [...text.normalize("NFC")].length;

/** As some counters do, which take a letter beyond the first plane for two (UTF-16). */
export const strictest = (text: string): number => text.normalize("NFC").length;

/** A value as a store takes it: a list in one text where the store has it so. */
export const asTaken = (value: string, { between }: RecordRow): string =>
  between === undefined ? value : partsOf(value).join(between);
