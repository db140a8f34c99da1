/** Steps from nothing to a live app, in the order in which they are done. */
export const stepNames = ["record", "details", "build", "testers", "review", "release"] as const;

export type StepName = (typeof stepNames)[number];
