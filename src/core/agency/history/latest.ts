import type * as z from "zod";
import { type Entries, historyOf } from "./entries.ts";

type WithForm = z.ZodObject<{ form: z.ZodLiteral<1> }>;

/** Entries by what follows the prefix in their names. */
type ByWhat<S extends WithForm> = Readonly<Record<string, Omit<z.output<S>, "form">>>;

/** A history that keeps the latest of each thing, an entry each: key-android-upload. Stops: history-damaged */
export function latestOf<S extends WithForm>(prefix: string, schema: S): Entries<ByWhat<S>> {
  return historyOf<S, ByWhat<S>>({
    damaged: "history-damaged",
    schemaOf: (name) => (name.startsWith(prefix) ? schema : undefined),
    understood: (entries) =>
      Object.fromEntries([...entries].map(([name, { form: _, ...rest }]) => [name.slice(prefix.length), rest])),
    entriesOf: (latest) =>
      new Map(Object.entries(latest).map(([what, each]) => [`${prefix}${what}`, { form: 1, ...each } as z.output<S>])),
  });
}
