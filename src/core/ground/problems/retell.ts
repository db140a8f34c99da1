import { type ProblemCode, problemKinds } from "./catalogue.ts";
import { attempt, stop } from "./result.ts";
import { whoActs } from "./who.ts";

/** Does work; what stops it is told as one kind of problem, each at its own place. */
export function toldAs<T>(code: ProblemCode, work: () => T): T {
  const done = attempt(work);
  if (done.ok) return done.value;
  const { fix } = problemKinds[code];
  return stop(done.problems.map((each) => ({ ...each, code, fix, who: whoActs(code) })));
}
