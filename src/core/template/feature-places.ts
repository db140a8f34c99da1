import type { Folder } from "../files/folder.ts";
import type { Cut } from "../splice/cut.ts";
import type { Site } from "../splice/site.ts";
import type { Needs } from "../values/needs.ts";

/** Where a feature is in the build files: what goes with it, and what it puts there. */
export interface FeaturePlaces {
  name: string;
  /** Taken out where the feature is off. */
  cuts: readonly Cut[];
  /** Put in where the feature is on: what template.yaml names and the template lacks. */
  adds: readonly { file: string; at: number; text: string }[];
  /** Places that hold what people read when the app asks for something, by the language of the file; the first's under an empty key. */
  usage: readonly { key: string; locale: string; site: Site; opens?: string; closes?: string }[];
}

export type Found = { [K in "cuts" | "adds" | "usage"]: FeaturePlaces[K][number][] };

/** @param declared what template.yaml itself names: some apps do without what is known of a feature's name. */
export type Search = (
  template: Folder,
  files: readonly string[],
  needs: Needs,
  declared: Needs,
) => Partial<Found>;
