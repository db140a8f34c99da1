import { posix } from "node:path";
import {
  entry,
  itemsOf,
  type OpenStep,
  openStepSite,
  stringsSite,
  textOf,
} from "../../../formats/splice/formats/openstep.ts";
import { plistSite, plistStrings } from "../../../formats/splice/formats/plist.ts";
import { write } from "../../../formats/splice/forms.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { sha256 } from "../../../ground/values/hash.ts";
import type { PartSurvey } from "../../template/found.ts";
import {
  insertion,
  type Localize,
  type Localized,
  mergeLocalized,
  nothingLocalized,
  type Spoken,
} from "../../template/localized.ts";
import { isa, type XcodeObjects, xcodeObjects } from "./objects.ts";

const stringsFile = "InfoPlist.strings";

/** Property list keys that are shown to people, in the app's own InfoPlist.strings of each language. */
export const localizeIos: Localize = (template, part, names, main) => {
  const file = part.fills.find(({ site }) => site.file.endsWith(".pbxproj"))?.site.file;
  const inFolder = (at: string) =>
    [main, ...names].map((each) => inStrings(template, `${at}/${each.locale}.lproj/${stringsFile}`, each));
  // Of a folder of resources, whatever lies in it goes into the project that is made of it.
  if (!file)
    return /(^|\/)App_Resources\/iOS$/.test(part.folder) ? mergeLocalized(inFolder(part.folder)) : nothingLocalized;
  const project = languagesIn(xcodeObjects(template.source(file)));
  const folder = posix.join(part.folder, project.folder);
  const spoken = inFolder(folder);
  const added = [main, ...names].filter((_, at) => spoken[at]?.writes).map(({ locale }) => locale);
  return mergeLocalized([
    ...spoken,
    added.length > 0 ? registerFiles(file, project, added) : {},
    { values: developmentRegion(template, part, project, file, main.locale) },
  ]);
};

/** A language's texts: where its file has them, behind what it has, or in a new one. */
function inStrings(template: Folder, path: string, { label, usage }: Spoken): Partial<Localized> {
  const lines = Object.entries({ CFBundleDisplayName: label.value, ...usage }).map(([key, value]) => ({
    key,
    value,
    line: `${key} = ${write("openstep-quoted", value)};\n`,
  }));
  if (!template.has(path)) return { writes: [{ path, text: lines.map(({ line }) => line).join("") }] };
  const source = template.source(path);
  return mergeLocalized(
    lines.map(({ key, value, line }) => {
      const site = stringsSite(path, source, key);
      return site ? { values: [{ site, value }] } : { inserts: [insertion(path, source.text.length, `\n${line}`)] };
    }),
  );
}

/** Texts of the app's own, beside its names: what language they are in, the template knows. */
const ownTexts = /\.lproj\/(?!InfoPlist\.strings)[^/]+\.strings(dict)?$|\/(?!InfoPlist)[^/]+\.xcstrings$/;

/**
 * The language for whoever has none of those that the app has (Apple, CFBundleDevelopmentRegion). Where the app has
 * texts of its own in the template's language, that stays the one to fall back on.
 */
function developmentRegion(
  template: Folder,
  part: PartSurvey,
  { region }: Project,
  file: string,
  locale: string,
): Localized["values"] {
  const below = part.folder ? `${part.folder}/` : "";
  const files = template.list().filter((each) => each.startsWith(below));
  if (files.some((each) => ownTexts.test(each))) return [];
  const inProject = openStepSite(file, region);
  const lists = new Set(part.fills.map(({ site }) => site.file).filter((each) => each.endsWith(".plist")));
  const inLists = [...lists].flatMap(
    (each) => plistSite(plistStrings(each, template.source(each)), "CFBundleDevelopmentRegion") ?? [],
  );
  const sites = [...(inProject ? [inProject] : []), ...inLists];
  return sites.filter(({ value }) => value !== locale && !value.includes("$")).map((site) => ({ site, value: locale }));
}

/** Where a project keeps what belongs to a language. */
interface Project {
  objects: OpenStep | undefined;
  /** Folder of the app's property list, relative to the project's. */
  folder: string;
  /** Group whose path is that folder, and how the files are to be named from it. */
  group: OpenStep | undefined;
  prefix: string;
  resources: OpenStep | undefined;
  regions: OpenStep | undefined;
  region: OpenStep | undefined;
  variants: OpenStep | undefined;
  /** The folder is one that Xcode keeps in step with the disk by itself. */
  synchronized: boolean;
}

