import { posix } from "node:path";
import { type Folder, textIfAny } from "../files/folder.ts";
import { jsonSite, parseJson } from "../splice/json.ts";
import { stringsSite } from "../splice/openstep.ts";
import type { Site } from "../splice/site.ts";
import type { Field } from "../values/fields.ts";
import type { Fill } from "./survey.ts";
import { isApp, type Settings, soleVariable, variablesIn, type XcodeProject } from "./xcode.ts";

const identifierSetting = "PRODUCT_BUNDLE_IDENTIFIER";

/** The app's identifier: of several configurations', the shortest, which the others begin with. */
export function appIdentifier(project: XcodeProject): string | undefined {
  const app = project.targets.find(isApp);
  const all = (app?.settings ?? []).flatMap((settings) => settings.evaluated(identifierSetting) ?? []);
  return all.sort((a, b) => a.length - b.length)[0];
}

/** Wherever the project says the identifier, for the app and for what belongs to it. */
export function identifierFills(project: XcodeProject, identifier: string): Fill[] {
  return everySetting(project).flatMap((settings) =>
    settings.sites(identifierSetting).flatMap((site) => identifierFill(settings, site, identifier, 0)),
  );
}

/** A value that refers to a variable which holds the whole identifier follows it; another is written anew. */
function identifierFill(settings: Settings, site: Site, identifier: string, depth: number): Fill[] {
  const holder = variablesIn(site.value).find((name) => settings.evaluated(name)?.includes(identifier));
  if (holder !== undefined && depth < 8 && settings.sites(holder).length > 0)
    return settings.sites(holder).flatMap((each) => identifierFill(settings, each, identifier, depth + 1));
  return aroundIdentifier(site, identifier, settings.expanded(site.value));
}

/** The identifier, whole or as a part of a longer one: an extension's, a shared group's. */
export function aroundIdentifier(site: Site, identifier: string, value = site.value): Fill[] {
  const at = value.indexOf(identifier);
  if (at === -1) return [];
  const [before, after] = [value.slice(0, at), value.slice(at + identifier.length)];
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

export const everySetting = (project: XcodeProject): Settings[] => [
  ...project.settings,
  ...project.targets.flatMap((target) => target.settings),
];

/** Settings that say how the product's file is called: the app's users see another name. */
const productNames = new Set(["PRODUCT_NAME", "TARGET_NAME", "EXECUTABLE_NAME"]);

/** A literal where it stands; what refers to a variable of the template's own, where that is given. */
export function followed(project: XcodeProject, site: Site | undefined, holds: Field): Fill[] {
  if (!site) return [];
  const name = soleVariable(site.value);
  if (name === undefined) return /\$[({]/.test(site.value) ? [] : [{ holds, site, shape: "text" }];
  if (productNames.has(name)) return holds === "app.label" ? [{ holds, site, shape: "text" }] : [];
  const literal = everySetting(project)
    .flatMap((settings) => settings.sites(name))
    .filter(({ value }) => !value.includes("$("));
  return literal.map((each) => ({ holds, site: each, shape: "text" }));
}

const localizedKeys: Readonly<Record<string, Field>> = {
  CFBundleDisplayName: "app.label",
  CFBundleName: "app.label",
  NSHumanReadableCopyright: "copyright",
};

/** Property list values in the template's own languages: .strings files, and string catalogs. */
export function localizedFills(template: Folder, folders: readonly string[]): Fill[] {
  const fills: Fill[] = [];
  const add = (holds: Field, site: Site | undefined) => {
    if (site) fills.push({ holds, site, shape: "text" });
  };
  for (const file of template.list()) {
    const isStrings = /(^|\/)[^/]+\.lproj\/InfoPlist\.strings$/.test(file);
    const folder = posix.dirname(isStrings ? posix.dirname(file) : file);
    if (!folders.includes(folder === "." ? "" : folder)) continue;
    for (const [key, holds] of Object.entries(localizedKeys)) {
      if (isStrings && textIfAny(template.bytes(file)) !== undefined)
        add(holds, stringsSite(file, template.source(file), key));
      else if (file.endsWith("/InfoPlist.xcstrings"))
        for (const site of catalogSites(template, file, key)) add(holds, site);
    }
  }
  return fills;
}

/** A key's values in every language of a string catalog. */
function catalogSites(template: Folder, file: string, key: string): Site[] {
  const root = parseJson(template.source(file));
  const path = ["strings", key, "localizations"];
  const languages = Object.keys(JSON.parse(template.source(file).text)?.strings?.[key]?.localizations ?? {});
  return languages.flatMap(
    (language) => jsonSite(file, root, [...path, language, "stringUnit", "value"]) ?? [],
  );
}
