import { swiftAppArguments } from "../../../formats/splice/formats/swift-package.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Fill } from "../../template/found.ts";

/** What a package in Swift says of the app that it is (Apple, AppleProductTypes, iOSApplication). */
const facts: Readonly<Record<string, Pick<Fill, "optional"> & { holds: Field }>> = {
  name: { holds: "app.label" },
  bundleIdentifier: { holds: "identifiers.ios" },
  teamIdentifier: { holds: "signing.team", optional: true },
  displayVersion: { holds: "version" },
  bundleVersion: { holds: "build" },
};

/** The places of an app's own arguments. */
export function swiftAppFills(template: Folder, file: string): Fill[] {
  const source = textOf(template, file);
  return (source ? swiftAppArguments(file, source) : []).flatMap(({ key, site }): Fill[] => {
    const fact = Object.hasOwn(facts, key) ? facts[key] : undefined;
    return fact ? [{ ...fact, site, shape: "text" }] : [];
  });
}
