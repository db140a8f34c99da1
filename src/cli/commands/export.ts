import { mapResult } from "../../core/ground/problems/result.ts";
import { exportRoster } from "../../core/operations/export.ts";
import type { Run } from "../command.ts";
import { countOf } from "../view/terminal.ts";

export const run: Run<"export"> = async (given, { terminal, ports }) =>
  mapResult(await exportRoster(given, ports), (exported) => {
    const { clients, columns } = exported;
    const size = `${countOf(clients, "client")}, ${countOf(columns, "column")}`;
    if (given.json) terminal.json(exported);
    else if (!given.quiet) terminal.print(`${size} in ${terminal.out.cyan(given.file)}`);
    return 0;
  });
