import type { Track, TrackKind } from "../../../stores/conduct.ts";
import type { Act } from "../act.ts";
import type { WantedTester } from "../wants.ts";
import type { StoreApp } from "../wire.ts";
import { done, type Lack, lacking, later, type Step, type SubmittingAt, toDo } from "./step.ts";

const name = "testers";

/** Who tries an app before everybody gets it, and which build. */
export function testersStep({ store, has, wants: { testers, build } }: SubmittingAt): Step {
  if (!testers) return done(name, "nobody is named to try it");
  if (!has) return later(name, "when there is a record");
  const { tracks } = store.conduct;
  const lacks = Object.entries(testers).flatMap(([kind, people]) => tooMany(store.title, tracks, kind, people));
  if (lacks.length > 0) return lacking(name, "more than the store takes", lacks);
  const acts = tracks.flatMap(({ kind, title }) => inviteActs(has, kind, title, testers[kind] ?? []));
  const ready = build && has.builds.find((each) => each.build === build.build && each.state === "ready");
  const having = tracks.filter(({ kind }) => (testers[kind] ?? []).length > 0).map(({ kind }) => kind);
  const open = ready
    ? having.filter((track) => !has.testing.some((each) => each.track === track && each.build === ready.build))
    : [];
  const [first] = open;
  if (acts.length === 0 && ready && first)
    acts.push({
      ...{ kind: "test", step: name, build: ready.build, tracks: open },
      says: `give build ${ready.build} to those who try it`,
    });
  if (acts.length > 0) return toDo(name, acts.map(({ says }) => says).join("; "), acts);
  const people = having.reduce((sum, kind) => sum + (testers[kind]?.length ?? 0), 0);
  return done(name, people === 0 ? "nobody tries it" : `${people} ${people === 1 ? "person tries" : "people try"} it`);
}

function tooMany(title: string, tracks: readonly Track[], kind: string, people: readonly WantedTester[]): Lack[] {
  const track = tracks.find((each) => each.kind === kind);
  if (!track)
    return people.length > 0
      ? [
          {
            what: `${title} has no ${kind} testers: name them ${tracks.map((each) => each.kind).join(" or ")}`,
            who: "producer",
          },
        ]
      : [];
  if (people.length <= track.most) return [];
  return [{ what: `${track.title}: at most ${track.most} people, not ${people.length}`, who: "producer" }];
}

function inviteActs(has: StoreApp, track: TrackKind, title: string, wanted: readonly WantedTester[]): Act[] {
  const before = (has.testers[track] ?? []).map(placeOf);
  const after = wanted.map(placeOf);
  const added = after.filter((each) => !before.includes(each));
  const gone = before.filter((each) => !after.includes(each));
  if (added.length + gone.length === 0) return [];
  const testers = wanted.map(({ address, group }) => ({ address, group }));
  const says = [
    ...(added.length > 0 ? [`${added.length} more`] : []),
    ...(gone.length > 0 ? [`${gone.length} fewer`] : []),
  ].join(", ");
  return [{ kind: "testers", step: name, track, testers, says: `${title}: ${says}` }];
}

const placeOf = ({ address, group }: WantedTester): string => `${address.toLowerCase()} ${group}`;
