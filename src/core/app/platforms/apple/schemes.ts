import { type Cut, elementCut, keyCuts } from "../../../formats/splice/cut.ts";
import type { XmlElement } from "../../../formats/splice/formats/xml.ts";
import { isCallback } from "../../template/callbacks.ts";

const types = "CFBundleURLTypes";

/** The value behind a key of a property list's dictionary. */
const valueAt = (list: XmlElement | undefined, key: string): XmlElement | undefined => {
  const children = list?.children ?? [];
  return children[children.findIndex((each) => each.name === "key" && each.text === key) + 1];
};

/**
 * The schemes by which an app opens, taken out of its property list: all of them, where none is one by which another
 * service comes back; otherwise those that are not.
 */
export function schemeCuts(file: string, text: string, root: XmlElement): Cut[] {
  const list = root.children[0];
  const isThere = list?.children.some((each) => each.name === "key" && each.text === types);
  const entries = isThere ? (valueAt(list, types)?.children ?? []).filter(({ name }) => name === "dict") : [];
  const schemesOf = (entry: XmlElement) =>
    (valueAt(entry, "CFBundleURLSchemes")?.children ?? []).filter(({ name }) => name === "string");
  const kept = entries.filter((entry) => schemesOf(entry).some((each) => isCallback(each.text)));
  if (kept.length === 0) return keyCuts(file, text, root, [types]);
  return entries.flatMap((entry) =>
    kept.includes(entry)
      ? schemesOf(entry).flatMap((each) => (isCallback(each.text) ? [] : [elementCut(file, text, each)]))
      : [elementCut(file, text, entry)],
  );
}
