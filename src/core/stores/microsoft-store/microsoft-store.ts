import type { StoreDefinition } from "../definition.ts";
import { askedEverywhere } from "../questions-in-common.ts";
import { microsoftStoreAccounts } from "./accounts.ts";
import { microsoftStoreCaptures } from "./captures.ts";
import { microsoftStoreCategories } from "./categories.ts";
import { microsoftStoreConduct } from "./conduct.ts";
import { microsoftStoreData } from "./data.ts";
import { microsoftStorePictures } from "./pictures.ts";
import { microsoftStoreQuestions } from "./questions.ts";
import { microsoftStoreRecord } from "./record.ts";
import { shareMicrosoft } from "./share.ts";

export const microsoftStore: StoreDefinition = {
  key: "microsoft-store",
  title: "Microsoft Store",
  takes: ["windows"],
  isUsual: true,
  pictures: microsoftStorePictures,
  record: microsoftStoreRecord,
  // Partner Center help, "Create your app by reserving a name".
  creates: ["name"],
  seenFirst: 200,
  captures: microsoftStoreCaptures,
  previews: [],
  data: microsoftStoreData,
  asks: [...askedEverywhere, "advertising", "encryption"],
  questions: microsoftStoreQuestions,
  accounts: microsoftStoreAccounts,
  share: shareMicrosoft,
  conduct: microsoftStoreConduct,
  categories: microsoftStoreCategories,
  /** Partner Center, "View app identity details". */
  assigned: [
    { field: "identifiers.windows", title: "Package/Identity/Name" },
    { field: "windows.publisher", title: "Package/Identity/Publisher" },
    { field: "windows.publisherName", title: "Package/Properties/PublisherDisplayName" },
  ],
  ownNames: [/\b(windows (?:10|11|phone|store)|microsoft store)\b/i],
  titles: {
    "store-tile": { en: "Store tile", de: "Store-Kachel", fr: "Vignette de boutique", es: "Mosaico de tienda" },
    "store-box": {
      en: "Box art",
      de: "Store-Logo, quadratisch",
      fr: "Logo carré de boutique",
      es: "Logo cuadrado de tienda",
    },
    "store-poster": { en: "Store poster", de: "Store-Poster", fr: "Affiche de boutique", es: "Cartel de tienda" },
  },
  /** Partner Center, "Create app store listings". */
  mostNotes: 1500,
};
