import type { Kind, PlannedRelease, TakenBack } from "../../core/clients/release/release.ts";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { releaseClients, takeBack } from "../../core/operations/release.ts";
import type { Run } from "../command.ts";
import { again, type Where } from "../view/again.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import type { Terminal } from "../view/terminal.ts";

const kinds: readonly Kind[] = ["major", "minor", "patch", "rebuild"];

export const run: Run<"release"> = async (given, { terminal, ports }) => {
  const { dryRun, note: notes, platform: platforms } = given;
  if (given.takeBack)
    return mapResult(await takeBack(given, ports), (taken) => {
      if (given.json) terminal.json({ dryRun, takenBack: taken.map(takenData) });
      else showTaken(taken, given, terminal);
      return 0;
    });
  const kind = kinds.find((each) => given[each]);
  return mapResult(await releaseClients({ ...given, kind, notes, platforms }, ports), ({ releases, problems }) => {
    if (given.json) terminal.json({ dryRun, releases: releases.map(asData), problems: problems.map(placeData) });
    else {
      if (problems.length > 0) terminal.note(showProblems(problems, terminal.err));
      show(releases, dryRun, again("generate", given), terminal);
    }
    return problems.some(isError) ? 1 : 0;
  });
};

const takenData = ({ client, taken, before }: TakenBack): object => ({ client, taken, before: before ?? null });

function showTaken(taken: readonly TakenBack[], given: Where & { dryRun: boolean }, terminal: Terminal): void {
  const { print, out, settings } = terminal;
  if (settings.quiet) return;
  const longest = Math.max(...taken.map(({ client }) => client.length));
  for (const { client, taken: last, before } of taken) {
    const now = before ? `${before.version} build ${before.build} is the last one again` : "it has no number";
    print(`${out.green("✓")} ${client.padEnd(longest)}  ${last.version} build ${last.build} taken back: ${now}`);
  }
  print(out.yellow("If a store has this build already, take the next number instead: a store takes each once."));
  print(out.dim(given.dryRun ? "Nothing was written." : `Next: ${again("generate", given)}`));
}

const asData = ({ client, before, after }: PlannedRelease): object => ({
  client,
  before: before ?? null,
  after,
});

const listed = ({ platforms = [] }: PlannedRelease["after"]): string =>
  platforms.map((each) => platformNames[each]).join(", ");

function show(
  releases: readonly PlannedRelease[],
  dryRun: boolean,
  next: string,
  { print, out, settings }: Terminal,
): void {
  if (settings.quiet) return;
  if (releases.length === 0) {
    print("Nobody has taken a number.");
    return;
  }
  const longest = Math.max(...releases.map((each) => each.client.length));
  for (const { client, before, after, isWhole } of releases) {
    const from = before ? `${before.version} build ${before.build} → ` : "first release: ";
    const first = before ? "" : out.dim("  identifiers are fixed from now on");
    print(
      `${out.green("✓")} ${client.padEnd(longest)}  ` +
        `${from}${out.bold(`${after.version} build ${after.build}`)}${isWhole ? "" : ` for ${listed(after)}`}${first}`,
    );
  }
  print(dryRun ? out.dim("Nothing was written.") : out.dim(`Next: ${next}`));
}
