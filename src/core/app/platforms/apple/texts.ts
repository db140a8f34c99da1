import { posix } from "node:path";
import { jsonSite, parseJson } from "../../../formats/splice/formats/json.ts";
import { stringsSite } from "../../../formats/splice/formats/openstep.ts";
import type { PlistString } from "../../../formats/splice/formats/plist.ts";
import { attributeOf, attributeSite, parseXml, textSite, walk } from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import type { Fill } from "../../template/found.ts";
import { namedText } from "../../template/named-text.ts";
import type { XcodeProject } from "./project.ts";

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
  return languages.flatMap((language) => jsonSite(file, root, [...path, language, "stringUnit", "value"]) ?? []);
}

/** Attributes of storyboards and interface files that are shown (Apple, Interface Builder). */
const shownAttributes = ["text", "title", "headerTitle", "placeholder", "placeholderString", "label", "prompt"];

/**
 * Texts that people see and that hold one of the app's names: in storyboards, and in what the app says when it asks
 * for something.
 */
export function seenTexts(
  template: Folder,
  { folder }: XcodeProject,
  lists: readonly { strings: readonly PlistString[] }[],
  names: readonly string[],
  platform: Platform,
): Fill[] {
  const below = folder ? `${folder}/` : "";
  const boards = template.list().filter((file) => file.startsWith(below) && /\.(storyboard|xib)$/.test(file));
  const isMac = (file: string) => template.source(file).text.includes("MacOSX");
  const own = boards.filter((file) => isMac(file) === (platform === "desktop"));
  const inBoards = own.flatMap((file) =>
    [...walk(parseXml(template.source(file)))].flatMap((element) => [
      ...shownAttributes.flatMap((attribute) => attributeSite(file, element, attribute) ?? []),
      ...(element.name === "string" && shownAttributes.includes(attributeOf(element, "key") ?? "")
        ? [textSite(file, element) ?? []].flat()
        : []),
    ]),
  );
  const asked = lists.flatMap(({ strings }) =>
    strings.filter(({ path }) => /UsageDescription$/.test(String(path.at(-1)))).map(({ site }) => site),
  );
  return [...inBoards, ...asked].flatMap((site) => namedText(site, names));
}
