import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { keepFolder } from "../ground/files/writing/together.ts";
import { attempt } from "../ground/problems/result.ts";
import { reporterFor } from "../proving/audit/report.ts";
import { type Checked, check } from "../proving/check/check.ts";
import { keyFindings } from "../proving/keys/findings.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import type { Ports } from "./running/ports.ts";
import { vaultFolder } from "./running/vault.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Also write the findings into this file, in the form that its ending names. */
  report?: string | undefined;
}

/** Looks at all inputs before anything is made. */
export const checkInputs = operation(async ({ report, ...input }: Input, ports): Promise<Checked> => {
  const reporter = report === undefined ? undefined : reporterFor(report);
  const workspace = await openWorkspace(input, ports);
  // It is done again soon: what is seen of pictures is kept from the first time on.
  keepFolder(workspace.root, ".oxalis");
  const found = await withKeys(workspace, await check(workspace, await chooseClients(workspace, input)), ports);
  const reported = [
    ...(found.gaps.length > 0 ? [{ client: "template", problems: found.gaps, allowed: [] }] : []),
    ...found.clients.map(({ client, problems }) => ({ client: client.key, problems, allowed: [] })),
  ];
  const of = { command: "check", sound: "nothing missing, nothing wrong", version: ports.version } as const;
  if (report !== undefined && reporter) writeOutput(workspace.root, ports, { named: report }, reporter(reported, of));
  return found;
});

/** With what is wrong with clients' keys, as far as it shows without the vault; where somebody keeps keys here. */
async function withKeys(workspace: Workspace, found: Checked, ports: Ports): Promise<Checked> {
  const own = keyFindings(workspace, { all: await resolveAll(workspace), picked: found.clients }, ports.today());
  if (own.size === 0) return found;
  const vault = attempt(() => vaultFolder(workspace, ports));
  return {
    gaps: [...found.gaps, ...(vault.ok ? [] : vault.problems)],
    clients: found.clients.map((view) => ({
      ...view,
      problems: [...view.problems, ...(own.get(view.client.key) ?? [])],
    })),
  };
}
