import { posix } from "node:path";
import { type PlistString, plistSite, plistStrings } from "../../../formats/splice/formats/plist.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { icnsSlots, macIconSlots } from "../../../pictures/slots/program.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { schemeFill } from "../../template/addresses.ts";
import { type Fill, heldValues, nothingFound, type PictureUse, type SurveyPart } from "../../template/found.ts";
import { readXcodeProjects } from "../apple/project.ts";
import { aside, builders } from "./programs.ts";

/** Keys of a bundle's property list and what they hold (Apple, Information Property List). */
const fields: Readonly<Record<string, Field>> = {
  CFBundleName: "app.label",
  CFBundleDisplayName: "app.label",
  CFBundleIdentifier: "identifiers.desktop",
  CFBundleShortVersionString: "version",
  CFBundleVersion: "build",
  NSHumanReadableCopyright: "copyright",
};

/** What a build puts in: the value stands elsewhere. */
const putIn = /\$[({]|@\w+@|#\w+#|\{\{|%\w+%/;

/** Keys of lists for a telephone, whose projects say more, and of what is no app. */
const notTheMacs = /<key>(LSRequiresIPhoneOS|UILaunchStoryboardName|UISupportedInterfaceOrientations)<\/key>/;

/** What lies within bundles that somebody has built already. */
const built = /\.(framework|xcframework|bundle)\//;

/** An app's own folder: with a program in it, it is built; without, a frame that a build fills. */
const program = /^(.*\.app\/)Contents\/MacOS\/[^/.][^/]*$/;

function notBuilt(files: readonly string[]): string[] {
  const done = files.flatMap((file) => program.exec(file)?.[1] ?? []);
  return files.filter((file) => !built.test(file) && !done.some((folder) => file.startsWith(folder)));
}

/**
 * Surveys a Mac's program that a build script puts together: the property list of its bundle, and the icon that it
 * names; undefined where there is none.
 */
export const surveyBundles: SurveyPart = (template) => {
  const files = notBuilt(template.list().filter((file) => !aside.test(file)));
  if (!files.some((file) => builders.test(file))) return undefined;
  const lists = files
    .filter((file) => isBundle(template, file))
    .map((file) => ({ file, strings: read(template, file) }));
  const fills = lists.flatMap(({ strings }) => fillsIn(strings));
  if (fills.length === 0) return undefined;
  return {
    ...nothingFound,
    platform: "desktop",
    folder: "",
    identifiers: heldValues(fills, "identifiers.desktop"),
    names: heldValues(fills, "app.label"),
    fills,
    pictures: lists.flatMap(({ strings }) => iconOf(files, strings)),
  };
};

function isBundle(template: Folder, file: string): boolean {
  if (!/(^|[-_./])(bundle)?info\.plist$/i.test(withoutBuildEnding(file))) return false;
  const folder = (path: string) => (path ? `${path}/` : "");
  // What an Xcode project names is surveyed with it.
  if (readXcodeProjects(template).some((project) => file.startsWith(folder(project.folder)))) return false;
  const text = textIfAny(template.bytes(file)) ?? "";
  return /<key>CFBundlePackageType<\/key>\s*<string>APPL</.test(text) && !notTheMacs.test(text);
}

const read = (template: Folder, file: string): readonly PlistString[] =>
  orElse(
    attempt(() => plistStrings(file, template.source(file))),
    [],
  );

const fillsIn = (strings: readonly PlistString[]): Fill[] => [
  ...Object.entries(fields).flatMap(([key, holds]): Fill[] => {
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

/** A picture of a set that a build makes an icon of (Apple, iconutil). */
export function inIconSet(path: string): PictureUse[] {
  const [, points, scale = "1"] = /\.iconset\/icon_(\d+)x\1(?:@(\d)x)?\.png$/.exec(path) ?? [];
  const slot = macIconSlots.find(({ qualifier }) => qualifier === `mac-${points}@${scale}x`);
  return slot ? [{ slot, path }] : [];
}

/** The icon that a list names, wherever the template keeps it (Apple, CFBundleIconFile). */
function iconOf(files: readonly string[], strings: readonly PlistString[]): PictureUse[] {
  const name = plistSite(strings, "CFBundleIconFile")?.value.trim() ?? "";
  if (name === "" || putIn.test(name)) return [];
  const wanted = `${posix.basename(name).replace(/\.icns$/i, "")}.icns`.toLowerCase();
  return files
    .filter((file) => posix.basename(file).toLowerCase() === wanted)
    .map((path) => ({ slot: icnsSlots.at(-1) as Slot, path, container: "icns", within: icnsSlots }));
}
