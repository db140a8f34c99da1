import type { Problem } from "../../ground/problems/problem.ts";
import type { Limits } from "../../ground/processes/run.ts";
import type { Input, Plan } from "../plan/plan.ts";
import type { FileChange } from "./difference.ts";
import type { Receipt } from "./receipt.ts";

/** One thing to be carried out in a folder, on this machine or another: plain data, with its inputs by their sums. */
export type Job = PlanJob | StepsJob;

/** A folder is to hold what a plan says. */
export interface PlanJob {
  what: "plan";
  plan: Plan;
  /** How the folder has to change for that. */
  changes: readonly FileChange[];
  /** What lay there before. */
  before: Receipt;
  /** Pictures are pressed as small as they go. */
  smallest: boolean;
}

/** Other programs are to be run in a folder, one after the other, until one fails. */
export interface StepsJob {
  what: "steps";
  /** What is put there first, by its path. */
  inputs: Readonly<Record<string, Input & { executable?: boolean }>>;
  steps: readonly ProgramStep[];
  /** Paths of the files that are wanted of it, or globs: what each matches is wanted, and it has to match some. */
  results: readonly string[];
}

export interface ProgramStep {
  command: string;
  args: readonly string[];
  /** What is told of it, where that is not how it is called. */
  says?: string;
  /** Where it works, relative to the job's folder. */
  folder?: string;
  /** Its whole environment. */
  environment: Readonly<Record<string, string>>;
  /** Secrets that go into its environment besides, by the names that they are asked for by. */
  secrets: readonly string[];
  limits: Limits;
}

/** What came of a job. */
export interface Outcome {
  /** SHA-256 of each file that it was to make, by its path in the folder; nothing where it failed. */
  files: Readonly<Record<string, string>>;
  problems: readonly Problem[];
  /** What programs have said, one behind the other. */
  log: string;
  /** Of a plan. */
  receipt?: Receipt;
}
