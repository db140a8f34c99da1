import { posix } from "node:path";
import type { Folder } from "../../files/reading/folder.ts";
import { layeredIcon } from "../../platforms/apple/layered-icon.ts";
import { type Problem, problem } from "../../problems/problem.ts";
import type { Setting, Settings } from "../../splice/settings.ts";
import { hostFill, schemeFill } from "../../template/addresses.ts";
import {
  type Fill,
  firstOfEachPlace,
  heldValues,
  type Missing,
  type PartSurvey,
  type PictureUse,
} from "../../template/found.ts";
import type { MissingKind, Wants } from "../../values/missing.ts";
import { type Platform, platformNames, platforms } from "../../values/platform.ts";
import { placeAt } from "../../values/source.ts";
import type { SettingPlace, SettingsKind } from "./kind.ts";
import { settingsPicture } from "./pictures.ts";
import { folderOf, makes, settingsOf } from "./recognise.ts";
import { desktopCode } from "./shell-code.ts";
import { widgets } from "./widget.ts";

/** Settings of a known kind, and what they hold of one platform's app; of all where no platform is named. */
interface Held {
  file: string;
  platform: Platform | undefined;
  fills: Fill[];
  pictures: PictureUse[];
  /** Pictures that go with these, and that no variant gets as they are. */
  brandFiles: string[];
  missing: Missing[];
  gaps: Problem[];
}

/** Whether a template's pages are shown within an app of their own, whose settings say so, and not by a browser. */
export const wrapsPages = (template: Folder): boolean =>
  widgets(template).length > 0 || settingsOf(template).some(({ kind }) => kind.wraps === true);

/** Adds to a template's parts what its settings hold, and the parts that only settings make. */
export function withSettings(template: Folder, native: readonly PartSurvey[], wants: Wants): PartSurvey[] {
  const found = settingsOf(template);
  const pages = widgets(template);
  // One that lies deeper is a native project's copy, not what makes one.
  const topmost = pages.find(({ file }) => file.split("/").length <= 2)?.file;
  const made = platforms.flatMap((platform): PartSurvey[] => {
    if (native.some((part) => part.platform === platform)) return [];
    const maker = found.find(({ kind, settings, root }) => makes(kind, settings, root, platform));
    const file = maker?.settings.file ?? (platform === "android" || platform === "ios" ? topmost : undefined);
    return file === undefined ? [] : [emptyPart(platform, folderOf(file))];
  });
  const parts = [...native, ...made].sort((a, b) => platforms.indexOf(a.platform) - platforms.indexOf(b.platform));
  const has = (platform: Platform) => parts.some((part) => part.platform === platform);
  const isMade = (platform: Platform) => made.some((part) => part.platform === platform);
  const held = found.flatMap(({ kind, settings, root }) =>
    !kind.goesWith || has(kind.goesWith) ? heldBy(template, kind, settings, root, isMade, wants) : [],
  );
  for (const { file, fills, pictures } of pages) {
    const of = (platform: Platform | undefined, own: Pick<Held, "fills" | "pictures">) =>
      held.push({ file, platform, brandFiles: [], missing: [], gaps: [], ...own });
    of(undefined, { fills, pictures: [] });
    for (const { platform, use } of pictures) of(platform, { fills: [], pictures: [use] });
  }
  const shellAt = found.find(({ kind }) => kind.makes.some(({ platform }) => platform === "desktop"));
  if (shellAt)
    held.push({
      file: shellAt.settings.file,
      platform: "desktop",
      fills: desktopCode(template, folderOf(shellAt.settings.file)),
      pictures: [],
      brandFiles: [],
      missing: [],
      gaps: [],
    });
  return parts.map((part, at) =>
    joinParts(
      part,
      held.filter(
        ({ platform }) => platform === part.platform || (at === 0 && (platform === undefined || !has(platform))),
      ),
    ),
  );
}

const emptyPart = (platform: Platform, folder: string): PartSurvey => ({
  platform,
  folder,
  identifiers: [],
  names: [],
  fills: [],
  pictures: [],
  brandFiles: [],
  added: [],
  missing: [],
  gaps: [],
});

