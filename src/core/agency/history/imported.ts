import * as z from "zod";
import { historyOf } from "./entries.ts";

/** What a field's cell said at the last import, and what the brief had after it where that was something else. */
export interface ImportedValue {
  sheet: string;
  brief: string;
}

/** What the last import gave a client, by field. */
export type Imported = Readonly<Record<string, ImportedValue>>;

const schema = z.strictObject({
  form: z.literal(1),
  fields: z.record(z.string(), z.union([z.string(), z.strictObject({ sheet: z.string(), brief: z.string() })])),
});

const name = "imported";

/**
 * What the last import of a roster said of each client, so that the next one can tell what was edited in the brief
 * since. Stops: history-damaged
 */
export const imports = historyOf({
  damaged: "history-damaged",
  schemaOf: (entry) => (entry === name ? schema : undefined),
  former: {
    name: "imported.yaml",
    schemaOf: () => schema,
    entriesOf: (written: z.infer<typeof schema>) => new Map([[name, written]]),
  },
  understood: (entries): Imported =>
    Object.fromEntries(
      [...entries.values()].flatMap(({ fields }) =>
        Object.entries(fields).map(([field, said]) => [
          field,
          typeof said === "string" ? { sheet: said, brief: said } : said,
        ]),
      ),
    ),
  entriesOf(imported) {
    const fields = Object.entries(imported).map(([field, { sheet, brief }]) => [
      field,
      sheet === brief ? sheet : { sheet, brief },
    ]);
    return new Map([[name, { form: 1 as const, fields: Object.fromEntries(fields) }]]);
  },
});
