import { resolvePicked } from "../../core/derive/resolve.ts";
import { writeTogether } from "../../core/files/together.ts";
import { type Kind, type PlannedRelease, planRelease } from "../../core/ledger/release.ts";
import { Refusal } from "../../core/problems/problem.ts";
import { openTemplate, templateRevision } from "../../core/template/read.ts";
import { ledgerFile, ledgerText } from "../../core/workspace/ledger.ts";
import { openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { today } from "../view/today.ts";
import { inWorkspace } from "../view/workspace.ts";

type Options = Partial<Record<Kind, boolean>> & { note: string[]; dryRun?: boolean };

const kinds: readonly Kind[] = ["major", "minor", "patch", "rebuild"];

export async function run(keys: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const releases = await inWorkspace(options, options.dryRun !== true, async (workspace) => {
    const { picked: resolved } = await resolvePicked(workspace, keys);
    const kind = kinds.find((each) => options[each]);
    const request = {
      ...(kind ? { kind } : {}),
      notes: notesByLanguage(options.note, workspace.agency.data.defaults.locale ?? "en"),
      today: today(),
      template: templateRevision(openTemplate(workspace)),
      platforms: workspace.agency.data.platforms,
    };
    const planned = resolved.map((each) => planRelease(each, request));
    const refused = planned.flatMap((each) => (Array.isArray(each) ? each : []));
    if (refused.length > 0) throw new Refusal(refused);
    const releases = planned.filter((each): each is PlannedRelease => !Array.isArray(each));
    if (!options.dryRun) {
      writeTogether(
        workspace.root,
        new Map(releases.map(({ client, ledger }) => [ledgerFile(client), ledgerText(ledger)])),
      );
    }
    return releases;
  });
  if (options.json) terminal.json({ dryRun: options.dryRun === true, releases: releases.map(asData) });
  else show(releases, options.dryRun === true, terminal);
  return 0;
}

const asData = ({ client, before, after }: PlannedRelease): object => ({
  client,
  before: before ?? null,
  after,
});

/** "de=Neue Kisten" is the note in German; a note without a language is in the workspace's own. */
function notesByLanguage(given: readonly string[], locale: string): Record<string, string> {
  const pairs = given.map((text) => {
    const [, language, note] = /^([a-z]{2,3}(?:-[A-Za-z0-9]+)*)=([\s\S]*)$/.exec(text) ?? [];
    return language && note !== undefined ? [language, note.trim()] : [locale, text.trim()];
  });
  return Object.fromEntries(pairs);
}

function show(
  releases: readonly PlannedRelease[],
  dryRun: boolean,
  { print, out, settings }: Terminal,
): void {
  if (settings.quiet) return;
  const longest = Math.max(...releases.map((each) => each.client.length));
  for (const { client, before, after } of releases) {
    const from = before ? `${before.version} build ${before.build} → ` : "first release: ";
    const first = before ? "" : out.dim("  identifiers are fixed from now on");
    print(
      `${out.green("✓")} ${client.padEnd(longest)}  ${from}${out.bold(`${after.version} build ${after.build}`)}${first}`,
    );
  }
  print(dryRun ? out.dim("Nothing was written.") : out.dim("Next: oxalis generate"));
}
