import { relative } from "node:path";
import { mapResult } from "../../core/ground/problems/result.ts";
import { writeCopySheet } from "../../core/operations/copy-sheet.ts";
import type { Run } from "../command.ts";

export const run: Run<"copy-sheet"> = async (given, { terminal, ports }) =>
  mapResult(await writeCopySheet(given, ports), ({ file, bytes }) => {
    if (given.json) terminal.json({ file, bytes });
    else if (!given.quiet) terminal.print(`Open ${terminal.out.cyan(relative(ports.folder, file) || file)}`);
    return 0;
  });
