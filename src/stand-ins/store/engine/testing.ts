import { sha256 } from "../../../core/ground/values/hash.ts";
import type { TrackKind } from "../../../core/stores/conduct.ts";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { takes } from "./chance.ts";
import { changed, happen, type KeptApp, type KeptTester, type Outcome, wrong } from "./kept.ts";

/** Says who tries the app on a track. */
export function setTesters(
  store: StoreDefinition,
  app: KeptApp,
  kind: TrackKind,
  testers: readonly { address: string; group: string }[],
): Outcome {
  const track = store.conduct.tracks.find((each) => each.kind === kind);
  if (!track) return wrong(404, `There are no ${kind} testers here.`, { where: "testers" });
  if (testers.length > track.most)
    return wrong(422, `${track.title}: at most ${track.most}.`, { rule: "testers", where: "testers" });
  const groups = new Set(testers.map(({ group }) => group)).size;
  if (track.mostGroups !== undefined && groups > track.mostGroups)
    return wrong(422, `${track.title}: at most ${track.mostGroups} groups.`, { rule: "testers", where: "testers" });
  const before = new Map(app.testers[kind]?.map((each) => [each.address, each]));
  const now = testers.map(({ address, group }) => ({ ...before.get(address), address, group }));
  return { app: changed(app, { testers: { ...app.testers, [kind]: now } }) };
}

/** Gives a build to those who try it; where the store looks at it before, once a version. */
export function giveToTesters(
  store: StoreDefinition,
  app: KeptApp,
  { build, tracks }: { build: number; tracks: readonly TrackKind[] },
  { now, seed }: { now: number; seed: string },
): Outcome {
  const there = app.builds.find((each) => each.build === build);
  if (there?.state !== "ready") return wrong(409, `Build ${build} cannot be tried.`, { where: "build" });
  let given = app;
  for (const kind of tracks) {
    const track = store.conduct.tracks.find((each) => each.kind === kind);
    if (!track) return wrong(404, `There are no ${kind} testers here.`, { where: "testers" });
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

/** What somebody is known by in the address where they agree to take part. */
export const markIn = (app: string, address: string): string => sha256(`${app} ${address}`).slice(0, 20);

/** Somebody takes part from now on. */
export function takePart(app: KeptApp, mark: string, now: number): Outcome {
  const isMeant = ({ address }: KeptTester) => markIn(app.app, address) === mark;
  const all = Object.values(app.testers).flat();
  if (!all.some(isMeant)) return wrong(404, "Nobody was invited by this address.");
  const testers = Object.fromEntries(
    Object.entries(app.testers).map(([kind, people]) => [
      kind,
      people.map((each) => (isMeant(each) ? { ...each, came: each.came ?? now } : each)),
    ]),
  );
  return { app: changed(app, { testers }) };
}

/** The last build that whoever takes part on a track has. */
export const buildOn = ({ testing }: KeptApp, track: string): number | undefined => {
  const allowed = testing.filter((each) => each.track === track && each.state === "allowed").map(({ build }) => build);
  return allowed.length === 0 ? undefined : Math.max(...allowed);
};

/** A build that waited may be tried. */
export function allowTesting(app: KeptApp, track: TrackKind, build: number, at: number): KeptApp {
  const testing = app.testing.map((each) => {
    if (each.track !== track || each.build !== build) return each;
    const { decidesAt: _, ...rest } = each;
    return { ...rest, state: "allowed" as const };
  });
  return happen(changed(app, { testing }), at, { kind: "testing-allowed", build });
}
