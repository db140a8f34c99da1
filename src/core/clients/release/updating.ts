import type { KeptHappening } from "../../agency/history/happenings.ts";
import { type Ledger, lastRelease, type Release } from "../../agency/history/ledger.ts";
import type { Seen } from "../../agency/history/seen.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { type Passage, passageOf, type Whereabouts } from "../passage/passage.ts";
import { type Notice, noticesOf } from "./notices.ts";
import type { Passes } from "./passes.ts";

/** Places from which on each is so. */
const enough: Readonly<Record<Exclude<Passes, "built">, readonly Whereabouts[]>> = {
  submitted: ["waiting", "in-review", "approved", "going-out", "live"],
  approved: ["approved", "going-out", "live"],
  live: ["live"],
};

/** Whether a version has come far enough in a store. */
export function hasPassed({ is, coming, live }: Passage, version: string, wanted: Passes): boolean {
  if (wanted === "built") return true;
  const there = is === "live" ? live?.version : coming?.version;
  return there === version && enough[wanted].includes(is);
}

/** What an update is for a client. */
export interface ClientUpdate {
  client: string;
  /** The number was taken for this template already. */
  taken?: Release;
  /** What everybody has in each store now, by store: it may be older in one than in another. */
  live: Readonly<Partial<Record<StoreKey, string>>>;
  /** What people notice; undefined where nobody knows what they see now. */
  notices?: readonly Notice[];
}

interface UpdateFrom {
  client: string;
  ledger: Ledger | undefined;
  /** Check sum of the template's files as they are. */
  template: string;
  stores: readonly StoreKey[];
  happened: readonly KeptHappening[];
  /** What was seen at each build. */
  seen: Readonly<Record<string, Seen>>;
  now: Seen;
}

/** Holds what an app is now against what people have of it. */
export function updateFor({ client, ledger, template, stores, happened, seen, now }: UpdateFrom): ClientUpdate {
  const last = ledger && lastRelease(ledger);
  const taken = last?.template === template ? last : undefined;
  const passages = stores.map((store) => passageOf(store, happened));
  const live = passages.flatMap(({ store, live: own }) => (own ? [[store, own] as const] : []));
  const liveBuilds = live.flatMap(([, { build }]) => build ?? []);
  const former = taken ? ledger?.releases.at(-2) : last;
  // What everybody has; otherwise what was sent last; otherwise what the number before was taken for.
  const sent = passages.flatMap(({ build: own }) => own?.build ?? []);
  const [having] = [liveBuilds, sent].filter((each) => each.length > 0);
  const build = having ? Math.min(...having) : former?.build;
  const before = build === undefined ? undefined : seen[build];
  return {
    client,
    ...(taken ? { taken } : {}),
    live: Object.fromEntries(live.map(([store, { version }]) => [store, version])),
    ...(before ? { notices: noticesOf(before, now) } : {}),
  };
}
