import type { Node as JsonNode } from "jsonc-parser";
import { iosIconSlots } from "../catalog/ios.ts";
import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { plistStart } from "../splice/plist.ts";
import { emptySite, type Site } from "../splice/site.ts";
import { darkOf, type Field } from "../values/fields.ts";
import type { MissingKind, Wants } from "../values/missing.ts";
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
