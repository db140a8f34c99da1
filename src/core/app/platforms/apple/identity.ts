import { type PlistString, plistSite } from "../../../formats/splice/formats/plist.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import { givenByEnvironment } from "../../template/environment.ts";
import type { Fill } from "../../template/found.ts";
import { isFromPubspec } from "../../template/pubspec.ts";
import { productNames } from "./products.ts";
import { isMainApp, type XcodeProject, type XcodeTarget } from "./project.ts";
import { type BuildSettings, soleVariable, variablesIn } from "./settings.ts";

/** What is surveyed: some targets of a project, and what its app is called by the system. */
export interface XcodePart {
  template: Folder;
  project: XcodeProject;
  targets: readonly XcodeTarget[];
  platform: Platform;
  identifier: string | undefined;
}

const identifierSetting = "PRODUCT_BUNDLE_IDENTIFIER";

/**
 * An app's identifier: of several configurations', the shortest, which the others begin with; where no setting says
 * one, what its property list says.
 */
export function appIdentifier(app: XcodeTarget, main: readonly PlistString[] | undefined): string | undefined {
  const all = app.settings.flatMap((settings) => settings.evaluated(identifierSetting) ?? []);
  const [shortest] = all.sort((a, b) => a.length - b.length);
  if (shortest !== undefined) return shortest;
  const written = plistSite(main ?? [], bundleIdentifier)?.value ?? "";
  const meant = app.settings.map((settings) => settings.expanded(written));
  return [...meant, written].find((value) => wholeIdentifier.test(value));
}

const bundleIdentifier = "CFBundleIdentifier";
const wholeIdentifier = /^[\w-]+(\.[\w-]+)+$/;

/** An app's identifier that its property list writes out, or puts together from variables. */
export function writtenIdentifier(
  { identifier }: Pick<XcodePart, "identifier">,
  { settings }: XcodeTarget,
  list: readonly PlistString[],
  holds: Field,
): Fill[] {
  const site = plistSite(list, bundleIdentifier);
  if (!site || soleVariable(site.value) !== undefined || identifier === undefined) return [];
  const says = (value: string) => value === identifier;
  const isTheApps = says(site.value) || settings.some((each) => says(each.expanded(site.value)));
  return isTheApps ? [{ holds, site, shape: "text" }] : [];
}

/** The product's name as users of a Mac see it where nothing else says one. */
export const targetName = ({ name, settings }: XcodeTarget): string =>
  settings.flatMap((each) => each.evaluated("PRODUCT_NAME") ?? [])[0] ?? name;

/** Settings of the targets, each with the project's that it inherits. */
const everySetting = ({ project, targets }: XcodePart): BuildSettings[] => [
  ...targets.flatMap(({ settings }) => settings),
  ...project.settings,
];

