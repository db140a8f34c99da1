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
import type { Recorded } from "../record/read.ts";
import { stores } from "../stores/all.ts";
import { openTemplate, templateRevision } from "../survey/template.ts";
import type { Platform } from "../values/platform.ts";
import type { StoreKey } from "../values/store.ts";
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
  /** Only for these platforms; for all that a client wants where there are none. */
  platforms: readonly Platform[];
  /** Also what no whole variant proves. */
  force: boolean;
  dryRun: boolean;
}

/** What was released, and what was not, because of what. */
export interface Released {
  releases: readonly PlannedRelease[];
  problems: readonly Problem[];
}

/**
 * Takes the next version and build number: decided while the workspace is held, and written together. What is asked for
 * wrongly stops all; what is found of one client's platform stops that one.
 */
export const releaseClients = operation(
  (input: Input, ports): Promise<Released> =>
    inWorkspace(input, ports, !input.dryRun, async (workspace) => {
      const clients = await chooseNamed(workspace, input);
      const resolved = await resolvePicked(workspace, clients);
      const request = {
        ...(input.kind ? { kind: input.kind } : {}),
        notes: notesByLanguage(input.notes, workspace.agency.data.defaults.locale ?? "en"),
        today: ports.today(),
        template: templateRevision(openTemplate(workspace)),
      };
      const plan = (without: (each: Recorded) => readonly Platform[]) =>
        resolved.picked.map((each) => {
          const wanted = input.platforms.length > 0 ? input.platforms : undefined;
          const own = each.variant?.platforms.filter((platform) => wanted?.includes(platform) ?? true) ?? [];
          const left = own.filter((platform) => !without(each).includes(platform));
          return { left, planned: planRelease(each, { ...request, platforms: left }) };
        });
      const asked = plan(() => []);
      const refused = [
        ...judgeNotes({ ...request, platforms: asked.flatMap(({ left }) => left) }),
        ...asked.flatMap(({ planned }) => (planned.ok ? [] : planned.problems)),
      ];
      if (refused.length > 0) stop(refused);
      const found = input.force
        ? []
        : [...(await findUnproven(workspace, resolved.picked)), ...findOpen(boardOf(workspace, resolved, ports))];
      const held = found.filter(
        ({ platforms }) => input.platforms.length === 0 || platforms.some((each) => input.platforms.includes(each)),
      );
      const heldOf = ({ client }: Recorded) =>
        held.filter(({ problem }) => problem.client === client.key).flatMap(({ platforms }) => platforms);
      const releases = plan(heldOf).flatMap(({ left, planned }) =>
        left.length > 0 && planned.ok ? [planned.value] : [],
      );
      const ledgers = releases.map(({ client, ledger }) => [ledgerFile(client), ledgerText(ledger)] as const);
      if (!input.dryRun && ledgers.length > 0) writeTogether(workspace.root, new Map(ledgers));
      return { releases, problems: held.map(({ problem }) => problem) };
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

/** What keeps a client from being released for some platforms. */
interface Held {
  problem: Problem;
  platforms: readonly Platform[];
}

/** A problem that stands for all that was found; none where nothing was. */
function standsFor(found: readonly Problem[], tell: (said: string) => Problem): Problem[] {
  const [first, ...more] = found;
  return first ? [tell(`${first.message}${more.length > 0 ? ` And ${more.length} more.` : ""}`)] : [];
}

/** Clients whose variant is not there, or of which an audit finds something: of one platform, or of all. */
async function findUnproven(workspace: Workspace, picked: readonly Recorded[]): Promise<Held[]> {
  const keys = picked.map(({ client }) => client.key);
  const findings = await audit(workspace, keys, () => undefined);
  return findings.flatMap(({ client, problems }) => {
    const all = picked.find((each) => each.client.key === client)?.variant?.platforms ?? [];
    return [undefined, ...all].flatMap((platform) =>
      standsFor(
        problems.filter((each) => each.platform === platform),
        (said) => problem("release-unproven", `${client}: an audit finds: ${said}`, { client }),
      ).map((problem) => ({ problem, platforms: platform ? [platform] : all })),
    );
  });
}

/** Clients who keep a record that a store would refuse: for what that store takes. */
function findOpen(board: readonly OnBoard[]): Held[] {
  return board
    .filter(({ record }) => record !== undefined && isKept(record))
    .flatMap(({ client, stores: wanted, problems }) => {
      const takenBy = (keys: readonly StoreKey[]) =>
        stores.filter(({ key }) => keys.includes(key)).flatMap(({ takes }) => takes);
      const tell = (said: string) => problem("release-incomplete", `${client}${said}`, { client });
      return [
        ...standsFor(problems.filter(isError), (said) => tell(`: ${said}`)).map((problem) => ({
          problem,
          platforms: takenBy(wanted.map(({ store }) => store)),
        })),
        ...wanted.flatMap(({ store, title, problems: own }) =>
          standsFor(own.filter(isError), (said) => tell(`, ${title}: ${said}`)).map((problem) => ({
            problem,
            platforms: takenBy([store]),
          })),
        ),
      ];
    });
}

function notesByLanguage(given: readonly string[], locale: string): Record<string, string> {
  const pairs = given.map((text) => {
    const [, language, note] = /^([a-z]{2,3}(?:-[A-Za-z0-9]+)*)=([\s\S]*)$/.exec(text) ?? [];
    return language && note !== undefined ? [language, note.trim()] : [locale, text.trim()];
  });
  return Object.fromEntries(pairs);
}
