import { posix } from "node:path";
import { type PlistString, plistSite } from "../../../formats/splice/formats/plist.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { macIconSlots } from "../../../pictures/slots/program.ts";
import { aside, builders } from "../../template/builders.ts";
import { heldValues, nothingFound, type PictureUse, type SurveyPart } from "../../template/found.ts";
import { bundleFills, bundleLists, putIn } from "../apple/bundle-lists.ts";
import { programPicture } from "./program-picture.ts";

/** What lies within bundles that somebody has built already. */
const built = /\.(framework|xcframework|bundle)\//;

/** An app's own folder: with a program in it, it is built; without, a frame that a build fills. */
const program = /^(.*\.app\/)Contents\/MacOS\/[^/.][^/]*$/;

/** The template's own files of programs: without what others gave, and what somebody has built. */
function ownFiles(template: Folder): string[] {
  const files = template.list().filter((file) => !aside.test(file));
  const done = files.flatMap((file) => program.exec(file)?.[1] ?? []);
  return files.filter((file) => !built.test(file) && !done.some((folder) => file.startsWith(folder)));
}

/**
 * Surveys a Mac's program that a build script puts together: the property list of its bundle, and the icon that it
 * names; undefined where there is none.
 */
export const surveyBundles: SurveyPart = (template) => {
  const files = ownFiles(template);
  if (!files.some((file) => builders.test(file))) return undefined;
  const lists = bundleLists(template, files, "mac");
  const fills = lists.flatMap((list) => bundleFills(list, "identifiers.desktop"));
  if (fills.length === 0) return undefined;
  return {
    ...nothingFound,
    platform: "desktop",
    folder: "",
    identifiers: heldValues(fills, "identifiers.desktop"),
    names: heldValues(fills, "app.label"),
    fills,
    pictures: lists.flatMap(({ strings }) => iconOf(template, strings)),
  };
};

/** A picture of a set that a build makes an icon of (Apple, iconutil). */
export function inIconSet(path: string): PictureUse[] {
  const [, points, scale = "1"] = /\.iconset\/icon_(\d+)x\1(?:@(\d)x)?\.png$/.exec(path) ?? [];
  const slot = macIconSlots.find(({ qualifier }) => qualifier === `mac-${points}@${scale}x`);
  return slot ? [{ slot, path }] : [];
}

/** The icon that a list names, wherever the template keeps it (Apple, CFBundleIconFile). */
function iconOf(template: Folder, strings: readonly PlistString[]): PictureUse[] {
  const name = plistSite(strings, "CFBundleIconFile")?.value.trim() ?? "";
  return name === "" || putIn.test(name) ? [] : iconNamed(template, name);
}

/** The Mac's icons of a name, with its ending or without, wherever they lie. */
export function iconNamed(template: Folder, name: string): PictureUse[] {
  const wanted = `${posix.basename(name).replace(/\.icns$/i, "")}.icns`.toLowerCase();
  return ownFiles(template)
    .filter((file) => posix.basename(file).toLowerCase() === wanted)
    .flatMap((path) => programPicture(template, path) ?? []);
}
