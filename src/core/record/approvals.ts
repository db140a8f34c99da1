import * as z from "zod";
import { lookAt } from "../files/writing/door.ts";
import { day } from "../values/day.ts";
import { sha256 } from "../values/hash.ts";
import { readKept } from "../workspace/kept-file.ts";

const schema = z.strictObject({
  form: z.literal(1),
  /** By field and language, as description.en: SHA-256 of the text that was approved, by whom and when. */
  approved: z.record(z.string(), z.strictObject({ sha256: z.string(), by: z.string(), on: day })).default({}),
});

export type Approvals = z.infer<typeof schema>["approved"];

export const approvalsFile = (key: string): string => `clients/${key}/approved.json`;

/** What somebody has approved of a client's drafts. Stops: history-damaged. */
export function readApprovals(root: string, key: string): Approvals {
  const file = approvalsFile(key);
  return lookAt(root, file) ? readKept(root, file, "history-damaged", () => schema).approved : {};
}

export const approvalsText = (approved: Approvals): string =>
  `${JSON.stringify({ form: 1, approved: Object.fromEntries(Object.entries(approved).sort()) }, null, 2)}\n`;

/** Under which name a text is approved. */
export const approvalName = (field: string, language: string): string => `${field}.${language}`;

/** By whom and when a text was approved; undefined of a text that has changed since: it is open again. */
export function approvalOf(
  approvals: Approvals,
  field: string,
  language: string,
  text: string,
): Approvals[string] | undefined {
  const known = approvals[approvalName(field, language)];
  return known?.sha256 === sha256(text) ? known : undefined;
}
