import { relative } from "node:path";
import { mapResult } from "../../core/ground/problems/result.ts";
import { writeCopySheets } from "../../core/operations/copy-sheet.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";

export const run: Run<"copy-sheet"> = async (given, { terminal, ports }) =>
  mapResult(await writeCopySheets(given, ports), ({ sheets, problems }) => {
    const { json, print, note, out, err } = terminal;
    if (given.json) json({ sheets, problems: problems.map(placeData) });
    else if (!given.quiet)
      for (const { file } of sheets) print(`Open ${out.cyan(relative(ports.folder, file) || file)}`);
    if (!given.json && problems.length > 0) note(showProblems(problems, err));
    return problems.length > 0 ? 1 : 0;
  });
