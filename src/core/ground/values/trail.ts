import type { Place } from "./source.ts";

/** One step on the way to a value: who said or changed it, and what it was after that. */
export interface Step {
  by: "brief" | "group" | "agency" | "ledger" | "pattern" | "rule" | "picture";
  note: string;
  value: string;
  place?: Place;
}

/** A value with the way it came about; the last step's value is the value. */
export interface Traced {
  value: string;
  trail: readonly Step[];
}

export function trace(first: Step, ...more: Step[]): Traced {
  const trail = [first, ...more];
  return { value: (trail.at(-1) ?? first).value, trail };
}

/** Where the value was last written down by somebody; undefined where it was worked out. */
export const writtenAt = ({ trail }: Traced): Place | undefined => trail.findLast((step) => step.place)?.place;

/** Whether nobody gave the value: a pattern made it. */
export const isDerived = ({ trail }: Traced): boolean => trail[0]?.by === "pattern";

/** The value after one more step; a step that changes nothing is not recorded. */
export function withStep({ value, trail }: Traced, step: Step): Traced {
  return step.value === value ? { value, trail } : { value: step.value, trail: [...trail, step] };
}
