import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { keptFile } from "./kept-file.ts";

const schema = z.strictObject({
  form: z.literal(1),
  /** By field and language, as description.en: SHA-256 of the text that was approved, by whom and when. */
  approved: z.record(z.string(), z.strictObject({ sha256: z.string(), by: z.string(), on: day })).default({}),
});

export type Approvals = z.infer<typeof schema>["approved"];

/** What somebody has approved of each client's drafts. Stops: history-damaged */
export const approvals = keptFile({
  name: "approved.json",
  damaged: "history-damaged",
  schemaOf: () => schema,
  understood: ({ approved }): Approvals => approved,
  textOf: (approved) =>
    `${JSON.stringify({ form: 1, approved: Object.fromEntries(Object.entries(approved).sort()) }, null, 2)}\n`,
});

/** Under which name a text is approved. */
export const approvalName = (field: string, language: string): string => `${field}.${language}`;

/** By whom and when a text was approved; undefined of a text that has changed since: it is open again. */
export function approvalOf(
  known: Approvals,
  field: string,
  language: string,
  text: string,
): Approvals[string] | undefined {
  const own = known[approvalName(field, language)];
  return own?.sha256 === sha256(text) ? own : undefined;
}
