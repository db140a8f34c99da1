import type { Platform } from "../../ground/values/platform.ts";
import { mergeFound, type PartSurvey } from "../template/found.ts";

/** Whether a file lies in the folder of one of these parts. */
const liesIn =
  (parts: readonly PartSurvey[]) =>
  (file: string): boolean =>
    parts.some(({ folder }) => folder === "" || file.startsWith(`${folder}/`));

/** What is made of a template for some platforms, and what is left out of it. */
export interface Choice {
  parts: readonly PartSurvey[];
  /** Whether a file lies in a part that is left out. */
  isLeft(file: string): boolean;
}

/**
 * Parts that are made where these platforms are wanted: their own, and any whose folder holds one of them, since that
 * goes along and so is filled like them. What a part that is left out says of files outside its folder still holds.
 */
export function chooseParts(all: readonly PartSurvey[], wanted: readonly Platform[]): Choice {
  const own = all.filter(({ platform }) => wanted.includes(platform));
  const holdsOwn = ({ folder }: PartSurvey) =>
    own.some((each) => folder === "" || `${each.folder}/`.startsWith(`${folder}/`));
  const made = all.filter((each) => own.includes(each) || holdsOwn(each));
  const left = all.filter((each) => !made.includes(each));
  const isLeft = liesIn(left);
  const shared = mergeFound(
    left.map(({ fills, pictures, brandFiles, added }) => ({
      fills: fills.filter(({ site }) => !isLeft(site.file)),
      pictures: pictures.filter(({ path }) => !isLeft(path)),
      brandFiles: brandFiles.filter((file) => !isLeft(file)),
      added: added.filter(({ path }) => !isLeft(path)),
    })),
  );
  const [first, ...others] = made;
  return { parts: first ? [{ ...first, ...mergeFound([first, shared]) }, ...others] : [], isLeft };
}
