import type { KeptHappening } from "../../agency/history/happenings.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { HappeningKind } from "../../stores/happening.ts";

/** Where a client's app is in a store. */
export type Whereabouts =
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
  is: Whereabouts;
  /** Since when it is there (ISO 8601); absent where nothing has happened. */
  since?: string;
  /** What the store calls the app. */
  app?: string;
  /** The version that is on its way. */
  coming?: VersionThere;
  /** Of the people who have the app, so many percent have that version. */
  share?: number;
  refusal?: { rule?: string | undefined; where?: string | undefined; says: string };
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
  (is: Whereabouts): Turn =>
  (before, of) => ({ is, since: of.at, coming: versionOf(before, of) });

const buildIs =
  (state: "processing" | "ready" | "refused" | "ended"): Turn =>
  ({ build: before, is }, { build = before?.build ?? 0, version = before?.version, says, at }) => ({
    build: { build, version, state, since: at, why: says },
    ...(isBeforeReview(is) && state !== "ended" ? { is: placeWith[state], since: at } : {}),
  });

const placeWith = { processing: "sent", ready: "ready", refused: "unusable" } as const;

/** Whether no version is on its way that a new build does not take the place of. */
const isBeforeReview = (is: Whereabouts): boolean =>
  ["nothing", "created", "sent", "ready", "unusable", "live"].includes(is);

const testingIs =
  (state: "waiting" | "allowed" | "refused"): Turn =>
  ({ testing }, { build = testing?.build ?? 0, at }) => ({ testing: { build, state, since: at } });

/** What each happening makes of a passage. */
const turns: Readonly<Record<HappeningKind, Turn>> = {
  created: ({ is }, { at, app }) => ({
    ...(is === "nothing" ? { is: "created", since: at } : {}),
    ...(app === undefined ? {} : { app }),
  }),
  "name-lapsed": (_, { at }) => ({ is: "nothing", since: at }),
  "agreement-open": ({ agreements }, { says = "" }) => ({ agreements: [...new Set([...agreements, says])] }),
  "agreement-signed": ({ agreements }, { says }) => ({ agreements: agreements.filter((each) => each !== says) }),
  told: () => ({}),
  "build-sent": buildIs("processing"),
  "build-ready": buildIs("ready"),
  "build-refused": buildIs("refused"),
  "build-ended": buildIs("ended"),
  attached: (before, of) => ({
    coming: versionOf(before, of),
    ...(isBeforeReview(before.is) ? { is: "ready", since: of.at } : {}),
  }),
  "testing-sent": testingIs("waiting"),
  "testing-allowed": testingIs("allowed"),
  "testing-refused": testingIs("refused"),
  submitted: goesTo("waiting"),
  withdrawn: goesTo("ready"),
  "review-began": goesTo("in-review"),
  asked: (before, of) => ({ ...goesTo("asked")(before, of), refusal: refusalOf(of) }),
  refused: (before, of) => ({ ...goesTo("refused")(before, of), refusal: refusalOf(of) }),
  answered: ({ is }, { at }) => ({ is: is === "asked" ? "waiting" : "ready", since: at }),
  approved: goesTo("approved"),
  out: (before, of) => ({ ...goesTo("going-out")(before, of), share: of.share ?? 0 }),
  paused: (before, of) => ({ ...goesTo("paused")(before, of), share: of.share ?? before.share ?? 0 }),
  live: (before, of) => ({ is: "live", since: of.at, live: versionOf(before, of) }),
};

const refusalOf = ({ rule, where, says = "" }: KeptHappening) => ({ rule, where, says });

/** What no longer holds where an app is now. */
function cleared(passage: Passage): Passage {
  const { refusal, share, coming, ...rest } = passage;
  const { is } = passage;
  return {
    ...rest,
    ...(refusal && (is === "refused" || is === "asked") ? { refusal } : {}),
    ...(share !== undefined && (is === "going-out" || is === "paused") ? { share } : {}),
    ...(coming && is !== "live" ? { coming } : {}),
  };
}

/** Where a client's app is in a store, by all that has happened there, the oldest first. */
export function passageOf(store: StoreKey, all: readonly KeptHappening[]): Passage {
  const happened = all.filter((each) => each.store === store);
  let passage: Passage = { store, is: "nothing", agreements: [], happened };
  for (const of of happened) passage = cleared({ ...passage, ...turns[of.kind](passage, of) });
  return passage;
}
