import type { Slot } from "../catalog/slot.ts";
import type { Problem } from "../problems/problem.ts";
import type { Site } from "../splice/site.ts";
import type { Field } from "../values/fields.ts";
import type { Platform } from "../values/platform.ts";
import type { Shape } from "./shapes.ts";

/** A place in the template that holds one of its own values, and which value of a client goes there. */
export interface Fill {
  holds: Field;
  site: Site;
  shape: Shape;
  /** Text that stays around the value, as in `group.<identifier>.shared`. */
  before?: string;
  after?: string;
}

/** A picture the template refers to: the catalog's row and the file it must become. */
export interface PictureUse {
  slot: Slot;
  /** Relative to the template. */
  path: string;
  /** Set where several slots become one file, as in favicon.ico; or where the file is a vector. */
  container?: "ico" | "svg";
}

/** What a client's part of the template says about itself. */
export interface PartSurvey {
  platform: Platform;
  /** Folder of the part, relative to the template. */
  folder: string;
  /** What the template calls itself here; none of it may be left in a variant. */
  identifiers: readonly string[];
  names: readonly string[];
  /** The code's own namespace; it is not the app's identity, and stays. */
  namespace?: string;
  fills: readonly Fill[];
  pictures: readonly PictureUse[];
  /** Pictures and drawables that show the template's brand: each is drawn anew or left out. */
  brandFiles: readonly string[];
  /** Places that this part does not have. */
  gaps: readonly Problem[];
}

/** Keeps the first fill of each place: where one colour serves two purposes, the earlier purpose decides. */
export function firstOfEachPlace(fills: readonly Fill[]): Fill[] {
  const seen = new Set<string>();
  return fills.filter(({ site }) => {
    const place = `${site.file}:${site.start}`;
    if (seen.has(place)) return false;
    seen.add(place);
    return true;
  });
}

/** The values that fills of a field hold in the template, without what stays around them. */
export const heldValues = (fills: readonly Fill[], ...held: Field[]): string[] => [
  ...new Set(
    fills
      .filter((fill) => held.includes(fill.holds) && !fill.before && !fill.after)
      .map((fill) => fill.site.value.trim())
      .filter(Boolean),
  ),
];
