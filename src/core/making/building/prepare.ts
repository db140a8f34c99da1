import { join } from "node:path";
import { type BuildRecord, type BuildRecords, buildsAt, buildsOf } from "../../agency/history/builds.ts";
import { emptyLedger, lastRelease, ledgers } from "../../agency/history/ledger.ts";
import type { BuildSteps } from "../../agency/workspace/schema/builds.ts";
import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import { openTemplate, type Template, templateRevision } from "../../app/survey/template.ts";
import { readWorkspace } from "../../app/survey/workspace.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { resolveAll } from "../../clients/derive/resolve.ts";
import { planRelease } from "../../clients/release/release.ts";
import { isHeld } from "../../ground/files/holding/lock.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { isError, type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt, refuse } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Place } from "../../ground/values/source.ts";
import { readReceipt } from "../jobs/receipt.ts";
import { type GenerateOptions, generate } from "../make/generate.ts";
import { type Decision, decideBuilds } from "./decide.ts";
import { contentSums } from "./sum.ts";
import { workFolder } from "./work.ts";

/** A build that is to be made: everything that it is made from. */
export interface PlannedBuild extends Decision {
  client: string;
  stage: string;
  variant: Variant;
  version: string;
  build: number;
  /** The sum of what of the variant is the platform's, but for its number. */
  sum: string;
  /** The variant's folder, relative to the workspace, and the platform's part of it. */
  folder: string;
  part: string;
  steps: BuildSteps;
  /** Where template.yaml says the steps. */
  place: Place;
  /** How long such builds took before, in seconds; absent where nobody knows. */
  usual?: number;
}

/** What is to be built, and why some is not. */
export interface Prepared {
  builds: readonly PlannedBuild[];
  problems: readonly Problem[];
}

export interface BuildsWanted {
  /** Keys of the clients; none for all. */
  clients: readonly string[];
  /** None for all that template.yaml has steps of. */
  platforms: readonly Platform[];
  /** Also what has not changed since its last good build. */
  again: boolean;
  by?: string | undefined;
  /** Whether other machines still have a build that was begun. */
  isHandedOut?: (record: BuildRecord) => boolean;
}

/**
 * Brings variants to what their inputs say, decides what of them is to be built, and takes a number for each client
 * whose own is spent. The workspace has to be held.
 */
export async function prepareBuilds(
  workspace: Workspace,
  wanted: BuildsWanted,
  options: Omit<GenerateOptions, "clients">,
): Promise<Prepared> {
  if (Object.keys(workspace.notes.data.builds).length === 0)
    refuse("build-unknown", "template.yaml does not say how anything is built.");
  const first = await made(workspace, wanted.clients, wanted, options);
  if (options.dryRun) return { ...first, builds: first.builds.map((each) => numbered(each, first.builds)) };
  const spent = new Set(first.builds.filter(({ reason, isSpent }) => reason && isSpent).map(({ client }) => client));
  const untaken = first.builds.filter(({ reason, client }) => reason && !hasNumber(workspace, client));
  const taking = new Set([...spent, ...untaken.map(({ client }) => client)]);
  if (taking.size === 0) return first;
  const problems = await takeNumbers(workspace, first.builds, taking, wanted, options.today);
  const refused = new Set(problems.map(({ client }) => client));
  const again = [...taking].filter((client) => !refused.has(client));
  if (again.length === 0) return { builds: without(first.builds, taking), problems: [...first.problems, ...problems] };
  // What has another number is another variant.
  const stage = workspace.stage;
  const anew: Workspace = { ...readWorkspace(workspace.root), ...(stage ? { stage } : {}) };
  const second = await made(anew, again, { ...wanted, again: true }, options);
  const reasons = new Map(first.builds.map((each) => [`${each.client} ${each.platform}`, each.reason]));
  const renewed = second.builds.map(({ reason: _, ...each }): PlannedBuild => {
    const reason = reasons.get(`${each.client} ${each.platform}`);
    return { ...each, ...(reason ? { reason } : {}) };
  });
  const order = (each: PlannedBuild) =>
    first.builds.findIndex(({ client, platform }) => client === each.client && platform === each.platform);
  return {
    builds: [...without(first.builds, taking), ...renewed].sort((a, b) => order(a) - order(b)),
    problems: [...first.problems, ...problems, ...second.problems.filter(isError)],
  };
}

/** A build with the number that it would have: the next one, where some build of the client's would spend that. */
function numbered(each: PlannedBuild, all: readonly PlannedBuild[]): PlannedBuild {
  const takesNext = all.some(({ client, reason, isSpent }) => client === each.client && reason && isSpent);
  return each.reason && takesNext ? { ...each, build: each.build + 1 } : each;
}

const without = (builds: readonly PlannedBuild[], clients: ReadonlySet<string>): PlannedBuild[] =>
  builds.filter(({ client }) => !clients.has(client));

const hasNumber = ({ clients }: Workspace, key: string): boolean => {
  const ledger = clients.find((each) => each.key === key)?.ledger;
  return ledger !== undefined && lastRelease(ledger) !== undefined;
};

