import type { ProblemCode } from "./catalogue.ts";
import { type Problem, type ProblemDetail, problem } from "./problem.ts";

/** What comes of work that is expected to fail now and then: its value, or everything that is wrong. */
export type Result<T> = { ok: true; value: T } | { ok: false; problems: readonly Problem[] };

export const succeed = <T>(value: T): Result<T> => ({ ok: true, value });

export const fail = (...problems: Problem[]): Result<never> => ({ ok: false, problems });

export const mapResult = <T, U>(result: Result<T>, to: (value: T) => U): Result<U> =>
  result.ok ? { ok: true, value: to(result.value) } : result;

/** The values of several results; all problems, where there is one. */
export function allOf<T>(results: readonly Result<T>[]): Result<T[]> {
  const problems = results.flatMap((each) => (each.ok ? [] : each.problems));
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: results.flatMap((each) => (each.ok ? [each.value] : [])) };
}

/** The value, or another in its place. */
export const orElse = <T, U>(result: Result<T>, otherwise: U): T | U => (result.ok ? result.value : otherwise);

/** Leaves work in the midst of it, up to whoever attempts it. Nobody else sees it: outside, there are results. */
class Stop extends Error {
  readonly problems: readonly Problem[];

  constructor(problems: readonly Problem[]) {
    super(problems.map(({ message }) => message).join("\n"));
    this.problems = problems;
  }
}

/** Stops the work that is attempted, with everything that is wrong. */
export function stop(problems: readonly Problem[]): never {
  throw new Stop(problems);
}

/** Stops it with a single problem. */
export function refuse(code: ProblemCode, message: string, detail: ProblemDetail = {}): never {
  return stop([problem(code, message, detail)]);
}

/** Stops it where there is a problem. */
export function stopAt(problems: readonly Problem[]): void {
  if (problems.length > 0) stop(problems);
}

/** The value of a result, within work that is attempted: where there is none, that stops too. */
export const unwrap = <T>(result: Result<T>): T => (result.ok ? result.value : stop(result.problems));

/** Does what the system or a library may throw at; whatever is thrown is told as a problem, and stops the work. */
export function orStop<T>(work: () => T, problemOf: (error: Error) => Problem): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof Stop) throw error;
    return stop([problemOf(error as Error)]);
  }
}

export async function orStopAsync<T>(work: () => Promise<T>, problemOf: (error: Error) => Problem): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Stop) throw error;
    return stop([problemOf(error as Error)]);
  }
}

const catchStop = (error: unknown): Result<never> => {
  if (error instanceof Stop) return { ok: false, problems: error.problems };
  throw error;
};

/** Does work that may stop. What is thrown otherwise is a defect, and goes on up. */
export function attempt<T>(work: () => T): Result<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    return catchStop(error);
  }
}

export async function attemptAsync<T>(work: () => Promise<T>): Promise<Result<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    return catchStop(error);
  }
}
