import type { PageLanguage } from "../../ground/values/page-language.ts";

/** What is put into a text for the names in its braces. */
export type Put = Readonly<Record<string, string | number | undefined>>;

/** Says a word of a table in one language. */
export type Saying<W extends string> = (word: W, put?: Put) => string;

/** Speaks a table of words. */
export const speakingFrom =
  <W extends string>(table: Readonly<Record<W, string>>): Saying<W> =>
  (word, put = {}) =>
    table[word].replace(/\{(\w+)\}/g, (_, name: string) => String(put[name] ?? ""));

/** Speaks tables of words, one for each language of pages, in one of them. */
export const speaking =
  <W extends string>(tables: Readonly<Record<PageLanguage, Readonly<Record<W, string>>>>) =>
  (language: PageLanguage): Saying<W> =>
    speakingFrom(tables[language]);
