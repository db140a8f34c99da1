import { textSite } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { givenByEnvironment } from "../../template/environment.ts";
import { namedText } from "../../template/named-text.ts";
import { type Follows, filling, longestChain, mergeFollowed, type Ways } from "./following.ts";
import { dangling, type ResourceRef, readReference } from "./resources.ts";

export function label(ways: Ways, site: Site, manifestFile: string): Follows {
  const ref = readReference(site.value);
  if (!ref) return filling("app.label", [site]);
  const found = textsBehind(ways, ref, 0);
  if (found.length === 0) return dangling(ways.template, manifestFile, site, "label");
  return filling("app.label", found);
}

/**
 * What a part of an app is called by itself: there the app's name is put, where it is in it, and all else stays.
 * @param names what the app is called
 */
export function ownLabel(ways: Ways, site: Site, manifestFile: string, names: readonly string[]): Follows {
  const ref = readReference(site.value);
  const texts = ref ? textsBehind(ways, ref, 0) : [site];
  if (ref && texts.length === 0) return dangling(ways.template, manifestFile, site, "label");
  const whole = texts.filter(({ value }) => names.includes(value));
  const within = texts.filter((text) => !whole.includes(text)).flatMap((text) => namedText(text, names));
  return mergeFollowed([filling("app.label", whole), { fills: within }]);
}

/** Where a text resource is written down, through those that are nothing but a reference to another. */
function textsBehind(ways: Ways, ref: ResourceRef, depth: number): Site[] {
  if (depth > longestChain) return [];
  const written = ways.resources.values(ref).flatMap(({ file, element }) => {
    const site = textSite(file, element, "android-string");
    const next = readReference(site?.value);
    return next ? textsBehind(ways, next, depth + 1) : site ? [site] : [];
  });
  const all = [...written, ...ways.resources.built(ref)];
  return all.length > 0 ? all : givenByEnvironment(ways.template, ref.name);
}
