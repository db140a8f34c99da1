import type { Folder } from "../files/folder.ts";
import { type Cut, elementCut, memberCuts, pageCuts } from "../splice/cut.ts";
import { attributeOf, find, findAll, parseXml, walk, type XmlElement } from "../splice/xml.ts";
import { type Needs, needsKnown } from "../values/needs.ts";
import type { Platform } from "../values/platform.ts";
import type { FeaturePlaces, Found, Search } from "./feature-places.ts";
import { inIos } from "./features-ios.ts";
import { filesOf, type PartSurvey } from "./survey.ts";
import { isWebManifest } from "./web-manifest.ts";
import { isPackageManifest } from "./windows.ts";

/** What a feature needs: what is known of its name, and what template.yaml says besides. */
function needsOf(name: string, declared: Needs): Needs {
  const known = needsKnown(name) ?? {};
  const both = (a: readonly string[] | undefined, b: readonly string[] | undefined) => [
    ...(a ?? []),
    ...(b ?? []),
  ];
  return {
    android: {
      links: known.android?.links,
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

/** Looks for every place of a feature in the parts of a template. */
export function featurePlaces(
  template: Folder,
  parts: readonly PartSurvey[],
  name: string,
  declared: Needs,
): FeaturePlaces {
  const needs = needsOf(name, declared);
  const all: Found = { cuts: [], adds: [], usage: [] };
  for (const part of parts) {
    const found = searches[part.platform](template, filesOf(template, part), needs, declared);
    all.cuts.push(...(found.cuts ?? []));
    all.adds.push(...(found.adds ?? []));
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

const inAndroid: Search = (template, files, { android }, declared) => {
  const cuts: Cut[] = [];
  const there = new Set<string>();
  const wanted = { permissions: new Set(android?.permissions), components: new Set(android?.components) };
  const manifests = files.filter((file) => file.endsWith("/AndroidManifest.xml"));
  for (const file of manifests) {
    const { text } = template.source(file);
    for (const element of walk(parseXml(template.source(file)))) {
      const name = attributeOf(element, "android:name") ?? "";
      const isPermission = permissionElements.has(element.name) && wanted.permissions.has(name);
      const isComponent = componentElements.has(element.name) && wanted.components.has(name);
      if (android?.links && element.name === "intent-filter" && opensByAddress(element))
        cuts.push(elementCut(file, text, element));
      if (isPermission) there.add(name);
      if (isPermission || isComponent) cuts.push(elementCut(file, text, element));
    }
  }
  const lacking = (declared.android?.permissions ?? []).filter((name) => !there.has(name));
  return { cuts, adds: manifests.length > 0 ? askedOfAndroid(template, manifests, lacking) : [] };
};

/** Whether a filter opens the app by an address that somebody follows (Android documentation, "Create deep links"). */
const opensByAddress = (filter: XmlElement): boolean =>
  findAll(filter, "category").some(
    (each) => attributeOf(each, "android:name") === "android.intent.category.BROWSABLE",
  ) && findAll(filter, "data").some((each) => attributeOf(each, "android:scheme") !== undefined);

/** Permissions and hardware that a manifest lacks, in front of its application (Android documentation, app manifest). */
function askedOfAndroid(
  template: Folder,
  manifests: readonly string[],
  names: readonly string[],
): Found["adds"] {
  const opens = (file: string) => template.source(file).text.includes("android.intent.action.MAIN");
  const file = manifests.find(opens) ?? manifests[0] ?? "";
  const application = find(parseXml(template.source(file)), "application");
  if (!application) return [];
  const indent = /[ \t]*$/.exec(template.source(file).text.slice(0, application.start))?.[0] ?? "";
  return names.map((name) => {
    const isHardware = name.startsWith("android.hardware.");
    const element = isHardware
      ? `<uses-feature android:name="${name}" android:required="false" />`
      : `<uses-permission android:name="${name}" />`;
    return { file, at: application.start, text: `${element}\n${indent}` };
  });
}

const inWindows: Search = (template, files, { windows }, declared) => {
  const cuts: Cut[] = [];
  const there = new Set<string>();
  for (const file of files.filter(isPackageManifest)) {
    const { text } = template.source(file);
    for (const element of walk(parseXml(template.source(file)))) {
      const plain = element.name.replace(/^.*:/, "");
      const isCapability =
        (plain === "Capability" || plain === "DeviceCapability") &&
        windows?.capabilities?.includes(attributeOf(element, "Name") ?? "");
      const isExtension =
        plain === "Extension" && windows?.extensions?.includes(attributeOf(element, "Category") ?? "");
      if (isCapability) there.add(attributeOf(element, "Name") ?? "");
      if (isCapability || isExtension) cuts.push(elementCut(file, text, element));
    }
  }
  const lacking = (declared.windows?.capabilities ?? []).filter((name) => !there.has(name));
  const adds = files.filter(isPackageManifest).flatMap((file) => askedOfWindows(template, file, lacking));
  return { cuts, adds };
};

/** Devices that an app asks for; all else is a capability of another kind (Microsoft, App capability declarations). */
const devices = new Set(["bluetooth", "location", "microphone", "proximity", "webcam"]);

/** Capabilities that a package manifest lacks; devices stand behind all others. */
function askedOfWindows(template: Folder, file: string, names: readonly string[]): Found["adds"] {
  const source = template.source(file);
  const root = parseXml(source);
  const capabilities = find(root, "Capabilities");
  const [first, last] = [capabilities?.children[0], capabilities?.children.at(-1)];
  if (!first || !last) return [];
  const indent = /\s*$/.exec(source.text.slice(0, first.start))?.[0] ?? "";
  const kind = attributeOf(root, "xmlns:uap") ? "uap:Capability" : "Capability";
  return names.map((name) =>
    devices.has(name)
      ? { file, at: last.end, text: `${indent}<DeviceCapability Name="${name}" />` }
      : { file, at: first.start, text: `<${kind} Name="${name}" />${indent}` },
  );
}

/** A Mac app asks for what a phone's does, in the same files. */
const inDesktop: Search = (template, files, needs, declared) =>
  inIos(
    template,
    files.filter((file) => /\.(plist|entitlements|pbxproj|strings)$/.test(file)),
    needs,
    declared,
  );

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
  desktop: inDesktop,
  windows: inWindows,
  web: inWeb,
};
