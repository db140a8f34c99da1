import { emptySite, type Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Place } from "../../ground/values/source.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import type { Missing, Wants } from "./missing.ts";
import type { Shape } from "./shapes.ts";

/** A place in the template that holds one of its own values, and which value of a client goes there. */
export interface Fill {
  holds: Field;
  site: Site;
  shape: Shape;
  /** Left as it is where the client gives no value. */
  optional?: true;
  /** The target whose own value goes there. */
  signs?: SignedTarget;
  /** Text that stays around the value, as in `group.<identifier>.shared`. */
  before?: string;
  after?: string;
  /** What is put around the value as it is, in the file's own form: where a place for it is made. */
  opens?: string;
  closes?: string;
}

/** A file that the template lacks and every variant gets. */
export interface AddedFile {
  path: string;
  text: string;
  fills: readonly Fill[];
}

/** A picture the template refers to: the catalog's row and the file it must become. */
export type PictureUse = {
  slot: Slot;
  /** Relative to the template. */
  path: string;
  /** Which of an app's targets and configurations it belongs to, where there are several. */
  belongs?: string;
} & (
  | { container?: undefined }
  | { container: "svg" | "jpeg" | "webp" }
  /** Several slots in one file, smallest first. */
  | { container: "ico" | "icns"; within: readonly Slot[] }
);

/** What one file, asset or step adds to a survey. */
export interface Found {
  fills: readonly Fill[];
  pictures: readonly PictureUse[];
  /** Pictures and drawables that show the template's brand: each is drawn anew or left out. */
  brandFiles: readonly string[];
  added: readonly AddedFile[];
  missing: readonly Missing[];
  /** What this part has no place for, and Oxalis cannot make one for. */
  gaps: readonly Problem[];
}

/** Several findings as one, in their order. */
export const mergeFound = (all: readonly Partial<Found>[]): Found => ({
  fills: all.flatMap(({ fills = [] }) => fills),
  pictures: all.flatMap(({ pictures = [] }) => pictures),
  brandFiles: all.flatMap(({ brandFiles = [] }) => brandFiles),
  added: all.flatMap(({ added = [] }) => added),
  missing: all.flatMap(({ missing = [] }) => missing),
  gaps: all.flatMap(({ gaps = [] }) => gaps),
});

export const nothingFound: Found = mergeFound([]);

/** A target that is signed for itself: the app, or by its name what the app brings along. */
export interface SignedTarget {
  target?: string | undefined;
  /** The field that its identifier begins with, and what follows that in it. */
  holds: Field;
  suffix: string;
  /** The file with its entitlements, relative to the template. */
  entitlements?: string;
}

/** What a client's part of the template says about itself. */
export interface PartSurvey extends Found {
  platform: Platform;
  /** Folder of the part, relative to the template. */
  folder: string;
  /** What the template calls itself here; none of it may be left in a variant. */
  identifiers: readonly string[];
  names: readonly string[];
  /** The code's own namespace; it is not the app's identity, and stays. */
  namespace?: string;
  /** The level of the system that it is made for, and where it says so. */
  target?: { level: number; place: Place };
  /** The least system that it runs on, as it writes that itself, where it does. */
  minimum?: string;
  /** Languages that its build keeps of all texts, where it says so: others are left out without a word. */
  keeps?: { languages: readonly string[]; place: Place };
  /** Permissions that its manifests ask for, by their full names; those that libraries bring are not among them. */
  permissions?: readonly string[];
  /**
   * Targets that are signed each for itself: the app, and what it brings along, with what follows the app's
   * identifier.
   */
  signed?: readonly SignedTarget[];
}

/** What a survey has to know besides the template's files. */
export interface Around {
  /** What variants get that the template lacks. */
  wants: Wants;
  /** Whether the template's pages are shown within an app of their own, whose settings say so, and not by a browser. */
  wrapsPages: boolean;
  /** Pictures that the platform's stores want of an app. */
  inStore: readonly Slot[];
}

/** Surveys one platform's part of a template; undefined where there is none. */
export type SurveyPart = (template: Folder, around: Around) => PartSurvey | undefined;

/** Text that every variant gets at a place of a file, whoever the client is. */
export const insertedText = (file: string, at: number, opens: string): Fill => ({
  holds: "key",
  site: emptySite(file, at, "raw"),
  shape: "nothing",
  opens,
});

/** The files of a part. */
export const filesOf = (template: Folder, { folder }: Pick<PartSurvey, "folder">): string[] =>
  template.list().filter((file) => !folder || file.startsWith(`${folder}/`));

/** A place as a key; several insertions may stand at one offset. */
export const placeOf = ({ file, start, end }: Site, opens = ""): string =>
  start === end ? `${file}:${start}:${opens}` : `${file}:${start}`;

/** Keeps the first fill of each place: where one colour serves two purposes, the earlier purpose decides. */
export function firstOfEachPlace(fills: readonly Fill[]): Fill[] {
  const seen = new Set<string>();
  return fills.filter(({ site, opens }) => {
    const place = placeOf(site, opens);
    if (seen.has(place)) return false;
    seen.add(place);
    return true;
  });
}

/** Keeps the first use of each file. */
export function firstOfEachPath(pictures: readonly PictureUse[]): PictureUse[] {
  const seen = new Set<string>();
  return pictures.filter(({ path }) => !seen.has(path) && Boolean(seen.add(path)));
}

/** The values that fills of a field hold in the template, without what stays around them. */
export const heldValues = (fills: readonly Fill[], ...held: Field[]): string[] => [
  ...new Set(
    fills
      .filter((fill) => held.includes(fill.holds) && !fill.before && !fill.after)
      .map((fill) => fill.site.value.trim())
      .filter(Boolean),
  ),
];
