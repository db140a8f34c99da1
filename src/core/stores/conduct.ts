import type { HappeningKind } from "./happening.ts";

/** Whose documentation says so, when that was so, and how sure it is, of 100. */
interface Known {
  source: string;
  asOf: string;
  sure: number;
}

/** People who try an app before everybody gets it, as a store sorts them. */
export const trackKinds = ["inner", "outer", "open"] as const;

export type TrackKind = (typeof trackKinds)[number];

/** One way in which a store brings builds to testers. */
export interface Track extends Known {
  kind: TrackKind;
  /** What the store calls it. */
  title: string;
  /** Testers that it may have, and how many groups or lists. */
  most: number;
  mostGroups?: number;
  /** Testers that it has to have at least, where it is limited at all. */
  least?: number;
  /** The first build of a version is looked at before these people get it. */
  isReviewed: boolean;
  /** What somebody does to get it, by the device's own steps; {app} is put in. */
  joins: "store-link" | "tester-app" | "account";
}

/** How a version reaches those who have the app: any share of them, or shares that the store has fixed, a day each. */
type GoingOut = Known & ({ shares: "any" } | { shares: readonly number[]; mostPausedDays: number });

/** How long something takes there, in hours, as the store or common knowledge has it: mostly, and at most as a rule. */
interface Wait extends Known {
  usual: number;
  long: number;
}

/** A step that a person does in a store's own pages. */
export interface HandStep {
  /** What it is called when somebody says that it is done. */
  name: string;
  /** What has happened when it is done. */
  done: HappeningKind;
  /** Where in the store's pages, as it calls them. */
  at: string;
  /** What is done there. */
  says: string;
  /** What goes in there. */
  takes?: readonly ("creation" | "texts" | "answers" | "pictures" | "package")[];
}

/** How a store behaves towards what it is given. */
export interface Conduct {
  /** How a program shows who it is: by a token that an interface key signs, or one that it gets for credentials. */
  enters: "signed" | "credentials";
  tracks: readonly Track[];
  goesOut: GoingOut;
  /** Days for which a name is held for an app that nothing is sent of. */
  nameHeld?: Known & { days: number };
  /** Days for which a build can be tried. */
  testsFor?: Known & { days: number };
  waits: Readonly<Record<"processing" | "review" | "testing", Wait>>;
  /** Kinds of packages that it takes, the one that it wants of new apps first. */
  packages: readonly string[];
  /** Whether a package has to be signed when it is sent. */
  wantsSigned: boolean;
  /** Whether texts and pictures may be sent for review with no new build. */
  reviewsTextsAlone: boolean;
  /** Agreements that an account has to have signed before anything goes on. */
  agreements: readonly string[];
  /** Its own steps from nothing to a live app, in its own order. */
  byHand: readonly HandStep[];
}
