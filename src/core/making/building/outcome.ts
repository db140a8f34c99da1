import type { BuiltFile } from "../../agency/history/builds.ts";
import type { BuildReason } from "./decide.ts";
import type { PlannedBuild } from "./prepare.ts";
import { type BuildAt, buildFolder } from "./work.ts";

/** What became of a build. */
export interface BuildOutcome extends BuildAt {
  state: "good" | "failed" | "same" | "waits" | "queued" | "would";
  /** Relative to the workspace. */
  folder: string;
  /** Why it is made; absent where nothing has changed. */
  reason?: BuildReason;
  files: readonly BuiltFile[];
  /** How long it took. */
  seconds?: number;
  /** The machine that has made it, where that is another. */
  machine?: string;
}

/** Told while builds are made. */
export type BuildStep =
  /** One begins; how long such took before, in seconds. */
  | { what: "building"; build: BuildOutcome; usual: number | undefined }
  /** A line that one of its programs has printed. */
  | { what: "line"; client: string; platform: BuildAt["platform"]; line: string }
  | { what: "built"; build: BuildOutcome };

export const outcomeOf = (
  build: PlannedBuild,
  state: BuildOutcome["state"],
  more: Pick<BuildOutcome, "seconds" | "machine"> & Partial<Pick<BuildOutcome, "files">> = {},
): BuildOutcome => {
  const { client, stage, platform, version, build: number, reason } = build;
  return {
    ...{ client, stage, platform, version, build: number, state, folder: buildFolder(build), files: [] },
    ...(reason === undefined ? {} : { reason }),
    ...more,
  };
};
