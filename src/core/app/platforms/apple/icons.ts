import { posix } from "node:path";
import type { Node as JsonNode } from "jsonc-parser";
import { memberSite, parseJson } from "../../../formats/splice/formats/json.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { macIconSlots } from "../../../pictures/slots/program.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { type Fill, type Found, mergeFound, type PictureUse } from "../../template/found.ts";
import { type Assets, images, picturesIn, text } from "./assets.ts";
import { iconOfIdiom, iosIconSlots } from "./catalog.ts";
import { layeredIcon } from "./layered-icon.ts";
import { appearances, marketingIcon } from "./missing.ts";
import { isApp, isShipped, readXcodeProjects, type XcodeProject, type XcodeTarget } from "./project.ts";
import { stackedPictures } from "./stacks.ts";

const { basename } = posix;

/**
 * Every icon set that an app's targets and configurations name, and those that none names: each shows the template's
 * icon.
 */
export function appIcons(assets: Assets, project: XcodeProject, targets: readonly XcodeTarget[]): Found | undefined {
  const { template, platform } = assets;
  const { folder } = project;
  const isOneOfMany = project.targets.filter(isApp).length > 1;
  const own = (asset: string) => !isOfCode(project, asset);
  const named = targets.filter(isApp).flatMap((target) =>
    target.settings.flatMap((settings) =>
      ["ASSETCATALOG_COMPILER_APPICON_NAME", "ASSETCATALOG_COMPILER_ALTERNATE_APPICON_NAMES"].flatMap((setting) =>
        (settings.evaluated(setting) ?? "")
          .split(/\s+/)
          .filter(Boolean)
          .map((name) => ({ target, configuration: settings.name, name })),
      ),
    ),
  );
  const found = new Map<string, { found: Found; belongs: Map<string, Set<string>> }>();
  for (const { target, configuration, name } of named) {
    for (const asset of setsFor(assets, target, name).filter(own)) {
      const known = found.get(asset) ?? { found: iconAsset(assets, asset), belongs: new Map() };
      found.set(asset, known);
      known.belongs.set(target.name, (known.belongs.get(target.name) ?? new Set()).add(configuration));
    }
  }
  // What no target names is an icon all the same; a set for the Mac alone is the Mac app's.
  for (const asset of iconAssets(template, folder).filter(own)) {
    const isMac = idiomsOf(template, asset).every((idiom) => idiom === "mac");
    if (!found.has(asset) && !isNamedElsewhere(template, asset, platform) && isMac === (platform === "desktop"))
      found.set(asset, { found: iconAsset(assets, asset), belongs: new Map() });
  }
  const stacked = stackedPictures(assets, folder, own);
  if (found.size === 0) return stacked.pictures.length > 0 ? stacked : undefined;
  const several = found.size > 1 || isOneOfMany;
  return mergeFound([
    stacked,
    ...[...found.values()].map(({ found: each, belongs }) => ({
      ...each,
      pictures: each.pictures.map((use) => (several && belongs.size > 0 ? { ...use, belongs: told(belongs) } : use)),
    })),
  ]);
}

/** Every icon set of a folder, whatever names it; those of the Mac alone are the Mac's. */
export const iconSets = (assets: Assets): Found =>
  mergeFound(
    iconAssets(assets.template, assets.below)
      .filter((asset) => idiomsOf(assets.template, asset).every((idiom) => idiom === "mac") === isMacs(assets))
      .map((asset) => iconAsset(assets, asset)),
  );

const isMacs = ({ platform }: Assets): boolean => platform === "desktop";

/** Targets with their configurations, as they are read: "Tides: Debug, Release; Tides Clip: Release". */
const told = (belongs: ReadonlyMap<string, ReadonlySet<string>>): string =>
  [...belongs].map(([target, configurations]) => `${target}: ${[...configurations].join(", ")}`).join("; ");

const iconAssets = (template: Folder, below: string): string[] => [
  ...new Set(
    template.list().flatMap((file) => {
      const asset = /^(.+\.(?:appiconset|icon))\/(?:Contents|icon)\.json$/.exec(file)?.[1];
      return asset && (!below || asset.startsWith(`${below}/`)) ? [asset] : [];
    }),
  ),
];

/** Whether an asset lies among those of tests or libraries alone. */
const isOfCode = ({ targets }: XcodeProject, asset: string): boolean => {
  const among = targets.filter(({ homes }) => homes.some((home) => asset.startsWith(`${home}/`)));
  return among.length > 0 && !among.some(isShipped);
};

/** Whether targets of the other platform name an asset of that name, and have it among their own. */
function isNamedElsewhere(template: Folder, asset: string, platform: Assets["platform"]): boolean {
  return readXcodeProjects(template).some(({ targets }) =>
    targets
      .filter((target) => isApp(target) && (target.system === "mac") !== (platform === "desktop"))
      .some(
        ({ homes, settings }) =>
          settings.some((each) =>
            asset.endsWith(`/${each.evaluated("ASSETCATALOG_COMPILER_APPICON_NAME")}.appiconset`),
          ) &&
          (homes.length === 0 || homes.some((home) => asset.startsWith(`${home}/`))),
      ),
  );
}

/**
 * The sets of a name that are a target's: in its own catalogs, or else beside its property list, or else wherever
 * there is but one.
 */
