import { mapResult } from "../../../core/ground/problems/result.ts";
import { restoreKeys } from "../../../core/operations/archive-keys.ts";
import type { Run } from "../../command.ts";
import { again } from "../../view/again.ts";
import { countOf } from "../../view/terminal.ts";

export const run: Run<"keys restore"> = async (given, { terminal, ports }) =>
  mapResult(await restoreKeys(given, ports), ({ file, secrets, records }) => {
    const { out, print } = terminal;
    if (given.json) terminal.json({ file, secrets, records });
    else if (!given.quiet) {
      print(`${out.green("✓")} ${countOf(secrets, "file")} of the vault and ${countOf(records, "key")} restored`);
      print(out.dim(`Next: ${again("keys prove", { workspace: given.workspace })}`));
    }
    return 0;
  });
