import { audit, type Finding } from "../proving/audit/audit.ts";
import { reporterFor } from "../proving/audit/report.ts";
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
export const auditVariants = operation(async ({ report, ...input }: Input, ports): Promise<Finding[]> => {
  const reporter = report === undefined ? undefined : reporterFor(report);
  let comparer: Comparer | undefined;
  const workspace = await openWorkspace(input, ports);
  const findings = await audit(workspace, await chooseClients(workspace, input), (folders) => {
    comparer = ports.openComparer(folders);
    return comparer?.compare;
  }).finally(() => comparer?.close());
  const of = {
    command: "audit",
    sound: "whole, up to date, nothing of the template's identity",
    version: ports.version,
  } as const;
  if (report !== undefined && reporter) writeOutput(workspace.root, ports, { named: report }, reporter(findings, of));
  return findings;
});
