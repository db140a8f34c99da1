import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt, put, removeTree } from "../../ground/files/writing/door.ts";
import { replaceFile } from "../../ground/files/writing/together.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import { systemFacts, thisSystem } from "../../ground/systems/system.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { type ResultKind, resultKinds } from "../../ground/values/package.ts";
import type { Secret } from "../../ground/values/secret.ts";
import { carryOut } from "../jobs/carry-out.ts";
import type { Inputs } from "../jobs/inputs.ts";
import type { StepsJob } from "../jobs/job.ts";
import { pathsOf } from "../jobs/steps.ts";
import type { Runner, To } from "../jobs/to.ts";
import { ofMachine } from "./environment.ts";
import { type Failure, failureIn } from "./failures.ts";
import type { BuildOrder } from "./order.ts";

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

/** How the steps of a build have ended. */
export interface Performed {
  /** What lies in its folder and is wanted of it; nothing where it failed. */
  results: readonly { kind: ResultKind; path: string; sha256: string }[];
  problem?: Problem | undefined;
  /** It would stop every client's build. */
  isShared: boolean;
  log: string;
}

/** Most that is kept of what a step prints, in bytes. */
const mostLog = 32 * 1024 * 1024;

/**
 * Carries a build out in a work folder, which has to be held: a copy of the variant, and the steps in it. What it signs
 * with is gone when it has ended, however that was. What it gives stays in the folder, and is the caller's to take.
 * @param work relative to the root
 */
export async function performBuild(
  order: BuildOrder,
  { root, work }: { root: string; work: string },
  { inputs, signing, means }: { inputs: Inputs; signing: OpenedSigning; means: BuildMeans },
): Promise<Performed> {
  const keys = `${work}/keys`;
  const to = builtIn(root, work);
  for (const folder of [to.folder, keys]) removeTree(root, folder);
  try {
    // Several variables may name one file.
    const stores = new Map(signing.files.map(({ name, content }) => [name, content]));
    for (const [name, content] of stores) put(root, `${keys}/${name}`, content, ownMode);
    const runner: Runner = {
      run: (program) => means.run({ ...program, onLine: means.onLine }),
      secret: (name) => signing.secrets[name] ?? means.secret(name),
    };
    const done = await carryOut(jobOf(order, signing, `${root}/${keys}`, means), inputs, to, { runner });
    if (done.problems.length > 0)
      return { results: [], log: done.log, ...failed(order, done.problems, failureIn(done.log)) };
    const results = resultKinds.flatMap((kind) => {
      const wanted = order.gives[kind];
      const paths = wanted === undefined ? [] : pathsOf(wanted, to);
      return paths.map((path) => ({ kind, path, sha256: done.files[path] ?? "" }));
    });
    return { results, isShared: false, log: done.log };
  } finally {
    removeTree(root, keys);
  }
}

/** Where the copy of the variant lies, in a build's work folder. */
export const builtIn = (root: string, work: string): To => ({ root, folder: `${work}/variant` });

/** What is built is made again at any time: version control leaves it out, whatever the workspace's own file says. */
export function leaveOutBuilds(root: string): void {
  const file = "builds/.gitignore";
  if (!lookAt(root, file)) replaceFile(root, file, "*\n");
}

/** For their owner alone (POSIX). */
const ownMode = 0o600;

/** The files of a variant, as they lie there: each has to be what its receipt says. @param folder the variant's */
export const variantInputs = (root: string, folder: string): Inputs => {
  const bytes: Inputs["bytes"] = ({ path, sha256: sum }) => {
    const found = readInside(root, `${folder}/${path}`, path);
    if (sha256(found) !== sum)
      refuse("build-refused", `${folder}/${path} is not as it was generated: nothing is built of it.`, {
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

/** An order as this machine carries it out. @param keys the folder of what is signed with, absolute */
function jobOf(order: BuildOrder, signing: OpenedSigning, keys: string, means: BuildMeans): StepsJob {
  const system = thisSystem();
  const [command, ...before] = systemFacts[system].shell;
  const environment = {
    ...ofMachine(system, order.passes, means.machine),
    ...order.environment,
    ...signing.plain,
    ...Object.fromEntries(signing.files.map(({ variable, name }) => [variable, `${keys}/${name}`])),
  };
  const secrets = [...new Set([...Object.keys(signing.secrets), ...order.secrets])];
  return {
    what: "steps",
    inputs: Object.fromEntries(
      Object.entries(order.inputs).map(([path, input]) => [path, { of: "client" as const, path, ...input }]),
    ),
    results: Object.values(order.gives).filter((each) => each !== undefined),
    steps: order.steps.map(({ run, in: inside = order.part, minutes }) => ({
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

/** The last word of a step, as a sentence that has no full stop yet. */
const capitalized = (said: string): string =>
  said
    .replace(/^\s*(?:fatal )?(?:error|err!)\s*:\s*/i, "")
    .replace(/^\p{Ll}/u, (letter) => letter.toUpperCase())
    .replace(/\.$/, "");

function failed(
  { client, platform }: BuildOrder,
  found: readonly Problem[],
  known: Failure | undefined,
): Pick<Performed, "problem" | "isShared"> {
  const [first] = found;
  const isMissing = first?.code === "program-missing";
  const said = first?.facts?.said;
  const says = known
    ? `${known.says.replace(/\.$/, "")}${known.at ? ` (${known.at})` : ""}.`
    : said === undefined
      ? (first?.message ?? "It has failed.")
      : `${capitalized(String(said))} (${first?.message.replace(/\.$/, "")}).`;
  return {
    isShared: isMissing || (known?.isShared ?? false),
    problem: problem(first?.code === "build-refused" ? first.code : "build-failed", says, {
      client,
      platform,
      ...(known || said !== undefined || first?.expected === undefined ? {} : { expected: first.expected }),
      fix: "Look at the place that is named; build.log, in its folder below builds/, has all that was printed.",
    }),
  };
}
