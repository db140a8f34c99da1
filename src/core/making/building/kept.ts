import type { BuildRecord } from "../../agency/history/builds.ts";

/** What tells builds of one thing from others. */
const thingOf = ({ stage, platform }: BuildRecord): string => `${stage} ${platform}`;

/**
 * Builds of a client whose files may go, where so many good ones of each thing are to stay: what is older than those,
 * but for what somebody has, what is being made, and what has gone already.
 * @param keep good builds of a stage and platform that stay, at least 1
 */
export function beyondKept(all: readonly BuildRecord[], keep: number): BuildRecord[] {
  const things = new Map<string, BuildRecord[]>();
  for (const each of [...all].sort((a, b) => b.build - a.build))
    things.set(thingOf(each), [...(things.get(thingOf(each)) ?? []), each]);
  return [...things.values()].flatMap((sorted) => {
    const last = sorted.filter(({ state }) => state === "good")[keep - 1];
    if (!last) return [];
    return sorted.filter(
      ({ build, given, removed, state }) =>
        build < last.build && given.length === 0 && removed === undefined && state !== "begun",
    );
  });
}
