import * as z from "zod";
import { readInside } from "../files/reading/folder.ts";
import { lookAt } from "../files/writing/door.ts";
import { sha256 } from "../values/hash.ts";

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);

const schema = z.strictObject({
  form: z.literal(1),
  /** By field and language, as description.en: SHA-256 of the text that was approved, by whom and when. */
  approved: z.record(z.string(), z.strictObject({ sha256: z.string(), by: z.string(), on: day })).default({}),
});

export type Approvals = z.infer<typeof schema>["approved"];

export const approvalsFile = (key: string): string => `clients/${key}/approved.json`;

/** What somebody has approved of a client's drafts; nothing where that cannot be read. */
export function readApprovals(root: string, key: string): Approvals {
  const file = approvalsFile(key);
  if (!lookAt(root, file)?.isFile()) return {};
  try {
    return schema.parse(JSON.parse(new TextDecoder().decode(readInside(root, file, file)))).approved;
  } catch {
    return {};
  }
}

export const approvalsText = (approved: Approvals): string =>
  `${JSON.stringify({ form: 1, approved: Object.fromEntries(Object.entries(approved).sort()) }, null, 2)}\n`;

/** Under which name a text is approved. */
export const approvalName = (field: string, language: string): string => `${field}.${language}`;

/** Whether a text is the one that was approved: a change makes it open again. */
export const isApproved = (approvals: Approvals, field: string, language: string, text: string): boolean =>
  approvals[approvalName(field, language)]?.sha256 === sha256(text);
