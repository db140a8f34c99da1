import { posix } from "node:path";
import type { Setting } from "../../../formats/splice/settings.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { type Platform, platformNames } from "../../../ground/values/platform.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { layeredIcon } from "../../platforms/apple/layered-icon.ts";
import type { Found } from "../../template/found.ts";
import type { SettingsKind } from "./kind.ts";
import { type PictureKind, settingsPicture } from "./pictures.ts";
import { folderOf } from "./recognise.ts";

/** The pictures that settings name, as they are drawn for a client. @param values below the settings' root */
export const picturesNamed = (
  template: Folder,
  file: string,
  { pictures }: SettingsKind,
  values: readonly Setting[],
): (Partial<Found> & { platform: Platform })[] =>
  pictures.flatMap(({ at, kind, platform, beside }) =>
    values
      .filter(({ path }) => leadsTo(at, path))
      .map(({ path, site }) => {
        const isBeside = beside && values.some((other) => isOfSame(beside.at, path, other.path));
        return { platform, ...pictureAt(template, file, site, isBeside ? beside.kind : kind, platform) };
      }),
  );

/** Whether a path is one that a pattern means. */
export function leadsTo(at: string, path: readonly string[]): boolean {
  const steps = at.split(".");
  return steps.length === path.length && steps.every((step, index) => step === "*" || step === path[index]);
}

/** Whether a path is one that a pattern means, with the same steps as another wherever the pattern leaves them open. */
const isOfSame = (at: string, one: readonly string[], other: readonly string[]): boolean =>
  leadsTo(at, other) && at.split(".").every((step, index) => step !== "*" || one[index] === other[index]);

/** Endings of a program's icon where settings name it without: each system takes its own. */
const shellEndings = [".icns", ".ico", ".png"];

/** One picture; nothing where there is none. */
function pictureAt(
  template: Folder,
  file: string,
  site: Setting["site"],
  kind: PictureKind,
  platform: Platform,
): Partial<Found> {
  const path = pathOf(template, file, site.value);
  if (path === undefined) return isEngines.test(site.value) ? {} : { gaps: [withoutFile(template, file, site)] };
  if (path.startsWith("..")) return {};
  if (!/\.\w+$/.test(path)) {
    const all =
      kind === "shell" ? shellEndings.map((ending) => path + ending).filter((each) => template.has(each)) : [];
    return { pictures: all.flatMap((each) => settingsPicture(template, kind, each) ?? []) };
  }
  if (path.endsWith(".icon") && template.has(`${path}/icon.json`)) return layeredIcon(template, path);
  const use = settingsPicture(template, kind, path);
  if (use) return { pictures: [use] };
  const message = `${platformNames[platform]}: ${path} is in a form that Oxalis does not write.`;
  const place = placeAt(template.source(file), site.start);
  return { gaps: [problem("template-gap", message, { severity: "warning", place, expected: "a PNG" })] };
}

/** Numbers of what a game engine brings along itself (Unity, built-in resources). */
const isEngines = /^0{16}/;

const withoutFile = (template: Folder, file: string, { start, value }: Setting["site"]): Problem =>
  problem("template-gap", `A picture is named by the number ${value}, which no file of the template has beside it.`, {
    severity: "warning",
    place: placeAt(template.source(file), start),
    fix: "Bring its .meta file into the template, or let the settings name a picture that is there.",
  });

/** Where it lies: beside the settings, from the project's top, or wherever the file of this number is. */
function pathOf(template: Folder, file: string, named: string): string | undefined {
  if (/^[0-9a-f]{32}$/.test(named)) return numbered(template).get(named);
  return posix.normalize(posix.join(folderOf(file), named.replace(/^(res:\/\/|%\(source\.dir\)s\/|\/+)/, "")));
}

const numbers = new WeakMap<Folder, Map<string, string>>();

/** Files of a game engine's project by the numbers that are noted beside them (Unity manual, "Metadata files"). */
function numbered(template: Folder): Map<string, string> {
  const known = numbers.get(template);
  if (known) return known;
  const all = template.list().filter((file) => /\.(png|jpe?g|psd|tga|svg)\.meta$/i.test(file));
  const found = new Map(
    all.flatMap((file) => {
      const number = /^guid: ([0-9a-f]{32})\s*$/m.exec(textIfAny(template.bytes(file)) ?? "")?.[1];
      return number === undefined ? [] : [[number, file.replace(/\.meta$/, "")] as const];
    }),
  );
  numbers.set(template, found);
  return found;
}
