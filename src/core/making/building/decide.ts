import { type BuildRecord, type BuildRecords, buildsAt } from "../../agency/history/builds.ts";
import type { Platform } from "../../ground/values/platform.ts";

/** Why a build is made. */
export type BuildReason = "never" | "changed" | "failed" | "broken-off" | "asked" | "handed-out";

/** What is to become of a client's app on one platform. */
export interface Decision {
  platform: Platform;
  /** Absent where nothing has changed since its last good build. */
  reason?: BuildReason;
  /** The last good one. */
  good?: BuildRecord;
  /** Its number is spent already: by a build that failed, or of what it was before. */
  isSpent: boolean;
}

/**
 * Decides which platforms of a client are to be built at a stage: those that have changed since their last good build.
 * @param given.sum of what is a platform's, but for its number @param given.build the number that it has
 */
export function decideBuilds(
  all: BuildRecords,
  given: {
    stage: string;
    platforms: readonly Platform[];
    sum: (platform: Platform) => string;
    build: number;
    again: boolean;
    /** Whether other machines still have one that was begun. */
    isHandedOut?: (record: BuildRecord) => boolean;
  },
): Decision[] {
  const { stage, sum, build, again, isHandedOut = () => false } = given;
  return given.platforms.map((platform): Decision => {
    const [last, ...before] = buildsAt(all, stage, platform);
    const good = [last, ...before].find((each) => each?.state === "good");
    const isSpent = last !== undefined && last.build >= build;
    const known = { platform, isSpent, ...(good ? { good } : {}) };
    const isSame = last?.variant === sum(platform) && last.build === build;
    if (last?.state === "begun" && isSame && isHandedOut(last))
      return { ...known, isSpent: false, reason: "handed-out" };
    if (good && good.variant === sum(platform) && good === last) return again ? { ...known, reason: "asked" } : known;
    return { ...known, reason: reasonOf(last) };
  });
}

function reasonOf(last: BuildRecord | undefined): BuildReason {
  if (!last) return "never";
  return ({ good: "changed", failed: "failed", begun: "broken-off" } as const)[last.state];
}
