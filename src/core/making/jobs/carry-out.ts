import { availableParallelism } from "node:os";
import pLimit, { type LimitFunction } from "p-limit";
import { sumsIn } from "../../ground/files/reading/sums.ts";
import { openWriter } from "../../ground/files/writing/folder-there.ts";
import { attemptAsync } from "../../ground/problems/result.ts";
import type { Plan } from "../plan/plan.ts";
import { createRenderer } from "../render/draw.ts";
import { applyChanges, type Drawn } from "./apply.ts";
import { type Cache, noCache } from "./cache.ts";
import { difference } from "./difference.ts";
import { artInput, type Inputs } from "./inputs.ts";
import type { Job, Outcome, PlanJob } from "./job.ts";
import { readReceipt } from "./receipt.ts";
import { runSteps } from "./steps.ts";
import type { Runner, To } from "./to.ts";

/** What jobs are carried out with; each kind takes what it needs. */
interface Means {
  cache?: Cache;
  /** As many pictures at once as suits the machine; shared by the jobs that run at one time. */
  drawing?: LimitFunction;
  /** What other machines have drawn of it. */
  drawn?: Drawn | undefined;
  onFile?: () => void;
  /** What starts programs; a job that wants some fails without. */
  runner?: Runner;
}

/** What has to be done to a folder so that it holds what a plan says. Stops: receipt-damaged, path-outside */
export function planJob(plan: Plan, { root, folder }: To, smallest = false): PlanJob {
  const before = readReceipt(root, folder, plan.client);
  return { what: "plan", plan, changes: difference(plan, before, sumsIn(root, folder), smallest), before, smallest };
}

/** One more than there are cores: one part of drawing waits for another. */
export const drawingLimit = (): LimitFunction => pLimit(availableParallelism() + 1);

/** Carries a job out, wherever that is: all that it needs is the job and its inputs. */
export async function carryOut(job: Job, inputs: Inputs, to: To, means: Means): Promise<Outcome> {
  const done = await attemptAsync(() =>
    job.what === "plan" ? make(job, inputs, to, means) : runSteps(job, inputs, to, runnerOf(means)),
  );
  return done.ok ? done.value : { files: {}, problems: done.problems, log: "" };
}

async function make(job: PlanJob, inputs: Inputs, { root, folder }: To, means: Means): Promise<Outcome> {
  const { plan, changes, before, smallest } = job;
  const { cache = noCache, drawing = drawingLimit(), drawn, onFile = () => {} } = means;
  // Its decoded pictures go with it.
  const renderer = createRenderer((art) => inputs.bytes(artInput(art)));
  const writer = openWriter(root, folder);
  const receipt = await applyChanges(plan, changes, before, {
    ...{ inputs, renderer, cache, drawing, drawn, writer, smallest, onFile },
  });
  const sums = Object.entries(receipt.files).flatMap(([path, { sha256 }]) => (sha256 === null ? [] : [[path, sha256]]));
  return { files: Object.fromEntries(sums), problems: [], log: "", receipt };
}

function runnerOf({ runner }: Means): Runner {
  if (!runner) throw new Error("a job of steps without anything that runs them");
  return runner;
}
