import type { Problem } from "../../ground/problems/problem.ts";
import type { RecordRow } from "../../stores/record-row.ts";
import { asTaken, characters, strictest } from "./count.ts";
import { partsOf } from "./record.ts";

/** That a value is longer than a store takes, or may be. */
export interface TooLong {
  message: string;
  expected?: string;
  severity?: Problem["severity"];
}

/** Where a value goes over a store's limits: the text as a whole, its entries, or one of them. */
export function tooLong(named: string, row: RecordRow, value: string): TooLong[] {
  const found: TooLong[] = [];
  const taken = asTaken(value, row);
  if (row.most !== undefined) {
    const [count, strict] = [characters(taken), strictest(taken)];
    const message = `${named} has ${count} of ${row.most} characters.`;
    if (count > row.most) found.push({ message, expected: `${count - row.most} fewer` });
    else if (strict > row.most)
      found.push({
        message: `${named} has ${count} of ${row.most} characters, or ${strict} as some counters count them.`,
        severity: "warning",
      });
  }
  const parts = partsOf(value);
  const { mostParts, mostEach } = row;
  if (mostParts !== undefined && parts.length > mostParts)
    found.push({ message: `${named} has ${parts.length} of ${mostParts} entries.` });
  const words = parts.join(" ").split(/\s+/).filter(Boolean).length;
  if (row.mostWords !== undefined && words > row.mostWords)
    found.push({ message: `${named} has ${words} of ${row.mostWords} words in all.` });
  const bytes = Buffer.byteLength(taken);
  if (row.sureBytes !== undefined && bytes > row.sureBytes && characters(taken) <= (row.most ?? bytes))
    found.push({
      message: `${named} has ${characters(taken)} characters in ${bytes} bytes: a page of the store's counts bytes.`,
      expected: `${row.sureBytes} bytes, to be sure`,
      severity: "warning",
    });
  for (const part of mostEach === undefined ? [] : parts.filter((each) => characters(each) > mostEach))
    found.push({ message: `${named}: "${beginningOf(part)}" has ${characters(part)} of ${mostEach} characters.` });
  return found;
}

/** A text by its beginning. */
export function beginningOf(text: string): string {
  const [first = ""] = text.split("\n");
  return first.length > 60 ? `${first.slice(0, 57).trimEnd()} …` : first.replace(/[.…]+$/, "");
}
