import { join } from "node:path";
import {
  type BuildRecord,
  type BuiltFile,
  buildSlot,
  buildsAt,
  buildsOf,
  goodBefore,
} from "../../agency/history/builds.ts";
import { patience } from "../../ground/files/holding/lock.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { changedBetween, marksBelow } from "../../ground/files/reading/marks.ts";
import { makeRoot } from "../../ground/files/writing/door.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import { isError, ofClient, type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync, orStopAsync, refuse } from "../../ground/problems/result.ts";
import { systemFacts } from "../../ground/systems/system.ts";
import { largestPackage } from "../../ground/values/package.ts";
import { collectBuilt } from "../../making/building/collect.ts";
import { type BuildOutcome, outcomeOf } from "../../making/building/outcome.ts";
import { leaveOutBuilds } from "../../making/building/perform.ts";
import type { PlannedBuild } from "../../making/building/prepare.ts";
import { buildFolder, workFolder } from "../../making/building/work.ts";
import { judgeBuilt } from "../../proving/packages/built.ts";
import type { PackageEyes } from "../../proving/packages/eyes.ts";
import { fewOf } from "../../proving/packages/judge.ts";
import type { Builder, Made } from "./builders.ts";
import type { InstallFiles } from "./install-files.ts";
import { removeBeyond } from "./kept-builds.ts";
import { noted, type Ports } from "./ports.ts";
import { holding } from "./workspace.ts";

/** What has become of one build. */
export interface OneMade {
  outcome: BuildOutcome;
  problems: readonly Problem[];
  isShared: boolean;
}

interface Making {
  builder: Builder;
  /** SHA-256 of the certificate that is to sign it, where that is known. */
  signer: string | undefined;
  eyes: () => Promise<PackageEyes>;
  /** What lies beside it for whoever installs it. */
  installing: InstallFiles;
  /** So many good builds of each thing stay; all where nobody says. */
  keep: number | undefined;
}

/** Makes one build while its thing is held: from before its number is spent until what came of it is kept. */
export async function makeOne(
  root: string,
  build: PlannedBuild,
  { builder, signer, eyes, installing, keep: most }: Making,
  ports: Ports,
): Promise<OneMade> {
  const thing = join(root, workFolder(build));
  makeRoot(thing);
  return holding(
    thing,
    async () => {
      const { client, stage, platform, version, sum } = build;
      const job = builder.jobOf(build)?.name;
      const spent = buildsOf.read(root, client)?.[buildSlot(build)];
      if (spent && (spent.job === undefined || spent.job !== job))
        refuse("build-running", `Number ${build.build} was built by another run meanwhile.`, { client, platform });
      const begun: BuildRecord = {
        ...{ stage, platform, version, build: build.build, on: ports.today(), ...noted(ports), variant: sum },
        ...{ state: "begun", files: [], given: [] },
        ...(signer === undefined ? {} : { signer }),
        ...(job === undefined ? {} : { job }),
      };
      await record(root, build, spent ?? begun);
      await withdrawFormer(root, build, builder);
      ports.on({ what: "building", build: outcomeOf(build, "would"), usual: build.usual });
      leaveOutBuilds(root);
      const started = Date.now();
      const before = marksBelow(root, othersFiles(build));
      const made = await attemptAsync(() =>
        orStopAsync(async () => {
          const come = await builder.make(build);
          return come && keep(root, build, come);
        }, cannot(build)),
      );
      if (made.ok && made.value === undefined)
        return { outcome: outcomeOf(build, "queued"), problems: [inQueue(build)], isShared: false };
      // Its number is spent, whatever has kept it from being made.
      const built: Built = (made.ok && made.value) || {
        ...{ files: [], isShared: false },
        problem: made.ok ? undefined : ofClient(client, made.problems)[0],
      };
      const lookedInto = built.problem
        ? []
        : await lookInto(root, build, built, { signer, eyes: await eyes(), today: ports.today() });
      const strayed = changedBetween(before, marksBelow(root, othersFiles(build)));
      const problems = [
        ...(built.problem ? [built.problem] : lookedInto),
        ...(strayed.length > 0 ? [outside(build, strayed)] : []),
      ];
      const seconds = built.seconds ?? Math.round((Date.now() - started) / 100) / 10;
      const state = problems.some(isError) ? "failed" : "good";
      const [first] = problems;
      const why = state === "failed" && first ? { why: first.message } : {};
      const machine = built.machine === undefined ? {} : { machine: built.machine };
      if (state === "good") writeTogether(root, installing(build, built.files));
      await record(root, build, { ...begun, state, seconds, files: [...built.files], ...why, ...machine });
      if (state === "good" && most !== undefined) await removeBeyond(root, client, most, ports.today());
      const outcome = outcomeOf(build, state, { files: built.files, seconds, ...machine });
      ports.on({ what: "built", build: outcome });
      return { outcome, problems, isShared: built.isShared };
    },
    // A dead run's hold is taken away at the second look.
    patience.step,
  );
}

