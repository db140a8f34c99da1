import { retirements } from "../agency/history/retired.ts";
import { pickClients } from "../agency/workspace/read.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { refuse } from "../ground/problems/result.ts";
import { type Cleared, clearGone, goneVariants } from "../making/make/gone.ts";
import { chooseNamed, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { noted } from "./running/ports.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Into service again. */
  back: boolean;
  dryRun: boolean;
}

interface Turned {
  clients: readonly string[];
  /** Their variants, and what became of each. */
  variants: readonly Cleared[];
}

/** Takes clients out of service, or back into it. Their briefs, records and histories stay as they are. */
export const retireClients = operation((input: Input, ports): Promise<Turned> => {
  const { back, dryRun, ...wanted } = input;
  return inWorkspace(input, ports, { writes: !dryRun }, async (workspace) => {
    const from = back ? outOfService(workspace, wanted.clients) : workspace;
    const named = await chooseNamed(from, wanted, "retire-refused");
    const keys = pickClients(from, named).map(({ key }) => key);
    const since = { on: ports.today(), ...noted(ports) };
    const changes = keys.flatMap((key) => retirements.changes(workspace.root, key, back ? undefined : since));
    if (!dryRun) writeTogether(workspace.root, changes);
    const left = { ...workspace, clients: workspace.clients.filter(({ key }) => !keys.includes(key)) };
    if (dryRun) return { clients: keys, variants: goneVariants(left, keys).map((variant) => ({ variant })) };
    return { clients: keys, variants: back ? [] : clearGone(left, keys) };
  });
});

/** The workspace of those who are out of service. Stops: retire-refused where one that is named is not */
function outOfService(workspace: Workspace, named: readonly string[]): Workspace {
  const { clients, retired } = workspace;
  const working = clients.find(({ key }) => named.includes(key));
  if (working || retired.length === 0)
    refuse("retire-refused", working ? `${working.key} is in service.` : "No client is out of service.", {
      fix: "`oxalis clients` says who is out of service.",
    });
  return { ...workspace, clients: retired, retired: [] };
}
