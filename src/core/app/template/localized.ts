import type { Edit, Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { LocalName } from "../variant/variant.ts";
import type { PartSurvey, PictureUse } from "./found.ts";

/** What names in further languages take in one part of the template. */
export interface Localized {
  /** New files. */
  writes: readonly { path: string; text: string }[];
  /** Files of the template that a language gets a copy of, changed. */
  copies: readonly { from: string; path: string; edits: readonly Edit[] }[];
  /** Places that hold a name in one language, and what goes there instead of the first language's. */
  values: readonly { site: Site; value: string }[];
  /** Insertions into files that every variant has. */
  inserts: readonly { file: string; edit: Edit }[];
  /** Pictures with a name in them, drawn once more with the name in one language. */
  pictures: readonly { use: PictureUse; path: string; locale: string }[];
  gaps: readonly Problem[];
}

/** A client's names in a language, and what people read there when the app asks for something, by property list key. */
export type Spoken = LocalName & { usage: Readonly<Record<string, string>> };

/**
 * @param names in further languages.
 * @param main in the first one: as soon as there are others, it needs a place of its own too, or its own people see
 * another.
 */
export type Localize = (template: Folder, part: PartSurvey, names: readonly Spoken[], main: Spoken) => Localized;

export const nothingLocalized: Localized = { writes: [], copies: [], values: [], inserts: [], pictures: [], gaps: [] };

/** For platforms that show the first language's names to all. */
export const inNoLanguage: Localize = () => nothingLocalized;

/** What several parts, or several languages, take. */
export const mergeLocalized = (all: readonly Partial<Localized>[]): Localized => ({
  writes: all.flatMap(({ writes = [] }) => writes),
  copies: all.flatMap(({ copies = [] }) => copies),
  values: all.flatMap(({ values = [] }) => values),
  inserts: all.flatMap(({ inserts = [] }) => inserts),
  pictures: all.flatMap(({ pictures = [] }) => pictures),
  gaps: all.flatMap(({ gaps = [] }) => gaps),
});

/** An insertion at one place. */
export const insertion = (file: string, at: number, text: string): Localized["inserts"][number] => ({
  file,
  edit: { start: at, end: at, text },
});
