import type { Place } from "../../ground/values/source.ts";

/** What a template may lack, and Oxalis can add in the platform's own way: each kind, and what it is. */
export type MissingKinds = Readonly<Record<string, string>>;

/** Whether a template wants something added that it lacks, by its kind. */
export type Wants = (kind: string) => boolean;

/** Something that its platform has a place for and the template had none. */
export interface Missing {
  kind: string;
  /** Whether variants get it. */
  added: boolean;
  place: Place;
}
