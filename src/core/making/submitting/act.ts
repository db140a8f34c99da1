import { sha256 } from "../../ground/values/hash.ts";
import type { TrackKind } from "../../stores/conduct.ts";
import type { StepName } from "./step-names.ts";
import type { ReviewAccess, WantedBuild, WantedPicture } from "./wants.ts";
import type { GoingOut } from "./wire.ts";

/** What each is, for a producer. */
export const stepsSaid: Readonly<Record<StepName, string>> = {
  record: "the record that the store keeps of the app",
  details: "texts, facts, answers, pictures and goods",
  build: "the package that people get",
  testers: "who tries it before",
  review: "the store's look at it",
  release: "how it goes out",
};

type Fields = Readonly<Record<string, string>>;

/** One thing that is done in a store: plain data. */
export type ActOf =
  | { kind: "create"; body: object }
  | { kind: "texts"; language: string; fields: Fields }
  | { kind: "facts" | "answers"; fields: Fields }
  | { kind: "pictures"; pictures: readonly WantedPicture[] }
  | { kind: "goods"; goods: readonly object[] }
  | { kind: "send"; build: WantedBuild }
  | { kind: "attach"; version: string; build: number }
  | { kind: "testers"; track: TrackKind; testers: readonly object[] }
  | { kind: "test"; build: number; tracks: readonly TrackKind[] }
  | { kind: "reply"; text: string }
  | { kind: "submit"; access?: ReviewAccess | undefined }
  | { kind: "withdraw" }
  | { kind: "release"; how: GoingOut };

export type Act = ActOf & {
  step: StepName;
  /** What it does, for a producer. */
  says: string;
  /** What changes by it, in lines. */
  changes?: readonly string[];
};

/**
 * What an act is known by in a store: asked for again, by whoever and whenever, it is the same act as long as it sets
 * out from the same state. @param tag of what the store has before it
 */
export const keyOfAct = (store: string, app: string, { says: _, changes: __, ...act }: Act, tag = ""): string =>
  sha256(JSON.stringify([store, app, act, tag])).slice(0, 40);
