import { posix } from "node:path";
import { openSettings, type Settings } from "../../../formats/splice/settings.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import type { SettingsKind } from "./kind.ts";
import { settingsKinds } from "./kinds.ts";

/** Settings of a known kind, and where in them its root is. */
export interface Recognised {
  kind: SettingsKind;
  settings: Settings;
  root: readonly string[];
}

/** Folder of a file; empty for the top. */
export const folderOf = (file: string): string => {
  const folder = posix.dirname(file);
  return folder === "." ? "" : folder;
};

/** Folders whose settings are no app's: examples, tests, what a build made. */
const aside = /(^|\/)(test|tests|__tests__|docs|examples?|dist|out|android\/app\/build)\//;

const recognised = new WeakMap<Folder, Recognised[]>();

/** The settings of a template, recognised once. */
export function settingsOf(template: Folder): Recognised[] {
  const known = recognised.get(template) ?? recognisedIn(template);
  recognised.set(template, known);
  return known;
}

function recognisedIn(template: Folder): Recognised[] {
  const all = template
    .list()
    .filter((file) => !aside.test(file))
    .flatMap((file) => {
      const kinds = settingsKinds.filter((kind) => kind.file.test(file));
      const settings = kinds.length > 0 ? openSettings(template, file) : undefined;
      return settings
        ? kinds.flatMap((kind) => {
            const root = hasOne(kind, settings) ? rootOf(kind, settings) : undefined;
            return root ? [{ kind, settings, root }] : [];
          })
        : [];
    });
  return all.filter(({ kind: { unless } }) => unless === undefined || !isGiven(unless, all));
}

/** Whether settings of the template give one of these values as a text. @param named what leads to each */
const isGiven = (named: readonly string[], all: readonly Recognised[]): boolean =>
  all.some(({ settings, root }) =>
    settings.values.some(
      ({ path, site }) => named.includes(path.slice(root.length).join(".")) && !site.value.includes("$"),
    ),
  );

const hasOne = ({ has }: SettingsKind, { values }: Settings): boolean =>
  has === undefined || values.some(({ path }) => has.includes(path.join(".")));

/** The outermost group that has what the kind's root must have. */
function rootOf({ root }: SettingsKind, { groups }: Settings): readonly string[] | undefined {
  return groups
    .filter(({ members }) => root.some((wanted) => wanted.every((name) => members.includes(name))))
    .sort((a, b) => a.path.length - b.path.length)[0]?.path;
}

/** Whether settings make an app of a platform by themselves. */
export const makes = (kind: SettingsKind, { groups }: Settings, root: readonly string[], platform: Platform): boolean =>
  kind.makes.some(
    (each) =>
      each.platform === platform &&
      (each.group === undefined ||
        groups.some(
          ({ path, members }) =>
            path.join(".") === [...root, each.group].join(".") &&
            (each.member === undefined || members.includes(each.member)),
        )),
  );
