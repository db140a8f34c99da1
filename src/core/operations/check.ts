import { reporterFor } from "../proving/audit/report.ts";
import { type Checked, check } from "../proving/check/check.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Also write the findings into this file, in the form that its ending names. */
  report?: string | undefined;
}

/** Looks at all inputs before anything is made. */
export const checkInputs = operation(async ({ report, ...input }: Input, ports): Promise<Checked> => {
  const reporter = report === undefined ? undefined : reporterFor(report);
  const workspace = await openWorkspace(input, ports);
  const found = await check(workspace, await chooseClients(workspace, input));
  const reported = [
    ...(found.gaps.length > 0 ? [{ client: "template", problems: found.gaps, allowed: [] }] : []),
    ...found.clients.map(({ client, problems }) => ({ client: client.key, problems, allowed: [] })),
  ];
  const of = { command: "check", sound: "nothing missing, nothing wrong", version: ports.version } as const;
  if (report !== undefined && reporter) writeOutput(workspace.root, ports, { named: report }, reporter(reported, of));
  return found;
});
