import { slotPath } from "../catalog/slot.ts";
import { windowsEarlierSlots, windowsSlots } from "../catalog/windows.ts";
import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { type Problem, problem } from "../problems/problem.ts";
import type { Site } from "../splice/site.ts";
import {
  attributeOf,
  attributeSite,
  find,
  findAll,
  parseXml,
  textSite,
  type XmlElement,
} from "../splice/xml.ts";
import type { Field } from "../values/fields.ts";
import { escapeRegExp } from "../values/regexp.ts";
import { type Fill, firstOfEachPlace, heldValues, type PictureUse, type SurveyPart } from "./survey.ts";

/** An attribute of the package manifest, and what it holds (Microsoft, package manifest schema reference). */
interface Held {
  element: string;
  /** Absent: the element's text. */
  attribute?: string;
  holds: Field;
  color?: true;
}

const held: readonly Held[] = [
  { element: "Identity", attribute: "Name", holds: "identifiers.windows" },
  { element: "Identity", attribute: "Publisher", holds: "windows.publisher" },
  { element: "Identity", attribute: "Version", holds: "windows.version" },
  { element: "Properties/DisplayName", holds: "app.name" },
  { element: "Properties/PublisherDisplayName", holds: "owner" },
  { element: "VisualElements", attribute: "DisplayName", holds: "app.name" },
  { element: "VisualElements", attribute: "Description", holds: "app.name" },
  { element: "VisualElements", attribute: "BackgroundColor", holds: "colors.ground", color: true },
  { element: "DefaultTile", attribute: "ShortName", holds: "app.label" },
  { element: "SplashScreen", attribute: "BackgroundColor", holds: "colors.start", color: true },
];

/** Where the manifest names a picture; the role is the catalog's. Names of the earlier namespaces are looked for in silence. */
const named: readonly { element: string; attribute?: string; role: string; earlier?: true }[] = [
  { element: "Properties/Logo", role: "Logo" },
  { element: "VisualElements", attribute: "Square150x150Logo", role: "Square150x150Logo" },
  { element: "VisualElements", attribute: "Square44x44Logo", role: "Square44x44Logo" },
  { element: "VisualElements", attribute: "Logo", role: "Square150x150Logo", earlier: true },
  { element: "VisualElements", attribute: "SmallLogo", role: "Square30x30Logo", earlier: true },
  { element: "VisualElements", attribute: "Square30x30Logo", role: "Square30x30Logo", earlier: true },
  { element: "DefaultTile", attribute: "WideLogo", role: "Wide310x150Logo", earlier: true },
  { element: "DefaultTile", attribute: "Square70x70Logo", role: "Square70x70Logo", earlier: true },
  { element: "DefaultTile", attribute: "Wide310x150Logo", role: "Wide310x150Logo" },
  { element: "DefaultTile", attribute: "Square71x71Logo", role: "Square71x71Logo" },
  { element: "DefaultTile", attribute: "Square310x310Logo", role: "Square310x310Logo" },
  { element: "SplashScreen", attribute: "Image", role: "SplashScreen" },
  { element: "LockScreen", attribute: "BadgeLogo", role: "BadgeLogo" },
];

/** Whether a file is a package manifest, by its name. */
export const isPackageManifest = (file: string): boolean =>
  /(\.appxmanifest|(^|\/)AppxManifest\.xml)$/i.test(file);

/** Surveys the Windows package of a template; undefined where there is none. */
export const surveyWindows: SurveyPart = (template) => {
  const file = template.list().find(isPackageManifest);
  if (!file) return undefined;
  const folder = file.includes("/") ? file.slice(0, file.lastIndexOf("/")) : "";
  const root = parseXml(template.source(file));
  const site = (path: string, attribute: string | undefined) => {
    const element = elementAt(root, path);
    return attribute ? attributeSite(file, element, attribute) : textSite(file, element);
  };
  const gaps: Problem[] = [];
  const gap = (what: string) => {
    const place = placeAt(template.source(file), root.start);
    gaps.push(problem("template-gap", `Windows: ${what}.`, { severity: "warning", place }));
  };
  const fills = held.flatMap(({ element, attribute, holds, color }): Fill[] => {
    const found = site(element, attribute);
    if (!found) return [];
    const sites = resourceSites(template, folder, found);
    if (sites.length === 0) gap(`${found.value} is in none of its resource files`);
    return sites.map((each) => ({ holds, site: each, shape: color ? "color" : "text" }));
  });
  const pictures: PictureUse[] = [];
  const brandFiles: string[] = [];
  const isEarlier = named.some(({ element, attribute, earlier }) => earlier && site(element, attribute));
  for (const { element, attribute, role, earlier } of named) {
    const base = site(element, attribute)?.value.trim().replaceAll("\\", "/");
    if (!base) {
      if (role !== "BadgeLogo" && !earlier && !isEarlier) gap(`the manifest names no ${role}`);
      continue;
    }
    const ext = /\.\w+$/.exec(base)?.[0] ?? ".png";
    const stem = `${folder ? `${folder}/` : ""}${base.slice(0, base.length - ext.length)}`;
    pictures.push(
      ...[...windowsSlots, ...windowsEarlierSlots]
        .filter((slot) => slot.role === role)
        .map((slot) => ({ slot, path: slotPath(slot, { stem, ext }) })),
    );
    brandFiles.push(...qualified(template, stem, ext));
  }
  const first = firstOfEachPlace(fills);
  return {
    platform: "windows",
    folder,
    identifiers: heldValues(first, "identifiers.windows"),
    names: heldValues(first, "app.name", "app.label"),
    fills: first,
    pictures: [...new Map(pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set(brandFiles)].sort(),
    added: [],
    missing: [],
    gaps,
  };
};

function elementAt(root: XmlElement, path: string): XmlElement | undefined {
  return path.split("/").reduce<XmlElement | undefined>((at, name) => at && find(at, name), root);
}

/** A value in place, or behind `ms-resource:` in every language's resource file. */
function resourceSites(template: Folder, folder: string, site: Site): Site[] {
  const key = /^ms-resource:(?:\/*Resources\/)?(\w+)$/i.exec(site.value.trim())?.[1];
  if (!key) return [site];
  const files = template
    .list()
    .filter((each) => each.endsWith(".resw") && (!folder || each.startsWith(`${folder}/`)));
  return files.flatMap((file) =>
    findAll(parseXml(template.source(file)), "data")
      .filter((data) => attributeOf(data, "name") === key)
      .flatMap((data) => textSite(file, find(data, "value")) ?? []),
  );
}

/** The files of a picture in all its qualifiers, in the name or in a folder of that name. */
function qualified(template: Folder, stem: string, ext: string): string[] {
  const form = new RegExp(`^${escapeRegExp(stem)}(\\.[\\w.-]+)?${escapeRegExp(ext)}$`, "i");
  return template.list().filter((file) => form.test(file));
}
