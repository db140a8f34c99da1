import type { PageLanguage } from "../../ground/values/page-language.ts";
import { type RecordField, recordFields } from "../../stores/record-fields.ts";
import { german, germanFields, germanFound } from "./de/board.ts";
import {
  type BoardWord,
  type BoardWords,
  english,
  type FieldWords,
  type FoundKey,
  type FoundWords,
  foundKeys,
} from "./en/board.ts";
import { spanish, spanishFields, spanishFound } from "./es/board.ts";
import { french, frenchFields, frenchFound } from "./fr/board.ts";
import { type Put, type Saying, speaking, speakingFrom } from "./speak.ts";

/** Says a board's words in one language. */
export type SayOnBoard = Saying<BoardWord>;

/** Each language's words as they are, with what is put in still in braces: for what a page draws by itself. */
export const boardTables: Readonly<Record<PageLanguage, BoardWords>> = {
  en: english,
  de: german,
  fr: french,
  es: spanish,
};

export const boardIn = speaking<BoardWord>(boardTables);

/** In English, what is found is told as it is. */
const found: Readonly<Record<Exclude<PageLanguage, "en">, FoundWords>> = {
  de: germanFound,
  fr: frenchFound,
  es: spanishFound,
};

const fields: Readonly<Record<Exclude<PageLanguage, "en">, FieldWords>> = {
  de: germanFields,
  fr: frenchFields,
  es: spanishFields,
};

/** What a producer calls a field of a record. */
export const fieldIn = (language: PageLanguage, field: RecordField): string =>
  (language === "en" ? undefined : fields[language][field]) ?? recordFields[field].says;

const isFoundKey = (key: string): key is FoundKey => (foundKeys as readonly string[]).includes(key);

/** What was found, in a language; undefined where that has no words for it, and in English. */
export const foundIn = (language: PageLanguage, key: string, put: Put): string | undefined =>
  language !== "en" && isFoundKey(key) ? speakingFrom(found[language])(key, put) : undefined;
