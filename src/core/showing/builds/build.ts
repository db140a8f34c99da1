import type { BuildRecord } from "../../agency/history/builds.ts";

/** A build as it is shown. */
export interface ShownBuild extends BuildRecord {
  client: string;
  /** Relative to the workspace. */
  folder: string;
  /** Whether what came out still lies there. */
  isThere: boolean;
  /** Another run makes it now. */
  isRunning: boolean;
  hasLog: boolean;
  /** The page beside it for whoever installs it, relative to the workspace. */
  install?: string;
  /** What has changed, by language. */
  notes: Readonly<Record<string, string>>;
}

/** How a build's state is said. */
export const statesSaid = [
  "built",
  "taken in",
  "being built",
  "in the queue",
  "failed",
  "broken off",
  "removed",
] as const;

export type StateSaid = (typeof statesSaid)[number];

export function stateSaid({ state, isRunning, isAdopted, job, removed }: ShownBuild): StateSaid {
  if (isRunning) return "being built";
  if (removed !== undefined) return "removed";
  if (state === "good") return isAdopted ? "taken in" : "built";
  if (state === "begun" && job !== undefined) return "in the queue";
  return state === "failed" ? "failed" : "broken off";
}
