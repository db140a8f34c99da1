import { type Folder, textIfAny } from "../files/folder.ts";
import { type Cut, elementCut, keyCuts, openStepCuts } from "../splice/cut.ts";
import { entry, openStepSite, parseOpenStep, parseStrings, stringsSite } from "../splice/openstep.ts";
import { plistSite, plistStart, plistStrings } from "../splice/plist.ts";
import { emptySite } from "../splice/site.ts";
import { parseXml } from "../splice/xml.ts";
import type { Found, Search } from "./feature-places.ts";

/** A feature in property lists, entitlements, their texts by language, and in the project's settings. */
export const inIos: Search = (template, files, { ios }) => {
  const found: Found = { cuts: [], adds: [], usage: [] };
  const usage = ios?.usage ?? [];
  const keys = [...usage, ...(ios?.entitlements ?? []), ...(ios?.keys ?? [])];
  for (const file of files) {
    if (
      !/\.(plist|entitlements|pbxproj|strings)$/.test(file) ||
      textIfAny(template.bytes(file)) === undefined
    )
      continue;
    const source = template.source(file);
    if (file.endsWith(".pbxproj")) inProject(found, file, template, usage);
    else if (/\/InfoPlist\.strings$/.test(file)) {
      const locale = /([^/]+)\.lproj\//.exec(file)?.[1] ?? "";
      found.cuts.push(...openStepCuts(file, source.text, parseStrings(source), usage));
      for (const key of usage) {
        const site = stringsSite(file, source, key);
        if (site) found.usage.push({ key, locale: locale === "Base" ? "" : locale, site });
      }
    } else if (!file.endsWith(".strings")) {
      const root = parseXml(source);
      found.cuts.push(...keyCuts(file, source.text, root, keys));
      found.cuts.push(...backgroundCuts(file, source.text, root, ios?.background ?? []));
      for (const key of usage) {
        const site = plistSite(plistStrings(file, source), key);
        if (site) found.usage.push({ key, locale: "", site });
      }
    }
  }
  // An app that asks for something and says nowhere what for is refused by the store: the text gets a place.
  const [first] = usage;
  if (first && found.usage.every(({ locale }) => locale !== "")) addUsage(found, template, files, first);
  return found;
};

function inProject(found: Found, file: string, template: Folder, usage: readonly string[]): void {
  const source = template.source(file);
  const objects = entry(parseOpenStep(source), "objects");
  if (objects?.kind !== "group") return;
  const settings = usage.map((key) => `INFOPLIST_KEY_${key}`);
  for (const object of objects.entries.values()) {
    const group = entry(object, "buildSettings");
    found.cuts.push(...openStepCuts(file, source.text, group, settings));
    for (const key of usage) {
      const site = openStepSite(file, entry(group, `INFOPLIST_KEY_${key}`));
      if (site) found.usage.push({ key, locale: "", site });
    }
  }
}

/** The property list of an app: the one that says which storyboard, or which launch screen, it has. */
function addUsage(found: Found, template: Folder, files: readonly string[], key: string): void {
  const main = files.find(
    (file) => file.endsWith(".plist") && /<key>UILaunch/.test(template.source(file).text),
  );
  const at = main === undefined ? undefined : plistStart(template.source(main));
  if (main === undefined || at === undefined) return;
  const site = emptySite(main, at, "xml-text");
  found.usage.push({
    key,
    locale: "",
    site,
    opens: `\n\t<key>${key}</key>\n\t<string>`,
    closes: "</string>",
  });
}

/** Entries of UIBackgroundModes. */
function backgroundCuts(
  file: string,
  text: string,
  root: ReturnType<typeof parseXml>,
  modes: readonly string[],
): Cut[] {
  const children = root.children[0]?.children ?? [];
  const at = children.findIndex(({ name, text: key }) => name === "key" && key === "UIBackgroundModes");
  const entries = children[at + 1]?.children ?? [];
  return at === -1
    ? []
    : entries.filter((each) => modes.includes(each.text)).map((each) => elementCut(file, text, each));
}
