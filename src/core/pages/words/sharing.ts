import type { PageLanguage } from "../../ground/values/page-language.ts";
import { allStores } from "../../stores/all.ts";
import type { Sharing } from "../../stores/definition.ts";

/** How the accounts of stores are shared, in a language, by what the texts are called. */
export const sharingIn = (language: PageLanguage): Readonly<Record<Sharing["word"], string>> =>
  Object.fromEntries(allStores.map(({ share }) => [share.word, share[language]]));
