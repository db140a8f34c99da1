import { posix } from "node:path";
import type { Node as JsonNode } from "jsonc-parser";
import { plistStart } from "../../../formats/splice/formats/plist.ts";
import { emptySite, type Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { darkOf, type Field } from "../../../ground/values/fields.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { findFile } from "../../template/find-file.ts";
import { type Fill, type Found, insertedText, type SignedTarget } from "../../template/found.ts";
import type { MissingKinds, Wants } from "../../template/missing.ts";
import { iosIconSlots } from "./catalog.ts";
import { suffixOf, type XcodePart } from "./identity.ts";
import type { XcodeProject, XcodeTarget } from "./project.ts";

/** What an app for iOS may lack. */
export const iosMissing = {
  "bundle-identifier": "a bundle identifier",
  "display-name": "a display name of its own",
  "dark-icon": "a dark and a tinted icon",
  "marketing-icon": "the icon that the store shows, among those of single sizes",
  "dark-colors": "a dark form of a colour",
} as const satisfies MissingKinds;

type Kind = keyof typeof iosMissing;

interface Project {
  template: Folder;
  wants: Wants;
  project: XcodeProject;
  app: XcodeTarget;
  /** The app's property list, where it has one as a file. */
  main: string | undefined;
}

/**
 * A display name for an app that shows its product's: in its property list, or as the build setting that stands for
 * it.
 */
export function displayName({ template, wants, project, app, main }: Project): Partial<Found> | undefined {
  const kind = "display-name";
  if (main) {
    const at = plistStart(template.source(main));
    if (at === undefined) return undefined;
    const opens = "\n\t<key>CFBundleDisplayName</key>\n\t<string>";
    const fills = wants(kind) ? [insertedValue(main, at, "xml-text", "app.label", opens, "</string>")] : [];
    return found(template, kind, main, at, wants, fills);
  }
  const fills = app.settings.flatMap(({ start }): Fill[] => {
    if (start === undefined) return [];
    const opens = "\n\t\t\t\tINFOPLIST_KEY_CFBundleDisplayName = ";
    return [insertedValue(project.file, start, "openstep", "app.label", opens, ";")];
  });
  return found(template, kind, project.file, fills[0]?.site.start ?? 0, wants, wants(kind) ? fills : []);
}

const found = (
  template: Folder,
  kind: Kind,
  file: string,
  at: number,
  wants: Wants,
  fills: Fill[],
): Partial<Found> => ({
  fills,
  missing: [{ kind, added: wants(kind), place: placeAt(template.source(file), at) }],
});

const insertedValue = (
  file: string,
  at: number,
  form: Site["form"],
  holds: Field,
  opens: string,
  closes: string,
): Fill => ({ holds, site: emptySite(file, at, form), shape: "text", opens, closes });

/** Products that are signed each with a profile of its own (Apple, product types); tests are not. */
const isSigned = ({ productType }: XcodeTarget): boolean =>
  /\.(application|app-extension|extensionkit-extension|watchkit2?-extension)/.test(productType);

/** Where a project says which team signs it and with which profile: filled only where a client gives them. */
export function signingPlaces(
  template: Folder,
  { project, targets, identifier, platform }: XcodePart,
  app: XcodeTarget,
  ofCode: readonly XcodeTarget[],
): { fills: Fill[]; signed: SignedTarget[] } {
  const own = targets.filter(isSigned);
  const all = [...targets, ...ofCode, { settings: project.settings }].flatMap(({ settings }) => settings);
  const teams = all.flatMap((settings) => settings.sites("DEVELOPMENT_TEAM"));
  const fills: Fill[] = teams.map((site) => ({ holds: "signing.team", site, shape: "text", optional: true }));
  const signedAs = ({ name, settings }: XcodeTarget): SignedTarget | undefined => {
    const bundle = settings.flatMap((each) => each.evaluated("PRODUCT_BUNDLE_IDENTIFIER") ?? [])[0];
    const suffix = identifier && bundle !== undefined ? suffixOf(bundle, identifier) : undefined;
    if (suffix === undefined) return undefined;
    return {
      target: name === app.name ? undefined : name,
      holds: `identifiers.${platform}`,
      suffix,
      ...entitlementsOf(template, project, settings),
    };
  };
  const signed: SignedTarget[] = [];
  for (const target of own) {
    const signs = signedAs(target);
    if (signs) signed.push(signs);
    for (const { start, sites } of target.settings) {
      if (teams.length === 0 && start !== undefined) fills.push(teamPlace(project.file, start));
      for (const { setting, shape } of signingSettings)
        for (const site of sites(setting))
          fills.push({ holds: "signing.profile", site, shape, optional: true, ...(signs ? { signs } : {}) });
    }
  }
  return { fills, signed: [...new Map(signed.map((each) => [each.target, each])).values()] };
}

/** What follows from a target's profile: a store's goes with signing by hand, as a distribution (Apple). */
const signingSettings = [
  { setting: "PROVISIONING_PROFILE_SPECIFIER", shape: "text" },
  { setting: "CODE_SIGN_STYLE", shape: "manualSigning" },
  { setting: "CODE_SIGN_IDENTITY", shape: "distributionIdentity" },
] as const;

/** The file with a target's entitlements: the one that a release is signed with, where they differ. */
function entitlementsOf(
  template: Folder,
  { folder }: XcodeProject,
  settings: XcodeTarget["settings"],
): Pick<SignedTarget, "entitlements"> {
  const named = settings.flatMap((each) => {
    const path = each.evaluated("CODE_SIGN_ENTITLEMENTS");
    const file = path === undefined ? undefined : findFile(template, posix.join(folder, path));
    return file === undefined ? [] : [{ file, isRelease: /release/i.test(each.name) }];
  });
  const file = (named.find(({ isRelease }) => isRelease) ?? named[0])?.file;
  return file === undefined ? {} : { entitlements: file };
}

const teamPlace = (file: string, at: number): Fill => ({
  holds: "signing.team",
  site: emptySite(file, at, "openstep"),
  shape: "text",
  optional: true,
  opens: "\n\t\t\t\tDEVELOPMENT_TEAM = ",
  closes: ";",
});

/**
 * The dark and the tinted form of an icon that is one picture for all (Apple, asset catalog reference, appearances).
 */
export function appearances(template: Folder, set: string, only: JsonNode, wants: Wants): Partial<Found> {
  const file = `${set}/Contents.json`;
  const place = placeAt(template.source(file), only.offset);
  const missing = [{ kind: "dark-icon", added: wants("dark-icon"), place }] as const;
  if (!wants("dark-icon")) return { missing };
  const slots = iosIconSlots.filter(({ qualifier }) => /^universal-(dark|tinted)$/.test(qualifier));
  const at = only.offset + only.length;
  return {
    missing,
    pictures: slots.map((slot) => ({ slot, path: `${set}/icon-${slot.qualifier}.png` })),
    fills: slots.map(({ qualifier }) => {
      const entry = {
        appearances: [{ appearance: "luminosity", value: qualifier.replace("universal-", "") }],
        filename: `icon-${qualifier}.png`,
        idiom: "universal",
        platform: "ios",
        size: "1024x1024",
      };
      return insertedText(file, at, `,\n${indent(JSON.stringify(entry, null, 2))}`);
    }),
  };
}

/**
 * The icon of 1024 pixels that the store asks for, in a set that has one for each size (Apple, asset catalog reference,
 * ios-marketing). @param last the set's last entry
 */
export function marketingIcon(template: Folder, set: string, last: JsonNode, wants: Wants): Partial<Found> {
  const file = `${set}/Contents.json`;
  const kind = "marketing-icon";
  const missing = [{ kind, added: wants(kind), place: placeAt(template.source(file), last.offset) }] as const;
  const slot = iosIconSlots.find(({ qualifier }) => qualifier.startsWith("ios-marketing"));
  if (!wants(kind) || !slot) return { missing };
  const filename = "icon-ios-marketing-1024.png";
  const entry = { filename, idiom: "ios-marketing", scale: "1x", size: "1024x1024" };
  return {
    missing,
    pictures: [{ slot, path: `${set}/${filename}` }],
    fills: [insertedText(file, last.offset + last.length, `,\n${indent(JSON.stringify(entry, null, 2))}`)],
  };
}

const indent = (text: string): string => text.replace(/^/gm, "    ");

/** The dark form of a colour, behind the last one of its set. */
export function darkColor(template: Folder, file: string, last: JsonNode, holds: Field, wants: Wants): Partial<Found> {
  const place = placeAt(template.source(file), last.offset);
  const missing = [{ kind: "dark-colors", added: wants("dark-colors"), place }] as const;
  if (!wants("dark-colors")) return { missing };
  const at = last.offset + last.length;
  const head = `,
    {
      "appearances" : [
        { "appearance" : "luminosity", "value" : "dark" }
      ],
      "idiom" : "universal",
      "color" : {
        "color-space" : "srgb",
        "components" : { "red" : `;
  const parts = [
    { shape: "red", opens: head, closes: "" },
    { shape: "green", opens: ', "green" : ', closes: "" },
    { shape: "blue", opens: ', "blue" : ', closes: ', "alpha" : "1.000" }\n      }\n    }' },
  ] as const;
  // The notation of what is put in: hexadecimal, as Xcode offers it.
  const site = { ...emptySite(file, at, "json"), value: "0x00" };
  return { missing, fills: parts.map((part) => ({ holds: darkOf(holds), site, ...part })) };
}
