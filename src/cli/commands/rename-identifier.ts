import { resolveAll } from "../../core/derive/resolve.ts";
import { writeTogether } from "../../core/files/together.ts";
import { breaks, renamed } from "../../core/ledger/rename.ts";
import { type Platform, platformNames } from "../../core/values/platform.ts";
import { ledgerFile, ledgerText } from "../../core/workspace/ledger.ts";
import { pickClients } from "../../core/workspace/read.ts";
import { openTerminal, type Settings } from "../view/terminal.ts";
import { today } from "../view/today.ts";
import { inWorkspace } from "../view/workspace.ts";

interface Options {
  yes?: boolean;
}

export async function run(given: string[], options: Settings & Options): Promise<number> {
  const [key = "", platform = "android", value = ""] = given as [string, Platform, string];
  const terminal = openTerminal(options);
  const done = options.yes === true;
  const before = await inWorkspace(options, done, async (workspace) => {
    pickClients(workspace, [key]);
    const all = await resolveAll(workspace);
    const ledger = renamed(all, key, platform, value, today());
    if (done) writeTogether(workspace.root, new Map([[ledgerFile(key), ledgerText(ledger)]]));
    return all.find(({ client }) => client.key === key)?.variant?.values[`identifiers.${platform}`]?.value;
  });
  if (options.json) {
    terminal.json({
      client: key,
      platform,
      before: before ?? null,
      after: value,
      breaks: breaks[platform],
      done,
    });
  } else {
    terminal.print(`${key}, ${platformNames[platform]}: ${before ?? "none"} → ${terminal.out.bold(value)}`);
    for (const what of breaks[platform]) terminal.print(`  ${terminal.out.yellow("breaks")}  ${what}`);
    terminal.print(
      done
        ? terminal.out.dim("Written. Next: oxalis generate")
        : "Nothing was changed. Run it again with --yes to do it.",
    );
  }
  return done ? 0 : 1;
}
