import { findNodeAtLocation } from "jsonc-parser";
import { type Folder, textIfAny } from "../files/folder.ts";
import { opensApp } from "../splice/android-manifest.ts";
import { jsonSite, memberSite, parseJson } from "../splice/json.ts";
import { entry, type OpenStep, openStepSite, parseOpenStep, textOf } from "../splice/openstep.ts";
import { plistStart } from "../splice/plist.ts";
import { emptySite, type Site } from "../splice/site.ts";
import { attributeSite, find, findAll, parseXml, type XmlElement } from "../splice/xml.ts";
import type { Platform } from "../values/platform.ts";
import { type Fill, filesOf, type PartSurvey } from "./survey.ts";
import { isWebManifest } from "./web-manifest.ts";
import { isPackageManifest } from "./windows.ts";

type Look = (template: Folder, files: readonly string[]) => Fill[];

/** Where a platform says how its app may be turned, and what it is for: filled only where a client says so. */
export function deviceFills(template: Folder, part: PartSurvey): Fill[] {
  return looks[part.platform](template, filesOf(template, part)).map((fill) => ({ ...fill, optional: true }));
}

const inAndroid: Look = (template, files) =>
  files
    .filter((file) => file.endsWith("src/main/AndroidManifest.xml"))
    .flatMap((file): Fill[] => {
      const root = parseXml(template.source(file));
      const application = find(root, "application");
      const turned = findAll(root, "activity").flatMap((activity): Fill[] => {
        const site = attributeSite(file, activity, "android:screenOrientation");
        if (site) return [{ holds: "orientation", site, shape: "screenOrientation" }];
        const name = activity.attributes.get("android:name");
        if (!opensApp(activity) || !name) return [];
        const opens = ' android:screenOrientation="';
        return [
          {
            holds: "orientation",
            site: emptySite(file, name.end + 1, "xml-attribute"),
            shape: "screenOrientation",
            opens,
            closes: '"',
          },
        ];
      });
      return [...turned, ...(application ? screens(file, root, application) : [])];
    });

const screenSizes = [
  { attribute: "android:smallScreens", shape: "smallScreens" },
  { attribute: "android:normalScreens", shape: "smallScreens" },
  { attribute: "android:largeScreens", shape: "largeScreens" },
  { attribute: "android:xlargeScreens", shape: "largeScreens" },
] as const;

/** The screens that a manifest supports: where it says so, or in front of the application. */
function screens(file: string, root: XmlElement, application: XmlElement): Fill[] {
  const own = find(root, "supports-screens");
  return screenSizes.flatMap(({ attribute, shape }, at): Fill[] => {
    const there = attributeSite(file, own, attribute);
    if (there) return [{ holds: "devices", site: there, shape }];
    const last = at === screenSizes.length - 1;
    const opens = `${at === 0 && !own ? "<supports-screens" : ""} ${attribute}="`;
    const closes = last && !own ? '" />\n\n    ' : '"';
    const place = own ? own.start + `<${own.name}`.length : application.start;
    return [{ holds: "devices", site: emptySite(file, place, "xml-attribute"), shape, opens, closes }];
  });
}

/** Keys of a property list, and of the settings that stand for them; an iPad's own app must have all turns where it shares the screen. */
const orientationKeys = [
  { key: "UISupportedInterfaceOrientations", isTablet: false },
  { key: "UISupportedInterfaceOrientations~ipad", isTablet: true },
] as const;

const inIos: Look = (template, files) => {
  const fills: Fill[] = [];
  for (const file of files.filter((each) => /(\.plist|\.pbxproj)$/.test(each))) {
    if (textIfAny(template.bytes(file)) === undefined) continue;
    const source = template.source(file);
    if (file.endsWith(".pbxproj")) fills.push(...inProject(file, source));
    else if (/<key>UILaunch/.test(source.text)) fills.push(...inList(file, source));
  }
  return fills;
};

/** An iPad app that shares the screen with others and lacks a turn is refused (App Store Connect, ITMS-90474); one that fills the screen is not. */
const tabletShape = (fillsScreen: boolean) =>
  fillsScreen ? ("interfaceOrientations" as const) : ("everyOrientation" as const);

function inList(file: string, source: { file: string; text: string }): Fill[] {
  const children = parseXml(source).children[0]?.children ?? [];
  const valueUnder = (key: string) => {
    const at = children.findIndex(({ name, text }) => name === "key" && text === key);
    return at === -1 ? undefined : children[at + 1];
  };
  const fillsScreen = valueUnder("UIRequiresFullScreen")?.name === "true";
  const found = orientationKeys.flatMap(({ key, isTablet }): Fill[] => {
    const value = valueUnder(key);
    if (value?.name !== "array" || value.selfClosing) return [];
    const site: Site = { file, start: value.innerStart, end: value.innerEnd, value: "", form: "raw" };
    const shape = isTablet ? tabletShape(fillsScreen) : "interfaceOrientations";
    return [{ holds: "orientation", site, shape, after: "\n\t" }];
  });
  const at = plistStart(source);
  if (at === undefined) return found;
  const lacking = orientationKeys.filter(({ key, isTablet }) =>
    isTablet ? valueUnder(key) === undefined && !fillsScreen : found.length === 0,
  );
  return [
    ...found,
    ...lacking.map(
      ({ key, isTablet }): Fill => ({
        holds: "orientation",
        site: emptySite(file, at, "raw"),
        shape: isTablet ? "everyOrientation" : "interfaceOrientations",
        opens: `\n\t<key>${key}</key>\n\t<array>`,
        closes: "\n\t</array>",
      }),
    ),
  ];
}

