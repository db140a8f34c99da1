import { profileKindNames } from "../../../core/app/platforms/apple/profile.ts";
import { keyRoleFacts } from "../../../core/clients/keys/roles.ts";
import { isError } from "../../../core/ground/problems/problem.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { type Accepted, acceptKeys } from "../../../core/operations/accept-keys.ts";
import type { Run } from "../../command.ts";
import { placeData } from "../../view/data.ts";
import { showProblems } from "../../view/problems.ts";
import type { Terminal } from "../../view/terminal.ts";

export const run: Run<"keys accept"> = async (given, { terminal, ports }) =>
  mapResult(await acceptKeys(given, ports), ({ accepted, problems }) => {
    const { err, note, json } = terminal;
    if (given.json) {
      const all = accepted.map(({ record, ...each }) => ({ ...each, ...record }));
      json({ dryRun: given.dryRun, accepted: all, problems: problems.map(placeData) });
    } else {
      if (problems.length > 0) note(showProblems(problems, err));
      if (!given.quiet) for (const each of accepted) show(each, given.dryRun, terminal);
    }
    return problems.some(isError) ? 1 : 0;
  });

function show(each: Accepted, isDry: boolean, { out, print }: Terminal): void {
  const is = out.green(isDry ? "would accept" : "accepted");
  const { record } = each;
  if (each.what === "certificate") print(`${is}  ${out.bold(each.client)}  ${keyRoleFacts[each.role].title}`);
  else print(`${is}  ${out.bold(each.client)}  profile "${each.record.title}", ${profileKindNames[each.record.kind]}`);
  const rows = {
    ...(each.what === "certificate" ? { subject: each.record.subject } : { identifier: each.record.identifier }),
    team: record.team,
    until: record.until,
    ...(each.what === "certificate" ? {} : { "signed by": each.record.signer }),
  };
  for (const [name, value] of Object.entries(rows)) if (value) print(`    ${name.padEnd(11)}  ${value}`);
}
