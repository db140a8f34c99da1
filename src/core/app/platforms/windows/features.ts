import { type Cut, elementCut } from "../../../formats/splice/cut.ts";
import { attributeOf, find, parseXml, walk, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { isCallback } from "../../template/callbacks.ts";
import type { FeatureFound, FeatureSearch } from "../../template/feature-places.ts";
import { both, rowOf } from "../../template/needs.ts";
import { capabilityForm, namespaces } from "./capabilities.ts";
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
      const isExtension =
        plain === "Extension" &&
        windows.extensions?.includes(attributeOf(element, "Category") ?? "") &&
        !isCallback(attributeOf(find(element, "Protocol"), "Name") ?? "");
      if (isCapability) there.add(attributeOf(element, "Name") ?? "");
      if (isCapability || isExtension) cuts.push(elementCut(file, text, element));
    }
  }
  const lacking = (declared.windows?.capabilities ?? []).filter((name) => !there.has(name));
  const adds = files.filter(isPackageManifest).flatMap((file) => entriesForWindows(template, file, lacking));
  return { cuts, adds, gaps: lacking.filter((name) => !capabilityForm(name)).map(unknownTo(feature)) };
};

/** In which namespace it would stand nobody can say: whoever guesses makes a package that is refused. */
const unknownTo = (feature: string) => (name: string) =>
  problem("template-gap", `Windows: no capability is called "${name}", which the feature "${feature}" asks for.`, {
    ...{ platform: "windows", severity: "warning" },
    fix: "Write it into the template's own package manifest, in its namespace; or correct the name in template.yaml.",
  });

/**
 * Capabilities that a package manifest lacks; devices stand behind all others. A namespace that the manifest does not
 * name goes into its root.
 */
function entriesForWindows(template: Folder, file: string, wanted: readonly string[]): FeatureFound["adds"] {
  const source = template.source(file);
  const root = parseXml(source);
  const capabilities = find(root, "Capabilities");
  const [first, last] = [capabilities?.children[0], capabilities?.children.at(-1)];
  if (!first || !last) return [];
  const indent = /\s*$/.exec(source.text.slice(0, first.start))?.[0] ?? "";
  return wanted.flatMap((name) => {
    const form = capabilityForm(name);
    if (!form) return [];
    const { element, prefix } = form;
    if (element === "DeviceCapability")
      return [{ file, at: last.end, text: `${indent}<DeviceCapability Name="${name}" />` }];
    const devices = capabilities?.children.find((each) => each.name === "DeviceCapability");
    const at = element === "CustomCapability" ? (devices?.start ?? last.end) : first.start;
    const declared = prefix === undefined || attributeOf(root, `xmlns:${prefix}`) !== undefined;
    const text = `<${prefix === undefined ? "" : `${prefix}:`}${element} Name="${name}" />${indent}`;
    return [
      ...(declared || prefix === undefined ? [] : [namespaceFor(root, file, prefix)]),
      { file, at, text: at === last.end ? `${indent}${text.trimEnd()}` : text },
    ];
  });
}

/** A namespace, behind the name of the root. */
const namespaceFor = (root: XmlElement, file: string, prefix: string): FeatureFound["adds"][number] => ({
  file,
  at: root.start + 1 + root.name.length,
  text: ` xmlns:${prefix}="${namespaces[prefix] ?? ""}"`,
});