const projectSettings = [
  { name: "TARGETED_DEVICE_FAMILY", holds: "devices", shape: "deviceFamily" },
  {
    name: "INFOPLIST_KEY_UISupportedInterfaceOrientations",
    holds: "orientation",
    shape: "orientationSetting",
  },
  {
    name: "INFOPLIST_KEY_UISupportedInterfaceOrientations_iPhone",
    holds: "orientation",
    shape: "orientationSetting",
  },
  {
    name: "INFOPLIST_KEY_UISupportedInterfaceOrientations_iPad",
    holds: "orientation",
    shape: "everyOrientationSetting",
  },
] as const;

/** Whether settings are those of a watch's, a television's, a headset's or a Mac's product (Apple, TARGETED_DEVICE_FAMILY and SDKROOT). */
const isForOthers = (settings: OpenStep | undefined): boolean =>
  /^[^126]+$/.test(textOf(entry(settings, "TARGETED_DEVICE_FAMILY")) ?? "") ||
  /watchos|appletvos|xros|macosx/.test(textOf(entry(settings, "SDKROOT")) ?? "");

/** Settings where they are; a target's device family, which Xcode would take for the phone's alone, also where it is not. */
function inProject(file: string, source: { file: string; text: string }): Fill[] {
  const objects = entry(parseOpenStep(source), "objects");
  if (objects?.kind !== "group") return [];
  return [...objects.entries.values()].flatMap((object): Fill[] => {
    const settings = entry(object, "buildSettings");
    if (isForOthers(settings)) return [];
    const found = projectSettings.flatMap(({ name, holds, shape }): Fill[] => {
      const site = openStepSite(file, entry(settings, name));
      const fillsScreen = textOf(entry(settings, "INFOPLIST_KEY_UIRequiresFullScreen")) === "YES";
      const written = shape === "everyOrientationSetting" && fillsScreen ? "orientationSetting" : shape;
      return site ? [{ holds, site, shape: written }] : [];
    });
    const isTarget = settings?.kind === "group" && settings.entries.has("ASSETCATALOG_COMPILER_APPICON_NAME");
    if (!isTarget || settings.entries.has("TARGETED_DEVICE_FAMILY")) return found;
    const opens = "\n\t\t\t\tTARGETED_DEVICE_FAMILY = ";
    const site = emptySite(file, settings.start, "openstep");
    return [...found, { holds: "devices", site, shape: "deviceFamily", opens, closes: ";" }];
  });
}

const inWindows: Look = (template, files) =>
  files
    .filter((file) => isPackageManifest(file))
    .flatMap((file): Fill[] => {
      const root = parseXml(template.source(file));
      const there = find(root, "InitialRotationPreference");
      const visual = find(root, "VisualElements");
      if (there && !there.selfClosing) {
        const site: Site = { file, start: there.innerStart, end: there.innerEnd, value: "", form: "raw" };
        return [{ holds: "orientation", site, shape: "rotation" }];
      }
      if (visual?.name !== "uap:VisualElements" || visual.selfClosing) return [];
      const at = find(visual, "SplashScreen")?.end ?? visual.innerEnd;
      const opens = "\n        <uap:InitialRotationPreference>";
      const closes = "</uap:InitialRotationPreference>";
      return [{ holds: "orientation", site: emptySite(file, at, "raw"), shape: "rotation", opens, closes }];
    });

const inWeb: Look = (template, files) =>
  files
    .filter((file) => isWebManifest(file))
    .flatMap((file): Fill[] => {
      const root = parseJson(template.source(file));
      const site = jsonSite(file, root, ["orientation"]);
      if (site) return [{ holds: "orientation", site, shape: "text" }];
      if (!findNodeAtLocation(root, ["icons"])) return [];
      const { site: place, indent } = memberSite(file, root);
      return [
        {
          holds: "orientation",
          site: { ...place, form: "json" },
          shape: "text",
          opens: `${indent}"orientation": `,
        },
      ];
    });

/** A window is turned by nobody. */
const inDesktop: Look = () => [];

const looks: Readonly<Record<Platform, Look>> = {
  android: inAndroid,
  ios: inIos,
  desktop: inDesktop,
  windows: inWindows,
  web: inWeb,
};
