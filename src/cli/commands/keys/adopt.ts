import { keyRoleFacts } from "../../../core/clients/keys/roles.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { adoptKey } from "../../../core/operations/adopt-keys.ts";
import type { Run } from "../../command.ts";

export const run: Run<"keys adopt"> = async (given, { terminal, ports }) =>
  mapResult(await adoptKey(given, ports), ({ client, role, record, isKnown }) => {
    const { out, print, json } = terminal;
    if (given.json) json({ client, role, ...record, isKnown, dryRun: given.dryRun });
    else if (!given.quiet) {
      const is = isKnown ? "known" : given.dryRun ? "would adopt" : "adopted";
      print(`${out.green(is)}  ${out.bold(client)}  ${keyRoleFacts[role].title}, ${record.algorithm}`);
      if (record.subject) print(`    subject      ${record.subject}`);
      if (record.until) print(`    until        ${record.until}`);
      for (const [name, mark] of [
        ["SHA-256", record.sha256],
        ["SHA-1", record.sha1],
        ["public", record.point],
      ])
        if (mark) print(`    ${name?.padEnd(11)}  ${mark}`);
    }
    return 0;
  });
