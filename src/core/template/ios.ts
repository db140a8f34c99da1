import { posix } from "node:path";
import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import { type PlistString, plistSite, plistStrings } from "../splice/plist.ts";
import type { Wants } from "../values/missing.ts";
import { type Platform, platformNames } from "../values/platform.ts";
import { findFile } from "./find-file.ts";
import { colorSet, imageSet, storyboard } from "./ios-assets.ts";
import { appIcons } from "./ios-icons.ts";
import {
  appIdentifier,
  identifierFills,
  localizedFills,
  seenTexts,
  settingFills,
  targetName,
} from "./ios-identity.ts";
import { displayName, signingPlaces } from "./ios-missing.ts";
import { plistFills } from "./ios-plist.ts";
import {
  type Fill,
  type Found,
  firstOfEachPlace,
  heldValues,
  mergeFound,
  type PartSurvey,
  type SurveyPart,
} from "./survey.ts";
import {
  isApp,
  isMainApp,
  isShipped,
  readXcodeProjects,
  type XcodeProject,
  type XcodeTarget,
} from "./xcode.ts";

/** Surveys the apps for telephones and tablets of a template's Xcode projects, and what they bring along; undefined where there is none. */
export const surveyIos: SurveyPart = (template, wants) => surveyXcode(template, wants, "ios");

/** Surveys the Mac apps of a template's Xcode projects; undefined where there is none. */
export const surveyMac: SurveyPart = (template, wants) => surveyXcode(template, wants, "desktop");

const belongsTo = ({ system }: XcodeTarget, platform: Platform): boolean =>
  platform === "desktop" ? system === "mac" : system !== "mac";

/** A project's targets of one platform, of which at least one is an app whose files are there. */
interface Part {
  project: XcodeProject;
  targets: readonly XcodeTarget[];
  /** Tests and libraries: of their settings, only an identifier that begins with the app's is the app's. */
  ofCode: readonly XcodeTarget[];
  app: XcodeTarget;
}

