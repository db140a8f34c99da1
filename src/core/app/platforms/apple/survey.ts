import { posix } from "node:path";
import { type PlistString, plistSite, plistStrings } from "../../../formats/splice/formats/plist.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { attempt } from "../../../ground/problems/result.ts";
import { type Platform, platformNames } from "../../../ground/values/platform.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { findFile } from "../../template/find-file.ts";
import {
  type Fill,
  type Found,
  firstOfEachPlace,
  heldValues,
  mergeFound,
  type PartSurvey,
  type SurveyPart,
} from "../../template/found.ts";
import type { Wants } from "../../template/missing.ts";
import { type Assets, colorSet, imageSet, launchImages, storyboard } from "./assets.ts";
import { encryptionFill } from "./export.ts";
import { appIcons } from "./icons.ts";
import { appIdentifier, identifierFills, settingFills, targetName, writtenIdentifier } from "./identity.ts";
import { displayName, signingPlaces } from "./missing.ts";
import { isApp, isMainApp, isShipped, readXcodeProjects, type XcodeProject, type XcodeTarget } from "./project.ts";
import { plistFills } from "./property-lists.ts";
import { localizedFills, seenTexts } from "./texts.ts";

/**
 * Surveys a template's Xcode projects for its apps of a platform, and what they bring along; undefined where there is
 * none.
 */
export const surveyXcode =
  (platform: "ios" | "desktop"): SurveyPart =>
  (template, { wants }) =>
    surveyProjects(template, wants, platform);

