import { join } from "node:path";
import { type BuildRecord, buildSlot, buildsOf } from "../agency/history/builds.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { patience } from "../ground/files/holding/lock.ts";
import { readInside } from "../ground/files/reading/folder.ts";
import { makeRoot } from "../ground/files/writing/door.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { isError, ofClient, type Problem, problem } from "../ground/problems/problem.ts";
import { attemptAsync, orStopAsync, refuse } from "../ground/problems/result.ts";
import { largestPackage } from "../ground/values/package.ts";
import type { Platform } from "../ground/values/platform.ts";
import { byHand } from "../making/building/by-hand.ts";
import { systemFacts, systemOf } from "../making/building/environment.ts";
import { type BuildOutcome, outcomeOf } from "../making/building/outcome.ts";
import {
  type Built,
  leaveOutBuilds,
  nothingToSign,
  type OpenedSigning,
  performBuild,
} from "../making/building/perform.ts";
import { type PlannedBuild, prepareBuilds } from "../making/building/prepare.ts";
import { buildFolder, workFolder } from "../making/building/work.ts";
import { judgeBuilt } from "../proving/packages/built.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { noted, type Ports } from "./running/ports.ts";
import { openSigning, type Signing } from "./running/signing.ts";
import { type At, holding, inWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Only these; none for all that template.yaml has steps of. */
  platforms: readonly Platform[];
  /** Also what has not changed since its last good build. */
  again: boolean;
  /** Nothing is signed here. */
  unsigned: boolean;
  dryRun: boolean;
}

export interface BuildsMade {
  builds: readonly BuildOutcome[];
  problems: readonly Problem[];
}

/** Builds what has changed since its last good build, by the agency's own commands, each number once. */
export const buildPackages = operation(async (input: Input, ports): Promise<BuildsMade> => {
  const { dryRun } = input;
  const { workspace, prepared } = await inWorkspace(input, ports, { writes: !dryRun }, async (workspace) => {
    const clients = await chooseClients(workspace, input);
    const given = { ...input, clients, ...noted(ports) };
    const cache = ports.openCache(workspace.root);
    const options = { dryRun, settled: false, smallest: false, today: ports.today(), cache, on: () => {} };
    return { workspace, prepared: await prepareBuilds(workspace, given, options) };
  });
  const { root } = workspace;
  const wanted = prepared.builds.filter((each) => each.reason !== undefined && isHere(each));
  // Nobody else waits while a pass phrase is typed.
  const isSigned = !input.unsigned && !dryRun && wanted.length > 0;
  const signing = isSigned ? await openSigning(workspace, await resolveAll(workspace), wanted, ports) : noSigning;
  const problems = [...prepared.problems, ...signing.problems];
  const outcomes: BuildOutcome[] = [];
  const stopped = new Set<Platform>();
  for (const build of prepared.builds) {
    if (build.reason === undefined) outcomes.push(asBefore(build));
    else if (dryRun) outcomes.push(outcomeOf(build, "would"));
    else if (!isHere(build)) {
      outcomes.push(outcomeOf(build, "waits"));
      problems.push(waiting(root, build));
    } else if (signing.refused.has(`${build.client} ${build.platform}`)) {
      // Why has been said.
    } else if (stopped.has(build.platform)) problems.push(notBegun(build));
    else {
      const own = signing.of(build);
      const done = await attemptAsync(() => orStopAsync(() => makeOne(root, build, own, ports), cannot(build)));
      if (!done.ok) problems.push(...ofClient(build.client, done.problems));
      else {
        const { outcome, isShared } = done.value;
        outcomes.push(outcome);
        problems.push(...done.value.problems);
        if (isShared) stopped.add(build.platform);
      }
    }
  }
  return { builds: outcomes, problems };
});

/** Whether this machine can do it. */
const isHere = ({ steps: { on } }: PlannedBuild): boolean => on === undefined || on === systemOf(process.platform);

const noSigning: Signing = { of: () => nothingToSign, refused: new Set(), problems: [] };

/** The last good build, of which nothing has changed. */
const asBefore = (build: PlannedBuild): BuildOutcome => {
  const { version, build: number, files } = build.good ?? { ...build, files: [] };
  return outcomeOf({ ...build, version, build: number }, "same", { files });
};

