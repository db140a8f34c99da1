import { mapResult } from "../../../core/ground/problems/result.ts";
import { importTesters } from "../../../core/operations/people-sheet.ts";
import type { Run } from "../../command.ts";
import { placeData } from "../../view/data.ts";
import { showProblems } from "../../view/problems.ts";
import { countOf } from "../../view/terminal.ts";

export const run: Run<"testers import"> = async (given, { terminal, ports }) =>
  mapResult(await importTesters(given, ports), ({ isNew, known, problems }) => {
    const { json, print, note, out, err, settings } = terminal;
    if (given.json) json({ dryRun: given.dryRun, isNew, known, problems: problems.map(placeData) });
    else {
      if (problems.length > 0) note(showProblems(problems, err));
      if (settings.verbose) for (const address of isNew) print(`${out.green("+")} ${address}`);
      if (!given.quiet) print(`${countOf(isNew.length, "tester")} new, ${known.length} known.`);
      if (!given.quiet && given.dryRun) print(out.dim("Nothing was written."));
    }
    return problems.length > 0 ? 1 : 0;
  });
