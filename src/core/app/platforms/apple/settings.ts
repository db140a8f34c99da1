import type { Site } from "../../../formats/splice/site.ts";

/** The build settings of one configuration: of a target, or of the whole project. */
export interface BuildSettings {
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

/** Deepest nesting of variables. */
const deepest = 12;

/** The settings of one configuration. @param own every place that gives a setting, the one that counts first. */
export function settingsOf(
  name: string,
  target: string,
  parent: BuildSettings | undefined,
  own: (setting: string) => Site[],
  start: number | undefined,
): BuildSettings {
  /** What Xcode gives where nobody does (Apple, build settings reference). */
  const given: Readonly<Record<string, string>> = {
    SRCROOT: ".",
    PROJECT_DIR: ".",
    TARGET_NAME: target,
    PRODUCT_NAME: "$(TARGET_NAME)",
    CONFIGURATION: name,
  };
  const settings: BuildSettings = {
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
    return operate(expand(found, value, depth + 1), operators);
  });
}

/** What stands behind a colon changes the value (Apple, build settings reference, "operators"). */
const operations: Readonly<Record<string, (value: string) => string>> = {
  lower: (value) => value.toLowerCase(),
  upper: (value) => value.toUpperCase(),
  rfc1034identifier: (value) => value.replace(/[^A-Za-z0-9.-]/g, "-"),
  c99extidentifier: (value) => value.replace(/\W/g, "_"),
};

const operate = (value: string, operators: string): string =>
  operators
    .split(":")
    .filter(Boolean)
    .reduce((at, operator) => operations[operator]?.(at) ?? at, value);

/** The variable that a value is nothing but a reference to. */
export const soleVariable = (value: string): string | undefined => /^\$[({](\w+)[)}]$/.exec(value.trim())?.[1];

/** Every variable that a value refers to. */
export const variablesIn = (value: string): string[] =>
  [...value.matchAll(variable)].flatMap((match) => match[1] ?? []);
