import { type Cut, elementCut } from "../../../formats/splice/cut.ts";
import { attributeOf, find, parseXml, walk } from "../../../formats/splice/formats/xml.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { FeatureFound, FeatureSearch } from "../../template/feature-places.ts";
import { both, rowOf } from "../../template/needs.ts";
import { isPackageManifest } from "./survey.ts";

/** What template.yaml may say that a feature needs of a package manifest. */
export const windowsDeclares = ["capabilities", "extensions"] as const;

interface WindowsNeeds {
  /** Names of capabilities, device capabilities included. */
  capabilities?: readonly string[];
  /** Categories of an application's extensions. */
  extensions?: readonly string[];
}

/** What features that most apps know need (Microsoft, App capability declarations). */
const known: Readonly<Record<string, WindowsNeeds>> = {
  camera: { capabilities: ["webcam"] },
  location: { capabilities: ["location"] },
  "deep-links": { extensions: ["windows.protocol", "windows.appUriHandler"] },
  microphone: { capabilities: ["microphone"] },
  photos: { capabilities: ["picturesLibrary", "videosLibrary"] },
  contacts: { capabilities: ["contacts"] },
  bluetooth: { capabilities: ["bluetooth"] },
};

/** Capabilities and extensions of a package manifest. */
export const windowsFeatures: FeatureSearch = (template, files, { name: feature, declared }) => {
  const windows = both(rowOf(known, feature), declared.windows);
  const cuts: Cut[] = [];
  const there = new Set<string>();
  for (const file of files.filter(isPackageManifest)) {
    const { text } = template.source(file);
    for (const element of walk(parseXml(template.source(file)))) {
      const plain = element.name.replace(/^.*:/, "");
      const isCapability =
        (plain === "Capability" || plain === "DeviceCapability") &&
        windows.capabilities?.includes(attributeOf(element, "Name") ?? "");
      const isExtension = plain === "Extension" && windows.extensions?.includes(attributeOf(element, "Category") ?? "");
      if (isCapability) there.add(attributeOf(element, "Name") ?? "");
      if (isCapability || isExtension) cuts.push(elementCut(file, text, element));
    }
  }
  const lacking = (declared.windows?.capabilities ?? []).filter((name) => !there.has(name));
  const adds = files.filter(isPackageManifest).flatMap((file) => entriesForWindows(template, file, lacking));
  return { cuts, adds };
};

/** Devices that an app asks for; all else is a capability of another kind (Microsoft, App capability declarations). */
const devices = new Set(["bluetooth", "location", "microphone", "proximity", "webcam"]);

/** Capabilities that a package manifest lacks; devices stand behind all others. */
function entriesForWindows(template: Folder, file: string, names: readonly string[]): FeatureFound["adds"] {
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