function partsOf(template: Folder, platform: Platform): Part[] {
  return readXcodeProjects(template).flatMap((project) => {
    const isThere = (target: XcodeTarget) => isMainApp(target) && hasFiles(template, project, target);
    const own = project.targets.filter((target) => belongsTo(target, platform));
    const others = project.targets.filter((target) => !belongsTo(target, platform));
    // A target whose files lie elsewhere is no app here, but the project says what it is called: it goes with the others.
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

function surveyXcode(template: Folder, wants: Wants, platform: Platform): PartSurvey | undefined {
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
    names: heldValues(fills, "app.label", "app.name").filter((name) => !name.includes("$(")),
    fills,
    pictures: [...new Map(found.pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set(found.brandFiles)].sort(),
    added: [],
    missing: found.missing,
    gaps: surveys.flatMap(({ gaps }) => gaps),
    signed: surveys.flatMap(({ signed }) => signed),
  };
}

type Surveyed = Found & {
  identifier: string | undefined;
  gaps: Problem[];
  signed: NonNullable<PartSurvey["signed"]>;
};

function surveyPart(
  template: Folder,
  wants: Wants,
  platform: Platform,
  { project, targets, ofCode, app }: Part,
): Surveyed {
  const gaps: Problem[] = [];
  const place = placeAt(template.source(project.file), 0);
  const gap = (what: string) =>
    void gaps.push(
      problem("template-gap", `${platformNames[platform]}: ${what}.`, { severity: "warning", place }),
    );
  const identifier = appIdentifier(app);
  const holds = `identifiers.${platform}` as const;
  const lists = propertyLists(template, project, targets, gaps);
  const listOf = (target: XcodeTarget) =>
    lists.find(({ file }) => sameFile(file, inFolder(project, setting(target, "INFOPLIST_FILE"))));
  const main = listOf(app);
  const folders = [main ? posix.dirname(main.file) : "", inFolder(project, app.name) ?? ""].filter(Boolean);
  const known = { project, targets, platform, identifier };
  const fills: Fill[] = [
    ...(identifier ? identifierFills(known, app, ofCode, holds) : []),
    ...settingFills(known),
    ...lists.flatMap((list) => plistFills(template, known, list.strings)),
    ...localizedFills(template, folders),
  ];
  const found: Found[] = [{ fills, pictures: [], brandFiles: [], missing: [] }];
  const add = (more: Found | undefined, otherwise: string) => {
    if (more) found.push(more);
    else gap(otherwise);
  };

  for (const each of [app, ...targets.filter((target) => target !== app && isApp(target))]) {
    const list = listOf(each);
    // What a list that is elsewhere says is not known here.
    if (hasDisplayName(project, each, list) || (each !== app && !hasFiles(template, project, each))) continue;
    const made = displayName({ template, wants, project, app: each, main: list?.file });
    add(made, `no place for a display name of ${each.name}`);
  }
  const assets = { template, below: project.folder, wants, platform };
  add(appIcons(assets, project, targets, gap), noIcons(targets));
  for (const accent of new Set(
    targets
      .filter(isApp)
      .flatMap((each) => setting(each, "ASSETCATALOG_COMPILER_GLOBAL_ACCENT_COLOR_NAME") ?? []),
  ))
    add(colorSet(assets, accent, "colors.brand"), `no colour set named ${accent}`);
  const written = (...path: string[]) => plistSite(main?.strings ?? [], ...path)?.value;
  const board = written("UILaunchStoryboardName") ?? setting(app, "INFOPLIST_KEY_UILaunchStoryboardName");
  const [image, color] = [written("UILaunchScreen", "UIImageName"), written("UILaunchScreen", "UIColorName")];
  if (board) add(storyboard(assets, board), `no storyboard named ${board}`);
  if (image) add(imageSet(assets, image), `no image set named ${image}`);
  if (color) add(colorSet(assets, color, "colors.start"), `no colour set named ${color}`);
  if (platform === "ios" && !board && !image && !color && hasFiles(template, project, app))
    gap("the start screen shows neither a picture nor a colour");
  const names = [
    ...new Set([
      ...heldValues(
        found.flatMap((each) => each.fills),
        "app.label",
        "app.name",
      ),
      targetName(app),
    ]),
  ];
  found.push({
    fills: seenTexts(
      template,
      project,
      lists,
      names.filter((name) => name.length > 2 && !name.includes("$(")),
      platform,
    ),
    pictures: [],
    brandFiles: [],
    missing: [],
  });
  const { fills: signing, signed } = signingPlaces(known, app, ofCode);
  found.push({ fills: signing, pictures: [], brandFiles: [], missing: [] });
  return { ...mergeFound(found), identifier, gaps, signed };
}

const noIcons = (targets: readonly XcodeTarget[]): string => {
  const names = targets
    .filter(isApp)
    .flatMap((each) => setting(each, "ASSETCATALOG_COMPILER_APPICON_NAME") ?? []);
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

/** The property lists and entitlements that targets name and that are there; one that cannot be read is passed over, and told. */
function propertyLists(
  template: Folder,
  project: XcodeProject,
  targets: readonly XcodeTarget[],
  gaps: Problem[],
): PropertyList[] {
  const named = [...targets.flatMap(({ settings }) => settings), ...project.settings].flatMap((settings) =>
    ["INFOPLIST_FILE", "CODE_SIGN_ENTITLEMENTS"].flatMap((name) => {
      const path = inFolder(project, settings.evaluated(name));
      return (path && findFile(template, path)) ?? [];
    }),
  );
  return [...new Set(named)].flatMap((file) => {
    try {
      return [{ file, strings: plistStrings(file, template.source(file)) }];
    } catch (error) {
      if (!(error instanceof Refusal) || isBinary(error)) throw error;
      gaps.push(
        ...error.problems.map(({ message, place }) =>
          problem("template-gap", `iOS: passed over: ${message}`, { severity: "warning", place }),
        ),
      );
      return [];
    }
  });
}

/** A binary property list has a remedy of its own. */
const isBinary = ({ problems }: Refusal): boolean =>
  problems.some(({ message }) => message.includes("binary"));

const hasDisplayName = (project: XcodeProject, app: XcodeTarget, main: PropertyList | undefined): boolean =>
  plistSite(main?.strings ?? [], "CFBundleDisplayName") !== undefined ||
  [...app.settings, ...project.settings].some(
    (settings) => settings.sites("INFOPLIST_KEY_CFBundleDisplayName").length > 0,
  );
