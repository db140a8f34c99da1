import type { KeptHappening } from "../../agency/history/happenings.ts";
import type { HappeningKind } from "../../stores/happening.ts";

/** Something that a script waits for in a store: what begins it anew, and what says that it will not be. */
interface AwaitedFact {
  begins: readonly HappeningKind[];
  denied: readonly HappeningKind[];
}

const submittedAnew = ["submitted", "answered", "build-sent"] as const;

const facts = {
  created: { begins: [], denied: ["name-lapsed"] },
  "build-ready": { begins: ["build-sent"], denied: ["build-refused"] },
  "testing-allowed": { begins: ["testing-sent"], denied: ["testing-refused"] },
  "review-began": { begins: ["submitted", "answered"], denied: ["withdrawn"] },
  approved: { begins: submittedAnew, denied: ["refused", "asked", "withdrawn"] },
  out: { begins: submittedAnew, denied: ["refused", "withdrawn"] },
  live: { begins: submittedAnew, denied: ["refused", "withdrawn", "paused"] },
} as const satisfies Partial<Record<HappeningKind, AwaitedFact>>;

export type Awaited = keyof typeof facts;

export const awaitedNames = Object.keys(facts) as [Awaited, ...Awaited[]];

/** Whether it has happened, will not happen, or is still to be waited for; and what says so. */
export interface AwaitedState {
  state: "happened" | "denied" | "open";
  by?: KeptHappening;
}

/** How something stands by what has happened in a store, the oldest first: the last word on it counts. */
export function awaitedState(name: Awaited, happened: readonly KeptHappening[]): AwaitedState {
  const { begins, denied }: AwaitedFact = facts[name];
  const last = happened.findLast(({ kind }) => kind === name || begins.includes(kind) || denied.includes(kind));
  if (!last || begins.includes(last.kind)) return { state: "open" };
  return { state: last.kind === name ? "happened" : "denied", by: last };
}
