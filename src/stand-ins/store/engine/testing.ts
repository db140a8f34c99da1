import type { TrackKind } from "../../../core/stores/conduct.ts";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { takes } from "./chance.ts";
import { changed, happen, type KeptApp, type Outcome, wrong } from "./kept.ts";

/** Says who tries the app on a track. */
export function setTesters(
  store: StoreDefinition,
  app: KeptApp,
  kind: TrackKind,
  testers: readonly { address: string; group: string }[],
): Outcome {
  const track = store.conduct.tracks.find((each) => each.kind === kind);
  if (!track) return wrong(404, `There are no ${kind} testers here.`, { place: "testers" });
  if (testers.length > track.most)
    return wrong(422, `${track.title}: at most ${track.most}.`, { rule: "testers", place: "testers" });
  const groups = new Set(testers.map(({ group }) => group)).size;
  if (track.mostGroups !== undefined && groups > track.mostGroups)
    return wrong(422, `${track.title}: at most ${track.mostGroups} groups.`, { rule: "testers", place: "testers" });
  return { app: changed(app, { testers: { ...app.testers, [kind]: testers } }) };
}

/** Gives a build to those who try it; where the store looks at it before, once a version. */
export function giveToTesters(
  store: StoreDefinition,
  app: KeptApp,
  { build, tracks }: { build: number; tracks: readonly TrackKind[] },
  { now, seed }: { now: number; seed: string },
): Outcome {
  const there = app.builds.find((each) => each.build === build);
  if (there?.state !== "ready") return wrong(409, `Build ${build} cannot be tried.`, { place: "build" });
  let given = app;
  for (const kind of tracks) {
    const track = store.conduct.tracks.find((each) => each.kind === kind);
    if (!track) return wrong(404, `There are no ${kind} testers here.`, { place: "testers" });
    const before = given.testing.filter((each) => each.track === kind);
    if (before.some((each) => each.build === build)) continue;
    const isKnown = before.some(
      ({ build: other, state }) => state === "allowed" && versionOf(app, other) === there.version,
    );
    const waits = track.isReviewed && !isKnown;
    const decidesAt = now + takes(seed, `${app.app} ${build} ${kind}`, store.conduct.waits.testing);
    const testing = [
      ...given.testing,
      { track: kind, build, ...(waits ? { state: "waiting" as const, decidesAt } : { state: "allowed" as const }) },
    ];
    given = happen(changed(given, { testing }), now, { kind: waits ? "testing-sent" : "testing-allowed", build });
  }
  return { app: given };
}

const versionOf = ({ builds }: KeptApp, build: number): string | undefined =>
  builds.find((each) => each.build === build)?.version;

/** A build that waited may be tried. */
export function allowTesting(app: KeptApp, track: TrackKind, build: number, at: number): KeptApp {
  const testing = app.testing.map((each) => {
    if (each.track !== track || each.build !== build) return each;
    const { decidesAt: _, ...rest } = each;
    return { ...rest, state: "allowed" as const };
  });
  return happen(changed(app, { testing }), at, { kind: "testing-allowed", build });
}
