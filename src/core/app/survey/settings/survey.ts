import { posix } from "node:path";
import type { Setting, Settings } from "../../../formats/splice/settings.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { type Platform, platformNames, platforms } from "../../../ground/values/platform.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { homeFill, hostFill, personFill, schemeFill } from "../../template/addresses.ts";
import {
  type Fill,
  type Found,
  firstOfEachPlace,
  heldValues,
  mergeFound,
  nothingFound,
  type PartSurvey,
} from "../../template/found.ts";
import type { Wants } from "../../template/missing.ts";
import { descriptions } from "./described.ts";
import type { SettingPlace, SettingsKind } from "./kind.ts";
import { leadsTo, picturesNamed } from "./named-pictures.ts";
import { settingsPicture } from "./pictures.ts";
import { takenNames } from "./program-name.ts";
import { folderOf, makes, settingsOf } from "./recognise.ts";
import { desktopCode } from "./shell-code.ts";
import { widgets } from "./widget.ts";

/** What settings hold of one platform's app; of all where no platform is named. */
interface SettingsFound extends Partial<Found> {
  platform: Platform | undefined;
}

/** Whether a template's pages are shown within an app of their own, whose settings say so, and not by a browser. */
export const wrapsPages = (template: Folder): boolean =>
  widgets(template).length > 0 || settingsOf(template).some(({ kind }) => kind.wraps === true);

/** Adds to a template's parts what its settings hold, and the parts that only settings make. */
export function withSettings(template: Folder, native: readonly PartSurvey[], wants: Wants): PartSurvey[] {
  const found = settingsOf(template);
  const pages = widgets(template);
  const inXml = descriptions(template);
  // One that lies deeper is a native project's copy, not what makes one.
  const topmost = pages.find(({ file }) => file.split("/").length <= 2)?.file;
  const made = platforms.flatMap((platform): PartSurvey[] => {
    if (native.some((part) => part.platform === platform)) return [];
    const maker = found.find(({ kind, settings, root }) => makes(kind, settings, root, platform));
    const told = inXml.find(({ makes: making }) => making.includes(platform))?.file;
    const file = maker?.settings.file ?? told ?? (platform === "android" || platform === "ios" ? topmost : undefined);
    return file === undefined ? [] : [emptyPart(platform, folderOf(file))];
  });
  const parts = [...native, ...made].sort((a, b) => platforms.indexOf(a.platform) - platforms.indexOf(b.platform));
  const has = (platform: Platform) => parts.some((part) => part.platform === platform);
  const isMade = (platform: Platform) => made.some((part) => part.platform === platform);
  const held = found.flatMap(({ kind, settings, root }) =>
    !kind.goesWith || has(kind.goesWith) ? heldBy(template, kind, settings, root, isMade, wants) : [],
  );
  const inPages = [...pages, ...inXml].flatMap(({ fills, pictures }): SettingsFound[] => [
    { platform: undefined, fills },
    ...pictures.map(({ platform, use }) => ({ platform, pictures: [use] })),
  ]);
  const makerOf = (platform: Platform) =>
    found.find(({ kind }) => kind.makes.some((each) => each.platform === platform));
  const shellAt = makerOf("desktop");
  const inShell: SettingsFound[] = shellAt
    ? [
        {
          platform: "desktop",
          fills: desktopCode(template, folderOf(shellAt.settings.file)),
          gaps: takenNames(template),
        },
      ]
    : [];
  const all = [...held, ...inPages, ...inShell];
  const joined = parts.map((part, at) =>
    joinParts(
      part,
      all.filter(
        ({ platform }) => platform === part.platform || (at === 0 && (platform === undefined || !has(platform))),
      ),
    ),
  );
  // Of telephones one picture is the icon of every system that names none of its own.
  const shared = joined.some(({ platform, pictures }) => telephones.has(platform) && pictures.length > 0);
  return joined.map((part) => {
    const maker = makerOf(part.platform);
    const isTold =
      part.platform === "desktop"
        ? part.pictures.length === 0 && !(shared && maker?.kind.makes.some(({ platform }) => telephones.has(platform)))
        : telephones.has(part.platform) && isMade(part.platform) && !shared;
    if (!maker || !isTold) return part;
    return { ...part, gaps: [...part.gaps, noIcon(template, maker.settings.file, part.platform)] };
  });
}

const telephones: ReadonlySet<Platform> = new Set(["android", "ios"]);

/** A shell shows its maker's icon where its settings name none; so does a build that makes its own projects. */
function noIcon(template: Folder, file: string, platform: Platform): Problem {
  const [what, instead, expected] =
    platform === "desktop"
      ? [
          "program",
          "systems show the shell's own",
          "a PNG, an .ico or an .icns beside the settings, named there as the icon",
        ]
      : [
          "app",
          "a build takes one of its own",
          "a picture that the settings name as the icon; or name it under `pictures` of template.yaml",
        ];
  const says = `${platformNames[platform]}: nothing names the ${what}'s icon; ${instead}.`;
  return problem("template-gap", says, { severity: "warning", place: placeAt(template.source(file), 0), expected });
}

const emptyPart = (platform: Platform, folder: string): PartSurvey => ({
  ...nothingFound,
  platform,
  folder,
  identifiers: [],
  names: [],
});

