import type { Folder } from "../files/folder.ts";
import { entry, itemsOf, type OpenStep, openStepSite, parseOpenStep, textOf } from "../splice/openstep.ts";
import type { Site } from "../splice/site.ts";
import { configurationFile, settingSites } from "./xcconfig.ts";

/** The build settings of one configuration: of a target, or of the whole project. */
export interface Settings {
  /** For example Release. */
  name: string;
  /** As it is written, here, in the configuration's file, or in what both inherit. */
  value(setting: string): string | undefined;
  /** The same with every variable put in. */
  evaluated(setting: string): string | undefined;
  /** A text with every variable of this configuration put in. */
  expanded(text: string): string;
  /** Every place that gives a setting, under any condition, in what is inherited too. */
  sites(setting: string): Site[];
  /** Where a further setting can be put. */
  start: number | undefined;
}

export interface XcodeTarget {
  name: string;
  /** For example com.apple.product-type.application. */
  productType: string;
  /** One a configuration: debug, release … */
  settings: Settings[];
}

export interface XcodeProject {
  file: string;
  /** Folder that paths in the project are relative to; empty for the template's own folder. */
  folder: string;
  targets: XcodeTarget[];
  /** Settings of the whole project, which targets inherit. */
  settings: Settings[];
}

const projectForm = /(^|\/)[^/]+\.xcodeproj\/project\.pbxproj$/;

/** Reads the Xcode project of a template that makes an app, the one nearest the top; undefined where there is none. */
export function readXcodeProject(template: Folder): XcodeProject | undefined {
  return template
    .list()
    .filter((each) => projectForm.test(each))
    .sort((a, b) => a.split("/").length - b.split("/").length)
    .map((file) => readProject(template, file))
    .find(({ targets }) => targets.some(isApp));
}

export const isApp = ({ productType }: XcodeTarget): boolean =>
  productType === "com.apple.product-type.application";

function readProject(template: Folder, file: string): XcodeProject {
  const folder = file.replace(projectForm, "");
  const objects = entry(parseOpenStep(template.source(file)), "objects");
  const all = objects?.kind === "group" ? [...objects.entries.values()] : [];
  const project = all.find((node) => textOf(entry(node, "isa")) === "PBXProject");
  const byId = (id: OpenStep | undefined) => entry(objects, textOf(id) ?? "");
  const configurations = (node: OpenStep | undefined, target: string, inherited: Settings[]): Settings[] =>
    itemsOf(entry(byId(entry(node, "buildConfigurationList")), "buildConfigurations")).map((id) => {
      const configuration = byId(id);
      const name = textOf(entry(configuration, "name")) ?? "";
      const reference = byId(entry(configuration, "baseConfigurationReference"));
      const config = configurationFile(template, folder, textOf(entry(reference, "path")));
      const parent = inherited.find((each) => each.name === name) ?? inherited[0];
      const own = entry(configuration, "buildSettings");
      return settingsOf(
        name,
        target,
        parent,
        (setting) => [
          ...ownSites(file, own, setting),
          ...(config ? settingSites(template, config, setting) : []),
        ],
        own?.start,
      );
    });
  const settings = configurations(project, "", []);
  return {
    file,
    folder,
    settings,
    targets: itemsOf(entry(project, "targets"))
      .map(byId)
      .map((node) => {
        const name = textOf(entry(node, "name")) ?? "";
        const productType = textOf(entry(node, "productType")) ?? "";
        return { name, productType, settings: configurations(node, name, settings) };
      }),
  };
}

/** A setting's places in the project, also those for one platform only, as in NAME[sdk=iphoneos*]. */
function ownSites(file: string, group: OpenStep | undefined, setting: string): Site[] {
  if (group?.kind !== "group") return [];
  return [...group.entries]
    .filter(([key]) => key === setting || key.startsWith(`${setting}[`))
    .flatMap(([, node]) => openStepSite(file, node) ?? []);
}

/** Deepest nesting of variables. */
const deepest = 12;

function settingsOf(
  name: string,
  target: string,
  parent: Settings | undefined,
  own: (setting: string) => Site[],
  start: number | undefined,
): Settings {
  /** What Xcode gives where nobody does (Apple, build settings reference). */
  const given: Readonly<Record<string, string>> = {
    SRCROOT: ".",
    PROJECT_DIR: ".",
    TARGET_NAME: target,
    PRODUCT_NAME: "$(TARGET_NAME)",
    CONFIGURATION: name,
  };
  const settings: Settings = {
    name,
    start,
    sites: (setting) => [...own(setting), ...(parent?.sites(setting) ?? [])],
    value: (setting) => settings.sites(setting)[0]?.value ?? given[setting],
    evaluated(setting) {
      const value = settings.value(setting);
      return value === undefined ? undefined : settings.expanded(value);
    },
    expanded: (text) => expand(text, (setting) => settings.value(setting), 0),
  };
  return settings;
}

const variable = /\$[({](\w+)((?::[^)}]*)?)[)}]/g;

function expand(text: string, value: (setting: string) => string | undefined, depth: number): string {
  if (depth > deepest) return text;
  return text.replace(variable, (whole, name: string, operators: string) => {
    const found = value(name);
    if (found === undefined || name === "inherited") return whole;
    return operated(expand(found, value, depth + 1), operators);
  });
}

/** What stands behind a colon changes the value (Apple, build settings reference, "operators"). */
const operations: Readonly<Record<string, (value: string) => string>> = {
  lower: (value) => value.toLowerCase(),
  upper: (value) => value.toUpperCase(),
  rfc1034identifier: (value) => value.replace(/[^A-Za-z0-9.-]/g, "-"),
  c99extidentifier: (value) => value.replace(/\W/g, "_"),
};

const operated = (value: string, operators: string): string =>
  operators
    .split(":")
    .filter(Boolean)
    .reduce((at, operator) => operations[operator]?.(at) ?? at, value);

/** The variable that a value is nothing but a reference to. */
export const soleVariable = (value: string): string | undefined =>
  /^\$[({](\w+)[)}]$/.exec(value.trim())?.[1];

/** Every variable that a value refers to. */
export const variablesIn = (value: string): string[] =>
  [...value.matchAll(variable)].flatMap((match) => match[1] ?? []);
