import { basename } from "node:path";
import type { BuiltFile } from "../../agency/history/builds.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt, put, removeTree } from "../../ground/files/writing/door.ts";
import { replaceFile, writeTogether } from "../../ground/files/writing/together.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { largestPackage, type ResultKind, resultKinds } from "../../ground/values/package.ts";
import type { Secret } from "../../ground/values/secret.ts";
import { carryOut } from "../jobs/carry-out.ts";
import type { Inputs } from "../jobs/inputs.ts";
import type { Outcome, StepsJob } from "../jobs/job.ts";
import { readReceipt } from "../jobs/receipt.ts";
import { pathsOf } from "../jobs/steps.ts";
import type { Runner, To } from "../jobs/to.ts";
import { environmentOf, systemFacts, systemOf } from "./environment.ts";
import { type Failure, failureIn } from "./failures.ts";
import type { PlannedBuild } from "./prepare.ts";
import { buildFolder, workFolder } from "./work.ts";

/** What a build signs with, opened: files that are put beside it for its time, and variables. */
export interface OpenedSigning {
  files: readonly { variable: string; name: string; content: Uint8Array }[];
  secrets: Readonly<Record<string, Secret>>;
  plain: Readonly<Record<string, string>>;
}

export const nothingToSign: OpenedSigning = { files: [], secrets: {}, plain: {} };

/** What steps are run with. */
export interface BuildMeans {
  run: Runner["run"];
  /** A variable of the machine. */
  machine(name: string): string | undefined;
  secret(name: string): Secret | undefined;
  onLine(line: string): void;
}

/** How a build ended. */
export interface Built {
  files: readonly BuiltFile[];
  problem?: Problem | undefined;
  /** It would stop every client's build. */
  isShared: boolean;
}

/** Most that is kept of what a step prints, in bytes. */
const mostLog = 32 * 1024 * 1024;

/**
 * Makes one build: a copy of the variant, the steps in it, and what they give into the folder of builds. Its work
 * folder has to be held. What it signs with is gone when it has ended, however that was.
 */
export async function performBuild(
  root: string,
  build: PlannedBuild,
  signing: OpenedSigning,
  means: BuildMeans,
): Promise<Built> {
  const work = workFolder(build);
  const [to, keys]: [To, string] = [{ root, folder: `${work}/variant` }, `${work}/keys`];
  for (const folder of [to.folder, keys]) removeTree(root, folder);
  leaveOutBuilds(root);
  try {
    // Several variables may name one file.
    const stores = new Map(signing.files.map(({ name, content }) => [name, content]));
    for (const [name, content] of stores) put(root, `${keys}/${name}`, content, ownMode);
    const job = jobOf(root, build, signing, `${root}/${keys}`, means);
    const runner: Runner = {
      run: (program) => means.run({ ...program, onLine: means.onLine }),
      secret: (name) => signing.secrets[name] ?? means.secret(name),
    };
    const done = await carryOut(job, variantInputs(root), to, { runner });
    put(root, `${buildFolder(build)}/build.log`, done.log);
    if (done.problems.length > 0) return failed(build, done.problems, failureIn(done.log));
    const files = collect(to, build, done.files);
    removeTree(root, to.folder);
    return { files, isShared: false };
  } finally {
    removeTree(root, keys);
  }
}

/** What is built is made again at any time: version control leaves it out, whatever the workspace's own file says. */
export function leaveOutBuilds(root: string): void {
  const file = "builds/.gitignore";
  if (!lookAt(root, file)) replaceFile(root, file, "*\n");
}

/** For their owner alone (POSIX). */
const ownMode = 0o600;

