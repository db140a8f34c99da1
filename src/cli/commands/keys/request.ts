import { keyRoleFacts } from "../../../core/clients/keys/roles.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { requestKeys } from "../../../core/operations/request-keys.ts";
import type { Run } from "../../command.ts";
import { countOf } from "../../view/terminal.ts";

export const run: Run<"keys request"> = async (given, { terminal, ports }) =>
  mapResult(await requestKeys(given, ports), (requests) => {
    const { out, print, json } = terminal;
    if (given.json) json({ dryRun: given.dryRun, requests });
    else if (!given.quiet) {
      const is = out.green(given.dryRun ? "would ask" : "asked");
      for (const { client, role, file } of requests)
        print(`${is}  ${out.bold(client)}  ${keyRoleFacts[role].title}: ${file}`);
      if (requests.length === 0) print("Nothing has to be asked for.");
      else if (!given.dryRun)
        print(
          out.dim(
            `Next: give ${countOf(requests.length, "file")} to Apple (Certificates, +), and take in what comes back: ` +
              "oxalis keys accept <file>",
          ),
        );
    }
    return 0;
  });
