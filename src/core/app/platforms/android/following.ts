import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import { type Slot, slotPath } from "../../../pictures/slots/slot.ts";
import { type Fill, type Found, mergeFound } from "../../template/found.ts";
import { androidSlots } from "./catalog.ts";
import type { AndroidResources, ResourceRef } from "./resources.ts";
import type { AndroidRole } from "./titles.ts";

/** Longest chain of texts, or of drawables, that refer to each other. */
export const longestChain = 8;

/** Whether a resource is for the night (Android documentation, "Dark theme"). */
export const forNight = (file: string): boolean => /(^|\/)(?:res|Resources)\/[^/]*-night[-/]/.test(file);

/** A picture of a store's record that the app's own resource says is wanted. */
type StoreRole = "store-tv-banner";

/** What a reference leads to; and colours by the names that start screens and themes ask for them by. */
export interface Followed extends Found {
  start: readonly (readonly [name: string, site: Site])[];
  theme: readonly (readonly [name: string, asked: { holds: Field; site: Site }])[];
}

/** What several references lead to, in their order. */
export const mergeFollowed = (all: readonly Partial<Followed>[]): Followed => ({
  ...mergeFound(all),
  start: all.flatMap(({ start = [] }) => start),
  theme: all.flatMap(({ theme = [] }) => theme),
});

export type Follows = Partial<Followed>;

/** Places of a field; in resources for the night, of its form for dark screens. */
export const filling = (holds: Field, sites: readonly Site[], shape: Fill["shape"] = "text"): Follows => ({
  fills: sites.map((site) => ({ holds: forNight(site.file) ? darkOf(holds) : holds, site, shape })),
});

/** What references are followed in. */
export interface Ways {
  template: Folder;
  resources: AndroidResources;
  /** Pictures that may be drawn where a reference leads. */
  slots: readonly Slot[];
}

export const openWays = (template: Folder, resources: AndroidResources, inStore: readonly Slot[]): Ways => ({
  template,
  resources,
  slots: [...androidSlots, ...inStore],
});

/** A resource at every density, in place of whatever files it has now. Adaptive icons' XML stays. */
export function draw(ways: Ways, role: AndroidRole | StoreRole, ref: ResourceRef): Follows {
  const names = { res: ways.resources.main, type: ref.type, name: ref.name };
  const night = ways.resources.files(ref).some(forNight);
  const rows = ways.slots.filter((each) => each.role === role && (night || each.theme !== "dark"));
  const ownNight = rows.some((each) => each.theme === "dark");
  return {
    pictures: rows.flatMap((slot) => {
      const path = slotPath(slot, names);
      const paths = night && !ownNight ? [path, path.replace(`/${ref.type}-`, `/${ref.type}-night-`)] : [path];
      return paths.map((each) => ({ slot, path: each }));
    }),
    brandFiles: ways.resources.files(ref).filter((file) => !file.endsWith(".xml") || isDrawn(ways, file)),
  };
}

/** A drawable that is itself a drawing (a vector, a shape), not a reference to others. */
export function isDrawn(ways: Ways, file: string): boolean {
  return !["adaptive-icon", "layer-list", "selector", "bitmap", "inset", ""].includes(ways.resources.xml(file).name);
}
