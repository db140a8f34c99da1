import type { StoreDefinition } from "../definition.ts";
import { askedEverywhere } from "../questions-in-common.ts";
import { googlePlayAccounts } from "./accounts.ts";
import { googlePlayCaptures } from "./captures.ts";
import { googlePlayCategories } from "./categories.ts";
import { googlePlayConduct } from "./conduct.ts";
import { googlePlayData } from "./data.ts";
import { googlePlayLanguages } from "./languages.ts";
import { googlePlayPictures } from "./pictures.ts";
import { googlePlayQuestions } from "./questions.ts";
import { googlePlayRecord } from "./record.ts";
import { shareGooglePlay } from "./share.ts";

export const googlePlay: StoreDefinition = {
  key: "google-play",
  title: "Google Play",
  takes: ["android"],
  isUsual: true,
  /** Google Play Console help, "Prepare and roll out a release". */
  mostNotes: 500,
  pictures: googlePlayPictures,
  record: googlePlayRecord,
  // Play Console help, "Create and set up your app": name, language, app or game, free or paid.
  creates: ["name", "kind", "price"],
  seenFirst: 80,
  captures: googlePlayCaptures,
  previews: [],
  data: googlePlayData,
  asks: [...askedEverywhere, "deletion", "advertising"],
  questions: googlePlayQuestions,
  accounts: googlePlayAccounts,
  share: shareGooglePlay,
  conduct: googlePlayConduct,
  categories: googlePlayCategories,
  languages: googlePlayLanguages,
  leastTarget: { level: 36, since: "2026-08-31", source: 'Play Console help, "Target API level requirements"' },
  /** Play Console help, "Create an in-app product". */
  goods: {
    is: /^[a-z0-9][a-z0-9_.]*$/,
    says: "small letters, digits, underscores and full stops, a letter or digit first",
    isSure: true,
  },
  ownNames: [/\b(android|google play|play store|chromebook)\b/i],
  titles: {
    "store-icon": { en: "Store icon", de: "Store-Icon", fr: "Icône de boutique", es: "Icono de tienda" },
    "feature-graphic": {
      en: "Store feature graphic",
      de: "Vorstellungsgrafik",
      fr: "Image de présentation",
      es: "Gráfico de funciones",
    },
    "store-tv-banner": {
      en: "Store TV banner",
      de: "TV-Banner des Stores",
      fr: "Bannière TV de la boutique",
      es: "Banner de TV de la tienda",
    },
  },
};
