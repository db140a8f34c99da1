import { getNodePath, type Node as JsonNode } from "jsonc-parser";
import { nodeSite, parseJson, stringNodes } from "../../formats/splice/formats/json.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../ground/problems/result.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Fill, PartSurvey } from "../template/found.ts";

/**
 * Keys under which settings of a whole cross-platform project say a name that people see. A `name` is most often the
 * code's, and stays.
 */
const nameKeys: Readonly<Record<string, Field>> = {
  appName: "app.name",
  displayName: "app.label",
  productName: "app.name",
  short_name: "app.label",
  shortName: "app.label",
  title: "app.name",
};

/** Keys under which they say an identifier, and whose: a key that no platform has for itself stands for all. */
const identifierKeys: Readonly<Record<string, Field>> = {
  applicationId: "identifiers.android",
  package: "identifiers.android",
  packageName: "identifiers.android",
  bundleId: "identifiers.ios",
  bundleIdentifier: "identifiers.ios",
  appId: "identifiers.base",
  identifier: "identifiers.base",
};

/** Settings at the top of a project: few, and none that a package manager, an editor or a compiler reads. */
const settingsForm = /^(?:[\w-][\w.-]*\/)?[\w-][\w.-]*\.json$/;
const written =
  /(^|\/)(package-lock|tsconfig[\w.-]*|jsconfig|composer|renovate|\.eslintrc|Podfile\.properties)\.json$|\.lock\.json$/;

/**
 * The same app's name and identifiers in the settings that a cross-platform project keeps above its native folders: a
 * member whose value is just what the app is called, under a key that says so.
 */
export function kinFills(template: Folder, parts: readonly PartSurvey[]): Fill[] {
  const inParts = new Set(parts.flatMap(({ fills }) => fills.map(({ site }) => site.file)));
  return template.list().flatMap((file) => {
    if (inParts.has(file) || !settingsForm.test(file) || written.test(file)) return [];
    return stringsIn(template, file).flatMap((node) => jsonFill(file, node, parts));
  });
}

/** A file that is no JSON, whatever its name, says nothing here; nor does it keep the survey from going on. */
function stringsIn(template: Folder, file: string): JsonNode[] {
  if (textIfAny(template.bytes(file)) === undefined) return [];
  return orElse(
    attempt(() => stringNodes(parseJson(template.source(file)))),
    [],
  );
}

function jsonFill(file: string, node: JsonNode, parts: readonly PartSurvey[]): Fill[] {
  const key = String(getNodePath(node).at(-1) ?? "");
  const value = String(node.value);
  const site = nodeSite(file, node);
  const identifies = Object.hasOwn(identifierKeys, key) ? identifierKeys[key] : undefined;
  if (identifies && parts.some(({ identifiers }) => identifiers.includes(value)))
    return [{ holds: identifies, site, shape: "text" }];
  if (/(^|\/)app\.json$/.test(file) && getNodePath(node).join(".") === "version")
    return [{ holds: "version", site, shape: "text" }];
  const holds = Object.hasOwn(nameKeys, key) ? nameKeys[key] : undefined;
  return holds && parts.some(({ names }) => names.includes(value)) ? [{ holds, site, shape: "text" }] : [];
}