function heldBy(
  template: Folder,
  kind: SettingsKind,
  settings: Settings,
  root: readonly string[],
  isMade: (platform: Platform) => boolean,
  wants: Wants,
): Held[] {
  const { file } = settings;
  const below = settings.values.flatMap((value): Setting[] =>
    root.every((step, at) => value.path[at] === step) ? [{ ...value, path: value.path.slice(root.length) }] : [],
  );
  const of = (platform: Platform | undefined): Held => ({
    file,
    platform,
    fills: [],
    pictures: [],
    brandFiles: [],
    missing: [],
    gaps: [],
  });
  const all = new Map<Platform | undefined, Held>();
  const held = (platform: Platform | undefined): Held => {
    const there = all.get(platform) ?? of(platform);
    all.set(platform, there);
    return there;
  };
  for (const place of kind.places)
    for (const { site } of below.filter(({ path }) => leadsTo(place.at, path)))
      held(place.platform).fills.push(...fillOf(place, site));
  for (const { at, kind: drawn, platform } of kind.pictures)
    for (const { site } of below.filter(({ path }) => leadsTo(at, path))) {
      const path = posix.normalize(posix.join(folderOf(file), site.value));
      if (path.startsWith("..") || !/\.\w+$/.test(path)) continue;
      if (path.endsWith(".icon") && template.has(`${path}/icon.json`)) {
        const { fills, pictures, brandFiles } = layeredIcon(template, path);
        held(platform).fills.push(...fills);
        held(platform).pictures.push(...pictures);
        held(platform).brandFiles.push(...brandFiles);
        continue;
      }
      const use = settingsPicture(template, drawn, path);
      if (use) held(platform).pictures.push(use);
      else held(platform).gaps.push(tellUnwritten(template, site, file, path, platform));
    }
  for (const { folder, files, kind: drawn, platform } of kind.byName ?? []) {
    const named = below.find(({ path }) => path.join(".") === folder)?.site.value;
    const at = folder.startsWith("=") ? folder.slice(1) : (named ?? "build");
    for (const name of files) {
      const path = posix.join(folderOf(file), at, name);
      const use = template.has(path) ? settingsPicture(template, drawn, path) : undefined;
      if (use) held(platform).pictures.push(use);
    }
  }
  for (const { group, member, holds, platform } of kind.needs ?? []) {
    if (!isMade(platform) || below.some(({ path }) => path.join(".") === `${group}.${member}`)) continue;
    const fill = memberFill(settings, [...root], group, member, holds);
    const what: MissingKind = platform === "android" ? "application-id" : "bundle-identifier";
    const { start } = fill?.site ?? { start: 0 };
    held(platform).missing.push({
      kind: what,
      added: wants(what),
      place: placeAt(template.source(file), start),
    });
    if (fill && wants(what)) held(platform).fills.push(fill);
  }
  return [...all.values()];
}

/** Whether a path is one that a pattern means. */
function leadsTo(at: string, path: readonly string[]): boolean {
  const steps = at.split(".");
  return steps.length === path.length && steps.every((step, index) => step === "*" || step === path[index]);
}

function fillOf({ holds, shape = "text", optional }: SettingPlace, site: Setting["site"]): Fill[] {
  // What the build puts in is no text of the template's.
  if (/\$\{|\{\{/.test(site.value) || site.value.trim() === "") return [];
  if (holds === "host") return hostFill(site);
  if (holds === "scheme-if-own") return schemeFill(site);
  return [{ holds, site, shape, ...(optional ? { optional } : {}) }];
}

/** A member that is put into a group, or with the group into the root. */
function memberFill(
  { groups }: Settings,
  root: readonly string[],
  group: string,
  member: string,
  holds: Fill["holds"],
): Fill | undefined {
  const find = (path: readonly string[]) => groups.find((each) => each.path.join(".") === path.join("."));
  const own = find([...root, group]);
  if (own) return { holds, shape: "text", ...own.place(member) };
  const above = find(root)?.place(group);
  if (!above) return undefined;
  const isJson = above.opens.includes(`"${group}"`);
  const opens = `${above.opens}{ ${isJson ? JSON.stringify(member) : member}: `;
  return { holds, shape: "text", site: above.site, opens, closes: ` }${above.closes}` };
}

function tellUnwritten(
  template: Folder,
  { start }: Setting["site"],
  file: string,
  path: string,
  platform: Platform,
): Problem {
  return problem("template-gap", `${platformNames[platform]}: ${path} is in a form that Oxalis does not write.`, {
    severity: "warning",
    place: placeAt(template.source(file), start),
    expected: "a PNG",
  });
}

function joinParts(part: PartSurvey, held: readonly Held[]): PartSurvey {
  if (held.length === 0) return part;
  const fills = firstOfEachPlace([...part.fills, ...held.flatMap((each) => each.fills)]);
  const pictures = [...part.pictures, ...held.flatMap((each) => each.pictures)];
  const once = [...new Map([...pictures].reverse().map((each) => [each.path, each])).values()].reverse();
  const identifiers = heldValues(fills, `identifiers.${part.platform}`, "identifiers.base");
  const names = heldValues(fills, "app.label", "app.name").filter((name) => !/^[@$]/.test(name));
  return {
    ...part,
    identifiers: [...new Set([...part.identifiers, ...identifiers])],
    names: [...new Set([...part.names, ...names])],
    fills,
    pictures: once,
    brandFiles: [
      ...new Set([
        ...part.brandFiles,
        ...held.flatMap((each) => [...each.pictures.map(({ path }) => path), ...each.brandFiles]),
      ]),
    ].sort(),
    missing: [...part.missing, ...held.flatMap((each) => each.missing)],
    gaps: [...part.gaps, ...held.flatMap((each) => each.gaps)],
  };
}