function languagesIn({ group: objects, all, project, targets, listed, configurations }: XcodeObjects): Project {
  const nodes = all.map(([, node]) => node);
  const app = targets.find((target) => textOf(entry(target, "productType")) === "com.apple.product-type.application");
  const plist = configurations(app)
    .map((configuration) => textOf(entry(configuration, "buildSettings", "INFOPLIST_FILE")))
    .find((value) => value !== undefined);
  const folder = plist ? posix.dirname(plist) : (textOf(entry(app, "name")) ?? "");
  const named = nodes.filter((node) => textOf(entry(node, "path")) === folder);
  // A group may have a name and no folder of its own: its files then say the whole way.
  const list = all.find(([, node]) => isa(node, "PBXFileReference") && textOf(entry(node, "path")) === plist)?.[0];
  const holding = nodes.find(
    (node) => isa(node, "PBXGroup") && itemsOf(entry(node, "children")).some((id) => textOf(id) === list),
  );
  const own = named.find((node) => isa(node, "PBXGroup"));
  return {
    objects,
    folder,
    group: own ?? holding,
    prefix: own ? "" : `${folder}/`,
    synchronized: named.some((node) => isa(node, "PBXFileSystemSynchronizedRootGroup")),
    resources: listed(entry(app, "buildPhases")).find((phase) => isa(phase, "PBXResourcesBuildPhase")),
    regions: entry(project, "knownRegions"),
    region: entry(project, "developmentRegion"),
    variants: nodes.find((node) => isa(node, "PBXVariantGroup") && textOf(entry(node, "name")) === stringsFile),
  };
}

/** An identifier for an object of the project: 24 hexadecimal digits, the same each time. */
const idFor = (what: string): string => sha256(`oxalis ${what}`).slice(0, 24).toUpperCase();

/**
 * What tells the project of its new files: a reference each, a group of variants, its place in the app's group and
 * resources.
 */
function registerFiles(file: string, project: Project, locales: readonly string[]): Partial<Localized> {
  const { objects, group, prefix, resources, regions, variants, synchronized } = project;
  const listed = new Set(itemsOf(regions).map(textOf));
  const missing = locales.filter((locale) => !listed.has(locale));
  const text = missing.map((locale) => `\n\t\t\t\t${write("openstep", locale)},`).join("");
  const known = regions?.kind === "list" && text ? [insertion(file, regions.start, text)] : [];
  if (synchronized) return { inserts: known };
  const [children, files] = [entry(group, "children"), entry(resources, "files")];
  if (objects?.kind !== "group" || children?.kind !== "list" || files?.kind !== "list") {
    const message =
      `iOS: the project has no group and resources for ${project.folder}, so it does not know the new ` +
      `${stringsFile}.`;
    return { inserts: known, gaps: [problem("template-gap", message, { severity: "warning" })] };
  }
  const reference = (locale: string) => idFor(`reference ${locale}`);
  const references = locales.map(
    (locale) =>
      `\n\t\t${reference(locale)} /* ${locale} */ = {isa = PBXFileReference; lastKnownFileType = ` +
      `text.plist.strings; name = ${write("openstep", locale)}; path = ` +
      `${write("openstep", `${prefix}${locale}.lproj/${stringsFile}`)}; sourceTree = "<group>"; };`,
  );
  const members = locales.map((locale) => `\n\t\t\t\t${reference(locale)} /* ${locale} */,`).join("");
  const present = entry(variants, "children");
  if (present?.kind === "list") {
    const joined = [insertion(file, objects.start, references.join("")), insertion(file, present.start, members)];
    return { inserts: [...known, ...joined] };
  }
  const [variant, build] = [idFor("variant group"), idFor("build file")];
  const variantGroup =
    `\n\t\t${variant} /* ${stringsFile} */ = {\n\t\t\tisa = PBXVariantGroup;\n\t\t\tchildren = ` +
    `(${members}\n\t\t\t);\n\t\t\tname = ${stringsFile};\n\t\t\tsourceTree = "<group>";\n\t\t};`;
  const buildFile =
    `\n\t\t${build} /* ${stringsFile} in Resources */ = {isa = PBXBuildFile; fileRef = ${variant} /* ` +
    `${stringsFile} */; };`;
  return {
    inserts: [
      ...known,
      insertion(file, objects.start, [...references, variantGroup, buildFile].join("")),
      insertion(file, children.start, `\n\t\t\t\t${variant} /* ${stringsFile} */,`),
      insertion(file, files.start, `\n\t\t\t\t${build} /* ${stringsFile} in Resources */,`),
    ],
  };
}
