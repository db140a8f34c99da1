import { mapResult } from "../../core/ground/problems/result.ts";
import { approveDrafts } from "../../core/operations/approve.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { countOf } from "../view/terminal.ts";

export const run: Run<"approve"> = async (given, { terminal, ports }) =>
  mapResult(await approveDrafts({ ...given, field: given.field ?? [] }, ports), ({ approved, problems }) => {
    const { print, json, note, out, err } = terminal;
    if (given.json) json({ approved, by: given.by ?? null, done: !given.dryRun, problems: problems.map(placeData) });
    else if (!given.quiet) {
      for (const { client, field, language, text } of approved) {
        print(`${out.bold(client)}  ${field} ${out.dim(language)}`);
        for (const line of text.split("\n")) print(`    ${line}`);
      }
      const drafts = countOf(approved.length, "draft");
      print(given.dryRun ? `${drafts} to approve. Nothing was written.` : `${drafts} approved by ${given.by}.`);
    }
    if (!given.json && problems.length > 0) note(showProblems(problems, err));
    return problems.length > 0 ? 1 : 0;
  });
