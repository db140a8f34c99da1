import { putInto } from "../../page/words/say.ts";
import type { PageLanguage } from "../../values/page-language.ts";
import { german } from "./de.ts";
import { english, type Word, type Words } from "./en.ts";
import { spanish } from "./es.ts";
import { french } from "./fr.ts";

const tables: Readonly<Record<PageLanguage, Words>> = { en: english, de: german, fr: french, es: spanish };

/** Says a word of a letter, with what is put in for its braces. */
export type Say = (word: Word, put?: Readonly<Record<string, string | number | undefined>>) => string;

export const sayIn =
  (language: PageLanguage): Say =>
  (word, put = {}) =>
    putInto(tables[language][word], put);

/** Whether there is a word for what is asked. */
export const isWord = (name: string): name is Word => Object.hasOwn(english, name);
