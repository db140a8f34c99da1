import { mapResult } from "../../core/ground/problems/result.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { renameInUse } from "../../core/operations/rename.ts";
import type { Run } from "../command.ts";
import { again } from "../view/again.ts";

export const run: Run<"rename-identifier"> = async (given, { terminal, ports }) => {
  const { client, platform, identifier: after, yes: confirmed } = given;
  return mapResult(await renameInUse({ ...given, confirmed }, ports), ({ before, breaks }) => {
    const { json, print, out } = terminal;
    if (given.json) json({ client, platform, before: before ?? null, after, breaks, done: confirmed });
    else {
      print(`${client}, ${platformNames[platform]}: ${before ?? "none"} → ${out.bold(after)}`);
      for (const what of breaks) print(`  ${out.yellow("breaks")}  ${what}`);
      print(
        confirmed
          ? out.dim(`Written. Next: ${again("generate", { ...given, clients: [client] })}`)
          : "Nothing was changed. Run it again with --yes to do it.",
      );
    }
    return confirmed ? 0 : 1;
  });
};
