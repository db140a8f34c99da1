import { mapResult } from "../../core/ground/problems/result.ts";
import { retireClients } from "../../core/operations/retire.ts";
import type { Run } from "../command.ts";
import { again } from "../view/again.ts";

export const run: Run<"retire"> = async (given, { terminal, ports }) =>
  mapResult(await retireClients(given, ports), ({ clients, variants }) => {
    const { json, print, out, settings } = terminal;
    const kept = variants.filter((each) => each.kept !== undefined);
    if (settings.json) json({ clients, variants, done: !given.dryRun });
    else if (!settings.quiet || kept.length > 0) {
      const would = given.dryRun ? "would be " : "";
      for (const key of clients)
        print(`${out.bold(key)}  ${would}${given.back ? "in service again" : "out of service"}`);
      for (const { variant, kept: own } of variants)
        print(
          own === undefined
            ? `  ${would}removed: variants/${variant}`
            : `  ${out.yellow("kept")}: variants/${variant}, since ${own} is not as it was made. Remove it by hand.`,
        );
      if (!given.dryRun && given.back) print(out.dim(`Next: ${again("generate", { ...given, clients })}`));
    }
    return 0;
  });
