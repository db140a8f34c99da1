import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { type PlistString, plistStrings, plistValue } from "../splice/plist.ts";
import type { Site } from "../splice/site.ts";
import type { Field } from "../values/fields.ts";
import { appIconSet, colorSet, imageSet, storyboard } from "./ios-assets.ts";
import { type Fill, firstOfEachPlace, heldValues, type PartSurvey, type PictureUse } from "./survey.ts";
import { readXcodeProject, type Settings, type XcodeProject, type XcodeTarget } from "./xcode.ts";

/** Keys of a property list, and of the build settings that stand for them, and what they hold (Apple, Information Property List). */
const plistFields: Readonly<Record<string, Field>> = {
  CFBundleDisplayName: "app.label",
  CFBundleName: "app.label",
  CFBundleIdentifier: "identifiers.ios",
  CFBundleShortVersionString: "version",
  CFBundleVersion: "build",
  NSHumanReadableCopyright: "copyright",
};

const settingFields: Readonly<Record<string, Field>> = {
  MARKETING_VERSION: "version",
  CURRENT_PROJECT_VERSION: "build",
  INFOPLIST_KEY_CFBundleDisplayName: "app.label",
  INFOPLIST_KEY_NSHumanReadableCopyright: "copyright",
};

/** Surveys the iOS app of a template; undefined where there is none. */
export function surveyIos(template: Folder): PartSurvey | undefined {
  const project = readXcodeProject(template);
  const app = project?.targets.find((target) => target.productType === "com.apple.product-type.application");
  if (!project || !app) return undefined;
  const identifier = setting(app, "PRODUCT_BUNDLE_IDENTIFIER");
  const plists = propertyLists(template, project);
  const fills: Fill[] = [
    ...identifierSites(project).flatMap((site) => aroundIdentifier(site, identifier)),
    ...settingSites(project),
    ...plists.flatMap(plistFills),
    ...plists.flatMap((list) => list.strings.flatMap(({ site }) => aroundIdentifier(site, identifier))),
  ];
  const pictures: PictureUse[] = [];
  const brandFiles: string[] = [];
  const gaps: Problem[] = [];
  const gap = (what: string) => {
    const place = placeAt(template.source(project.file), 0);
    gaps.push(problem("template-gap", `iOS: ${what}.`, { severity: "warning", place }));
  };
  const add = (
    found: { fills?: Fill[]; pictures?: PictureUse[]; brandFiles?: string[] } | undefined,
    otherwise: string,
  ) => {
    if (!found) return gap(otherwise);
    fills.push(...(found.fills ?? []));
    pictures.push(...(found.pictures ?? []));
    brandFiles.push(...(found.brandFiles ?? []));
  };

  const iconSet = setting(app, "ASSETCATALOG_COMPILER_APPICON_NAME");
  add(
    iconSet ? appIconSet(template, project.folder, iconSet) : undefined,
    `no app icon set${iconSet ? ` named ${iconSet}` : ""}`,
  );
  const accent = setting(app, "ASSETCATALOG_COMPILER_GLOBAL_ACCENT_COLOR_NAME");
  if (accent)
    add(colorSet(template, project.folder, accent, "colors.brand"), `no colour set named ${accent}`);
  const main =
    plists.find((list) => list.file === inFolder(project, setting(app, "INFOPLIST_FILE")))?.strings ?? [];
  const board =
    plistValue(main, "UILaunchStoryboardName")?.site.value ??
    setting(app, "INFOPLIST_KEY_UILaunchStoryboardName");
  if (board) add(storyboard(template, project.folder, board), `no storyboard named ${board}`);
  const screen = (key: string) => plistValue(main, "UILaunchScreen", key)?.site.value;
  const [image, color] = [screen("UIImageName"), screen("UIColorName")];
  if (image) add(imageSet(template, project.folder, image), `no image set named ${image}`);
  if (color) add(colorSet(template, project.folder, color, "colors.start"), `no colour set named ${color}`);

  const first = firstOfEachPlace(fills);
  return {
    platform: "ios",
    folder: project.folder,
    identifiers: heldValues(first, "identifiers.ios"),
    names: heldValues(first, "app.label", "app.name"),
    fills: first,
    pictures: uniqueByPath(pictures),
    brandFiles: [...new Set(brandFiles)].sort(),
    gaps,
  };
}

/** A setting of a target; a reference to another setting is none of its own. */
function setting(target: XcodeTarget, name: string): string | undefined {
  const values = target.settings.map((each) => each.value(name));
  return values.find((value) => value !== undefined && !value.includes("$("));
}

const inFolder = (project: XcodeProject, path: string | undefined): string | undefined =>
  path && (project.folder ? `${project.folder}/${path}` : path);

const everySetting = (project: XcodeProject): Settings[] => [
  ...project.settings,
  ...project.targets.flatMap((target) => target.settings),
];

const identifierSites = (project: XcodeProject): Site[] =>
  everySetting(project).flatMap((settings) => settings.site("PRODUCT_BUNDLE_IDENTIFIER") ?? []);

function settingSites(project: XcodeProject): Fill[] {
  return everySetting(project).flatMap((settings) =>
    Object.entries(settingFields).flatMap(([name, holds]) => literal(settings.site(name), holds)),
  );
}

/** A literal value; one that refers to a build setting follows that setting by itself. */
const literal = (site: Site | undefined, holds: Field): Fill[] =>
  site && !/\$[({]/.test(site.value) ? [{ holds, site, shape: "text" }] : [];

/** The identifier, whole or as a part of a longer one: an extension's, a shared group's. */
function aroundIdentifier(site: Site, identifier: string | undefined): Fill[] {
  const at = identifier ? site.value.indexOf(identifier) : -1;
  if (!identifier || at === -1) return [];
  const [before, after] = [site.value.slice(0, at), site.value.slice(at + identifier.length)];
  if (/[A-Za-z0-9-]$/.test(before) || /^[A-Za-z0-9-]/.test(after)) return [];
  return [
    {
      holds: "identifiers.ios",
      site,
      shape: "text",
      ...(before ? { before } : {}),
      ...(after ? { after } : {}),
    },
  ];
}

interface PropertyList {
  file: string;
  strings: PlistString[];
}

/** The property lists and entitlements that the project's targets name. */
function propertyLists(template: Folder, project: XcodeProject): PropertyList[] {
  const named = everySetting(project).flatMap((settings) =>
    ["INFOPLIST_FILE", "CODE_SIGN_ENTITLEMENTS"].map((name) => inFolder(project, settings.value(name))),
  );
  const files = [...new Set(named.filter((file) => file !== undefined))].filter((file) => template.has(file));
  return files.map((file) => ({ file, strings: plistStrings(file, template.source(file)) }));
}

const plistFills = ({ strings }: PropertyList): Fill[] =>
  Object.entries(plistFields).flatMap(([key, holds]) => literal(plistValue(strings, key)?.site, holds));

const uniqueByPath = (pictures: readonly PictureUse[]): PictureUse[] => [
  ...new Map(pictures.map((each) => [each.path, each])).values(),
];
