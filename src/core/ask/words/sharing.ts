import { allStores } from "../../stores/all.ts";
import type { Sharing } from "../../stores/definition.ts";
import type { PageLanguage } from "../../values/page-language.ts";

/** How the accounts of stores are shared, in a language, by what the texts are called. */
export const sharingIn = (language: PageLanguage): Readonly<Record<Sharing["word"], string>> =>
  Object.fromEntries(allStores.map(({ share }) => [share.word, share[language]]));
