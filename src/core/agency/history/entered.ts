import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { historyOf } from "./entries.ts";

/** What of a store's form somebody has filled in: by field, the sum of the text as it was then. */
const schema = z.strictObject({
  form: z.literal(1),
  on: day,
  by: z.string().optional(),
  fields: z.record(z.string(), z.string().regex(/^[0-9a-f]{12}$/)),
});

export type Entered = Omit<z.infer<typeof schema>, "form">;

const prefix = "entered-";

/** What of a client's records stands in the stores' forms already: an entry a store. Stops: history-damaged */
export const enteredInto = historyOf({
  damaged: "history-damaged",
  schemaOf: (name) => (name.startsWith(prefix) ? schema : undefined),
  understood: (entries): Readonly<Record<string, Entered>> =>
    Object.fromEntries([...entries].map(([name, { form: _, ...rest }]) => [name.slice(prefix.length), rest])),
  entriesOf: (all: Readonly<Record<string, Entered>>) =>
    new Map(Object.entries(all).map(([store, each]) => [`${prefix}${store}`, { form: 1 as const, ...each }])),
});
