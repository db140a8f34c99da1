import type { Who } from "../../../ground/problems/who.ts";
import type { StoreDefinition } from "../../../stores/definition.ts";
import type { Act } from "../act.ts";
import type { StepName } from "../step-names.ts";
import type { Wants } from "../wants.ts";
import type { GoingOut, StoreApp } from "../wire.ts";

/** Something that has to be there first, and who gives it. */
export interface Lack {
  what: string;
  who: Who;
}

/** How far a client's app is on one step into a store, and what is to be done. */
export interface Step {
  name: StepName;
  /** Done; to be done; waiting for the store, or for a day; lacking something; or later, when another one is done. */
  state: "done" | "to-do" | "waits" | "lacks" | "later";
  says: string;
  acts: readonly Act[];
  lacks: readonly Lack[];
}

/** What somebody asks for beyond what follows from record and builds. */
export interface AskedOf {
  /** What is answered to a refusal or a question. */
  reply?: string | undefined;
  /** How an approved version is to go out, or go on. */
  out?: GoingOut | undefined;
}

/** What steps are decided from. */
export interface SubmittingAt {
  store: StoreDefinition;
  /** What the store has; undefined where it knows no such app. */
  has: StoreApp | undefined;
  wants: Wants;
  /** What keeps a record from being created, and a version from being sent for review. */
  lacks: { creation: readonly Lack[]; review: readonly Lack[] };
  asked: AskedOf;
  /** As 2026-03-01. */
  today: string;
}

const noActs = { acts: [], lacks: [] } as const;

export const done = (name: StepName, says: string): Step => ({ name, state: "done", says, ...noActs });
export const waits = (name: StepName, says: string): Step => ({ name, state: "waits", says, ...noActs });
export const later = (name: StepName, says: string): Step => ({ name, state: "later", says, ...noActs });
export const toDo = (name: StepName, says: string, acts: readonly Act[]): Step => ({
  ...{ name, state: "to-do", says, acts, lacks: [] },
});
export const lacking = (name: StepName, says: string, lacks: readonly Lack[]): Step => ({
  ...{ name, state: "lacks", says, acts: [], lacks },
});

/** Whether the store looks at a version: what is sent with it stands still meanwhile. */
export const isLookedAt = ({ version }: StoreApp): boolean =>
  version?.station === "waiting" || version?.station === "in-review";
