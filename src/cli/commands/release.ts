import type { Kind, PlannedRelease } from "../../core/ledger/release.ts";
import { releaseClients } from "../../core/operations/release.ts";
import { mapResult } from "../../core/problems/result.ts";
import type { Run } from "../command.ts";
import type { Terminal } from "../view/terminal.ts";

const kinds: readonly Kind[] = ["major", "minor", "patch", "rebuild"];

export const run: Run<"release"> = async (given, { terminal, ports }) => {
  const { dryRun, note: notes } = given;
  const kind = kinds.find((each) => given[each]);
  return mapResult(await releaseClients({ ...given, kind, notes }, ports), (releases) => {
    if (given.json) terminal.json({ dryRun, releases: releases.map(asData) });
    else show(releases, dryRun, terminal);
    return 0;
  });
};

const asData = ({ client, before, after }: PlannedRelease): object => ({
  client,
  before: before ?? null,
  after,
});

function show(releases: readonly PlannedRelease[], dryRun: boolean, { print, out, settings }: Terminal): void {
  if (settings.quiet) return;
  const longest = Math.max(...releases.map((each) => each.client.length));
  for (const { client, before, after } of releases) {
    const from = before ? `${before.version} build ${before.build} → ` : "first release: ";
    const first = before ? "" : out.dim("  identifiers are fixed from now on");
    print(
      `${out.green("✓")} ${client.padEnd(longest)}  ` +
        `${from}${out.bold(`${after.version} build ${after.build}`)}${first}`,
    );
  }
  print(dryRun ? out.dim("Nothing was written.") : out.dim("Next: oxalis generate"));
}
