import { audit } from "../audit/audit.ts";
import { resolvePicked } from "../derive/resolve.ts";
import { writeTogether } from "../files/writing/together.ts";
import {
  judgeNotes,
  type Kind,
  type PlannedRelease,
  planRelease,
  planTakingBack,
  type TakenBack,
} from "../ledger/release.ts";
import { isError, type Problem, problem } from "../problems/problem.ts";
import { allOf, refuse, stop, unwrap } from "../problems/result.ts";
import { isKept } from "../record/kit.ts";
import { openTemplate, templateRevision } from "../survey/template.ts";
import { ledgerFile, ledgerText } from "../workspace/ledger.ts";
import { pickClients } from "../workspace/read.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { boardOf, type OnBoard } from "./board.ts";
import { chooseClients, type OfClients } from "./chosen.ts";
import { operation } from "./operation.ts";
import { type At, inWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  /** Absent for a first release. */
  kind?: Kind | undefined;
  /** What changed, such as "de=Neue Kisten"; a note without a language is in the workspace's own. */
  notes: readonly string[];
  /** Also what no whole variant proves. */
  force: boolean;
  dryRun: boolean;
}

/** Takes the next version and build number, of all named clients or none; decided while the workspace is held. */
export const releaseClients = operation(
  (input: Input, ports): Promise<PlannedRelease[]> =>
    inWorkspace(input, ports, !input.dryRun, async (workspace) => {
      const { agency } = workspace;
      const clients = await chooseNamed(workspace, input);
      const resolved = await resolvePicked(workspace, clients);
      const request = {
        ...(input.kind ? { kind: input.kind } : {}),
        notes: notesByLanguage(input.notes, agency.data.defaults.locale ?? "en"),
        today: ports.today(),
        template: templateRevision(openTemplate(workspace)),
        platforms: agency.data.platforms,
      };
      const planned = resolved.picked.map((each) => planRelease(each, request));
      const refused = [...judgeNotes(request), ...planned.flatMap((each) => (each.ok ? [] : each.problems))];
      if (refused.length > 0) stop(refused);
      const unproven = input.force
        ? []
        : [...(await findUnproven(workspace, clients)), ...findOpen(boardOf(workspace, resolved, ports))];
      if (unproven.length > 0) stop(unproven);
      const releases = planned.flatMap((each) => (each.ok ? [each.value] : []));
      const ledgers = releases.map(({ client, ledger }) => [ledgerFile(client), ledgerText(ledger)] as const);
      if (!input.dryRun) writeTogether(workspace.root, new Map(ledgers));
      return releases;
    }),
);

/** Takes the last release of clients back, of all named clients or none. */
export const takeBack = operation(
  (input: At & OfClients & { dryRun: boolean }, ports): Promise<TakenBack[]> =>
    inWorkspace(input, ports, !input.dryRun, async (workspace) => {
      const planned = pickClients(workspace, await chooseNamed(workspace, input)).map(({ key, ledger }) =>
        planTakingBack({ client: key, ...(ledger ? { ledger } : {}) }),
      );
      const taken = unwrap(allOf(planned));
      const ledgers = taken.map(({ client, ledger }) => [ledgerFile(client), ledgerText(ledger)] as const);
      if (!input.dryRun) writeTogether(workspace.root, new Map(ledgers));
      return taken;
    }),
);

/** Nobody is released because nobody was named. */
function chooseNamed(workspace: Workspace, wanted: OfClients): Promise<readonly string[]> {
  const { clients, group, state } = wanted;
  if (clients.length === 0 && group === undefined && state === undefined)
    refuse("release-refused", "It is not said which clients.", {
      expected: "keys of clients, --group or --state",
      fix: 'Name them; all of them are "*".',
    });
  return chooseClients(workspace, wanted);
}

/** Clients whose variant is not there, or of which an audit finds something. */
async function findUnproven(workspace: Workspace, clients: readonly string[]): Promise<Problem[]> {
  const findings = await audit(workspace, clients, () => undefined);
  return findings.flatMap(({ client, problems }) => {
    const [first] = problems;
    if (!first) return [];
    const more = problems.length > 1 ? ` And ${problems.length - 1} more.` : "";
    return [problem("release-unproven", `${client}: an audit finds: ${first.message}${more}`, { client })];
  });
}

/** Clients who keep a record of which a store wants more: it would be refused there. */
function findOpen(board: readonly OnBoard[]): Problem[] {
  return board
    .filter(({ record }) => record !== undefined && isKept(record))
    .flatMap(({ client, stores }) =>
      stores.flatMap(({ title, problems }) => {
        const [first, ...more] = problems.filter(isError);
        if (!first) return [];
        const others = more.length > 0 ? ` And ${more.length} more.` : "";
        return [problem("release-incomplete", `${client}, ${title}: ${first.message}${others}`, { client })];
      }),
    );
}

function notesByLanguage(given: readonly string[], locale: string): Record<string, string> {
  const pairs = given.map((text) => {
    const [, language, note] = /^([a-z]{2,3}(?:-[A-Za-z0-9]+)*)=([\s\S]*)$/.exec(text) ?? [];
    return language && note !== undefined ? [language, note.trim()] : [locale, text.trim()];
  });
  return Object.fromEntries(pairs);
}
