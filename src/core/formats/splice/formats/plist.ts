import { refuse } from "../../../ground/problems/result.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";
import { parseXml, textSite, type XmlElement } from "./xml.ts";

/** Every string of a property list, with the keys that lead to it (array positions as numbers). */
export interface PlistString {
  path: readonly (string | number)[];
  site: Site;
}

/** Reads an XML property list. */
export function plistStrings(file: string, source: Source): PlistString[] {
  const root = parseXml(source);
  const strings: PlistString[] = [];
  const top = root.children[0];
  if (root.name !== "plist" || !top) refuse("template-syntax", `${source.file} is not a property list.`);
  collect(file, top, [], strings);
  return strings;
}

function collect(file: string, element: XmlElement, path: readonly (string | number)[], into: PlistString[]): void {
  if (element.name === "string") {
    const site = textSite(file, element);
    if (site) into.push({ path, site });
  } else if (element.name === "array") {
    for (const [at, child] of element.children.entries()) collect(file, child, [...path, at], into);
  } else if (element.name === "dict") {
    for (let at = 0; at + 1 < element.children.length; at += 2) {
      const [key, value] = element.children.slice(at, at + 2) as [XmlElement, XmlElement];
      collect(file, value, [...path, key.text], into);
    }
  }
}

/** The site of the string at a path of keys. */
export const plistSite = (strings: readonly PlistString[], ...path: string[]): Site | undefined =>
  strings.find((each) => each.path.length === path.length && each.path.every((step, at) => step === path[at]))?.site;

/** Where a further key can be put into a property list's outermost dictionary. */
export function plistStart(source: Source): number | undefined {
  const dict = parseXml(source).children[0];
  return dict?.name === "dict" && !dict.selfClosing ? dict.innerStart : undefined;
}
