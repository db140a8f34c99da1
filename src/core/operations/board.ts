import pLimit from "p-limit";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { keepFolder } from "../ground/files/writing/together.ts";
import { type Problem, problem } from "../ground/problems/problem.ts";
import { type PageLanguage, pageLanguageOf } from "../ground/values/page-language.ts";
import { writtenAt } from "../ground/values/trail.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { boardOf } from "../proving/standing/board.ts";
import type { ClientStanding } from "../proving/standing/clients.ts";
import { keepFirstSeen, readFirstSeen, withSince } from "../proving/standing/waiting.ts";
import { boardPage } from "../showing/board/page.tsx";
import type { RecordField } from "../stores/record-fields.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import type { Ports } from "./running/ports.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Also write the board as a page into this file. */
  page?: string | undefined;
  /** The board's language; the agency's where absent. */
  language?: PageLanguage | undefined;
  /** Open every address of a record. */
  reach: boolean;
}

/** Where clients stand with every store that they want. */
export const lookAtBoard = operation(
  async (input: Input, ports): Promise<{ clients: ClientStanding[]; language: PageLanguage; page?: string }> => {
    const workspace = await openWorkspace(input, ports);
    keepFolder(workspace.root, ".oxalis");
    const found = boardOf(
      workspace,
      await resolvePicked(workspace, await chooseClients(workspace, input)),
      ports.today(),
    );
    const clients = waitingSince(workspace, input.reach ? await openAddresses(found, ports) : found, ports);
    const { agency: own, defaults } = workspace.agency.data;
    const language = input.language ?? pageLanguageOf(own.language, defaults.locale);
    if (input.page === undefined) return { clients, language };
    const html = boardPage({ agency: own.name, language, ...accentOf(workspace), clients, today: ports.today() });
    return { clients, language, page: writeOutput(workspace.root, ports, { named: input.page }, html) };
  },
);

/** With the days since which things wait, which are kept for the next time. */
function waitingSince(
  { root, clients: all }: Workspace,
  clients: readonly ClientStanding[],
  ports: Ports,
): ClientStanding[] {
  const seen = readFirstSeen(root);
  const dated = clients.map((each) => withSince(each, seen[each.client], ports.today()));
  keepFirstSeen(
    root,
    seen,
    dated,
    all.map(({ key }) => key),
  );
  return dated;
}

/** So many addresses are opened at a time. */
const atOnce = 8;

/** With what came of opening each address. */
async function openAddresses(clients: readonly ClientStanding[], { reach }: Ports): Promise<ClientStanding[]> {
  const limit = pLimit(atOnce);
  const known = new Map<string, Promise<string | undefined>>();
  const open = (address: string) => {
    const opening = known.get(address) ?? limit(() => reach(address));
    known.set(address, opening);
    return opening;
  };
  return Promise.all(
    clients.map(async (each) => {
      const told = new Map<RecordField, Problem>();
      await Promise.all(
        addressFields.map(async (field) => {
          const address = each.record?.values[field]?.first;
          const fault = address && /^https?:/.test(address.value) ? await open(address.value) : undefined;
          if (!address || fault === undefined) return;
          const detail = { client: each.client, about: ["store", field], place: writtenAt(address) };
          told.set(field, problem("address-unreachable", `${address.value} ${fault}.`, detail));
        }),
      );
      // No store's record is complete with an address that does not answer.
      const stores = each.stores.map((standing) => ({
        ...standing,
        problems: [...standing.problems, ...standing.lines.flatMap(({ field }) => told.get(field) ?? [])],
      }));
      return { ...each, stores };
    }),
  );
}

const addressFields = ["support", "marketing", "privacy"] as const;
