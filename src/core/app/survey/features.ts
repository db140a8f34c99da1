import type { Folder } from "../../ground/files/reading/folder.ts";
import { definitions } from "../platforms/all.ts";
import type { Feature, FeaturePlaces } from "../template/feature-places.ts";
import { filesOf, type PartSurvey } from "../template/found.ts";

/** Looks for every place of a feature in the parts of a template. */
export function featurePlaces(template: Folder, parts: readonly PartSurvey[], feature: Feature): FeaturePlaces {
  const found = parts.map((part) => definitions[part.platform].features(template, filesOf(template, part), feature));
  return {
    name: feature.name,
    cuts: found.flatMap(({ cuts = [] }) => cuts),
    adds: found.flatMap(({ adds = [] }) => adds),
    keepsOut: found.flatMap(({ keepsOut = [] }) => keepsOut),
    gaps: found.flatMap(({ gaps = [] }) => gaps),
    usage: found.flatMap(({ usage = [] }) => usage),
  };
}
