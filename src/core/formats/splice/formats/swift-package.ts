import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** Where a package in Swift says that it is an app (Apple, AppleProductTypes, iOSApplication). */
const product = /\.iOSApplication\s*\(/;

/** An argument with a text, where none is put into it. */
const argument = /\b(?<key>\w+)\s*:\s*"(?<value>[^"\\\n]+)"/g;

/** The texts that an app is given which is a package in Swift, by their names; those of its targets are code's. */
export function swiftAppArguments(file: string, { text }: Source): { key: string; site: Site }[] {
  const start = product.exec(text)?.index;
  if (start === undefined) return [];
  const end = text.indexOf("capabilities:", start);
  const own = text.slice(start, end === -1 ? undefined : end).split(/\n\s*\]\s*,?\s*\n\s*targets:/)[0] ?? "";
  return [...own.matchAll(argument)].map(({ 0: whole, index, groups }) => {
    const { key = "", value = "" } = groups ?? {};
    const from = start + index + whole.length - 1 - value.length;
    return { key, site: { file, start: from, end: from + value.length, value, form: "double-inner" } };
  });
}