/** Variants, and what of them is to be built. */
async function made(
  workspace: Workspace,
  clients: readonly string[],
  wanted: BuildsWanted,
  options: Omit<GenerateOptions, "clients">,
): Promise<Prepared> {
  const { outcomes } = await generate(workspace, { ...options, clients });
  const all = await resolveAll(workspace);
  const template = openTemplate(workspace);
  const builds: PlannedBuild[] = [];
  const problems: Problem[] = [];
  for (const { client, folder, problems: own } of outcomes) {
    problems.push(...own.filter(isError));
    const resolved = all.find((each) => each.client.key === client);
    if (!resolved || own.some((each) => isError(each) && each.platform === undefined)) continue;
    const read = attempt(() => plannedOf(workspace, template, resolved, folder, wanted));
    if (!read.ok) problems.push(...read.problems);
    else {
      builds.push(...read.value.builds);
      problems.push(...read.value.problems);
    }
  }
  return { builds, problems };
}

function plannedOf(
  workspace: Workspace,
  all: Template,
  resolved: Resolved,
  folder: string,
  { platforms, again, isHandedOut }: BuildsWanted,
): Prepared {
  const { root, notes } = workspace;
  const { key } = resolved.client;
  const own = templateFor(all, resolved);
  if (!own.ok) return { builds: [], problems: [] };
  const { variant, template } = own.value;
  const { builds: steps } = notes.data;
  const mine = variant.platforms.filter((each) => platforms.length === 0 || platforms.includes(each));
  const unknown = platforms.length > 0 ? mine.filter((each) => !steps[each]) : [];
  const receipt = attempt(() => readReceipt(root, folder, key));
  if (!receipt.ok || receipt.value.layout !== "tree") return { builds: [], problems: unknown.map(unknownTo(key)) };
  const sum = contentSums(variant, template, steps);
  const records: BuildRecords = buildsOf.read(root, key) ?? {};
  const stage = workspace.stage?.name ?? "store";
  const [version, build] = [variant.values.version?.value ?? "", Number(variant.values.build?.value)];
  const given = { stage, platforms: mine.filter((each) => steps[each]), sum, build, again };
  const handed = isHandedOut === undefined ? {} : { isHandedOut };
  const running: Problem[] = [];
  const builds = decideBuilds(records, { ...given, ...handed }).flatMap((decision): PlannedBuild[] => {
    const { platform } = decision;
    const own = steps[platform];
    const part = template.parts.find((each) => each.platform === platform);
    if (!own || !part) return [];
    if (isHeld(join(root, workFolder({ client: key, stage, platform })))) {
      running.push(problem("build-running", "Another run builds it.", { client: key, platform }));
      return [];
    }
    const usual = usualTime(records, stage, platform);
    return [
      {
        ...decision,
        ...{ client: key, stage, variant, version, build, sum: sum(platform), steps: own, part: part.folder },
        folder: variantPath(workspace, key),
        place: notes.document.placeOf(["builds", platform]),
        ...(usual === undefined ? {} : { usual }),
      },
    ];
  });
  return { problems: [...unknown.map(unknownTo(key)), ...running], builds };
}

const unknownTo = (client: string) => (platform: Platform) =>
  problem("build-unknown", "template.yaml does not say how it is built.", { client, platform });

/** So many former builds tell how long one takes. */
const mostTold = 5;

function usualTime(records: BuildRecords, stage: string, platform: Platform): number | undefined {
  const times = buildsAt(records, stage, platform)
    .filter(({ state, seconds }) => state === "good" && seconds)
    .slice(0, mostTold)
    .map(({ seconds = 0 }) => seconds);
  return times.length === 0 ? undefined : times.reduce((sum, each) => sum + each, 0) / times.length;
}

/** Takes the next number of clients, for the platforms that are to be built. */
async function takeNumbers(
  workspace: Workspace,
  builds: readonly PlannedBuild[],
  taking: ReadonlySet<string>,
  { by }: BuildsWanted,
  today: string,
): Promise<Problem[]> {
  const { stage: _, ...store } = workspace;
  const all = await resolveAll(store);
  const template = templateRevision(openTemplate(workspace));
  const problems: Problem[] = [];
  for (const client of taking) {
    const resolved = all.find((each) => each.client.key === client);
    if (!resolved) continue;
    const platforms = builds.filter((each) => each.client === client && each.reason).map(({ platform }) => platform);
    const isFirst = lastRelease(resolved.client.ledger ?? emptyLedger) === undefined;
    const request = { notes: {}, today, template, platforms, ...(by === undefined ? {} : { by }) };
    const planned = planRelease(resolved, { ...request, ...(isFirst ? {} : { kind: "rebuild" as const }) });
    if (!planned.ok) problems.push(...planned.problems);
    else writeTogether(workspace.root, ledgers.changes(workspace.root, client, planned.value.ledger));
  }
  return problems;
}
