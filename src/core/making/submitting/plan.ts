import type { Act } from "./act.ts";
import type { StepName } from "./step-names.ts";
import { stepNames } from "./step-names.ts";
import { buildStep } from "./steps/build.ts";
import { detailsStep } from "./steps/details.ts";
import { recordStep } from "./steps/record.ts";
import { releaseStep } from "./steps/release.ts";
import { reviewStep } from "./steps/review.ts";
import type { Step, SubmittingAt } from "./steps/step.ts";
import { testersStep } from "./steps/testers.ts";

const deciding: Readonly<Record<StepName, (at: SubmittingAt) => Step>> = {
  record: recordStep,
  details: detailsStep,
  build: buildStep,
  testers: testersStep,
  review: reviewStep,
  release: releaseStep,
};

/** How far an app is into a store, step by step, and what is to be done next: decided, and nothing done. */
export const planSubmitting = (at: SubmittingAt): Step[] => stepNames.map((name) => deciding[name](at));

/** What is done first of what can be done, up to a step. */
export function nextAct(steps: readonly Step[], until: StepName): Act | undefined {
  const last = stepNames.indexOf(until);
  return steps.filter(({ name }) => stepNames.indexOf(name) <= last).flatMap(({ acts }) => acts)[0];
}
