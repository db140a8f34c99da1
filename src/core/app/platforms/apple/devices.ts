import { entry, type OpenStep, openStepSite, textOf } from "../../../formats/splice/formats/openstep.ts";
import { plistStart } from "../../../formats/splice/formats/plist.ts";
import { parseXml } from "../../../formats/splice/formats/xml.ts";
import { emptySite, type Site } from "../../../formats/splice/site.ts";
import { textIfAny } from "../../../ground/files/reading/folder.ts";
import type { DevicePlaces } from "../../template/device-places.ts";
import type { Fill } from "../../template/found.ts";
import { buildSettings, xcodeObjects } from "./objects.ts";

/**
 * Keys of a property list, and of the settings that stand for them; an iPad's own app must have all turns where it
 * shares the screen.
 */
const orientationKeys = [
  { key: "UISupportedInterfaceOrientations", isTablet: false },
  { key: "UISupportedInterfaceOrientations~ipad", isTablet: true },
] as const;

/** How a telephone's and a tablet's app may be turned, and which of the two it is for. */
export const iosDevices: DevicePlaces = (template, files) => {
  const fills: Fill[] = [];
  for (const file of files.filter((each) => /(\.plist|\.pbxproj)$/.test(each))) {
    if (textIfAny(template.bytes(file)) === undefined) continue;
    const source = template.source(file);
    if (file.endsWith(".pbxproj")) fills.push(...inProject(file, source));
    else if (/<key>UILaunch/.test(source.text)) fills.push(...inList(file, source));
  }
  return fills;
};

/**
 * An iPad app that shares the screen with others and lacks a turn is refused (App Store Connect, ITMS-90474); one
 * that fills the screen is not.
 */
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

/**
 * Whether settings are those of a watch's, a television's, a headset's or a Mac's product (Apple,
 * TARGETED_DEVICE_FAMILY and SDKROOT).
 */
const isForOthers = (settings: OpenStep): boolean =>
  /^[^126]+$/.test(textOf(entry(settings, "TARGETED_DEVICE_FAMILY")) ?? "") ||
  /watchos|appletvos|xros|macosx/.test(textOf(entry(settings, "SDKROOT")) ?? "");

/**
 * Settings where they are; a target's device family, which Xcode would take for the phone's alone, also where it is
 * not.
 */
function inProject(file: string, source: { file: string; text: string }): Fill[] {
  return buildSettings(xcodeObjects(source)).flatMap((settings): Fill[] => {
    if (isForOthers(settings)) return [];
    const found = projectSettings.flatMap(({ name, holds, shape }): Fill[] => {
      const site = openStepSite(file, entry(settings, name));
      const fillsScreen = textOf(entry(settings, "INFOPLIST_KEY_UIRequiresFullScreen")) === "YES";
      const written = shape === "everyOrientationSetting" && fillsScreen ? "orientationSetting" : shape;
      return site ? [{ holds, site, shape: written }] : [];
    });
    const isTarget = settings.kind === "group" && settings.entries.has("ASSETCATALOG_COMPILER_APPICON_NAME");
    if (!isTarget || settings.entries.has("TARGETED_DEVICE_FAMILY")) return found;
    const opens = "\n\t\t\t\tTARGETED_DEVICE_FAMILY = ";
    const site = emptySite(file, settings.start, "openstep");
    return [...found, { holds: "devices", site, shape: "deviceFamily", opens, closes: ";" }];
  });
}
