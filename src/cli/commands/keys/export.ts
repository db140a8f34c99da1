import { relative } from "node:path";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { exportKeys } from "../../../core/operations/archive-keys.ts";
import type { Run } from "../../command.ts";
import { countOf } from "../../view/terminal.ts";

export const run: Run<"keys export"> = async (given, { terminal, ports }) =>
  mapResult(await exportKeys(given, ports), ({ file, secrets, records }) => {
    if (given.json) terminal.json({ file, secrets, records });
    else if (!given.quiet) {
      const shown = relative(ports.folder, file) || file;
      terminal.print(
        `${terminal.out.green("✓")} ${shown}  ${countOf(secrets, "file")} of the vault, ${countOf(records, "key")}`,
      );
      terminal.print(terminal.out.dim("It opens by the vault's pass phrase: keep that somewhere else."));
    }
    return 0;
  });
