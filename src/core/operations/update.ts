import { lastRelease } from "../agency/history/ledger.ts";
import { pickClients } from "../agency/workspace/read.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import type { ClientView } from "../clients/record/read.ts";
import type { Passes } from "../clients/release/passes.ts";
import type { ClientUpdate } from "../clients/release/updating.ts";
import { isError, type Problem, problem } from "../ground/problems/problem.ts";
import { refuse } from "../ground/problems/result.ts";
import type { BuildOutcome } from "../making/building/outcome.ts";
import { generate } from "../making/make/generate.ts";
import type { StepName } from "../making/submitting/step-names.ts";
import { boardOf } from "../proving/standing/board.ts";
import type { ClientStanding } from "../proving/standing/clients.ts";
import { buildAll } from "./running/all-builds.ts";
import { submitAll } from "./running/all-submissions.ts";
import { chooseNamed, type OfClients } from "./running/chosen.ts";
import type { Submitted } from "./running/one-submission.ts";
import { operation } from "./running/operation.ts";
import type { Ports } from "./running/ports.ts";
import { type ReleaseInput, releaseIn } from "./running/releasing.ts";
import { isThrough, updatesFor } from "./running/updating.ts";
import { type At, inWorkspace, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients, Pick<ReleaseInput, "kind" | "notes"> {
  /** Keys of clients, or patterns, that are left. */
  except: readonly string[];
  /** So many go first. */
  first: string;
  /** How far those have to come before the others follow. */
  passes: Passes;
  /** How far each goes into the stores. */
  until: StepName;
  /** So many minutes a store is waited for that takes a package in. */
  wait: string;
  /** Only a number, and a build; no store. */
  dryRun: boolean;
}

/** What became of a client's update. */
export interface Updated extends ClientUpdate {
  /** 1 for those that go first, 2 for the others. */
  batch: 1 | 2;
  state: "would" | "done" | "under-way" | "failed" | "not-begun";
  version?: string;
  builds: readonly BuildOutcome[];
  submitted: readonly Submitted[];
}

export interface AllUpdated {
  updates: readonly Updated[];
  problems: readonly Problem[];
}

/** Brings the template as it is now to clients: numbers, builds, stores; a few first, the others when these pass. */
export const updateClients = operation(async (input: Input, ports): Promise<AllUpdated> => {
  const count = /^\d{1,4}$/.test(input.first) ? Number(input.first) : 0;
  if (count < 1) refuse("value-invalid", `"${input.first}" is no number of clients.`, { expected: "such as 3" });
  const workspace = await openWorkspace(input, ports);
  const named = await chooseNamed(workspace, input, "submission-unclear");
  const left = new Set(input.except.length === 0 ? [] : pickClients(workspace, input.except).map(({ key }) => key));
  const keys = pickClients(workspace, named).flatMap(({ key }) => (left.has(key) ? [] : [key]));
  const { all, picked } = await resolvePicked(workspace, keys);
  const broken = picked.filter(({ variant, told }) => !variant || !told);
  const problems: Problem[] = broken.flatMap(({ problems: own }) => own.filter(isError));
  const asked = questionsOf(boardOf(workspace, { all, picked }, ports.today()));
  // A question that nobody has answered stops those whom it concerns, and holds nobody else back.
  problems.push(...[...asked.values()].flat());
  const sound = picked.filter(({ client }) => !asked.has(client.key));
  const planned = updatesFor(workspace, sound).map(
    (each, at): Updated => ({
      ...each,
      ...{ batch: at < count ? 1 : 2, state: "would", builds: [], submitted: [] },
    }),
  );
  if (input.dryRun) return { updates: planned, problems };
  const updates: Updated[] = [];
  for (const batch of [1, 2] as const) {
    const own = planned.filter((each) => each.batch === batch);
    const held = updates.filter(({ state }) => state !== "done");
    if (batch === 2 && held.length > 0 && own.length > 0) {
      updates.push(...own.map((each): Updated => ({ ...each, state: "not-begun" })));
      problems.push(heldBack(held, own.length, input.passes));
    } else if (own.length > 0) {
      const done = await updateSome(own, input, ports);
      updates.push(...done.updates);
      problems.push(...done.problems);
    }
  }
  return { updates, problems };
});

/** What stores ask of each client's app that nobody has answered, or that its features contradict. */
function questionsOf(board: readonly ClientStanding[]): Map<string, readonly Problem[]> {
  const open = board.map(({ client, stores, problems }) => {
    const found = [...problems, ...stores.flatMap((each) => each.problems)].filter(
      (each) => isError(each) && (each.code === "declaration-missing" || each.code === "declaration-contradicted"),
    );
    return [client, [...new Map(found.map((each) => [each.message, each])).values()]] as const;
  });
  return new Map(open.filter(([, found]) => found.length > 0));
}

function heldBack(held: readonly Updated[], count: number, wanted: Passes): Problem {
  const failed = held.filter(({ state }) => state === "failed").map(({ client }) => client);
  const open = held.filter(({ state }) => state !== "failed").map(({ client }) => client);
  const said = [
    ...(failed.length > 0 ? [`${failed.join(", ")} failed`] : []),
    ...(open.length > 0 ? [`${open.join(", ")} ${open.length === 1 ? "is" : "are"} not ${wanted} yet`] : []),
  ].join("; ");
  return problem("update-held", `${count} more ${count === 1 ? "waits" : "wait"}: ${said}.`, {
    severity: failed.length > 0 ? "error" : "warning",
  });
}

async function updateSome(own: readonly Updated[], input: Input, ports: Ports): Promise<AllUpdated> {
  const problems: Problem[] = [];
  const clients = own.map(({ client }) => client);
  const at = { workspace: input.workspace };
  const fresh = own.filter(({ taken }) => !taken).map(({ client }) => client);
  const released = fresh.length > 0 ? await releaseSome(fresh, input, ports) : [];
  problems.push(...released);
  const built = await buildAll(
    { ...at, clients, platforms: [], again: false, unsigned: false, dryRun: false },
    undefined,
    ports,
  );
  problems.push(...built.problems);
  const sound = clients.filter((client) => !problems.some((each) => isError(each) && each.client === client));
  const { until, wait } = input;
  const sent =
    sound.length === 0
      ? { submitted: [], problems: [] }
      : await submitAll({ ...at, clients: sound, stores: [], until, wait, dryRun: false, takeBack: false }, ports);
  problems.push(...sent.problems, ...sent.submitted.flatMap((each) => each.problems));
  const after = await openWorkspace(at, ports);
  const { picked } = await resolvePicked(after, clients);
  const updates = own.map((each): Updated => {
    const view = picked.find(({ client }) => client.key === each.client);
    const builds = built.builds.filter(({ client }) => client === each.client);
    const submitted = sent.submitted.filter(({ client }) => client === each.client);
    return { ...each, ...stateOf(after, view, problems, input.passes), builds, submitted };
  });
  return { updates, problems };
}

function stateOf(
  workspace: Workspace,
  view: ClientView | undefined,
  problems: readonly Problem[],
  wanted: Passes,
): Pick<Updated, "state" | "version"> {
  if (!view) return { state: "failed" };
  const version = view.client.ledger && lastRelease(view.client.ledger)?.version;
  const named = version === undefined ? {} : { version };
  if (problems.some((each) => isError(each) && each.client === view.client.key)) return { ...named, state: "failed" };
  const isDone = version !== undefined && isThrough(workspace, view, version, wanted);
  return { ...named, state: isDone ? "done" : "under-way" };
}

/** Makes variants, so that they are proven, and takes the next numbers. */
const releaseSome = (clients: readonly string[], input: Input, ports: Ports): Promise<readonly Problem[]> =>
  inWorkspace({ workspace: input.workspace }, ports, { writes: true }, async (workspace) => {
    const cache = ports.openCache(workspace.root);
    const options = { dryRun: false, settled: false, smallest: false, today: ports.today(), cache, on: ports.on };
    const made = await generate(workspace, { ...options, clients });
    const failed = made.outcomes.flatMap(({ problems }) => problems.filter(isError));
    const sound = clients.filter((client) => !failed.some((each) => each.client === client));
    const { kind, notes } = input;
    if (sound.length === 0) return failed;
    const { problems } = await releaseIn(
      workspace,
      sound,
      { kind, notes, platforms: [], force: false, dryRun: false },
      ports,
    );
    return [...failed, ...problems];
  });
