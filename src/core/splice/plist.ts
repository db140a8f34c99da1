import { placeAt, type Source } from "../files/source.ts";
import { refuse } from "../problems/problem.ts";
import type { Site } from "./site.ts";
import { parseXml, textSite, type XmlElement } from "./xml.ts";

/** Every string of a property list, with the keys that lead to it (array positions as numbers). */
export interface PlistString {
  path: readonly (string | number)[];
  site: Site;
}

/** Reads an XML property list. A binary one is refused with what to do about it. */
export function plistStrings(file: string, source: Source): PlistString[] {
  if (source.text.startsWith("bplist")) {
    refuse("template-syntax", `${source.file} is a binary property list.`, {
      place: placeAt(source, 0),
      fix: "Save it as an XML property list: `plutil -convert xml1`, or `plistutil -f xml`.",
    });
  }
  const root = parseXml(source);
  const strings: PlistString[] = [];
  const top = root.children[0];
  if (root.name !== "plist" || !top) refuse("template-syntax", `${source.file} is not a property list.`);
  collect(file, top, [], strings);
  return strings;
}

function collect(
  file: string,
  element: XmlElement,
  path: readonly (string | number)[],
  into: PlistString[],
): void {
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

/** The string under a key of the property list's top level. */
export const plistValue = (strings: readonly PlistString[], ...path: string[]): PlistString | undefined =>
  strings.find(
    (each) => each.path.length === path.length && each.path.every((step, at) => step === path[at]),
  );
