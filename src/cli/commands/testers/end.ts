import { mapResult } from "../../../core/ground/problems/result.ts";
import { endTester } from "../../../core/operations/end-testers.ts";
import type { Run } from "../../command.ts";

export const run: Run<"testers end"> = async (given, { terminal, ports }) =>
  mapResult(await endTester(given, ports), ({ address, erased, clients }) => {
    const { json, print, out } = terminal;
    if (given.json) json({ address, erased, clients });
    else if (!given.quiet) {
      print(`${out.green("✓")} ${address} ${erased ? "is taken out of the workspace" : "tries nothing from today on"}`);
      print(
        out.dim("Stores have them until the next `oxalis submit`; what was committed before stays in version control."),
      );
    }
    return 0;
  });
