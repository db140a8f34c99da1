import { posix } from "node:path";
import { openSettings, type Setting, type Settings } from "../../../formats/splice/settings.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { hostFill } from "../../template/addresses.ts";
import type { Fill, PictureUse } from "../../template/found.ts";
import { namedText } from "../../template/named-text.ts";
import { pictureSize } from "../../template/picture-size.ts";
import type { Shape } from "../../template/shapes.ts";
import { socialSlot, touchSide, webSlot } from "./catalog.ts";
import { openSite, type WebFolders } from "./links.ts";
import { favicon, manifestFields, manifestSlot } from "./manifest.ts";
import { metaFields } from "./meta.ts";

/** What a page framework's code says of the app: heads and web manifests that are made at the build. */
export interface CodeWeb {
  /** Folder of the project; undefined where no code says anything. */
  folder: string | undefined;
  fills: Fill[];
  pictures: PictureUse[];
  /** Whether a web manifest is made. */
  hasManifest: boolean;
}

/** Files in which page frameworks and bundlers make a page's head or its web manifest. */
const telling = longPattern()`
  (^|\/)(layout|_document|_app|_layout|\+html|root|__root|head|seo|site|manifest
  |[\w-]+\.config)\.([cm]?[jt]s|[jt]sx)$
`;

/** Folders of code that is no page's: tests, what a build made, native projects. */
const aside = /(^|\/)(test|tests|__tests__|e2e|dist|out|node_modules|android|ios|macos|windows|\.next)\//;

/** Members of a head that is made in code, by the last names that lead to them. */
const headFields: readonly { at: readonly string[]; holds: Field | "host"; shape?: Shape }[] = [
  { at: ["metadata", "title"], holds: "app.name" },
  { at: ["metadata", "title", "default"], holds: "app.name" },
  { at: ["metadata", "applicationName"], holds: "app.name" },
  { at: ["openGraph", "title"], holds: "app.name" },
  { at: ["openGraph", "siteName"], holds: "app.name" },
  { at: ["twitter", "title"], holds: "app.name" },
  { at: ["appleWebApp", "title"], holds: "app.label" },
  { at: ["metadata", "creator"], holds: "owner" },
  { at: ["metadata", "publisher"], holds: "owner" },
  { at: ["metadata", "metadataBase", "URL"], holds: "host" },
  { at: ["openGraph", "url"], holds: "host" },
  { at: ["alternates", "canonical"], holds: "host" },
  { at: ["viewport", "themeColor"], holds: "colors.brand", shape: "color" },
  { at: ["metadata", "themeColor"], holds: "colors.brand", shape: "color" },
  { at: ["head", "title"], holds: "app.name" },
  { at: ["Head", "title"], holds: "app.name" },
  { at: ["siteMetadata", "title"], holds: "app.name" },
  { at: ["siteMetadata", "siteUrl"], holds: "host" },
];

/** Texts of a head that hold a name among other words. */
const namedFields: readonly (readonly string[])[] = [
  ["metadata", "title", "template"],
  ["metadata", "description"],
  ["openGraph", "description"],
  ["twitter", "description"],
  ["siteMetadata", "description"],
];

/** Pictures that a page framework finds by their names, beside the file that makes the head. */
const byName: readonly { name: RegExp; use: (path: string, side: number) => PictureUse[] }[] = [
  { name: /^(favicon\.ico|icon\d*\.(png|ico|svg))$/, use: (path, side) => favicon(path, String(side)) },
  { name: /^apple-icon\d*\.png$/, use: (path) => [{ slot: webSlot("touch", touchSide), path }] },
  { name: /^(opengraph|twitter)-image\d*\.png$/, use: (path) => [{ slot: socialSlot, path }] },
];

/** Finds heads and web manifests that are made in code. Only literals are touched. */
export function webInCode(template: Folder): CodeWeb {
  const found: CodeWeb = { folder: undefined, fills: [], pictures: [], hasManifest: false };
  const files = template.list().filter((file) => telling.test(file) && !aside.test(file));
  for (const file of files) {
    if (!mayTell.test(textIfAny(template.bytes(file)) ?? "")) continue;
    const settings = openSettings(template, file);
    if (!settings) continue;
    const folder = projectOf(template, file);
    const head = headFills(settings);
    const manifest = manifestIn(template, settings, openSite(template, folder));
    if (head.length === 0 && !manifest) continue;
    found.folder ??= folder;
    found.fills.push(...head, ...(manifest?.fills ?? []));
    found.pictures.push(...(manifest?.pictures ?? []), ...(head.length > 0 ? besideHead(template, file) : []));
    if (manifest) found.hasManifest = true;
  }
  return found;
}

