import { posix } from "node:path";
import { plistSite } from "../../../formats/splice/formats/plist.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { aside } from "../../template/builders.ts";
import { type Found, firstOfEachPlace, heldValues, mergeFound, type SurveyPart } from "../../template/found.ts";
import type { Wants } from "../../template/missing.ts";
import { type Assets, storyboard } from "../apple/assets.ts";
import { type BundleList, bundleFills, bundleLists } from "../apple/bundle-lists.ts";
import { iconSets } from "../apple/icons.ts";
import { swiftAppFills } from "./swift-package.ts";

/** Files from which a build makes an app for telephones, and what they then say of it. */
const makers: readonly { file: RegExp; holds: RegExp }[] = [
  { file: /(^|\/)project\.ya?ml$/, holds: /^targets:/m },
  { file: /(^|\/)Project\.swift$/, holds: /\bProject\(/ },
  { file: /(^|\/)Package\.swift$/, holds: /\.iOSApplication\s*\(/ },
  { file: /(^|\/)robovm\.xml$/, holds: /<os>ios<|<iosInfoPList>/ },
  { file: /\.csproj$/, holds: /\bnet\d[\d.]*-ios\b|Xamarin\.iOS|\{FEACFBD2-3405-455C-9665-78FE426C6842\}/i },
];

/**
 * Surveys an app for telephones whose Xcode project no file is, since a build makes it or does without: the property
 * list that it is given, and the icons and the start screen beside that; undefined where there is none.
 */
export const surveyMadeByBuild: SurveyPart = (template, { wants }) => {
  const files = template.list().filter((file) => !aside.test(file));
  const lists = bundleLists(template, files, "telephone");
  const main = lists[0]?.file ?? files.find((file) => isMaker(template, file));
  if (main === undefined) return undefined;
  const folder = posix.dirname(main) === "." ? "" : posix.dirname(main);
  const gap = (what: string) =>
    problem("template-gap", `iOS: ${what}.`, { severity: "warning", place: placeAt(template.source(main), 0) });
  // A project that lists its files takes no further ones.
  const isListed = files.some((file) => file.endsWith(".csproj") && isMaker(template, file) && !hasSdk(template, file));
  const added: Wants = (kind) => !isListed && wants(kind);
  const assets = { template, below: folder, wants: added, platform: "ios", gap } as const;
  const packages = files.filter((file) => /(^|\/)Package\.swift$/.test(file));
  const fills = firstOfEachPlace([
    ...lists.flatMap((list) => bundleFills(list, "identifiers.ios")),
    ...packages.flatMap((file) => swiftAppFills(template, file)),
  ]);
  const near = iconSets(assets);
  const icons = near.pictures.length > 0 ? near : iconSets({ ...assets, below: "" });
  if (fills.length + icons.pictures.length === 0) return undefined;
  const found = mergeFound([
    { fills },
    icons,
    ...lists.slice(0, 1).map((list) => startOf(list, assets)),
    { gaps: icons.pictures.length === 0 ? [gap("no app icon set")] : [] },
  ]);
  return {
    ...found,
    platform: "ios",
    folder,
    identifiers: heldValues(fills, "identifiers.ios"),
    names: heldValues(fills, "app.label"),
  };
};

const isMaker = (template: Folder, path: string): boolean =>
  makers.some(({ file, holds }) => file.test(path) && holds.test(textIfAny(template.bytes(path)) ?? ""));

const hasSdk = (template: Folder, file: string): boolean =>
  /<Project\b[^>]*\bSdk=/.test(textIfAny(template.bytes(file)) ?? "");

function startOf({ strings }: BundleList, assets: Assets): Partial<Found> {
  const name = plistSite(strings, "UILaunchStoryboardName")?.value;
  if (name === undefined) return {};
  return storyboard(assets, name) ?? { gaps: [assets.gap(`no storyboard named ${name}`)] };
}
