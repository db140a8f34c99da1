import { posix } from "node:path";
import { placeAt } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { type PlistString, plistSite, plistStrings } from "../splice/plist.ts";
import type { Field } from "../values/fields.ts";
import { appIconSet, colorSet, imageSet, storyboard } from "./ios-assets.ts";
import {
  appIdentifier,
  aroundIdentifier,
  everySetting,
  followed,
  identifierFills,
  localizedFills,
} from "./ios-identity.ts";
import { displayName } from "./ios-missing.ts";
import { type Fill, type Found, firstOfEachPlace, heldValues, type SurveyPart } from "./survey.ts";
import { isApp, readXcodeProject, type XcodeProject, type XcodeTarget } from "./xcode.ts";

/** Keys of a property list, and of the build settings that stand for them, and what they hold (Apple, Information Property List). */
const plistFields: Readonly<Record<string, Field>> = {
  CFBundleDisplayName: "app.label",
  CFBundleName: "app.label",
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

/** Settings that are left as they are where a client gives no value. */
const signingFields: Readonly<Record<string, Field>> = {
  DEVELOPMENT_TEAM: "signing.team",
  PROVISIONING_PROFILE_SPECIFIER: "signing.profile",
};

/** Surveys the iOS app of a template; undefined where there is none. */
export const surveyIos: SurveyPart = (template, wants) => {
  const project = readXcodeProject(template);
  const app = project?.targets.find(isApp);
  if (!project || !app) return undefined;
  const identifier = appIdentifier(project);
  const lists = propertyLists(template.has, project).map(
    (file): PropertyList => ({ file, strings: plistStrings(file, template.source(file)) }),
  );
  const main = lists.find((list) => list.file === inFolder(project, setting(app, "INFOPLIST_FILE")));
  const folders = [main ? posix.dirname(main.file) : "", inFolder(project, app.name) ?? ""].filter(Boolean);
  const fills: Fill[] = [
    ...(identifier ? identifierFills(project, identifier) : []),
    ...settingFills(project),
    ...lists.flatMap((list) => plistFills(project, list)),
    ...(identifier
      ? lists.flatMap(({ strings }) => strings.flatMap(({ site }) => aroundIdentifier(site, identifier)))
      : []),
    ...localizedFills(template, folders),
  ];
  const found: Found = { fills, pictures: [], brandFiles: [], missing: [] };
  const gaps: Problem[] = [];
  const place = placeAt(template.source(project.file), 0);
  const gap = (what: string) =>
    gaps.push(problem("template-gap", `iOS: ${what}.`, { severity: "warning", place }));
  const add = (more: Found | undefined, otherwise: string) => {
    if (!more) return gap(otherwise);
    found.fills.push(...more.fills);
    found.pictures.push(...more.pictures);
    found.brandFiles.push(...more.brandFiles);
    found.missing.push(...more.missing);
  };

  if (!hasDisplayName(project, app, main))
    add(displayName({ template, wants, project, app, main: main?.file }), "no place for a display name");
  const assets = { template, below: project.folder, wants };
  const iconSet = setting(app, "ASSETCATALOG_COMPILER_APPICON_NAME");
  const noSet = `no app icon set${iconSet ? ` named ${iconSet}` : ""}`;
  add(iconSet ? appIconSet(assets, iconSet) : undefined, noSet);
  const accent = setting(app, "ASSETCATALOG_COMPILER_GLOBAL_ACCENT_COLOR_NAME");
  if (accent) add(colorSet(assets, accent, "colors.brand"), `no colour set named ${accent}`);
  const written = (...path: string[]) => plistSite(main?.strings ?? [], ...path)?.value;
  const board = written("UILaunchStoryboardName") ?? setting(app, "INFOPLIST_KEY_UILaunchStoryboardName");
  if (board) add(storyboard(assets, board), `no storyboard named ${board}`);
  const [image, color] = [written("UILaunchScreen", "UIImageName"), written("UILaunchScreen", "UIColorName")];
  if (image) add(imageSet(assets, image), `no image set named ${image}`);
  if (color) add(colorSet(assets, color, "colors.start"), `no colour set named ${color}`);
  if (!board && !image && !color) gap("the start screen shows neither a picture nor a colour");

  const first = firstOfEachPlace(found.fills);
  return {
    platform: "ios",
    folder: project.folder,
    identifiers: identifier ? [identifier] : [],
    names: heldValues(first, "app.label", "app.name").filter((name) => !name.includes("$(")),
    fills: first,
    pictures: [...new Map(found.pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set(found.brandFiles)].sort(),
    added: [],
    missing: found.missing,
    gaps,
  };
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

const settingFills = (project: XcodeProject): Fill[] =>
  everySetting(project).flatMap((settings) => [
    ...Object.entries(settingFields).flatMap(([name, holds]) =>
      settings.sites(name).flatMap((site) => followed(project, site, holds)),
    ),
    ...Object.entries(signingFields).flatMap(([name, holds]) =>
      settings.sites(name).map((site): Fill => ({ holds, site, shape: "text", optional: true })),
    ),
  ]);

/** The property lists and entitlements that the project's targets name. */
function propertyLists(has: (file: string) => boolean, project: XcodeProject): string[] {
  const named = everySetting(project).flatMap((settings) =>
    ["INFOPLIST_FILE", "CODE_SIGN_ENTITLEMENTS"].flatMap(
      (name) => inFolder(project, settings.evaluated(name)) ?? [],
    ),
  );
  return [...new Set(named)].filter(has);
}

/** What a property list says by itself; a name that follows the product's file stays as it is. */
const plistFills = (project: XcodeProject, { strings }: PropertyList): Fill[] =>
  Object.entries(plistFields).flatMap(([key, holds]) => {
    const site = plistSite(strings, key);
    const isProduct = key === "CFBundleName" && site?.value.includes("PRODUCT_NAME");
    return isProduct ? [] : followed(project, site, holds);
  });

const hasDisplayName = (project: XcodeProject, app: XcodeTarget, main: PropertyList | undefined): boolean =>
  plistSite(main?.strings ?? [], "CFBundleDisplayName") !== undefined ||
  [...app.settings, ...project.settings].some(
    (settings) => settings.sites("INFOPLIST_KEY_CFBundleDisplayName").length > 0,
  );