const mayTell = /\b(metadata|head|Head|viewport|siteMetadata|short_name|theme_color)\b/;

/** The nearest folder upward that a package manager knows as a project. */
function projectOf(template: Folder, file: string): string {
  for (let folder = posix.dirname(file); folder !== "."; folder = posix.dirname(folder))
    if (template.has(`${folder}/package.json`)) return folder;
  return "";
}

const endsWith = (path: readonly string[], end: readonly string[]): boolean =>
  end.length <= path.length && end.every((step, at) => step === path[path.length - end.length + at]);

function headFills({ values }: Settings): Fill[] {
  const plain = values.flatMap(({ path, site }): Fill[] => {
    const field = headFields.find(({ at }) => endsWith(path, at));
    if (!field || site.value === "") return [];
    if (field.holds === "host") return hostFill(site);
    return [{ holds: field.holds, site, shape: field.shape ?? "text" }];
  });
  const names = plain.filter(({ holds }) => holds === "app.name").map(({ site }) => site.value);
  const named = values
    .filter(({ path }) => namedFields.some((end) => endsWith(path, end)))
    .flatMap(({ site }) => namedText(site, names));
  return [...plain, ...named, ...metaFills(values)];
}

/** Entries of a head's list of meta elements: the content, by the name or property beside it. */
function metaFills(values: readonly Setting[]): Fill[] {
  return values.flatMap(({ path, site }): Fill[] => {
    if (path.at(-1) !== "content" || path.at(-3) !== "meta") return [];
    const beside = (key: string) =>
      values.find((each) => each.path.join(".") === [...path.slice(0, -1), key].join("."))?.site.value;
    const meta = metaFields[beside("name") ?? beside("property") ?? ""];
    return meta ? [{ holds: meta.holds, site, shape: meta.shape ?? "text" }] : [];
  });
}

/** A group of members that only a web manifest has, with its icons. */
function manifestIn(
  template: Folder,
  { values, groups }: Settings,
  site: WebFolders,
): { fills: Fill[]; pictures: PictureUse[] } | undefined {
  const telltale = ["short_name", "theme_color", "background_color", "display", "start_url", "icons"];
  const group = groups.find(
    ({ members }) => members.includes("name") && telltale.filter((each) => members.includes(each)).length >= 2,
  );
  if (!group) return undefined;
  const within = values
    .filter(({ path }) => group.path.every((step, at) => step === path[at]))
    .map(({ path, site: place }) => ({ path: path.slice(group.path.length), site: place }));
  const fills = Object.entries(manifestFields).flatMap(([member, { holds, shape }]): Fill[] =>
    within
      .filter(({ path }) => path.length === 1 && path[0] === member)
      .map(({ site: place }) => ({ holds, site: place, shape: shape ?? "text" })),
  );
  const icons = within.filter(({ path }) => path[0] === "icons" && path[2] === "src");
  const pictures = icons.flatMap(({ path, site: { value } }): PictureUse[] => {
    const beside = (key: string) =>
      within.find((each) => each.path.join(".") === `icons.${path[1]}.${key}`)?.site.value;
    const at = site.resolve(posix.join(site.root, "index.html"), value.startsWith("/") ? value : `/${value}`);
    if (!at) return [];
    const slot = manifestSlot(beside("purpose") ?? "", beside("sizes"), pictureSize(template, at)?.width);
    return at.endsWith(".svg") ? [{ slot, path: at, container: "svg" }] : [{ slot, path: at }];
  });
  return { fills, pictures };
}

function besideHead(template: Folder, file: string): PictureUse[] {
  const folder = posix.dirname(file);
  return template
    .list()
    .filter((each) => posix.dirname(each) === folder)
    .flatMap((path) => {
      const kind = byName.find(({ name }) => name.test(posix.basename(path)));
      return kind?.use(path, pictureSize(template, path)?.width ?? 32) ?? [];
    });
}
