import type { KeptHappening } from "../../agency/history/happenings.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { HappeningKind } from "../../stores/happening.ts";

/** Where a client's app is in a store. */
export type Place =
  | "nothing"
  | "created"
  | "sent"
  | "ready"
  | "unusable"
  | "waiting"
  | "in-review"
  | "asked"
  | "refused"
  | "approved"
  | "going-out"
  | "paused"
  | "live";

/** A version and the build that stands for it. */
interface VersionThere {
  version: string;
  build?: number | undefined;
  /** ISO 8601. */
  since: string;
}

/** A client's app on its way through a store, as its history tells it; by whoever the steps were done. */
export interface Passage {
  store: StoreKey;
  place: Place;
  /** Since when it is there (ISO 8601); absent where nothing has happened. */
  since?: string;
  /** What the store calls the app. */
  app?: string;
  /** The version that is on its way. */
  coming?: VersionThere;
  /** Of the people who have the app, so many percent have that version. */
  share?: number;
  refusal?: { rule?: string | undefined; place?: string | undefined; says: string };
  /** The version that everybody has: another than the one on its way. */
  live?: VersionThere;
  /** The last build that was sent, and what became of it. */
  build?: {
    build: number;
    version?: string | undefined;
    state: "processing" | "ready" | "refused" | "ended";
    since: string;
    why?: string | undefined;
  };
  /** The last build that people try. */
  testing?: { build: number; state: "waiting" | "allowed" | "refused"; since: string };
  /** Agreements that nobody has signed. */
  agreements: readonly string[];
  /** What has happened, the oldest first. */
  happened: readonly KeptHappening[];
}

type Turn = (before: Passage, of: KeptHappening) => Partial<Passage>;

/** The version that something is about: the one on its way, where it is not said. */
const versionOf = ({ coming }: Passage, { version, build, at }: KeptHappening): VersionThere => ({
  version: version ?? coming?.version ?? "",
  build: build ?? coming?.build,
  since: at,
});

const goesTo =
  (place: Place): Turn =>
  (before, of) => ({ place, since: of.at, coming: versionOf(before, of) });

const buildIs =
  (state: "processing" | "ready" | "refused" | "ended"): Turn =>
  ({ build: before, place }, { build = before?.build ?? 0, version = before?.version, says, at }) => ({
    build: { build, version, state, since: at, why: says },
    ...(isBeforeReview(place) && state !== "ended" ? { place: placeWith[state], since: at } : {}),
  });

const placeWith = { processing: "sent", ready: "ready", refused: "unusable" } as const;

/** Whether no version is on its way that a new build does not take the place of. */
const isBeforeReview = (place: Place): boolean =>
  ["nothing", "created", "sent", "ready", "unusable", "live"].includes(place);

const testingIs =
  (state: "waiting" | "allowed" | "refused"): Turn =>
  ({ testing }, { build = testing?.build ?? 0, at }) => ({ testing: { build, state, since: at } });

/** What each happening makes of a passage. */
const turns: Readonly<Record<HappeningKind, Turn>> = {
  created: ({ place }, { at, app }) => ({
    ...(place === "nothing" ? { place: "created", since: at } : {}),
    ...(app === undefined ? {} : { app }),
  }),
  "name-lapsed": (_, { at }) => ({ place: "nothing", since: at }),
  "agreement-open": ({ agreements }, { says = "" }) => ({ agreements: [...new Set([...agreements, says])] }),
  "agreement-signed": ({ agreements }, { says }) => ({ agreements: agreements.filter((each) => each !== says) }),
  told: () => ({}),
  "build-sent": buildIs("processing"),
  "build-ready": buildIs("ready"),
  "build-refused": buildIs("refused"),
  "build-ended": buildIs("ended"),
  attached: (before, of) => ({
    coming: versionOf(before, of),
    ...(isBeforeReview(before.place) ? { place: "ready", since: of.at } : {}),
  }),
  "testing-sent": testingIs("waiting"),
  "testing-allowed": testingIs("allowed"),
  "testing-refused": testingIs("refused"),
  submitted: goesTo("waiting"),
  withdrawn: goesTo("ready"),
  "review-began": goesTo("in-review"),
  asked: (before, of) => ({ ...goesTo("asked")(before, of), refusal: refusalOf(of) }),
  refused: (before, of) => ({ ...goesTo("refused")(before, of), refusal: refusalOf(of) }),
  answered: ({ place }, { at }) => ({ place: place === "asked" ? "waiting" : "ready", since: at }),
  approved: goesTo("approved"),
  out: (before, of) => ({ ...goesTo("going-out")(before, of), share: of.share ?? 0 }),
  paused: (before, of) => ({ ...goesTo("paused")(before, of), share: of.share ?? before.share ?? 0 }),
  live: (before, of) => ({ place: "live", since: of.at, live: versionOf(before, of) }),
};

const refusalOf = ({ rule, place, says = "" }: KeptHappening) => ({ rule, place, says });

/** What no longer holds at a place. */
function cleared(passage: Passage): Passage {
  const { refusal, share, coming, ...rest } = passage;
  const { place } = passage;
  return {
    ...rest,
    ...(refusal && (place === "refused" || place === "asked") ? { refusal } : {}),
    ...(share !== undefined && (place === "going-out" || place === "paused") ? { share } : {}),
    ...(coming && place !== "live" ? { coming } : {}),
  };
}

/** Where a client's app is in a store, by all that has happened there, the oldest first. */
export function passageOf(store: StoreKey, all: readonly KeptHappening[]): Passage {
  const happened = all.filter((each) => each.store === store);
  let passage: Passage = { store, place: "nothing", agreements: [], happened };
  for (const of of happened) passage = cleared({ ...passage, ...turns[of.kind](passage, of) });
  return passage;
}

/** The same in a few words: "refused since 2026-03-01", "1.1.0 for 20 %, 1.0.0 before". */
export function passageSaid({ place, since, coming, share, live, build }: Passage): string {
  const day = since?.slice(0, 10);
  const version = coming?.version ?? build?.version ?? "";
  const before = live && place !== "live" ? `, ${live.version} live` : "";
  const said: Readonly<Record<Place, string>> = {
    nothing: "nothing sent",
    created: `created ${day}`,
    sent: `${version} taken in`,
    ready: `${version} there, not sent for review`,
    unusable: `build ${build?.build} refused`,
    waiting: `${version} waits since ${day}`,
    "in-review": `${version} in review since ${day}`,
    asked: `${version} asked about ${day}`,
    refused: `${version} refused ${day}`,
    approved: `${version} approved ${day}`,
    "going-out": `${version} for ${share ?? 0} %`,
    paused: `${version} halted at ${share ?? 0} %`,
    live: `${live?.version} live`,
  };
  return `${said[place].trim()}${before}`;
}
