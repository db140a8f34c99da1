import { join } from "node:path";
import picomatch from "picomatch";
import { readInside } from "../../ground/files/reading/folder.ts";
import { filesBelow, leadsDown, lookAt } from "../../ground/files/writing/door.ts";
import { openWriter } from "../../ground/files/writing/folder-there.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { largestPackage } from "../../ground/values/package.ts";
import type { Secret } from "../../ground/values/secret.ts";
import type { Inputs } from "./inputs.ts";
import type { Outcome, ProgramStep, StepsJob } from "./job.ts";
import type { Runner, To } from "./to.ts";

/** Puts a job's inputs into a folder, runs its steps there, and looks at what they were to make. */
export async function runSteps(job: StepsJob, inputs: Inputs, to: To, runner: Runner): Promise<Outcome> {
  placeInputs(job, inputs, to);
  let log = "";
  const failed = (...problems: Problem[]): Outcome => ({ files: {}, problems, log });
  for (const step of job.steps) {
    const called = step.says ?? [step.command, ...step.args].join(" ");
    const ran = await runner.run({
      command: step.command,
      args: step.args,
      folder: join(to.root, within(to.folder, step.folder)),
      environment: { ...step.environment, ...secretsOf(step, runner) },
      limits: step.limits,
    });
    if (!ran.ok) return failed(...ran.problems);
    log += `${ran.value.out}${ran.value.err}`;
    if (ran.value.code !== 0) {
      const said = lastLine(ran.value.err) ?? lastLine(ran.value.out);
      return failed(
        problem("step-failed", `${called} ended with ${ran.value.code}.`, {
          expected: said ?? "a step that ends with 0",
          ...(said === undefined ? {} : { facts: { said } }),
        }),
      );
    }
  }
  const found = job.results.map((wanted) => ({ wanted, paths: pathsOf(wanted, to) }));
  const missing = found.filter(({ paths }) => paths.length === 0);
  if (missing.length > 0)
    return failed(
      ...missing.map(({ wanted }) => problem("step-failed", `All steps have ended, and ${wanted} is not there.`)),
    );
  const files = found.flatMap(({ paths }) =>
    paths.map((path) => [path, sha256(readInside(to.root, within(to.folder, path), path, largestPackage))] as const),
  );
  return { files: Object.fromEntries(files), problems: [], log };
}

/** The files that a path or a glob names, relative to the job's folder; none where there are none. */
export function pathsOf(wanted: string, { root, folder }: To): string[] {
  if (!/[*?[{]/.test(wanted)) return lookAt(root, within(folder, wanted))?.isFile() ? [wanted] : [];
  const matches = picomatch(wanted, { dot: true });
  return filesBelow(root, folder)
    .map(({ path }) => path.slice(folder.length + 1))
    .filter((path) => matches(path))
    .sort();
}

function placeInputs({ inputs: wanted }: StepsJob, inputs: Inputs, { root, folder }: To): void {
  const writer = openWriter(root, folder);
  try {
    for (const [path, input] of Object.entries(wanted)) inputs.copy(input, writer, path, input.executable === true);
  } catch (error) {
    writer.abandon();
    throw error;
  }
  writer.finish();
}

/** A path of a job's folder, from its root. Stops: path-outside */
function within(folder: string, path = ""): string {
  if (path === "") return folder;
  if (!leadsDown(path)) refuse("path-outside", `"${path}" does not lead into the job's folder.`);
  return `${folder}/${path}`;
}

/** What a step is given besides its environment. Stops: step-failed where one is not set. */
const secretsOf = ({ secrets }: ProgramStep, { secret }: Runner): Record<string, Secret> =>
  Object.fromEntries(
    secrets.map((name) => [
      name,
      secret(name) ?? refuse("step-failed", `${name} is wanted by a step, and is not set.`),
    ]),
  );

const lastLine = (text: string): string | undefined => text.trimEnd().split("\n").at(-1)?.trim() || undefined;
