import { appleAccounts } from "../apple/accounts.ts";
import { appleCategories } from "../apple/categories.ts";
import { appleConduct } from "../apple/conduct.ts";
import { appleData } from "../apple/data.ts";
import { appleGoods } from "../apple/goods.ts";
import { appleLanguages } from "../apple/languages.ts";
import { appleMobile } from "../apple/names.ts";
import { appleAsks, appleQuestions } from "../apple/questions.ts";
import { appleRecord } from "../apple/record.ts";
import { shareApple } from "../apple/share.ts";
import type { StoreDefinition } from "../definition.ts";
import { appStoreCaptures } from "./captures.ts";
import { appStorePreviews } from "./previews.ts";

export const appStore: StoreDefinition = {
  key: "app-store",
  title: "App Store",
  takes: ["ios"],
  isUsual: true,
  pictures: [],
  record: appleRecord,
  // App Store Connect help, "Add a new app": name, primary language, bundle ID, SKU.
  creates: ["name", "sku"],
  seenFirst: 170,
  captures: appStoreCaptures,
  previews: appStorePreviews,
  data: appleData,
  asks: appleAsks,
  questions: appleQuestions,
  accounts: appleAccounts,
  share: shareApple,
  conduct: appleConduct,
  categories: appleCategories,
  languages: appleLanguages,
  goods: appleGoods,
  ownNames: [appleMobile],
  titles: {},
  /** App Store Connect help, "Platform version information". */
  mostNotes: 4000,
};
