import type { Node as JsonNode } from "jsonc-parser";
import { iosIconSlots } from "../catalog/ios.ts";
import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { plistStart } from "../splice/plist.ts";
import { emptySite, type Site } from "../splice/site.ts";
import { darkOf, type Field } from "../values/fields.ts";
import type { MissingKind, Wants } from "../values/missing.ts";
import type { XcodePart } from "./ios-identity.ts";
import { type Fill, type Found, insertedText } from "./survey.ts";
import type { XcodeProject, XcodeTarget } from "./xcode.ts";

interface Project {
  template: Folder;
  wants: Wants;
  project: XcodeProject;
  app: XcodeTarget;
  /** The app's property list, where it has one as a file. */
  main: string | undefined;
}

/** A display name for an app that shows its product's: in its property list, or as the build setting that stands for it. */
export function displayName({ template, wants, project, app, main }: Project): Found | undefined {
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
  kind: MissingKind,
  file: string,
  at: number,
  wants: Wants,
  fills: Fill[],
): Found => ({
  fills,
  pictures: [],
  brandFiles: [],
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
  { project, targets, identifier }: XcodePart,
  app: XcodeTarget,
  ofCode: readonly XcodeTarget[],
): { fills: Fill[]; signed: { target: string; suffix: string }[] } {
  const own = targets.filter(isSigned);
  const all = [...targets, ...ofCode, { settings: project.settings }].flatMap(({ settings }) => settings);
  const teams = all.flatMap((settings) => settings.sites("DEVELOPMENT_TEAM"));
  const fills: Fill[] = teams.map((site) => ({ holds: "signing.team", site, shape: "text", optional: true }));
  for (const { settings, name } of own) {
    for (const { start, sites } of settings) {
      if (teams.length === 0 && start !== undefined) fills.push(teamPlace(project.file, start));
      for (const site of sites("PROVISIONING_PROFILE_SPECIFIER"))
        fills.push({
          holds: "signing.profile",
          site,
          shape: "text",
          optional: true,
          ...(name === app.name ? {} : { target: name }),
        });
    }
  }
  const signed = own.flatMap(({ name, settings }) => {
    const bundle = settings.flatMap((each) => each.evaluated("PRODUCT_BUNDLE_IDENTIFIER") ?? [])[0];
    return identifier && bundle?.startsWith(identifier)
      ? [{ target: name === app.name ? "" : name, suffix: bundle.slice(identifier.length) }]
      : [];
  });
  return { fills, signed: [...new Map(signed.map((each) => [each.target, each])).values()] };
}

const teamPlace = (file: string, at: number): Fill => ({
  holds: "signing.team",
  site: emptySite(file, at, "openstep"),
  shape: "text",
  optional: true,
  opens: "\n\t\t\t\tDEVELOPMENT_TEAM = ",
  closes: ";",
});

/** The dark and the tinted form of an icon that is one picture for all (Apple, asset catalog reference, appearances). */
export function addAppearances(
  into: Found,
  template: Folder,
  set: string,
  only: JsonNode,
  wants: Wants,
): void {
  const file = `${set}/Contents.json`;
  into.missing.push({
    kind: "dark-icon",
    added: wants("dark-icon"),
    place: placeAt(template.source(file), only.offset),
  });
  if (!wants("dark-icon")) return;
  const at = only.offset + only.length;
  for (const value of ["dark", "tinted"]) {
    const slot = iosIconSlots.find((each) => each.qualifier === `universal-${value}`);
    if (!slot) continue;
    const filename = `icon-universal-${value}.png`;
    const entry = {
      appearances: [{ appearance: "luminosity", value }],
      filename,
      idiom: "universal",
      platform: "ios",
      size: "1024x1024",
    };
    const opens = `,\n${indented(JSON.stringify(entry, null, 2))}`;
    into.pictures.push({ slot, path: `${set}/${filename}` });
    into.fills.push(insertedText(file, at, opens));
  }
}

const indented = (text: string): string => text.replace(/^/gm, "    ");

/** The dark form of a colour, behind the last one of its set. */
export function addDarkColor(
  into: Found,
  template: Folder,
  file: string,
  last: JsonNode,
  holds: Field,
  wants: Wants,
): void {
  into.missing.push({
    kind: "dark-colors",
    added: wants("dark-colors"),
    place: placeAt(template.source(file), last.offset),
  });
  if (!wants("dark-colors")) return;
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
  for (const { shape, opens, closes } of parts) {
    // The notation of what is put in: hexadecimal, as Xcode offers it.
    const site = { ...emptySite(file, at, "json"), value: "0x00" };
    into.fills.push({ holds: darkOf(holds), site, shape, opens, closes });
  }
}
