import { type Trying, tryingOf } from "../agency/history/trying.ts";
import type { Tester } from "../agency/workspace/schema/testers.ts";
import { readTesters } from "../agency/workspace/testers.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { type Tries, triersOf } from "../clients/testers/who.ts";
import { type Problem, problem } from "../ground/problems/problem.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { openDoors } from "./running/doors.ts";
import { operation } from "./running/operation.ts";
import { lookAtTesters } from "./running/trying.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Ask the stores first who takes part. */
  look: boolean;
}

/** Somebody who tries a client's app, and how they stand. */
export interface TesterStanding extends Tries {
  client: string;
  trying: Trying;
}

export interface AllTesters {
  /** Everybody in testers.yaml. */
  people: readonly Tester[];
  testers: readonly TesterStanding[];
  problems: readonly Problem[];
}

/** Who tries the apps of which clients: invited when, come or not, with which build. */
export const listTesters = operation(async (input: Input, ports): Promise<AllTesters> => {
  const workspace = await openWorkspace(input, ports);
  const testers = readTesters(workspace.root) ?? { groups: {}, testers: [] };
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const doors = openDoors(workspace, all, ports);
  const problems: Problem[] = [];
  const standing: TesterStanding[] = [];
  for (const view of picked) {
    const { key: client } = view.client;
    if (input.look) problems.push(...(await lookAtTesters(workspace, view, doors)).problems);
    const trying = tryingOf.read(workspace.root, client) ?? {};
    for (const each of triersOf(testers, client, ports.today()))
      standing.push({ ...each, client, trying: trying[each.mark] ?? {} });
  }
  const unasked = new Set(standing.filter(({ consent }) => consent === undefined).map(({ name }) => name));
  const told =
    unasked.size === 0
      ? []
      : [problem("tester-unasked", `Not agreed to be asked: ${[...unasked].join(", ")}.`, { severity: "warning" })];
  return { people: testers.testers, testers: standing, problems: [...problems, ...told] };
});
