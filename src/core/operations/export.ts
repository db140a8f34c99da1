import { resolveAll, resolvePicked } from "../clients/derive/resolve.ts";
import { rosterSheets } from "../clients/roster/export.ts";
import { collectionOf, itemsSheet } from "../clients/roster/items.ts";
import { type NamedSheet, sheetBytes } from "../clients/roster/sheet.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  file: string;
  /** Only the items of this collection. */
  collection?: string | undefined;
}

interface Exported {
  file: string;
  clients: number;
  columns: number;
}

/** Writes the roster: every field as given and as worked out; without clients, the sheet to hand out. */
export const exportRoster = operation(async (input: Input, ports): Promise<Exported> => {
  const workspace = await openWorkspace(input, ports);
  const isEmpty = workspace.clients.length === 0 && input.clients.length === 0;
  const picked = isEmpty
    ? await resolveAll(workspace)
    : (await resolvePicked(workspace, await chooseClients(workspace, input))).picked;
  const clients = picked.map(({ client }) => client);
  const { data: notes } = workspace.notes;
  const sheets: readonly [NamedSheet, ...NamedSheet[]] =
    input.collection === undefined
      ? rosterSheets(picked, notes)
      : [{ name: input.collection, sheet: itemsSheet(collectionOf(notes, input.collection), notes, clients) }];
  const file = writeOutput(workspace.root, ports, { named: input.file }, await sheetBytes(input.file, sheets));
  return { file, clients: picked.length, columns: sheets[0].sheet[0]?.length ?? 0 };
});
