import type { PageLanguage } from "../../values/page-language.ts";
import { german } from "./de.ts";
import { english, type Word, type Words } from "./en.ts";
import { spanish } from "./es.ts";
import { french } from "./fr.ts";

/** The table of words, by language: each has all of them. */
const tables: Readonly<Record<PageLanguage, Words>> = { en: english, de: german, fr: french, es: spanish };

/** Says a word in a page's language, with what is put in for its braces. */
export type Say = (word: Word, put?: Readonly<Record<string, string | number | undefined>>) => string;

export const sayIn =
  (language: PageLanguage): Say =>
  (word, put = {}) =>
    putInto(tables[language][word], put);

/** A text with what stands for the names in its braces. */
export const putInto = (text: string, put: Readonly<Record<string, string | number | undefined>>): string =>
  text.replace(/\{(\w+)\}/g, (_, name: string) => String(put[name] ?? ""));