/** One that this machine cannot do: what has to be done by hand lies where its result will. */
function waiting(root: string, build: PlannedBuild): Problem {
  const identifier = build.variant.values[`identifiers.${build.platform}`]?.value ?? "";
  const sheet = `${buildFolder(build)}/by-hand.md`;
  leaveOutBuilds(root);
  writeTogether(root, [[sheet, byHand(build, identifier)]]);
  const { client, platform, steps } = build;
  return problem("build-elsewhere", `It wants ${systemFacts[steps.on ?? "linux"].title}.`, {
    client,
    platform,
    severity: "warning",
    fix: "by-hand.md, in its folder below builds/, says how it is done by hand.",
  });
}

const notBegun = ({ client, platform }: PlannedBuild): Problem =>
  problem("build-stopped", "Not begun: what has stopped another client's build would stop it too.", {
    client,
    platform,
  });

const cannot =
  ({ client, platform }: PlannedBuild) =>
  ({ message }: Error): Problem =>
    problem("write-failed", `${message}.`, { client, platform });

/** Makes one build while its thing is held: from before its number is spent until what came of it is kept. */
async function makeOne(
  root: string,
  build: PlannedBuild,
  signing: OpenedSigning & { signer?: string },
  ports: Ports,
): Promise<{ outcome: BuildOutcome; problems: readonly Problem[]; isShared: boolean }> {
  const thing = join(root, workFolder(build));
  makeRoot(thing);
  return holding(
    thing,
    async () => {
      const { client, stage, platform, version, sum } = build;
      const spent = buildsOf.read(root, client)?.[buildSlot(build)];
      if (spent)
        refuse("build-running", `Number ${build.build} was built by another run meanwhile.`, { client, platform });
      const begun: BuildRecord = {
        ...{ stage, platform, version, build: build.build, on: ports.today(), ...noted(ports), variant: sum },
        state: "begun",
        files: [],
        ...(signing.signer === undefined ? {} : { signer: signing.signer }),
      };
      await record(root, build, begun);
      ports.on({ what: "building", build: outcomeOf(build, "would"), usual: build.usual });
      const started = Date.now();
      const means = {
        run: ports.run,
        machine: ports.variable,
        secret: ports.secret,
        onLine: (line: string) => ports.on({ what: "line", client, platform, line }),
      };
      const made = await attemptAsync(() =>
        orStopAsync(() => performBuild(root, build, signing, means), cannot(build)),
      );
      // Its number is spent, whatever has kept it from being made.
      const built: Built = made.ok
        ? made.value
        : { files: [], isShared: false, problem: ofClient(client, made.problems)[0] };
      const lookedInto = built.problem ? [] : await lookInto(root, build, built, signing.signer);
      const problems = built.problem ? [built.problem] : lookedInto;
      const seconds = Math.round((Date.now() - started) / 100) / 10;
      const state = problems.some(isError) ? "failed" : "good";
      const [first] = problems;
      const why = state === "failed" && first ? { why: first.message } : {};
      await record(root, build, { ...begun, state, seconds, files: [...built.files], ...why });
      const outcome = outcomeOf(build, state, { files: built.files, seconds });
      ports.on({ what: "built", build: outcome });
      return { outcome, problems, isShared: built.isShared };
    },
    // A dead run's hold is taken away at the second look.
    patience.step,
  );
}

/** What the packages that came out say of themselves, where they are not what they have to be. */
const lookInto = (root: string, build: PlannedBuild, { files }: Built, signer: string | undefined) =>
  judgeBuilt(files, (path) => readInside(root, `${buildFolder(build)}/${path}`, path, largestPackage), {
    ...build,
    signer,
  });

/** Keeps what is known of a build in the client's history. */
const record = (root: string, { client }: PlannedBuild, entry: BuildRecord): Promise<void> =>
  holding(root, async () => {
    const all = buildsOf.read(root, client) ?? {};
    writeTogether(root, buildsOf.changes(root, client, { ...all, [buildSlot(entry)]: entry }));
  });