function setsFor({ template, below }: Assets, target: XcodeTarget, name: string): string[] {
  const isOthers = (asset: string) => {
    const idioms = idiomsOf(template, asset);
    return idioms.length > 0 && target.system !== "mac" && idioms.every((idiom) => idiom === "mac");
  };
  const all = iconAssets(template, below).filter(
    (asset) => [`${name}.appiconset`, `${name}.icon`].includes(basename(asset)) && !isOthers(asset),
  );
  const beside = target.settings
    .flatMap((each) => each.evaluated("INFOPLIST_FILE") ?? [])
    .map((list) => posix.join(below, posix.dirname(list)));
  const near = (homes: readonly string[]) =>
    all.filter((asset) =>
      homes.some(
        (home) => home !== "" && home !== "." && `${asset}/`.toLowerCase().startsWith(`${home}/`.toLowerCase()),
      ),
    );
  const own = near(target.homes);
  const close =
    own.length > 0 ? own : near([...beside.filter((each) => each !== below), posix.join(below, target.name)]);
  return close.length > 0 ? close : all;
}

const idiomsOf = (template: Folder, asset: string): string[] =>
  asset.endsWith(".icon")
    ? ["layered"]
    : images(parseJson(template.source(`${asset}/Contents.json`))).flatMap((image) => text(image, "idiom") ?? []);

const iconAsset = (assets: Assets, asset: string): Found =>
  asset.endsWith(".icon") ? layeredIcon(assets.template, asset) : appIconSet(assets, asset);

/** An icon set: each entry of its Contents.json is a row of a catalog. */
function appIconSet({ template, wants, gap, platform }: Assets, set: string): Found {
  const file = `${set}/Contents.json`;
  const listed = images(parseJson(template.source(file)));
  const [only] = listed;
  const isSingle =
    only && listed.length === 1 && iconQualifier(only) === "universal" && text(only, "platform") === "ios";
  const idioms = new Set(listed.map((image) => text(image, "idiom")));
  const isBySize = platform === "ios" && (idioms.has("iphone") || idioms.has("ipad")) && !idioms.has("universal");
  const last = isBySize && !idioms.has("ios-marketing") ? listed.at(-1) : undefined;
  // An entry that says no size keeps the template's picture.
  const unsized = listed.flatMap((image) => (iconSlot(image) ? [] : (text(image, "filename") ?? [])));
  const kept = new Set(unsized.map((name) => `${set}/${name}`));
  const entries = listed.map((image): Partial<Found> => {
    const slot = iconSlot(image);
    if (!slot) return {};
    const named = text(image, "filename");
    const picture = named ?? `icon-${slot.qualifier.replace("@", "-")}.png`;
    return {
      pictures: [{ slot, path: `${set}/${picture}` }],
      fills: named === undefined ? [filenameFill(template, file, image, picture)] : [],
    };
  });
  const drawn = entries.flatMap(({ pictures = [] }) => pictures);
  return mergeFound([
    {
      brandFiles: picturesIn(template, set).filter((path) => !kept.has(path)),
      gaps: [...kept].map((path) => gap(`${path} stays the template's: its entry says no size`)),
    },
    isSingle ? appearances(template, set, only, wants) : {},
    last ? marketingIcon(template, set, last, wants) : {},
    ...entries.map(({ fills = [] }) => ({ fills })),
    { pictures: drawn.filter((each) => isLargest(each, drawn)) },
  ]);
}

/** One picture may stand for several sizes: it is drawn in the largest. */
const isLargest = ({ path, slot }: PictureUse, all: readonly PictureUse[]): boolean =>
  !all.some((other) => other.path === path && other.slot.width > slot.width);

/**
 * The row of an entry: of the phone's, the tablet's or the Mac's catalog; another system's in the size that it says.
 */
function iconSlot(image: JsonNode): Slot | undefined {
  const qualifier = iconQualifier(image);
  const idiom = text(image, "idiom");
  const known = [...iosIconSlots, ...macIconSlots].find((each) => each.qualifier === qualifier);
  if (known) return known;
  const points = Number(text(image, "size")?.split("x")[0]);
  const scale = Number.parseInt(text(image, "scale") ?? "1x", 10);
  return idiom && points > 0 && scale > 0 ? iconOfIdiom(idiom, points, scale) : undefined;
}

function iconQualifier(image: JsonNode): string | undefined {
  const idiom = text(image, "idiom");
  if (idiom === "universal") {
    const appearance = text(image, "appearances", 0, "value");
    return appearance ? `universal-${appearance}` : "universal";
  }
  const points = text(image, "size")?.split("x")[0];
  return `${idiom}-${points}@${text(image, "scale") ?? "1x"}`;
}

/** An entry that names no picture gets one: the member is put behind its last, in the form of its neighbours. */
function filenameFill(template: Folder, file: string, image: JsonNode, picture: string): Fill {
  const { site } = memberSite(file, image);
  const { text: written } = template.source(file);
  const last = image.children?.at(-1);
  const blank = last ? (/\s*$/.exec(written.slice(0, last.offset))?.[0] ?? " ") : " ";
  return { holds: "key", site, shape: "nothing", before: `,${blank}"filename" : ${JSON.stringify(picture)}` };
}
