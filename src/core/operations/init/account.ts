import type { Fill, PartSurvey } from "../../app/template/found.ts";
import type { Missing } from "../../app/template/missing.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { type Field, fieldNames } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { type Place, placeAt } from "../../ground/values/source.ts";

/** What a survey found in one platform's part, told by place. */
export interface Account {
  platform: Platform;
  /** Relative to the template; empty for the template's own folder. */
  folder: string;
  /** Each value once, in the order of the fields, with the first of its places. */
  values: { field: Field; value: string; place: Place; places: number }[];
  /** Pictures that are drawn anew, by what they are. */
  pictures: { role: string; files: number; first: string }[];
  missing: readonly Missing[];
  gaps: readonly Problem[];
}

/** Tells a part's survey by place. */
export function accountOf(template: Folder, part: PartSurvey): Account {
  const values = new Map<string, Account["values"][number]>();
  const filled = part.fills.filter(
    ({ holds, site, shape }) => holds !== "key" && site.end > site.start && !isChannel(shape) && !follows(shape),
  );
  for (const { holds, site, shape } of filled) {
    const value = shape === "red" ? "red, green, blue" : site.value.trim();
    const key = `${holds} ${shape === "red" ? site.file : value}`;
    const known = values.get(key);
    if (known) known.places++;
    else {
      const place = placeAt(template.source(site.file), site.start);
      values.set(key, { field: holds, value, place, places: 1 });
    }
  }
  const roles = new Map<string, string[]>();
  for (const { slot, path } of part.pictures) roles.set(slot.role, [...(roles.get(slot.role) ?? []), path]);
  return {
    platform: part.platform,
    folder: part.folder,
    values: [...values.values()].sort((a, b) => fieldNames.indexOf(a.field) - fieldNames.indexOf(b.field)),
    pictures: [...roles].map(([role, paths]) => ({ role, files: paths.length, first: paths[0] ?? "" })),
    missing: part.missing,
    gaps: part.gaps,
  };
}

/** What is set because another value is given, and says nothing of its own. */
const follows = (shape: Fill["shape"]): boolean => shape === "manualSigning" || shape === "distributionIdentity";

/** A colour's channels are one place: its red's. */
const isChannel = (shape: Fill["shape"]): boolean => ["green", "blue", "alpha"].includes(shape);
