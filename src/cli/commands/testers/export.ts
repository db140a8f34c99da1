import { relative } from "node:path";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { exportTesters } from "../../../core/operations/people-sheet.ts";
import type { Run } from "../../command.ts";

export const run: Run<"testers export"> = async (given, { terminal, ports }) =>
  mapResult(await exportTesters(given, ports), ({ file }) => {
    if (given.json) terminal.json({ file });
    else if (!given.quiet)
      terminal.print(`The testers are in ${terminal.out.cyan(relative(ports.folder, file) || file)}`);
    return 0;
  });
