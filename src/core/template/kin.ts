import { getNodePath, type Node as JsonNode } from "jsonc-parser";
import { type Folder, textIfAny } from "../files/folder.ts";
import { Refusal } from "../problems/problem.ts";
import { nodeSite, parseJson, stringNodes } from "../splice/json.ts";
import type { Site } from "../splice/site.ts";
import { attributeSite, find, parseXml, textSite } from "../splice/xml.ts";
import type { Field } from "../values/fields.ts";
import type { Fill, PartSurvey } from "./survey.ts";

/** Keys under which settings of a whole cross-platform project say a name or a version, beside the platforms' own files. */
const nameKeys: Readonly<Record<string, Field>> = {
  appName: "app.name",
  displayName: "app.label",
  name: "app.name",
  productName: "app.name",
  short_name: "app.label",
  shortName: "app.label",
  title: "app.name",
  version: "version",
};

const identifierKeys: Readonly<Record<string, Field>> = {
  applicationId: "identifiers.android",
  bundleId: "identifiers.ios",
  bundleIdentifier: "identifiers.ios",
  package: "identifiers.android",
};

/** Settings at the top of a project: few, and none that a package manager writes. */
const settingsForm = /^(?:[\w-][\w.-]*\/)?[\w-][\w.-]*\.json$/;
const written = /(^|\/)(package-lock|tsconfig[\w.-]*|composer|renovate|\.eslintrc)\.json$|\.lock\.json$/;

/**
 * The same app's name and identifiers in the settings that a cross-platform project keeps above its native folders: a
 * member whose value is just what the app is called, under a key that says so.
 */
export function kinFills(template: Folder, parts: readonly PartSurvey[]): Fill[] {
  const inParts = new Set(parts.flatMap(({ fills }) => fills.map(({ site }) => site.file)));
  return template.list().flatMap((file) => {
    if (inParts.has(file)) return [];
    if (file === "config.xml") return widgetFills(template, file);
    if (!settingsForm.test(file) || written.test(file)) return [];
    return stringsIn(template, file).flatMap((node) => jsonFill(file, node, parts));
  });
}

/** A file that is no JSON, whatever its name, says nothing here; nor does it keep the survey from going on. */
function stringsIn(template: Folder, file: string): JsonNode[] {
  if (textIfAny(template.bytes(file)) === undefined) return [];
  try {
    return stringNodes(parseJson(template.source(file)));
  } catch (error) {
    if (error instanceof Refusal) return [];
    throw error;
  }
}

function jsonFill(file: string, node: JsonNode, parts: readonly PartSurvey[]): Fill[] {
  const path = getNodePath(node);
  const key = String(path.at(-1) ?? "");
  const value = String(node.value);
  const site = nodeSite(file, node);
  const owner = parts.find(({ identifiers }) => identifiers.includes(value));
  if (owner) {
    const hinted = identifierKeys[key];
    const holds = hinted ?? (`identifiers.${owner.platform}` as const);
    return [{ holds, site, shape: "text" }];
  }
  const holds = Object.hasOwn(nameKeys, key) ? nameKeys[key] : undefined;
  // A package's own name is the code's, and stays.
  const isPackage = /(^|\/)package\.json$/.test(file) && (key === "name" || key === "version");
  if (!holds || isPackage) return [];
  if (holds === "version")
    return path.length <= 2 && /(^|\/)app\.json$/.test(file) ? [{ holds, site, shape: "text" }] : [];
  return parts.some(({ names }) => names.includes(value)) ? [{ holds, site, shape: "text" }] : [];
}

/** A packaged web app's own configuration (W3C, Packaged Web Apps): its root says the identifier and the version. */
function widgetFills(template: Folder, file: string): Fill[] {
  const root = parseXml(template.source(file));
  if (root.name !== "widget") return [];
  const places: readonly (readonly [Field, Site | undefined])[] = [
    ["identifiers.base", attributeSite(file, root, "id")],
    ["version", attributeSite(file, root, "version")],
    ["app.name", textSite(file, find(root, "name"))],
  ];
  return places.flatMap(([holds, site]) => (site ? [{ holds, site, shape: "text" as const }] : []));
}
