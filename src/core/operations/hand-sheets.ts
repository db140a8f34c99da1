import { join } from "node:path";
import { happeningsOf } from "../agency/history/happenings.ts";
import { passageOf } from "../clients/passage/passage.ts";
import { refuse } from "../ground/problems/result.ts";
import type { StoreKey } from "../ground/values/store.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { placeSaid, speakingOn } from "../showing/board/saying.ts";
import { handSheetPage } from "../showing/handsheet/page.tsx";
import { handSteps } from "../showing/handsheet/steps.ts";
import type { OfClients } from "./running/chosen.ts";
import { type Into, intoStores } from "./running/into.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import type { At } from "./running/workspace.ts";

interface Input extends At, OfClients, Into {
  /** Where one page goes, or the folder of several; among the variants where absent. */
  output?: string | undefined;
}

/** A page that was written. */
export interface WrittenHandSheet {
  client: string;
  store: StoreKey;
  file: string;
}

/** Writes the stores' own steps for clients' apps, to be done by hand. Stops: submission-unclear */
export const writeHandSheets = operation(async (input: Input, ports): Promise<WrittenHandSheet[]> => {
  const { workspace, into } = await intoStores(input, ports);
  const { name: agency } = workspace.agency.data.agency;
  if (into.length === 0) refuse("submission-unclear", "No such client wants such a store.");
  return into.map(({ view, store, wanted }) => {
    const { key: client } = view.client;
    const happened = happeningsOf.read(workspace.root, client) ?? [];
    const html = handSheetPage({
      ...{ agency, ...accentOf(workspace), client, store: store.key, storeTitle: store.title },
      name: wanted.wants.name || client,
      place: placeSaid(passageOf(store.key, happened), speakingOn("en")),
      steps: handSteps({ ...wanted, store, record: view.told.record, happened }),
    });
    const usual = `variants/by-hand-${client}-${store.key}.html`;
    const named =
      input.output === undefined || into.length === 1
        ? input.output
        : join(input.output, `by-hand-${client}-${store.key}.html`);
    return { client, store: store.key, file: writeOutput(workspace.root, ports, { named, usual }, html) };
  });
});
