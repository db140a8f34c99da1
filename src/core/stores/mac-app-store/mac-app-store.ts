import { appleAccounts } from "../apple/accounts.ts";
import { appleCategories } from "../apple/categories.ts";
import { appleConduct } from "../apple/conduct.ts";
import { appleData } from "../apple/data.ts";
import { appleGoods } from "../apple/goods.ts";
import { appleLanguages } from "../apple/languages.ts";
import { appleMac, appleMobile } from "../apple/names.ts";
import { appleAsks, appleQuestions } from "../apple/questions.ts";
import { appleRecord } from "../apple/record.ts";
import { shareApple } from "../apple/share.ts";
import type { StoreDefinition } from "../definition.ts";
import { macAppStoreCaptures } from "./captures.ts";
import { macAppStorePreviews } from "./previews.ts";

export const macAppStore: StoreDefinition = {
  key: "mac-app-store",
  title: "Mac App Store",
  takes: ["desktop"],
  // Most programs are handed out by whoever makes them.
  isUsual: false,
  pictures: [],
  record: appleRecord,
  // App Store Connect help, "Add a new app": name, primary language, bundle ID, SKU.
  creates: ["name", "sku"],
  seenFirst: 170,
  captures: macAppStoreCaptures,
  previews: macAppStorePreviews,
  data: appleData,
  asks: appleAsks,
  questions: appleQuestions,
  accounts: appleAccounts,
  share: shareApple,
  conduct: appleConduct,
  categories: appleCategories,
  // Its apps may speak of telephones, on which they are often found too.
  languages: appleLanguages,
  goods: appleGoods,
  ownNames: [appleMobile, appleMac],
  titles: {},
  /** App Store Connect help, "Platform version information". */
  mostNotes: 4000,
};