/** Wherever the project says the identifier, for the app and for what belongs to it. */
export function identifierFills(
  part: XcodePart,
  app: XcodeTarget,
  ofCode: readonly XcodeTarget[],
  holds: Field,
): Fill[] {
  const identifier = part.identifier ?? "";
  const all = [...part.targets, ...ofCode];
  const fills = everySetting({ ...part, targets: all }).flatMap((settings) =>
    settings.sites(identifierSetting).flatMap((site) => identifierFill(settings, site, identifier, holds, 0)),
  );
  const placeOf = ({ file, start }: Site) => `${file}:${start}`;
  const known = new Set(fills.map(({ site }) => placeOf(site)));
  const others = part.targets
    .filter(({ name }) => name !== app.name)
    .flatMap((target) =>
      target.settings.flatMap((settings) =>
        otherApps(settings, isMainApp(target) && target.system === app.system ? app : undefined, identifier, holds),
      ),
    )
    .filter(({ site }) => !known.has(placeOf(site)));
  for (const { site } of others) known.add(placeOf(site));
  const apart = part.targets
    .filter(({ system }) => system === "watch" || system === "other")
    .flatMap(({ settings }) => settings.flatMap((each) => each.sites(identifierSetting)))
    .filter((site) => !known.has(placeOf(site)) && wholeIdentifier.test(site.value));
  // Under another condition the app may be called otherwise: for a device, for a configuration.
  const otherwise = app.settings
    .flatMap((settings) => settings.sites(identifierSetting))
    .filter((site) => !known.has(placeOf(site)) && site.value !== "" && !/\$[({]/.test(site.value));
  return [
    ...fills,
    ...others,
    ...apart.map((site) => besideIdentifier(site, identifier, holds, app)),
    ...otherwise.map((site): Fill => ({ holds, site, shape: "text" })),
  ];
}

/**
 * Further apps of a project, one for each stage or kind, and what these bring along: behind the client's identifier
 * they keep what tells them apart, the rest of a word ("tidesDev" of "tides") or their last word.
 * @param besides the first app, where this is one for the same system, and may be called quite otherwise
 */
function otherApps(
  settings: BuildSettings,
  besides: XcodeTarget | undefined,
  identifier: string,
  holds: Field,
): Fill[] {
  return settings.sites(identifierSetting).flatMap((site): Fill[] => {
    // What refers to a variable with the app's identifier follows that.
    if (variablesIn(site.value).some((name) => settings.evaluated(name)?.includes(identifier))) return [];
    const value = settings.expanded(site.value);
    if (!wholeIdentifier.test(value)) return [];
    const after = suffixOf(value, identifier) ?? (besides ? lastWord(value, besides) : undefined);
    return after === undefined ? [] : [{ holds, site, shape: "text", ...(after ? { after } : {}) }];
  });
}

/** What an identifier has behind the app's, led by a full stop; undefined where it does not begin with that. */
export function suffixOf(value: string, identifier: string): string | undefined {
  if (!value.startsWith(identifier)) return undefined;
  const rest = value.slice(identifier.length).replace(/^[.-]+/, "");
  return rest === "" ? "" : `.${rest}`;
}

/**
 * A watch's or a television's app that is called otherwise than the telephone's: it keeps its last word, behind the
 * client's.
 */
function besideIdentifier(site: Site, identifier: string, holds: Field, app: XcodeTarget): Fill {
  const last = lastWord(site.value, app);
  return { holds, site, shape: "text", ...(identifier.endsWith(last) ? {} : { after: last }) };
}

/** An identifier's last word, without the app's own name where more is in it: ".tvOS" of "org.shop.Tides-tvOS". */
function lastWord(identifier: string, app: XcodeTarget): string {
  const last = identifier.slice(identifier.lastIndexOf(".") + 1);
  const name = [app.name, targetName(app)].find((each) => last.toLowerCase().startsWith(each.toLowerCase()));
  const rest = name === undefined ? "" : last.slice(name.length).replace(/^[-_]+/, "");
  return `.${rest || last}`;
}

/** A value that refers to a variable which holds the whole identifier follows it; another is written anew. */
function identifierFill(settings: BuildSettings, site: Site, identifier: string, holds: Field, depth: number): Fill[] {
  const holder = variablesIn(site.value).find((name) => settings.evaluated(name)?.includes(identifier));
  if (holder !== undefined && depth < 8 && settings.sites(holder).length > 0)
    return settings.sites(holder).flatMap((each) => identifierFill(settings, each, identifier, holds, depth + 1));
  return aroundIdentifier(site, identifier, holds, settings.expanded(site.value));
}

/** The identifier, whole or as a part of a longer one: an extension's, a shared group's. */
export function aroundIdentifier(site: Site, identifier: string, holds: Field, value = site.value): Fill[] {
  const at = value.indexOf(identifier);
  if (at === -1) return [];
  const [before, after] = [value.slice(0, at), value.slice(at + identifier.length)];
  if (/[A-Za-z0-9-]$/.test(before) || /^[A-Za-z0-9-]/.test(after)) return [];
  return [
    {
      holds,
      site,
      shape: "text",
      ...(before ? { before } : {}),
      ...(after ? { after } : {}),
    },
  ];
}

/** Build settings that people see, and those that count (Apple, build settings reference). */
const settingFields: Readonly<Record<string, Field>> = {
  MARKETING_VERSION: "version",
  CURRENT_PROJECT_VERSION: "build",
  INFOPLIST_KEY_CFBundleDisplayName: "app.label",
  INFOPLIST_KEY_NSHumanReadableCopyright: "copyright",
  INFOPLIST_KEY_LSApplicationCategoryType: "apple.category",
};

export const settingFills = (part: XcodePart): Fill[] =>
  everySetting(part).flatMap((settings) =>
    Object.entries(settingFields).flatMap(([name, holds]) =>
      settings.sites(name).flatMap((site) => followSetting(part, site, holds)),
    ),
  );

/** Settings that say how the product's file is called: the app's users see another name. */
const ofProduct: ReadonlySet<string> = new Set(productNames);

/**
 * A literal where it stands; what refers to a variable of the template's own, where that is given. One that a build
 * brings along gives way to a literal too, unless a file of the template says it.
 */
export function followSetting(part: XcodePart, site: Site | undefined, holds: Field): Fill[] {
  if (!site) return [];
  const name = soleVariable(site.value);
  if (name === undefined) return /\$[({]/.test(site.value) ? [] : [{ holds, site, shape: "text" }];
  if (ofProduct.has(name)) return holds === "app.label" ? [{ holds, site, shape: "text" }] : [];
  const own = everySetting(part).flatMap((settings) => settings.sites(name));
  const given = own.length > 0 ? own : givenByEnvironment(part.template, name);
  if (given.length === 0 && !isFromPubspec(part.template, name)) return [{ holds, site, shape: "text" }];
  return given.filter(({ value }) => !value.includes("$(")).map((each) => ({ holds, site: each, shape: "text" }));
}
