import { type Audited, audit } from "../proving/audit/audit.ts";
import { type Reported, reporterFor } from "../proving/audit/report.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import type { Comparer } from "./running/ports.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Also write the findings into this file, in the form that its ending names. */
  report?: string | undefined;
}

/** Proves that variants are whole, and that nothing of the template is left in them. */
export const auditVariants = operation(async ({ report, ...input }: Input, ports): Promise<Audited> => {
  const reporter = report === undefined ? undefined : reporterFor(report);
  let comparer: Comparer | undefined;
  const workspace = await openWorkspace(input, ports);
  const audited = await audit(workspace, await chooseClients(workspace, input), (folders) => {
    comparer = ports.openComparer(folders);
    return comparer?.compare;
  }).finally(() => comparer?.close());
  const of = {
    command: "audit",
    sound: "whole, up to date, nothing of the template's identity",
    version: ports.version,
  } as const;
  if (report !== undefined && reporter)
    writeOutput(workspace.root, ports, { named: report }, reporter(reported(audited), of));
  return audited;
});

/** What is no client's stands under a name that none has. */
const reported = ({ findings, beside }: Audited): Reported[] =>
  beside.length === 0 ? findings : [...findings, { client: "beside the variants", problems: beside, allowed: [] }];