/** What the steps of a build have no business with: they have a copy of the variant, and its own folder. */
const othersFiles = ({ client, folder }: PlannedBuild): string[] => [
  ...["oxalis.yaml", "template.yaml", "template", folder],
  ...["brief.yaml", "art", "captures"].map((each) => `clients/${client}/${each}`),
];

const outside = ({ client, platform }: PlannedBuild, files: readonly string[]): Problem =>
  problem("build-outside", `While it was built, ${fewOf(files)} changed.`, { client, platform, severity: "warning" });

/** What has come out, where builds lie. */
type Built = Omit<Made, "given" | "log"> & { files: readonly BuiltFile[] };

/** Keeps what has come out of a build, and what was printed. */
function keep(root: string, build: PlannedBuild, { given, log, ...made }: Made): Built {
  writeTogether(root, [[`${buildFolder(build)}/build.log`, log]]);
  const { client, platform } = build;
  const files = collectBuilt(root, build, given);
  return { ...made, files, problem: made.problem && { ...made.problem, client, platform } };
}

/** Takes back what other machines still have of this thing by an earlier number, where they have not begun. */
async function withdrawFormer(root: string, build: PlannedBuild, builder: Builder): Promise<void> {
  const { client, stage, platform } = build;
  for (const former of buildsAt(buildsOf.read(root, client) ?? {}, stage, platform)) {
    if (former.state !== "begun" || former.job === undefined || former.build >= build.build) continue;
    await builder.withdraw(former.job, build);
    await record(root, build, { ...former, state: "failed", why: `Number ${build.build} has taken its place.` });
  }
}

/** One that no machine takes at present. */
const inQueue = ({ client, platform, steps: { on } }: PlannedBuild): Problem =>
  problem("build-elsewhere", `It waits in the queue for a machine${on ? ` that is ${systemFacts[on].title}` : ""}.`, {
    ...{ client, platform, severity: "warning" },
    fix: `Start \`oxalis worker --platforms ${platform}\` there; \`oxalis build --queue\` takes in what it gives.`,
  });

/** What the packages that came out say of themselves, where they are not what they have to be. */
const lookInto = (
  root: string,
  build: PlannedBuild,
  { files }: Built,
  { signer, eyes, today }: { signer: string | undefined; eyes: PackageEyes; today: string },
) => {
  const content = (path: string) => readInside(root, `${buildFolder(build)}/${path}`, path, largestPackage);
  const former = goodBefore(buildsOf.read(root, build.client) ?? {}, build)?.files ?? [];
  return judgeBuilt(files, content, { ...build, signers: signer === undefined ? [] : [signer], today, former }, eyes);
};

/** Keeps what is known of a build in the client's history. */
const record = (root: string, { client }: PlannedBuild, entry: BuildRecord): Promise<void> =>
  holding(root, async () => {
    const all = buildsOf.read(root, client) ?? {};
    writeTogether(root, buildsOf.changes(root, client, { ...all, [buildSlot(entry)]: entry }));
  });

/** What the system says no to. */
export const cannot =
  ({ client, platform }: PlannedBuild) =>
  ({ message }: Error): Problem =>
    problem("write-failed", `${message}.`, { client, platform });
