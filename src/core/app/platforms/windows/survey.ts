import {
  attributeOf,
  attributeSite,
  find,
  findAll,
  parseXml,
  textSite,
  type XmlElement,
} from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { slotPath } from "../../../pictures/slots/slot.ts";
import { schemeFill } from "../../template/addresses.ts";
import {
  type Fill,
  firstOfEachPlace,
  heldValues,
  type PartSurvey,
  type PictureUse,
  type SurveyPart,
} from "../../template/found.ts";
import { programScripts } from "../../template/resource-scripts.ts";
import { windowsEarlierSlots, windowsSlots } from "./catalog.ts";
import { dotnetFills, folderOf } from "./dotnet.ts";
import { itemLists } from "./items.ts";
import { thumbprints, windowsProgram } from "./program.ts";

/** An attribute of the package manifest, and what it holds (Microsoft, package manifest schema reference). */
interface ManifestFound {
  element: string;
  /** Absent: the element's text. */
  attribute?: string;
  holds: Field;
  color?: true;
}

const held: readonly ManifestFound[] = [
  { element: "Identity", attribute: "Name", holds: "identifiers.windows" },
  { element: "Identity", attribute: "Publisher", holds: "windows.publisher" },
  { element: "Identity", attribute: "Version", holds: "windows.version" },
  { element: "Properties/DisplayName", holds: "app.name" },
  { element: "Properties/PublisherDisplayName", holds: "windows.publisherName" },
  { element: "PhoneIdentity", attribute: "PhoneProductId", holds: "windows.phoneId" },
  { element: "VisualElements", attribute: "DisplayName", holds: "app.name" },
  { element: "VisualElements", attribute: "Description", holds: "app.name" },
  { element: "VisualElements", attribute: "BackgroundColor", holds: "colors.ground", color: true },
  { element: "DefaultTile", attribute: "ShortName", holds: "app.label" },
  { element: "SplashScreen", attribute: "BackgroundColor", holds: "colors.start", color: true },
];

/**
 * Where the manifest names a picture; the role is the catalog's. Names of the earlier namespaces are looked for in
 * silence.
 */
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
export const isPackageManifest = (file: string): boolean => /(\.appxmanifest|(^|\/)AppxManifest\.xml)$/i.test(file);

/** Surveys the Windows packages and programs of a template; undefined where there is neither. */
export const surveyWindows: SurveyPart = (template, { inStore }) => {
  const manifests = template.list().filter(isPackageManifest);
  const projects = dotnetFills(template);
  const folders = projects.map(({ folder }) => folder);
  const programs = programFolders(template, manifests, folders);
  if (manifests.length === 0 && programs.length === 0) return undefined;
  const packages = manifests.map((file) => surveyPackage(template, file));
  const folder = manifests[0] === undefined ? (programs[0] ?? "") : folderOf(manifests[0]);
  const ofPackages = firstOfEachPlace(packages.flatMap(({ fills }) => fills));
  const names = heldValues(ofPackages, "app.name", "app.label");
  const saidIn = (at: string) => projects.filter((each) => each.folder === at).flatMap(({ fills }) => fills);
  const own = programs.map((each) => windowsProgram(template, each, names, saidIn(each)));
  const brandFiles = packages.flatMap((each) => each.brandFiles);
  const pictures = [...packages.flatMap((each) => each.pictures), ...own.flatMap((each) => each.pictures)];
  const drawn = pictures.map(({ path }) => path);
  const gone = new Set(brandFiles.filter((file) => !drawn.includes(file)));
  const listed = manifests.flatMap((file) => itemLists(template, folderOf(file), gone, drawn).fills);
  const signed = [...manifests.map(folderOf), ...programs].flatMap((each) => thumbprints(template, each));
  const fills = firstOfEachPlace([...ofPackages, ...own.flatMap((each) => each.fills), ...listed, ...signed]);
  return {
    platform: "windows",
    folder,
    identifiers: heldValues(fills, "identifiers.windows"),
    names: heldValues(fills, "app.name", "app.label"),
    fills,
    pictures: [
      ...new Map(pictures.map((each) => [each.path, each])).values(),
      // A program alone goes into the store as its installer does: by hand.
      ...(manifests.length > 0 ? inStore.map((slot) => ({ slot, path: slot.path })) : []),
    ],
    brandFiles: [...new Set([...brandFiles, ...own.flatMap((each) => each.pictures.map(({ path }) => path))])].sort(),
    added: [],
    missing: [],
    gaps: [...packages, ...own].flatMap((each) => each.gaps),
    ...minimumOf(template, manifests[0]),
  };
};

