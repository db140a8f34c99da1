import { parse, stringify } from "yaml";
import * as z from "zod";
import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import { problem } from "../../ground/problems/problem.ts";
import { orStop, refuse } from "../../ground/problems/result.ts";

/** What a field's cell said at the last import, and what the brief had after it where that was something else. */
export interface ImportedValue {
  sheet: string;
  brief: string;
}

/** What the last import gave a client, by field. */
export type Imported = Readonly<Record<string, ImportedValue>>;

const importedSchema = z.strictObject({
  form: z.literal(1),
  fields: z.record(z.string(), z.union([z.string(), z.strictObject({ sheet: z.string(), brief: z.string() })])),
});

/** Where it is kept, relative to the workspace. */
export const importedFile = (client: string): string => `clients/${client}/imported.yaml`;

const head =
  "What the last import of a roster said, so that the next one can tell what was edited in the brief since.\n" +
  "Written by `oxalis import`; to be kept with the brief.";

/** Reads what the last import gave a client; nothing where there was none. Stops: yaml-syntax. */
export function readImported(root: string, client: string): Imported {
  const file = importedFile(client);
  if (!lookAt(root, file)) return {};
  return orStop(
    () => {
      const read = importedSchema.safeParse(parse(Buffer.from(readInside(root, file, file)).toString()));
      if (!read.success) return refuse("yaml-syntax", `${file} is not what an import wrote.`, { client });
      return Object.fromEntries(
        Object.entries(read.data.fields).map(([field, said]) => [
          field,
          typeof said === "string" ? { sheet: said, brief: said } : said,
        ]),
      );
    },
    ({ message }) => problem("yaml-syntax", `${file} is not valid YAML: ${message.split("\n")[0]}`, { client }),
  );
}

export function importedText(imported: Imported): string {
  const fields = Object.fromEntries(
    Object.entries(imported).map(([field, { sheet, brief }]) => [field, sheet === brief ? sheet : { sheet, brief }]),
  );
  const comment = head.replace(/^/gm, "# ");
  return `${comment}\n${stringify({ form: 1, fields }, { lineWidth: 0 })}`;
}
