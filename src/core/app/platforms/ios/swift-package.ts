import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Fill } from "../../template/found.ts";

/** What a package in Swift says of the app that it is (Apple, AppleProductTypes, iOSApplication). */
const facts: Readonly<Record<string, Field>> = {
  name: "app.label",
  bundleIdentifier: "identifiers.ios",
  teamIdentifier: "signing.team",
  displayVersion: "version",
  bundleVersion: "build",
};

const product = /\.iOSApplication\s*\(/;

/** An argument with a text, where none is put into it. */
const argument = /\b(?<name>\w+)\s*:\s*"(?<value>[^"\\\n]+)"/g;

/** The places of an app's own arguments, up to the first that is a list. */
export const swiftAppFills = (template: Folder, file: string): Fill[] => {
  const text = textIfAny(template.bytes(file)) ?? "";
  const start = product.exec(text)?.index;
  if (start === undefined) return [];
  const end = text.indexOf("capabilities:", start);
  const own = text.slice(start, end === -1 ? undefined : end).split(/\n\s*\]\s*,?\s*\n\s*targets:/)[0] ?? "";
  return [...own.matchAll(argument)].flatMap(({ 0: whole, index, groups }): Fill[] => {
    const { name = "", value = "" } = groups ?? {};
    const holds = facts[name];
    if (!holds) return [];
    const from = start + index + whole.length - 1 - value.length;
    const site = { file, start: from, end: from + value.length, value, form: "double-inner" as const };
    return [{ holds, site, shape: "text", ...(holds === "signing.team" ? { optional: true as const } : {}) }];
  });
};