function heldBy(
  template: Folder,
  kind: SettingsKind,
  settings: Settings,
  root: readonly string[],
  isMade: (platform: Platform) => boolean,
  wants: Wants,
): SettingsFound[] {
  const { file } = settings;
  const below = settings.values.flatMap((value): Setting[] =>
    root.every((step, at) => value.path[at] === step) ? [{ ...value, path: value.path.slice(root.length) }] : [],
  );
  const placed = kind.places.flatMap((place) =>
    below.filter(({ path }) => leadsTo(place.at, path)).map(({ site }) => ({ place, fills: fillOf(place, site) })),
  );
  const said = placed.flatMap(({ fills }) => fills);
  const values = placed.map(
    ({ place: { platform }, fills }): SettingsFound => ({
      platform,
      fills: fills.map((each) => belowApps(each, said)),
    }),
  );
  const pictures = picturesNamed(template, file, kind, below);
  const keys = (kind.keyStores ?? []).flatMap(({ at, platform }) =>
    below
      .filter(({ path, site }) => leadsTo(at, path) && site.value.trim() !== "")
      .map(({ site }): SettingsFound => ({ platform, gaps: [keyStoreLeft(template, file, site, platform)] })),
  );
  const assigned = (kind.assigned ?? []).flatMap(({ at, by }) =>
    below
      .filter(({ path, site }) => leadsTo(at, path) && site.value.trim() !== "")
      .map(({ site }): SettingsFound => ({ platform: undefined, gaps: [assignedOnce(template, file, site, by)] })),
  );
  const byName = (kind.byName ?? []).flatMap(({ folder, files, kind: drawn, platform }) => {
    const named = below.find(({ path }) => path.join(".") === folder)?.site.value;
    const at = folder.startsWith("=") ? folder.slice(1) : (named ?? "build");
    return files.map((name): SettingsFound => {
      const path = posix.join(folderOf(file), at, name);
      const use = template.has(path) ? settingsPicture(template, drawn, path) : undefined;
      return { platform, pictures: use ? [use] : [] };
    });
  });
  const needed = (kind.needs ?? []).flatMap(({ group, member, holds, platform, lacks }): SettingsFound[] => {
    const at = group === "" ? member : `${group}.${member}`;
    if (!isMade(platform) || below.some(({ path }) => path.join(".") === at)) return [];
    const fill = memberFill(settings, [...root], group, member, holds);
    const place = placeAt(template.source(file), fill?.site.start ?? 0);
    const missing = [{ kind: lacks, added: wants(lacks), place }];
    return [{ platform, missing, fills: fill && wants(lacks) ? [fill] : [] }];
  });
  return [...values, ...pictures, ...byName, ...keys, ...assigned, ...needed];
}

/** What the app brings along has the app's identifier in front of its own words, and keeps those. */
function belowApps(fill: Fill, all: readonly Fill[]): Fill {
  const { holds, site } = fill;
  if (!holds.startsWith("identifiers.")) return fill;
  const app = all.find((each) => each.holds === holds && site.value.startsWith(`${each.site.value}.`));
  return app ? { ...fill, after: site.value.slice(app.site.value.length) } : fill;
}

/** A key store that a project is exported with: keys are never copied. */
function keyStoreLeft(template: Folder, file: string, { start, value }: Setting["site"], platform: Platform): Problem {
  const what = `${file} signs with ${value}, and no variant gets it: keys are never copied`;
  return problem("template-gap", `${platformNames[platform]}: ${what}.`, {
    severity: "warning",
    place: placeAt(template.source(file), start),
    expected: "each client's own key, given to whatever exports the project; here nothing",
  });
}

/** What is given to one app stays the template's: to whoever gave it, two clients with one are one app. */
function assignedOnce(template: Folder, file: string, { start, value }: Setting["site"], by: string): Problem {
  return problem("template-gap", `${value} is given to one app by ${by}, and stays the template's.`, {
    severity: "warning",
    place: placeAt(template.source(file), start),
    fix: "Have one given for each client, ask for it by a question of template.yaml, and put the answer there.",
  });
}

function fillOf({ holds, shape = "text", optional }: SettingPlace, site: Setting["site"]): Fill[] {
  // What the build puts in is no text of the template's.
  if (/\$[{(]|\{\{/.test(site.value) || site.value.trim() === "") return [];
  if (holds === "host") return hostFill(site);
  if (holds === "home") return homeFill(site);
  if (holds === "person") return personFill(site);
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
  const own = find(group === "" ? root : [...root, group]);
  if (own) return { holds, shape: "text", ...own.place(member) };
  const above = find(root)?.place(group);
  if (!above) return undefined;
  const isJson = above.opens.includes(`"${group}"`);
  const opens = `${above.opens}{ ${isJson ? JSON.stringify(member) : member}: `;
  return { holds, shape: "text", site: above.site, opens, closes: ` }${above.closes}` };
}

function joinParts(part: PartSurvey, held: readonly SettingsFound[]): PartSurvey {
  if (held.length === 0) return part;
  const own = mergeFound(held);
  const found = mergeFound([part, own]);
  const fills = firstOfEachPlace(found.fills);
  const once = [...new Map([...found.pictures].reverse().map((each) => [each.path, each])).values()].reverse();
  const identifiers = heldValues(fills, `identifiers.${part.platform}`, "identifiers.base");
  const names = heldValues(fills, "app.label", "app.name").filter((name) => !/^[@$]/.test(name));
  const drawn = own.pictures.map(({ path }) => path);
  return {
    ...part,
    ...found,
    identifiers: [...new Set([...part.identifiers, ...identifiers])],
    names: [...new Set([...part.names, ...names])],
    fills,
    pictures: once,
    brandFiles: [...new Set([...found.brandFiles, ...drawn])].sort(),
  };
}
