import type { Result } from "../../ground/problems/result.ts";
import type { Program, Ran } from "../../ground/processes/run.ts";
import type { Secret } from "../../ground/values/secret.ts";

/** A folder below a root. */
export interface To {
  root: string;
  folder: string;
}

/** What runs the programs of a job. */
export interface Runner {
  run(program: Program): Promise<Result<Ran>>;
  /** A secret by its name; undefined where there is none. */
  secret(name: string): Secret | undefined;
}
