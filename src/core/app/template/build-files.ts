import type { Variant } from "../variant/variant.ts";
import type { PartSurvey } from "./found.ts";

export interface BuildFile {
  path: string;
  text: string;
}

/** What the builds of a part need beside the project, for a client. */
export type BuildFiles = (variant: Variant, part: PartSurvey) => readonly BuildFile[];

export const noBuildFiles: BuildFiles = () => [];
