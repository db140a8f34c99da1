import { definitions } from "../platforms/all.ts";
import { type Localized, mergeLocalized, nothingLocalized, type Spoken } from "../template/localized.ts";
import type { Template } from "./template.ts";

/** Everything that a client's names in further languages take, over all parts of the template. Pure. */
export function localize({ folder, parts }: Template, names: readonly Spoken[], main: Spoken | undefined): Localized {
  if (names.length === 0 || !main) return nothingLocalized;
  const found = parts.map((part) => definitions[part.platform].localize(folder, part, names, main));
  return mergeLocalized(found);
}
