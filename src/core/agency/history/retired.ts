import * as z from "zod";
import { day } from "../../ground/values/day.ts";
import { historyOf } from "./entries.ts";

const schema = z.strictObject({ form: z.literal(1), on: day, by: z.string().optional() });

/** When a client was taken out of service, and by whom. */
export type Retired = Omit<z.infer<typeof schema>, "form">;

const name = "retired";

/**
 * That a client is out of service: nothing is made, asked or told of it, and all that has happened to it stays. Absent
 * of one that is in service. Stops: history-damaged
 */
export const retirements = historyOf({
  damaged: "history-damaged",
  schemaOf: (entry) => (entry === name ? schema : undefined),
  understood: (entries): Retired | undefined => {
    const entry = entries.get(name);
    return entry && { on: entry.on, ...(entry.by === undefined ? {} : { by: entry.by }) };
  },
  entriesOf: (retired: Retired | undefined) => new Map(retired ? [[name, { form: 1 as const, ...retired }]] : []),
});
