import type { Cut } from "../../formats/splice/cut.ts";
import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { Platform } from "../../ground/values/platform.ts";

/** What a feature needs of each platform's build files: lists of names, each list one that its platform knows. */
export type Needs = {
  readonly [P in Platform]?: Readonly<Record<string, readonly string[] | undefined>> | undefined;
};

/** A feature of a template: its name, which may tell what it needs, and what template.yaml says that it needs. */
export interface Feature {
  name: string;
  declared: Needs;
}

/** A text that is put into a file, at an offset. */
interface Added {
  file: string;
  at: number;
  text: string;
}

/** Where a feature is in the build files: what goes with it, and what it puts there. */
export interface FeaturePlaces {
  name: string;
  /** Taken out where the feature is off. */
  cuts: readonly Cut[];
  /** Put in where the feature is on: what template.yaml names and the template lacks. */
  adds: readonly Added[];
  /** Put in where it is off: what keeps out what would come in by itself. */
  keepsOut: readonly Added[];
  /** What template.yaml names and nobody knows. */
  gaps: readonly Problem[];
  /**
   * Places that hold what people read when the app asks for something; without a language where it is the first
   * one's.
   */
  usage: readonly {
    key: string;
    locale?: string | undefined;
    site: Site;
    opens?: string;
    closes?: string;
  }[];
}

/** What a platform's build files say of a feature. */
export type FeatureFound = Omit<FeaturePlaces, "name">;

/** Looks for every place of a feature in some files of a part. */
export type FeatureSearch = (template: Folder, files: readonly string[], feature: Feature) => Partial<FeatureFound>;
