import { ledgers } from "../agency/history/ledger.ts";
import { seenAt } from "../agency/history/seen.ts";
import { pickClients } from "../agency/workspace/read.ts";
import { planTakingBack, type TakenBack } from "../clients/release/release.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { allOf, stopAt, unwrap } from "../ground/problems/result.ts";
import { chooseNamed, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { type Released, type ReleaseInput, releaseIn } from "./running/releasing.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

/**
 * Takes the next version and build number: decided while the workspace is held, and written together. What is asked for
 * wrongly stops all; what is found of one client's platform stops that one.
 */
export const releaseClients = operation(
  (input: At & OfClients & ReleaseInput, ports): Promise<Released> =>
    inWorkspace(input, ports, { writes: !input.dryRun }, async (workspace) =>
      releaseIn(workspace, await chooseNamed(workspace, input, "release-refused"), input, ports),
    ),
);

/** Takes the last release of clients back, of all named clients or none. */
export const takeBack = operation(
  (input: At & OfClients & { dryRun: boolean }, ports): Promise<TakenBack[]> =>
    inWorkspace(input, ports, { writes: !input.dryRun }, async (workspace) => {
      const named = pickClients(workspace, await chooseNamed(workspace, input, "release-refused"));
      // Of a ledger that cannot be read nobody knows what was released.
      stopAt(named.flatMap(({ problems }) => problems.filter(({ code }) => code === "ledger-damaged")));
      const planned = named.map(({ key, ledger }) => planTakingBack({ client: key, ...(ledger ? { ledger } : {}) }));
      const taken = unwrap(allOf(planned));
      const changes = taken.flatMap(({ client, ledger, taken: { build } }) => {
        const { [build]: _, ...seen } = seenAt.read(workspace.root, client) ?? {};
        return [...ledgers.changes(workspace.root, client, ledger), ...seenAt.changes(workspace.root, client, seen)];
      });
      if (!input.dryRun) writeTogether(workspace.root, changes);
      return taken;
    }),
);
