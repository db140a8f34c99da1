import pLimit from "p-limit";
import type { BuildRecord } from "../../agency/history/builds.ts";
import { resolveAll } from "../../clients/derive/resolve.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync, orStopAsync } from "../../ground/problems/result.ts";
import { systemFacts } from "../../ground/systems/system.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { byHand } from "../../making/building/by-hand.ts";
import { type BuildOutcome, outcomeOf } from "../../making/building/outcome.ts";
import { leaveOutBuilds } from "../../making/building/perform.ts";
import { type PlannedBuild, prepareBuilds } from "../../making/building/prepare.ts";
import { buildFolder } from "../../making/building/work.ts";
import type { HandingOut } from "../../making/sharing/handing-out.ts";
import { openPackageEyes, type PackageEyes } from "../../proving/packages/eyes.ts";
import { buildsElsewhere, buildsHere } from "./builders.ts";
import { chooseClients, type OfClients } from "./chosen.ts";
import { installFilesIn } from "./install-files.ts";
import { keptSaid } from "./kept-builds.ts";
import { cannot, makeOne, type OneMade } from "./one-build.ts";
import { noted, type Ports } from "./ports.ts";
import { decideSigning, nothingSigned } from "./signing.ts";
import { tellWhenDone } from "./telling.ts";
import { type At, inWorkspace } from "./workspace.ts";

export interface BuildInput extends At, OfClients {
  /** Only these; none for all that template.yaml has steps of. */
  platforms: readonly Platform[];
  /** Also what has not changed since its last good build. */
  again: boolean;
  /** Nothing is signed here. */
  unsigned: boolean;
  dryRun: boolean;
  /** So many good builds of each thing stay; what oxalis.yaml says where absent. */
  keep?: string | undefined;
}

export interface BuildsMade {
  builds: readonly BuildOutcome[];
  problems: readonly Problem[];
}

/** Builds what has changed of clients' apps. @param handing absent where this machine builds itself */
export async function buildAll(input: BuildInput, handing: HandingOut | undefined, ports: Ports): Promise<BuildsMade> {
  const { dryRun } = input;
  const given = input.keep === undefined ? undefined : keptSaid(input.keep);
  const handedOut = await handing?.names();
  const { workspace, prepared } = await inWorkspace(input, ports, { writes: !dryRun }, async (workspace) => {
    const clients = await chooseClients(workspace, input);
    const isHandedOut = ({ job }: BuildRecord) => job !== undefined && handedOut?.has(job) === true;
    const wanted = { ...input, clients, isHandedOut, ...noted(ports) };
    const cache = ports.openCache(workspace.root);
    const options = { dryRun, settled: false, smallest: false, today: ports.today(), cache, on: () => {} };
    return { workspace, prepared: await prepareBuilds(workspace, wanted, options) };
  });
  const { root } = workspace;
  const wanted = dryRun ? [] : prepared.builds.filter(({ reason }) => reason !== undefined);
  const isSigned = !input.unsigned && wanted.length > 0;
  const all = wanted.length > 0 ? await resolveAll(workspace) : [];
  const signing = isSigned ? decideSigning(all, wanted) : nothingSigned;
  const signed = wanted.filter((build) => !signing.isRefused(build));
  const builder = handing
    ? buildsElsewhere(workspace, signing, handing)
    : await buildsHere(workspace, signed, signing, ports);
  let opened: Promise<PackageEyes> | undefined;
  const eyes = () => {
    opened ??= openPackageEyes(workspace, all);
    return opened;
  };
  const installing = installFilesIn(workspace);
  const keep = given ?? workspace.agency.data.builds.keep;
  const stopped = new Set<Platform>();
  const limit = pLimit(builder.atOnce);
  const each = prepared.builds.map((build) =>
    limit(async (): Promise<Partial<OneMade>> => {
      if (build.reason === undefined) return { outcome: asBefore(build) };
      if (dryRun) return { outcome: outcomeOf(build, "would") };
      // Why has been said.
      if (signing.isRefused(build)) return {};
      if (!builder.can(build)) return { outcome: outcomeOf(build, "waits"), problems: [waiting(root, build)] };
      if (stopped.has(build.platform)) return { problems: [notBegun(build)] };
      const signer = signing.of(build)?.signer;
      const done = await attemptAsync(() =>
        orStopAsync(() => makeOne(root, build, { builder, signer, eyes, installing, keep }, ports), cannot(build)),
      );
      if (!done.ok) return { problems: ofClient(build.client, done.problems) };
      if (done.value.isShared) stopped.add(build.platform);
      return done.value;
    }),
  );
  const done = await Promise.all(each);
  const builds = done.flatMap(({ outcome }) => outcome ?? []);
  const { done: command } = workspace.agency.data.builds;
  const untold = command !== undefined && wanted.length > 0 ? await tellWhenDone(command, root, builds, ports) : [];
  return {
    builds,
    problems: [...prepared.problems, ...signing.problems, ...done.flatMap(({ problems = [] }) => problems), ...untold],
  };
}

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
