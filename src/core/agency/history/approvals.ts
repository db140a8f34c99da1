import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { historyOf } from "./entries.ts";

/** SHA-256 of the text that was approved, by whom and when. */
const approval = z.strictObject({ form: z.literal(1), sha256: z.string(), by: z.string(), on: day });

const formerSchema = z.strictObject({
  form: z.literal(1),
  approved: z.record(z.string(), approval.omit({ form: true })).default({}),
});

/** By field and language, as description.en. */
export type Approvals = Readonly<Record<string, Omit<z.infer<typeof approval>, "form">>>;

const prefix = "approved-";

const entriesOf = (approved: Approvals) =>
  new Map(Object.entries(approved).map(([name, each]) => [`${prefix}${name}`, { form: 1 as const, ...each }]));

/** What somebody has approved of each client's drafts: an entry a text. Stops: history-damaged */
export const approvals = historyOf({
  damaged: "history-damaged",
  schemaOf: (name) => (name.startsWith(prefix) ? approval : undefined),
  former: {
    name: "approved.json",
    schemaOf: () => formerSchema,
    entriesOf: ({ approved }: z.infer<typeof formerSchema>) => entriesOf(approved),
  },
  understood: (entries): Approvals =>
    Object.fromEntries([...entries].map(([name, { form: _, ...rest }]) => [name.slice(prefix.length), rest])),
  entriesOf,
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
