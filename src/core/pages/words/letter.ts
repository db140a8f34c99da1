import type { PageLanguage } from "../../ground/values/page-language.ts";
import { german } from "./de/letter.ts";
import { english, type Word, type Words } from "./en/letter.ts";
import { spanish } from "./es/letter.ts";
import { french } from "./fr/letter.ts";
import type { Saying } from "./speak.ts";

/** Says the words of a letter in one language. */
export type Say = Saying<Word>;

/** The words of letters in the languages that come with Oxalis. */
export const tables: Readonly<Record<PageLanguage, Words>> = { en: english, de: german, fr: french, es: spanish };

/** Whether there is a word for what is asked. */
export const isWord = (name: string): name is Word => Object.hasOwn(english, name);
