import { type Folder, textIfAny } from "../files/folder.ts";
import { type Cut, elementCut, keyCuts, memberCuts, openStepCuts, pageCuts } from "../splice/cut.ts";
import { entry, openStepSite, parseOpenStep, parseStrings, stringsSite } from "../splice/openstep.ts";
import { plistSite, plistStart, plistStrings } from "../splice/plist.ts";
import { emptySite, type Site } from "../splice/site.ts";
import { attributeOf, parseXml, walk } from "../splice/xml.ts";
import { knownNeeds, type Needs } from "../values/needs.ts";
import type { Platform } from "../values/platform.ts";
import { filesOf, type PartSurvey } from "./survey.ts";
import { isWebManifest } from "./web-manifest.ts";
import { isPackageManifest } from "./windows.ts";

/** Where a feature is in the build files: what goes with it, and what it puts there. */
export interface FeaturePlaces {
  name: string;
  /** Taken out where the feature is off. */
  cuts: readonly Cut[];
  /** Places that hold what people read when the app asks for something, by the language of the file; the first's under an empty key. */
  usage: readonly { key: string; locale: string; site: Site; opens?: string; closes?: string }[];
}

/** What a feature needs: what is known of its name, and what template.yaml says besides. */
function needsOf(name: string, declared: Needs): Needs {
  const known = knownNeeds[name] ?? {};
  const both = (a: readonly string[] | undefined, b: readonly string[] | undefined) => [
    ...(a ?? []),
    ...(b ?? []),
  ];
  return {
    android: {
      permissions: both(known.android?.permissions, declared.android?.permissions),
      components: both(known.android?.components, declared.android?.components),
    },
    ios: {
      usage: both(known.ios?.usage, declared.ios?.usage),
      entitlements: both(known.ios?.entitlements, declared.ios?.entitlements),
      background: both(known.ios?.background, declared.ios?.background),
      keys: both(known.ios?.keys, declared.ios?.keys),
    },
    windows: {
      capabilities: both(known.windows?.capabilities, declared.windows?.capabilities),
      extensions: both(known.windows?.extensions, declared.windows?.extensions),
    },
    web: {
      members: both(known.web?.members, declared.web?.members),
      elements: both(known.web?.elements, declared.web?.elements),
    },
  };
}

type Found = { [K in "cuts" | "usage"]: FeaturePlaces[K][number][] };

type Search = (template: Folder, files: readonly string[], needs: Needs) => Partial<Found>;

/** Looks for every place of a feature in the parts of a template. */
export function featurePlaces(
  template: Folder,
  parts: readonly PartSurvey[],
  name: string,
  declared: Needs,
): FeaturePlaces {
  const needs = needsOf(name, declared);
  const all: Found = { cuts: [], usage: [] };
  for (const part of parts) {
    const found = searches[part.platform](template, filesOf(template, part), needs);
    all.cuts.push(...(found.cuts ?? []));
    all.usage.push(...(found.usage ?? []));
  }
  return { name, ...all };
}

/** Elements that ask for a permission, and those that are a component of the app. */
const permissionElements = new Set(["uses-permission", "uses-permission-sdk-23", "uses-feature"]);
const componentElements = new Set([
  "activity",
  "activity-alias",
  "service",
  "receiver",
  "provider",
  "meta-data",
  "queries",
]);

const inAndroid: Search = (template, files, { android }) => {
  const cuts: Cut[] = [];
  const wanted = { permissions: new Set(android?.permissions), components: new Set(android?.components) };
  const manifests = files.filter((file) => file.endsWith("/AndroidManifest.xml"));
  for (const file of manifests) {
    const { text } = template.source(file);
    for (const element of walk(parseXml(template.source(file)))) {
      const name = attributeOf(element, "android:name") ?? "";
      const isPermission = permissionElements.has(element.name) && wanted.permissions.has(name);
      const isComponent = componentElements.has(element.name) && wanted.components.has(name);
      if (isPermission || isComponent) cuts.push(elementCut(file, text, element));
    }
  }
  return { cuts };
};