/** A name that the build puts together. */
const hasVariable = /\$[({]/;

const belongsTo = ({ system }: XcodeTarget, platform: Platform): boolean =>
  platform === "desktop" ? system === "mac" : system !== "mac";

/** A project's targets of one platform, of which at least one is an app whose files are there. */
interface TargetPart {
  project: XcodeProject;
  targets: readonly XcodeTarget[];
  /** Tests and libraries: of their settings, only an identifier that begins with the app's is the app's. */
  ofCode: readonly XcodeTarget[];
  app: XcodeTarget;
}

function partsOf(template: Folder, platform: Platform): TargetPart[] {
  return readXcodeProjects(template).flatMap((project) => {
    const isThere = (target: XcodeTarget) => isMainApp(target) && hasFiles(template, project, target);
    const own = project.targets.filter((target) => belongsTo(target, platform));
    const others = project.targets.filter((target) => !belongsTo(target, platform));
    // A target whose files lie elsewhere is no app here, but the project says what it is called: it goes with the
    // others.
    if (!own.some(isThere) && others.some(isThere)) return [];
    const targets = others.some(isThere) ? own : [...own, ...others];
    const app = targets.find(isThere) ?? own.find(isMainApp);
    const ofCode = targets.filter((target) => !isShipped(target));
    return app ? [{ project, targets: targets.filter(isShipped), ofCode, app }] : [];
  });
}

/** Whether an app's property list is there, where it names one. */
const hasFiles = (template: Folder, project: XcodeProject, target: XcodeTarget): boolean => {
  const list = inFolder(project, setting(target, "INFOPLIST_FILE"));
  return list === undefined || findFile(template, list) !== undefined;
};

function surveyProjects(template: Folder, wants: Wants, platform: Platform): PartSurvey | undefined {
  const parts = partsOf(template, platform);
  const [first] = parts;
  if (!first) return undefined;
  const surveys = parts.map((part) => surveyPart(template, wants, platform, part));
  const found = mergeFound(surveys);
  const fills = firstOfEachPlace(found.fills);
  return {
    platform,
    folder: first.project.folder,
    identifiers: [...new Set(surveys.flatMap(({ identifier }) => identifier ?? []))],
    names: heldValues(fills, "app.label", "app.name").filter((name) => !hasVariable.test(name)),
    ...found,
    fills,
    pictures: [...new Map(found.pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set(found.brandFiles)].sort(),
    signed: surveys.flatMap(({ signed }) => signed),
    ...minimumOf(first.app, platform),
  };
}

/** The least system that an app runs on (Xcode build settings, deployment targets). */
function minimumOf(app: XcodeTarget, platform: Platform): Pick<PartSurvey, "minimum"> {
  const [name, system] =
    platform === "ios" ? ["IPHONEOS_DEPLOYMENT_TARGET", "iOS"] : ["MACOSX_DEPLOYMENT_TARGET", "macOS"];
  const version = setting(app, name);
  return version === undefined || !/^[\d.]+$/.test(version) ? {} : { minimum: `${system} ${version}` };
}

type Surveyed = Found & {
  identifier: string | undefined;
  signed: NonNullable<PartSurvey["signed"]>;
};

function surveyPart(template: Folder, wants: Wants, platform: Platform, part: TargetPart): Surveyed {
  const { project, targets, ofCode, app } = part;
  const place = placeAt(template.source(project.file), 0);
  const gap = (what: string) =>
    problem("template-gap", `${platformNames[platform]}: ${what}.`, { severity: "warning", place });
  const assets = { template, below: project.folder, wants, platform, gap };
  const { lists, gaps } = propertyLists(template, project, targets);
  const main = listOf(project, app, lists);
  const identifier = appIdentifier(app, main?.strings);
  const folders = [main ? posix.dirname(main.file) : "", inFolder(project, app.name) ?? ""].filter(Boolean);
  const known = { template, project, targets, platform, identifier };
  const values: Fill[] = [
    ...(identifier ? identifierFills(known, app, ofCode, `identifiers.${platform}`) : []),
    ...(main ? writtenIdentifier(known, app, main.strings, `identifiers.${platform}`) : []),
    ...settingFills(known),
    ...lists.flatMap((list) => plistFills(known, list.strings)),
    ...localizedFills(template, folders),
    ...(main ? encryptionFill(template, main.file) : []),
  ];
  const found = mergeFound([
    { fills: values, gaps },
    ...displayNames(part, lists, assets),
    appIcons(assets, project, targets) ?? { gaps: [gap(noIcons(targets))] },
    ...accentColors(targets, assets),
    ...startScreen(part, main, assets),
    ...startPictures(targets, assets),
  ]);
  const names = [...heldValues(found.fills, "app.label", "app.name"), targetName(app)].filter(
    (name) => name.length > 2 && !hasVariable.test(name),
  );
  const { fills: signing, signed } = signingPlaces(template, known, app, ofCode);
  const texts = seenTexts(template, project, lists, [...new Set(names)], platform);
  return { ...mergeFound([found, { fills: [...texts, ...signing] }]), identifier, signed };
}

const listOf = (project: XcodeProject, target: XcodeTarget, lists: readonly PropertyList[]) =>
  lists.find(({ file }) => sameFile(file, inFolder(project, setting(target, "INFOPLIST_FILE"))));

/** A display name for each app that has none; what a list that is elsewhere says is not known here. */
const displayNames = (
  { project, targets, app }: TargetPart,
  lists: readonly PropertyList[],
  { template, wants, gap }: Assets,
): Partial<Found>[] =>
  [app, ...targets.filter((target) => target !== app && isApp(target))].flatMap((each) => {
    const list = listOf(project, each, lists);
    if (hasDisplayName(project, each, list) || (each !== app && !hasFiles(template, project, each))) return [];
    const made = displayName({ template, wants, project, app: each, main: list?.file });
    return [made ?? { gaps: [gap(`no place for a display name of ${each.name}`)] }];
  });

function accentColors(targets: readonly XcodeTarget[], assets: Assets): Partial<Found>[] {
  const names = targets
    .filter(isApp)
    .flatMap((each) => setting(each, "ASSETCATALOG_COMPILER_GLOBAL_ACCENT_COLOR_NAME") ?? []);
  return [...new Set(names)].map(
    (name) => colorSet(assets, name, "colors.brand") ?? { gaps: [assets.gap(`no colour set named ${name}`)] },
  );
}

/** The start screen that an app names: its storyboard, or the picture and the colour of its property list. */
function startScreen({ project, app }: TargetPart, main: PropertyList | undefined, assets: Assets): Partial<Found>[] {
  const { template, platform, gap } = assets;
  const written = (...path: string[]) => plistSite(main?.strings ?? [], ...path)?.value;
  const board = written("UILaunchStoryboardName") ?? setting(app, "INFOPLIST_KEY_UILaunchStoryboardName");
  const [image, color] = [written("UILaunchScreen", "UIImageName"), written("UILaunchScreen", "UIColorName")];
  const ways: Partial<Found>[] = [
    ...(board ? [storyboard(assets, board) ?? { gaps: [gap(`no storyboard named ${board}`)] }] : []),
    ...(image ? [imageSet(assets, image) ?? { gaps: [gap(`no image set named ${image}`)] }] : []),
    ...(color ? [colorSet(assets, color, "colors.start") ?? { gaps: [gap(`no colour set named ${color}`)] }] : []),
  ];
  const byDevice = startPictures([app], assets);
  return ways.length + byDevice.length === 0 && platform === "ios" && hasFiles(template, project, app)
    ? [{ gaps: [gap("the start screen shows neither a picture nor a colour")] }]
    : ways;
}

/** What targets name to be shown by device while they start. */
function startPictures(targets: readonly XcodeTarget[], assets: Assets): Partial<Found>[] {
  const names = targets.filter(isApp).flatMap((each) => setting(each, "ASSETCATALOG_COMPILER_LAUNCHIMAGE_NAME") ?? []);
  return [...new Set(names)].flatMap((name) => launchImages(assets, name) ?? []);
}

const noIcons = (targets: readonly XcodeTarget[]): string => {
  const names = targets.filter(isApp).flatMap((each) => setting(each, "ASSETCATALOG_COMPILER_APPICON_NAME") ?? []);
  return `no app icon set${names.length > 0 ? ` named ${[...new Set(names)].join(", ")}` : ""}`;
};

interface PropertyList {
  file: string;
  strings: PlistString[];
}

/** A setting of a target, with every variable put in. */
function setting(target: XcodeTarget, name: string): string | undefined {
  const values = target.settings.flatMap((each) => each.evaluated(name) ?? []);
  return values.find((value) => !value.includes("$(")) || undefined;
}

const inFolder = (project: XcodeProject, path: string | undefined): string | undefined =>
  path === undefined ? undefined : posix.join(project.folder, path);

const sameFile = (a: string, b: string | undefined): boolean => a.toLowerCase() === b?.toLowerCase();

/**
 * The property lists and entitlements that targets name and that are there; one that cannot be read is passed over,
 * and told.
 */
function propertyLists(
  template: Folder,
  project: XcodeProject,
  targets: readonly XcodeTarget[],
): { lists: PropertyList[]; gaps: Problem[] } {
  const named = [...targets.flatMap(({ settings }) => settings), ...project.settings].flatMap((settings) =>
    ["INFOPLIST_FILE", "CODE_SIGN_ENTITLEMENTS"].flatMap((name) => {
      const path = inFolder(project, settings.evaluated(name));
      return (path && findFile(template, path)) ?? [];
    }),
  );
  const read = [...new Set(named)].map((file) => {
    const source = template.source(file);
    return { file, list: attempt(() => plistStrings(file, source)) };
  });
  return {
    lists: read.flatMap(({ file, list }) => (list.ok ? [{ file, strings: list.value }] : [])),
    gaps: read.flatMap(({ list }) => (list.ok ? [] : list.problems.map(passedOver))),
  };
}

const passedOver = ({ message, place }: Problem): Problem =>
  problem("template-gap", `iOS: passed over: ${message}`, { severity: "warning", place });

const hasDisplayName = (project: XcodeProject, app: XcodeTarget, main: PropertyList | undefined): boolean =>
  plistSite(main?.strings ?? [], "CFBundleDisplayName") !== undefined ||
  [...app.settings, ...project.settings].some(
    (settings) => settings.sites("INFOPLIST_KEY_CFBundleDisplayName").length > 0,
  );
