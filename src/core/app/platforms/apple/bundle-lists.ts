import { type PlistString, plistSite, plistStrings } from "../../../formats/splice/formats/plist.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { schemeFill } from "../../template/addresses.ts";
import type { Fill } from "../../template/found.ts";
import { readXcodeProjects } from "./project.ts";

/** The property list of an app that a build script puts together, with no Xcode project that names it. */
export interface BundleList {
  file: string;
  strings: readonly PlistString[];
}

/** Keys of lists for a telephone. */
const telephones = /<key>(LSRequiresIPhoneOS|UILaunchStoryboardName|UISupportedInterfaceOrientations)<\/key>/;

/** The lists of apps among these files, for the Mac or for telephones. */
export const bundleLists = (template: Folder, files: readonly string[], system: "mac" | "telephone"): BundleList[] =>
  files.filter((file) => isBundle(template, file, system)).map((file) => ({ file, strings: read(template, file) }));

function isBundle(template: Folder, file: string, system: "mac" | "telephone"): boolean {
  if (!/(^|[-_./])(bundle)?info\.plist(\.xml)?$/i.test(withoutBuildEnding(file))) return false;
  const folder = (path: string) => (path ? `${path}/` : "");
  // What an Xcode project names is surveyed with it.
  if (readXcodeProjects(template).some((project) => file.startsWith(folder(project.folder)))) return false;
  const text = textIfAny(template.bytes(file)) ?? "";
  const isApp = /<key>(CFBundlePackageType<\/key>\s*<string>APPL|XSAppIconAssets|LSRequiresIPhoneOS)</.test(text);
  return isApp && telephones.test(text) === (system === "telephone");
}

const read = (template: Folder, file: string): readonly PlistString[] =>
  orElse(
    attempt(() => plistStrings(file, template.source(file))),
    [],
  );

/** Keys of a bundle's property list and what they hold (Apple, Information Property List). */
const fields: Readonly<Record<string, Field>> = {
  CFBundleName: "app.label",
  CFBundleDisplayName: "app.label",
  CFBundleShortVersionString: "version",
  CFBundleVersion: "build",
  NSHumanReadableCopyright: "copyright",
};

/** What a build puts in: the value stands elsewhere. */
export const putIn: RegExp = /\$[({]|@\w+@|#\w+#|\{\{|%\w+%/;

/** What a list says of its app itself. @param identifier the field of what the system knows it by */
export const bundleFills = ({ strings }: BundleList, identifier: Field): Fill[] => [
  ...Object.entries({ ...fields, CFBundleIdentifier: identifier }).flatMap(([key, holds]): Fill[] => {
    const site = plistSite(strings, key);
    return site && site.value.trim() !== "" && !putIn.test(site.value) ? [{ holds, site, shape: "text" }] : [];
  }),
  ...strings.filter(({ path, site }) => isOwnScheme(path, site.value, strings)).flatMap(({ site }) => schemeFill(site)),
];

/** Whether a scheme is the program's own, by its name: a player opens those of many protocols. */
function isOwnScheme(path: PlistString["path"], value: string, strings: readonly PlistString[]): boolean {
  if (path.at(-2) !== "CFBundleURLSchemes") return false;
  const squashed = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, "");
  const own = ["CFBundleName", "CFBundleDisplayName", "CFBundleIdentifier", "CFBundleExecutable"].map((key) =>
    squashed(plistSite(strings, key)?.value ?? ""),
  );
  return own.some((name) => name.includes(squashed(value)));
}
