import { resolvePicked } from "../derive/resolve.ts";
import { writeTogether } from "../files/writing/together.ts";
import { type Kind, type PlannedRelease, planRelease } from "../ledger/release.ts";
import { stop } from "../problems/result.ts";
import { openTemplate, templateRevision } from "../survey/template.ts";
import { ledgerFile, ledgerText } from "../workspace/ledger.ts";
import { operation } from "./operation.ts";
import { type At, inWorkspace, type OfClients } from "./workspace.ts";

interface Input extends At, OfClients {
  /** Absent for a first release. */
  kind?: Kind | undefined;
  /** What changed, such as "de=Neue Kisten"; a note without a language is in the workspace's own. */
  notes: readonly string[];
  dryRun: boolean;
}

/** Takes the next version and build number, of all named clients or none; decided while the workspace is held. */
export const releaseClients = operation(
  (input: Input, ports): Promise<PlannedRelease[]> =>
    inWorkspace(input, ports, !input.dryRun, async (workspace) => {
      const { agency } = workspace;
      const { picked } = await resolvePicked(workspace, input.clients);
      const request = {
        ...(input.kind ? { kind: input.kind } : {}),
        notes: notesByLanguage(input.notes, agency.data.defaults.locale ?? "en"),
        today: ports.today(),
        template: templateRevision(openTemplate(workspace)),
        platforms: agency.data.platforms,
      };
      const planned = picked.map((each) => planRelease(each, request));
      const refused = planned.flatMap((each) => (each.ok ? [] : each.problems));
      if (refused.length > 0) stop(refused);
      const releases = planned.flatMap((each) => (each.ok ? [each.value] : []));
      const ledgers = releases.map(({ client, ledger }) => [ledgerFile(client), ledgerText(ledger)] as const);
      if (!input.dryRun) writeTogether(workspace.root, new Map(ledgers));
      return releases;
    }),
);

function notesByLanguage(given: readonly string[], locale: string): Record<string, string> {
  const pairs = given.map((text) => {
    const [, language, note] = /^([a-z]{2,3}(?:-[A-Za-z0-9]+)*)=([\s\S]*)$/.exec(text) ?? [];
    return language && note !== undefined ? [language, note.trim()] : [locale, text.trim()];
  });
  return Object.fromEntries(pairs);
}
