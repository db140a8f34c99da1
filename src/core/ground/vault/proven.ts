import * as z from "zod";
import { isFolder, readInside } from "../files/reading/folder.ts";
import { lookAt } from "../files/writing/door.ts";
import { keepFile } from "../files/writing/together.ts";
import { attempt } from "../problems/result.ts";
import { day } from "../values/day.ts";

/** The days on which keys were last proven lie beside them: nothing of it is secret. */
const file = "proven.json";

const schema = z.strictObject({ form: z.literal(1), days: z.record(z.string(), day) });

/** The day on which each key was last proven, by its name; nothing where that is not known. */
export function provenDays(vault: string): Readonly<Record<string, string>> {
  if (!isFolder(vault) || !lookAt(vault, file)) return {};
  const read = attempt(() => Buffer.from(readInside(vault, file, file)).toString());
  try {
    return read.ok ? schema.parse(JSON.parse(read.value)).days : {};
  } catch {
    return {};
  }
}

/** Notes that keys were proven; in silence where the vault cannot be written to. */
export function noteProven(vault: string, names: readonly string[], on: string): void {
  const days = { ...provenDays(vault), ...Object.fromEntries(names.map((name) => [name, on])) };
  keepFile(vault, file, `${JSON.stringify({ form: 1, days }, null, 2)}\n`);
}