/** The least system that a package runs on (Package manifest schema, TargetDeviceFamily). */
function minimumOf(template: Folder, manifest: string | undefined): Pick<PartSurvey, "minimum"> {
  if (manifest === undefined) return {};
  const [family] = findAll(parseXml(template.source(manifest)), "TargetDeviceFamily");
  const version = family && attributeOf(family, "MinVersion");
  return version === undefined ? {} : { minimum: `Windows ${version}` };
}

/** What begins a resource of a program (Microsoft, resource-definition statements). */
const resourceStatement =
  /^[ \t]*("?[\w.]+"?[ \t]+(ICON|VERSIONINFO|DIALOG(EX)?|MENU|BITMAP|RT_MANIFEST|24)\b|STRINGTABLE\b)/m;

/** Folders of programs with resources of their own: beside a package, or alone. */
function programFolders(template: Folder, manifests: readonly string[], projects: readonly string[]): string[] {
  const beside = new Set(manifests.flatMap((file) => [folderOf(file), folderOf(folderOf(file))]));
  const scripts = [...programScripts(template).keys()]
    .filter((file) => !/(^|\/)(node_modules|packages|third_party)\//.test(file))
    // Settings of other tools have that ending, too.
    .filter((file) => resourceStatement.test(textIfAny(template.bytes(file)) ?? ""));
  const folders = [...scripts.map(folderOf), ...projects];
  return [...new Set(folders)].filter(
    (folder) => manifests.length === 0 || beside.has(folder) || beside.has(folderOf(folder)),
  );
}

type Package = Pick<PartSurvey, "fills" | "pictures" | "brandFiles" | "gaps">;

function surveyPackage(template: Folder, file: string): Package {
  const folder = folderOf(file);
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
    if (!found || /[$]/.test(found.value)) return [];
    const sites = resourceSites(template, folder, found);
    if (sites.length === 0) gap(`${found.value} is in none of its resource files`);
    return sites.map((each) => ({ holds, site: each, shape: color ? "color" : "text" }));
  });
  const schemes = findAll(root, "Protocol").flatMap((element) => {
    const found = attributeSite(file, element, "Name");
    return found ? schemeFill(found) : [];
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
    if (/[$]/.test(base)) continue;
    const ext = /\.\w+$/.exec(base)?.[0] ?? ".png";
    const stem = `${folder ? `${folder}/` : ""}${base.slice(0, base.length - ext.length)}`;
    pictures.push(
      ...[...windowsSlots, ...windowsEarlierSlots]
        .filter((slot) => slot.role === role)
        .map((slot) => ({ slot, path: slotPath(slot, { stem, ext }) })),
    );
    brandFiles.push(...qualify(template, stem, ext));
  }
  // A badge that the manifest does not name lies there all the same, and is packed.
  for (const badge of unnamedBadges(template, folder, brandFiles)) brandFiles.push(badge);
  return { fills: [...fills, ...schemes], pictures, brandFiles, gaps };
}

/** Pictures for the lock screen that a starter lays beside the others and that nothing names. */
function unnamedBadges(template: Folder, folder: string, known: readonly string[]): string[] {
  const folders = new Set(known.map((file) => file.slice(0, file.lastIndexOf("/"))));
  return template
    .list()
    .filter(
      (file) =>
        (!folder || file.startsWith(`${folder}/`)) &&
        folders.has(file.slice(0, file.lastIndexOf("/"))) &&
        /\/(LockScreenLogo|BadgeLogo)(\.[\w-]+)?\.png$/i.test(file),
    );
}

function elementAt(root: XmlElement, path: string): XmlElement | undefined {
  return path.split("/").reduce<XmlElement | undefined>((at, name) => at && find(at, name), root);
}

/** A value in place, or behind `ms-resource:` in every language's resource file. */
function resourceSites(template: Folder, folder: string, site: Site): Site[] {
  const key = /^ms-resource:(?:\/*Resources\/)?(\w+)$/i.exec(site.value.trim())?.[1];
  if (!key) return [site];
  const files = template.list().filter((each) => each.endsWith(".resw") && (!folder || each.startsWith(`${folder}/`)));
  return files.flatMap((file) =>
    findAll(parseXml(template.source(file)), "data")
      .filter((data) => attributeOf(data, "name") === key)
      .flatMap((data) => textSite(file, find(data, "value")) ?? []),
  );
}

/** The files of a picture in all its qualifiers, in the name or in a folder of that name. */
function qualify(template: Folder, stem: string, ext: string): string[] {
  const form = new RegExp(`^${escapeRegExp(stem)}(\\.[\\w.-]+)?${escapeRegExp(ext)}$`, "i");
  return template.list().filter((file) => form.test(file));
}
