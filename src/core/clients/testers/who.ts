import picomatch from "picomatch";
import type { Tester, Testers } from "../../agency/workspace/schema/testers.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { TrackKind } from "../../stores/conduct.ts";
import type { StoreDefinition } from "../../stores/definition.ts";

/** Somebody who tries a client's app, and how stores sort them. */
export interface Tries extends Tester {
  /** Nobody else has it, and it says of nobody who that is. */
  mark: string;
  track: TrackKind;
}

/** What somebody is known by among those who try a client's app. */
export const markOf = (client: string, address: string): string =>
  sha256(`${client} ${address.toLowerCase()}`).slice(0, 20);

/** Who tries a client's app, on one platform or on any. Nobody who has not agreed to it, or whose time is over. */
export function triersOf(
  { groups, testers }: Testers,
  client: string,
  today: string,
  platform?: Platform | undefined,
): Tries[] {
  return testers
    .filter(({ ended }) => ended === undefined || ended > today)
    .filter(({ clients }) => clients === undefined || clients.some((each) => picomatch.isMatch(client, each)))
    .filter(({ platforms }) => platform === undefined || platforms === undefined || platforms.includes(platform))
    .map((each) => ({ ...each, mark: markOf(client, each.address), track: groups[each.group] ?? "outer" }));
}

/** Those of them who have agreed to be asked: nobody else is told to a store, or written to. */
export const agreed = (all: readonly Tries[]): Tries[] => all.filter(({ consent }) => consent !== undefined);

/** Who tries an app in a store, by how it sorts them; whom it has no place for is among those outside. */
export function byTrack({ takes, conduct }: StoreDefinition, testers: Testers, client: string, today: string) {
  const all = takes.flatMap((platform) => agreed(triersOf(testers, client, today, platform)));
  const kinds = conduct.tracks.map(({ kind }) => kind);
  const usual = kinds.includes("outer") ? "outer" : (kinds[0] ?? "outer");
  const found: Partial<Record<TrackKind, { address: string; group: string }[]>> = {};
  for (const { track, address, group } of all) {
    const kind = kinds.includes(track) ? track : usual;
    const own = found[kind] ?? [];
    found[kind] = own;
    if (!own.some((each) => each.address === address)) own.push({ address, group });
  }
  return found;
}