const inIos: Search = (template, files, { ios }) => {
  const found: Found = { cuts: [], usage: [] };
  const usage = ios?.usage ?? [];
  const keys = [...usage, ...(ios?.entitlements ?? []), ...(ios?.keys ?? [])];
  for (const file of files) {
    if (
      !/\.(plist|entitlements|pbxproj|strings)$/.test(file) ||
      textIfAny(template.bytes(file)) === undefined
    )
      continue;
    const source = template.source(file);
    if (file.endsWith(".pbxproj")) inProject(found, file, template, usage);
    else if (/\/InfoPlist\.strings$/.test(file)) {
      const locale = /([^/]+)\.lproj\//.exec(file)?.[1] ?? "";
      found.cuts.push(...openStepCuts(file, source.text, parseStrings(source), usage));
      for (const key of usage) {
        const site = stringsSite(file, source, key);
        if (site) found.usage.push({ key, locale: locale === "Base" ? "" : locale, site });
      }
    } else if (!file.endsWith(".strings")) {
      const root = parseXml(source);
      found.cuts.push(...keyCuts(file, source.text, root, keys));
      found.cuts.push(...backgroundCuts(file, source.text, root, ios?.background ?? []));
      for (const key of usage) {
        const site = plistSite(plistStrings(file, source), key);
        if (site) found.usage.push({ key, locale: "", site });
      }
    }
  }
  // An app that asks for something and says nowhere what for is refused by the store: the text gets a place.
  const [first] = usage;
  if (first && found.usage.every(({ locale }) => locale !== "")) addUsage(found, template, files, first);
  return found;
};

function inProject(found: Found, file: string, template: Folder, usage: readonly string[]): void {
  const source = template.source(file);
  const objects = entry(parseOpenStep(source), "objects");
  if (objects?.kind !== "group") return;
  const settings = usage.map((key) => `INFOPLIST_KEY_${key}`);
  for (const object of objects.entries.values()) {
    const group = entry(object, "buildSettings");
    found.cuts.push(...openStepCuts(file, source.text, group, settings));
    for (const key of usage) {
      const site = openStepSite(file, entry(group, `INFOPLIST_KEY_${key}`));
      if (site) found.usage.push({ key, locale: "", site });
    }
  }
}

/** The property list of an app: the one that says which storyboard, or which launch screen, it has. */
function addUsage(found: Found, template: Folder, files: readonly string[], key: string): void {
  const main = files.find(
    (file) => file.endsWith(".plist") && /<key>UILaunch/.test(template.source(file).text),
  );
  const at = main === undefined ? undefined : plistStart(template.source(main));
  if (main === undefined || at === undefined) return;
  const site = emptySite(main, at, "xml-text");
  found.usage.push({
    key,
    locale: "",
    site,
    opens: `\n\t<key>${key}</key>\n\t<string>`,
    closes: "</string>",
  });
}

/** Entries of UIBackgroundModes. */
function backgroundCuts(
  file: string,
  text: string,
  root: ReturnType<typeof parseXml>,
  modes: readonly string[],
): Cut[] {
  const children = root.children[0]?.children ?? [];
  const at = children.findIndex(({ name, text: key }) => name === "key" && key === "UIBackgroundModes");
  const entries = children[at + 1]?.children ?? [];
  return at === -1
    ? []
    : entries.filter((each) => modes.includes(each.text)).map((each) => elementCut(file, text, each));
}

const inWindows: Search = (template, files, { windows }) => {
  const cuts: Cut[] = [];
  for (const file of files.filter(isPackageManifest)) {
    const { text } = template.source(file);
    for (const element of walk(parseXml(template.source(file)))) {
      const plain = element.name.replace(/^.*:/, "");
      const isCapability =
        (plain === "Capability" || plain === "DeviceCapability") &&
        windows?.capabilities?.includes(attributeOf(element, "Name") ?? "");
      const isExtension =
        plain === "Extension" && windows?.extensions?.includes(attributeOf(element, "Category") ?? "");
      if (isCapability || isExtension) cuts.push(elementCut(file, text, element));
    }
  }
  return { cuts };
};

const inWeb: Search = (template, files, { web }) => ({
  cuts: [
    ...(web?.members?.length
      ? files
          .filter(isWebManifest)
          .flatMap((file) => memberCuts(file, template.source(file), web.members ?? []))
      : []),
    ...(web?.elements?.length
      ? files
          .filter((file) => /\.html?$/i.test(file))
          .flatMap((file) => pageCuts(file, template.source(file), web.elements ?? []))
      : []),
  ],
});

const searches: Readonly<Record<Platform, Search>> = {
  android: inAndroid,
  ios: inIos,
  windows: inWindows,
  web: inWeb,
};
