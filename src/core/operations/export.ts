import { resolve } from "node:path";
import { resolvePicked } from "../derive/resolve.ts";
import { writeWhole } from "../files/writing/whole.ts";
import { rosterSheet } from "../roster/export.ts";
import { sheetBytes } from "../roster/sheet.ts";
import { operation } from "./operation.ts";
import { type At, type OfClients, openWorkspace } from "./workspace.ts";

interface Exported {
  file: string;
  clients: number;
  columns: number;
}

/** Writes the roster: every field as given and as worked out. */
export const exportRoster = operation(async (input: At & OfClients & { file: string }, ports): Promise<Exported> => {
  const workspace = await openWorkspace(input, ports);
  const { picked } = await resolvePicked(workspace, input.clients);
  const sheet = rosterSheet(picked);
  const file = resolve(ports.folder, input.file);
  writeWhole(file, await sheetBytes(file, sheet));
  return { file, clients: picked.length, columns: sheet[0]?.length ?? 0 };
});
