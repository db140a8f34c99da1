import type { LocalName } from "../derive/variant.ts";
import type { Folder } from "../files/folder.ts";
import type { Problem } from "../problems/problem.ts";
import type { Edit, Site } from "../splice/site.ts";
import type { PartSurvey } from "../template/survey.ts";

/** What names in further languages take in one part of the template. */
export interface Localized {
  /** New files. */
  writes: { path: string; text: string }[];
  /** Files of the template that a language gets a copy of, changed. */
  copies: { from: string; path: string; edits: Edit[] }[];
  /** Places that hold a name in one language, and what goes there instead of the first language's. */
  values: { site: Site; value: string }[];
  /** Insertions into files that every variant has. */
  inserts: { file: string; edit: Edit }[];
  gaps: Problem[];
}

/** A client's names in a language, and what people read there when the app asks for something, by property list key. */
export type Spoken = LocalName & { usage: Readonly<Record<string, string>> };

/**
 * @param names in further languages.
 * @param main in the first one: as soon as there are others, it needs a place of its own too, or its own people see another.
 */
export type Localize = (
  template: Folder,
  part: PartSurvey,
  names: readonly Spoken[],
  main: Spoken,
) => Localized;

export const nothingLocalized = (): Localized => ({
  writes: [],
  copies: [],
  values: [],
  inserts: [],
  gaps: [],
});

/** An insertion at one place. */
export const insertion = (file: string, at: number, text: string): Localized["inserts"][number] => ({
  file,
  edit: { start: at, end: at, text },
});
