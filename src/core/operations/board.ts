import pLimit from "p-limit";
import { type Letter, lettersTo, sentOf, unsureSaid } from "../agency/history/letters.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { openTemplate } from "../app/survey/template.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { resolvePicked, withRecord } from "../clients/derive/resolve.ts";
import type { Recorded } from "../clients/record/read.ts";
import { ofClient, type Problem, problem } from "../ground/problems/problem.ts";
import { attempt } from "../ground/problems/result.ts";
import { writtenAt } from "../ground/values/trail.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { type ClientStanding, standings } from "../proving/standing/clients.ts";
import { keepFirstSeen, readFirstSeen, withSince } from "../proving/standing/waiting.ts";
import { boardPage } from "../showing/board/page.tsx";
import { chooseClients, type OfClients } from "./chosen.ts";
import { operation } from "./operation.ts";
import { writeOutput } from "./output.ts";
import type { Ports } from "./ports.ts";
import { type At, openWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  /** Also write the board as a page into this file. */
  page?: string | undefined;
  /** Open every address of a record. */
  reach: boolean;
}

/** A client on the board: where it stands, the letters that it got, and the day of the first. */
export type OnBoard = ClientStanding & { asked?: string; letters: readonly Letter[] };

/** Where clients stand with every store that they want. */
export const lookAtBoard = operation(async (input: Input, ports): Promise<{ clients: OnBoard[]; page?: string }> => {
  const workspace = await openWorkspace(input, ports);
  const found = boardOf(workspace, await resolvePicked(workspace, await chooseClients(workspace, input)), ports);
  const clients = waitingSince(workspace, input.reach ? await openAddresses(found, ports) : found, ports);
  if (input.page === undefined) return { clients };
  const { name: agency } = workspace.agency.data.agency;
  const html = boardPage({ agency, ...accentOf(workspace), clients, today: ports.today() });
  return { clients, page: writeOutput(workspace.root, ports, { named: input.page }, html) };
});

/** With the days since which things wait, which are kept for the next time. */
function waitingSince({ root, clients: all }: Workspace, clients: readonly OnBoard[], ports: Ports): OnBoard[] {
  const seen = readFirstSeen(root);
  const dated = clients.map((each) => withSince(each, seen[each.client], each.letters, ports.today()));
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
async function openAddresses(clients: readonly OnBoard[], { reach }: Ports): Promise<OnBoard[]> {
  const limit = pLimit(atOnce);
  const known = new Map<string, Promise<string | undefined>>();
  const open = (address: string) => {
    const opening = known.get(address) ?? limit(() => reach(address));
    known.set(address, opening);
    return opening;
  };
  return Promise.all(
    clients.map(async (each) => {
      const addresses = addressFields.flatMap((field) => each.record?.values[field]?.first ?? []);
      const told = await Promise.all(
        addresses.map(async (address): Promise<Problem[]> => {
          const fault = /^https?:/.test(address.value) ? await open(address.value) : undefined;
          if (fault === undefined) return [];
          const detail = { client: each.client, severity: "warning", place: writtenAt(address) } as const;
          return [problem("address-unreachable", `${address.value} ${fault}.`, detail)];
        }),
      );
      return { ...each, problems: [...each.problems, ...told.flat()] };
    }),
  );
}

const addressFields = ["support", "marketing", "privacy"] as const;

/** How far the picked clients are with their stores, and the letters that each got; held against all of them. */
export function boardOf(
  workspace: Workspace,
  { all, picked }: { all: readonly Resolved[]; picked: readonly Recorded[] },
  ports: Ports,
): OnBoard[] {
  const told = new Map(picked.map((each) => [each.client, each]));
  // Texts and accounts are held against those of all clients.
  const others = all.map((each) => told.get(each.client) ?? withRecord(workspace, each));
  const parts = new Set(openTemplate(workspace).parts.map(({ platform }) => platform));
  return standings(workspace, others, picked, parts, ports.today()).map((each) => {
    const read = attempt(() => lettersTo.read(workspace.root, each.client) ?? []);
    if (!read.ok) {
      const damaged = ofClient(each.client, read.problems);
      return { ...each, letters: [], problems: [...each.problems, ...damaged] };
    }
    const letters = sentOf(read.value);
    const [first] = letters;
    const unsure = read.value
      .filter(({ state }) => state === "unsure")
      .map((letter) => unsureProblem(each.client, letter));
    return { ...each, letters, problems: [...each.problems, ...unsure], ...(first ? { asked: first.on } : {}) };
  });
}

const unsureProblem = (client: string, letter: Letter): Problem =>
  problem("letter-unsure", unsureSaid(letter), { client, severity: "warning" });