/** The files of a variant, as they lie there: each has to be what its receipt says. */
const variantInputs = (root: string): Inputs => {
  const bytes: Inputs["bytes"] = ({ path, sha256: sum }) => {
    const found = readInside(root, path, path);
    if (sha256(found) !== sum)
      refuse("build-refused", `${path} is not as it was generated: nothing is built of it.`, {
        fix: "`oxalis generate` makes it anew, or says who has changed it.",
      });
    return found;
  };
  return {
    bytes,
    text: (input) => Buffer.from(bytes(input)).toString(),
    copy: (input, writer, path, isExecutable) => writer.copy(path, "", isExecutable, bytes(input)),
  };
};

function jobOf(root: string, build: PlannedBuild, signing: OpenedSigning, keys: string, means: BuildMeans): StepsJob {
  const { folder, client, steps, part, variant, platform, stage, place } = build;
  const receipt = readReceipt(root, folder, client);
  const inputs = Object.entries(receipt.files).flatMap(([path, { sha256: sum }]) => {
    const from = `${folder}/${path}`;
    const executable = ((lookAt(root, from)?.mode ?? 0) & 0o111) !== 0;
    return sum === null ? [] : [[path, { of: "client" as const, path: from, sha256: sum, executable }] as const];
  });
  const system = systemOf(process.platform);
  const [command, ...before] = systemFacts[system].shell;
  const environment = {
    ...environmentOf(steps, variant, platform, { system, machine: means.machine, stage, place }),
    ...signing.plain,
    ...Object.fromEntries(signing.files.map(({ variable, name }) => [variable, `${keys}/${name}`])),
  };
  const secrets = [...new Set([...Object.keys(signing.secrets), ...steps.secrets])];
  return {
    what: "steps",
    inputs: Object.fromEntries(inputs),
    results: Object.values(steps.gives).filter((each) => each !== undefined),
    steps: steps.steps.map(({ run, in: inside = part, minutes }) => ({
      ...{ command, args: [...before, run], says: shortly(run), environment, secrets },
      ...(inside === "" || inside === "." ? {} : { folder: inside }),
      limits: { seconds: minutes * 60, output: mostLog },
    })),
  };
}

/** So much of a command is told. */
const mostTold = 60;

const shortly = (run: string): string => {
  const line = run.replace(/\s+/g, " ");
  return `"${line.length > mostTold ? `${line.slice(0, mostTold)}…` : line}"`;
};

/** What a build gives, as it lies in the work folder, moved to where builds lie: all of it or nothing. */
function collect(to: To, build: PlannedBuild, sums: Outcome["files"]): BuiltFile[] {
  const taken = new Set<string>();
  const found = resultKinds.flatMap((kind: ResultKind) => {
    const wanted = build.steps.gives[kind];
    return wanted === undefined ? [] : pathsOf(wanted, to).map((path) => ({ kind, path }));
  });
  const files = found.map(({ kind, path }) => {
    // Two of one name are told apart by where they come from.
    const name = taken.has(basename(path)) ? path.replaceAll("/", "-") : basename(path);
    taken.add(name);
    const content = readInside(to.root, `${to.folder}/${path}`, path, largestPackage);
    return { kind, path: name, content, sha256: sums[path] ?? sha256(content) };
  });
  writeTogether(
    to.root,
    files.map(({ path, content }) => [`${buildFolder(build)}/${path}`, content]),
  );
  return files.map(({ content, ...each }) => ({ ...each, size: content.length }));
}

function failed(build: PlannedBuild, found: readonly Problem[], known: Failure | undefined): Built {
  const { client, platform } = build;
  const [first] = found;
  const isMissing = first?.code === "program-missing";
  const says = known
    ? `${known.says.replace(/\.$/, "")}${known.at ? ` (${known.at})` : ""}.`
    : (first?.message ?? "It has failed.");
  return {
    files: [],
    isShared: isMissing || (known?.isShared ?? false),
    problem: problem(first?.code === "build-refused" ? first.code : "build-failed", says, {
      client,
      platform,
      ...(known || first?.expected === undefined ? {} : { expected: first.expected }),
      fix: "Look at the place that is named; build.log, in its folder below builds/, has all that was printed.",
    }),
  };
}
