/** Languages that pages for people come in. */
export const pageLanguages = ["en", "de", "fr", "es"] as const;

export type PageLanguage = (typeof pageLanguages)[number];

/** A page's language for people who speak another: the first of theirs that pages come in. */
export const pageLanguageOf = (...locales: readonly (string | undefined)[]): PageLanguage =>
  locales.flatMap((locale) => pageLanguages.find((each) => each === locale?.split("-")[0]) ?? [])[0] ?? "en";

/** A text in each of them. */
export type InEach = Readonly<Record<PageLanguage, string>>;
