import { basename, join } from "node:path";
import pLimit, { type LimitFunction } from "p-limit";
import { ledgers } from "../../agency/history/ledger.ts";
import { variantName, variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { templateFor } from "../../app/survey/narrow.ts";
import { openTemplate, type Template } from "../../app/survey/template.ts";
import type { Resolved, Variant } from "../../app/variant/variant.ts";
import { resolvePicked } from "../../clients/derive/resolve.ts";
import { clearScratch } from "../../ground/files/writing/scratch.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { isError, ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt, attemptAsync, orStop, orStopAsync, stop } from "../../ground/problems/result.ts";
import { fingerprint } from "../../ground/values/hash.ts";
import type { Layout } from "../../ground/values/layout.ts";
import type { Drawn } from "../jobs/apply.ts";
import type { Cache } from "../jobs/cache.ts";
import { carryOut, drawingLimit, planJob } from "../jobs/carry-out.ts";
import type { FileChange } from "../jobs/difference.ts";
import { type Inputs, workspaceInputs } from "../jobs/inputs.ts";
import type { PlanJob } from "../jobs/job.ts";
import { tellEnlarged } from "../plan/enlarged.ts";
import { planVariant } from "../plan/plan.ts";
import { rendererVersion } from "../render/version.ts";
import { writeBuilds } from "./builds.ts";
import { goneVariants } from "./gone.ts";
import { keepMade, type Made, madeOf, readMade, seenAgain } from "./known.ts";
import { newLedger, refuseChanges } from "./settled.ts";
import { type Cause, causesSince, type MadeFrom, madeFrom, whyOf } from "./why.ts";

/** What became of one client. */
export interface ClientOutcome {
  client: string;
  /** Where its variant is, relative to the workspace. */
  folder: string;
  /** Files the variant has when all is done; 0 where it could not be planned. */
  files: number;
  /** Without what they come from, so that a long run holds no more than a short one. */
  changes: readonly { what: FileChange["what"]; path: string; why: string }[];
  /** What is no longer as it was when the variant was made; empty where nobody knows. */
  causes: readonly Cause[];
  problems: readonly Problem[];
}

export interface Generated {
  outcomes: ClientOutcome[];
  /** Places the template does not have, for any client. */
  gaps: Problem[];
  /** Variants of clients and stages that are no more. */
  gone: readonly string[];
}

/** Told while the work goes on. */
export type MakingStep =
  /** Every client that is to be made. */
  | { what: "clients"; keys: readonly string[] }
  /** A client's files are planned, and so many are to be written. */
  | { what: "planned"; client: string; files: number }
  | { what: "file"; client: string }
  | { what: "client"; outcome: ClientOutcome };

export interface GenerateOptions {
  /** Keys of the clients; none for all. */
  clients: readonly string[];
  /** Decide and report, but write nothing. */
  dryRun: boolean;
  /** Refuse to run where a ledger would have to change. */
  settled: boolean;
  /** Whole projects, or only what differs; what oxalis.yaml says where absent. */
  layout?: Layout | undefined;
  /** Press every picture as small as it goes. */
  smallest: boolean;
  /** The day that new entries of a ledger get, as 2026-03-01; nothing in a variant depends on it. */
  today: string;
  /** Pictures that were drawn before. */
  cache: Cache;
  /** Has other machines draw what is to be drawn of a variant. */
  drawElsewhere?: DrawElsewhere | undefined;
  on(step: MakingStep): void;
}

export type DrawElsewhere = (job: PlanJob, cache: Cache, inputs: Inputs) => Promise<Drawn>;

/**
 * So many clients at once: two, so that one's last large picture leaves no core idle; more where others draw, who wait
 * for none of them then.
 */
const atOnce = { here: 2, elsewhere: 16 };

/**
 * What makes variants: with another one, the same inputs may give other files. A built file's name carries a hash of
 * its content.
 */
const madeBy = { rendererVersion, program: basename(import.meta.url) };

export const variantFolder = (workspace: Workspace, client: string): string =>
  join(workspace.root, variantPath(workspace, client));

/**
 * Brings the variants of the named clients to what their inputs say. A client that fails does not stop the others.
 * Whoever calls holds the workspace (`withLock`), unless it is a dry run.
 */
export async function generate(workspace: Workspace, options: GenerateOptions): Promise<Generated> {
  // Pictures are looked at off the main thread; meanwhile the template is surveyed.
  const [{ all, picked }, template] = await Promise.all([
    resolvePicked(workspace, options.clients),
    surveySoon(workspace),
  ]);
  options.on({ what: "clients", keys: picked.map(({ client }) => client.key) });
  if (options.settled) refuseChanges(workspace, picked, options.today);
  const inputs = workspaceInputs(workspace.root, template.folder);
  const { cache } = options;
  const drawing = drawingLimit();
  if (!options.dryRun) clearScratch(workspace.root);
  const limit = pLimit(options.drawElsewhere ? atOnce.elsewhere : atOnce.here);
  const working = picked.map((each) =>
    limit(async () => {
      const outcome = await generateOne(workspace, each, { template, inputs, cache, drawing }, options);
      options.on({ what: "client", outcome });
      return outcome;
    }),
  );
  const outcomes = await Promise.all(working);
  await cache.close();
  if (!options.dryRun) await writeBuilds(workspace, all, template);
  return { outcomes, gaps: template.parts.flatMap((part) => part.gaps), gone: goneVariants(workspace) };
}

/** What all clients' variants are made with. */
type Shared = { inputs: Inputs; cache: Cache; drawing: LimitFunction; template: Template };

const surveySoon = async (workspace: Workspace): Promise<Template> => openTemplate(workspace);

/** What is to become of one client's variant, before anything is written: plain data. */
type Decided = Pick<ClientOutcome, "files" | "changes" | "causes" | "problems"> & { key: string } & (
    | /** All of it is as a run left it. */ { job?: never; made: Made; isSeenAnew: boolean }
    | { job: PlanJob; from: MadeFrom }
  );

async function generateOne(
  workspace: Workspace,
  resolved: Resolved,
  means: Shared,
  options: GenerateOptions,
): Promise<ClientOutcome> {
  const { client, problems } = resolved;
  const folder = variantPath(workspace, client.key);
  const outcome: ClientOutcome = { client: client.key, folder, files: 0, changes: [], causes: [], problems };
  const own = templateFor(means.template, resolved);
  if (!own.ok) return outcome;
  const { variant, template } = own.value;
  const withFailure = (so: ClientOutcome, found: readonly Problem[]): ClientOutcome => ({
    ...so,
    problems: [...so.problems, ...ofClient(client.key, found)],
  });
  const decided = attempt(() =>
    orStop(() => decide(workspace, resolved, { variant, template }, options), systemProblem),
  );
  if (!decided.ok) return withFailure(outcome, decided.problems);
  const { files, changes, causes, problems: told, job } = decided.value;
  if (job) options.on({ what: "planned", client: client.key, files: job.changes.filter(isMade).length });
  const planned: ClientOutcome = { ...outcome, files, changes, causes, problems: [...problems, ...told] };
  if (options.dryRun) return planned;
  const done = await attemptAsync(() =>
    orStopAsync(() => perform(workspace, resolved, decided.value, { ...means, ...options }), systemProblem),
  );
  return done.ok ? planned : withFailure(planned, done.problems);
}

const isMade = (change: FileChange): boolean => "entry" in change;

/** Where what is known of a client's variant is kept. */
const recordAt = (workspace: Workspace, client: string) => ({
  root: workspace.root,
  name: variantName(workspace, client),
});

function decide(
  workspace: Workspace,
  resolved: Resolved,
  { variant, template }: { variant: Variant; template: Template },
  { smallest, layout = workspace.agency.data.layout }: GenerateOptions,
): Decided {
  const { root } = workspace;
  const { client } = resolved;
  const folder = variantPath(workspace, client.key);
  const brief = client.brief?.document.source.text;
  const key = fingerprint({ variant, brief, template: template.key, layout, smallest, madeBy });
  const known = readMade(recordAt(workspace, client.key));
  const made = known?.key === key ? seenAgain(root, folder, known) : undefined;
  if (made) {
    const files = Object.keys(made.files).length - 1;
    return { key, made, isSeenAnew: made !== known, files, changes: [], causes: [], problems: made.problems };
  }
  refuseSecrets(template);
  const plan = planVariant(variant, template, layout);
  const job = planJob(plan, { root, folder }, smallest);
  const told = [...ofClient(client.key, plan.gaps), ...tellEnlarged(plan, resolved)];
  if (told.some(isError)) stop(told);
  const from = madeFrom(variant, plan);
  const causes = causesSince(known?.from, from);
  return {
    key,
    job,
    from,
    files: plan.entries.length,
    changes: job.changes.map((change) => ({ what: change.what, path: change.path, why: whyOf(change, causes) })),
    causes: causes ?? [],
    problems: told,
  };
}

/** Does what was decided, and keeps what is known of it from now on. */
async function perform(
  workspace: Workspace,
  resolved: Resolved,
  decided: Decided,
  { inputs, cache, drawing, drawElsewhere, on, today }: Shared & GenerateOptions,
): Promise<void> {
  const { root } = workspace;
  const { key: client } = resolved.client;
  const folder = variantPath(workspace, client);
  const record = recordAt(workspace, client);
  if (decided.job) {
    const { job, from, key, problems } = decided;
    const onFile = () => on({ what: "file", client });
    const drawn = await drawElsewhere?.(job, cache, inputs);
    const done = await carryOut(job, inputs, { root, folder }, { cache, drawing, drawn, onFile });
    if (!done.receipt) stop(done.problems);
    const { receipt } = done;
    keepMade(record, () => madeOf(record, folder, receipt, { key, from, problems }));
  } else if (decided.isSeenAnew) keepMade(record, () => decided.made);
  const ledger = newLedger(workspace, resolved, today);
  if (ledger) writeTogether(root, ledgers.changes(root, client, ledger));
}

/** No variant gets what gives whoever has it more than the app. */
function refuseSecrets(template: Template): void {
  const kept = template.secrets().filter(({ level }) => level === "stop");
  if (kept.length > 0) stop(kept.map(({ problem }) => problem));
}

/** What the system says no to; anything else that is thrown is a defect. */
function systemProblem(error: Error): Problem {
  const { code, message } = error as NodeJS.ErrnoException;
  if (code === undefined) throw error;
  return problem(code === "ENOENT" ? "file-missing" : "write-failed", `${message}.`);
}
