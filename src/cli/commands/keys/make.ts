import { keyRoleFacts } from "../../../core/clients/keys/roles.ts";
import { isError } from "../../../core/ground/problems/problem.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { makeKeys } from "../../../core/operations/make-keys.ts";
import type { Run } from "../../command.ts";
import { placeData } from "../../view/data.ts";
import { showProblems } from "../../view/problems.ts";
import { countOf } from "../../view/terminal.ts";

export const run: Run<"keys make"> = async (given, { terminal, ports }) =>
  mapResult(await makeKeys(given, ports), ({ made, problems }) => {
    const { out, err, print, note, json } = terminal;
    const data = made.map(({ client, role, name, record }) => ({ client, role, name, ...record }));
    if (given.json) json({ dryRun: given.dryRun, made: data, problems: problems.map(placeData) });
    else {
      if (problems.length > 0) note(showProblems(problems, err));
      if (!given.quiet) {
        const longest = Math.max(0, ...made.map(({ client }) => client.length));
        for (const { client, role, record } of made) {
          const until = record?.until ? `, until ${record.until}` : "";
          const mark = record?.sha256 ? `  ${out.dim(record.sha256.slice(0, 11))}` : "";
          const is = out.green(given.dryRun ? "would make" : "made");
          print(`${is}  ${client.padEnd(longest)}  ${keyRoleFacts[role].title}${until}${mark}`);
        }
        print(madeSaid(made.length, problems.some(isError), given.dryRun));
        if (made.length > 0 && !given.dryRun)
          print(
            out.dim(
              "Next: oxalis keys export <file>, and put it into a safe: a key that is lost cannot be made again.",
            ),
          );
      }
    }
    return problems.some(isError) ? 1 : 0;
  });

const madeSaid = (count: number, isHeld: boolean, dryRun: boolean): string => {
  if (count > 0) return `${countOf(count, "key")} ${dryRun ? "would be made" : "made"}.`;
  return isHeld ? "No key is made." : "Nothing is missing.";
};
