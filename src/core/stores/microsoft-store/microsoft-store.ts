import type { StoreDefinition } from "../definition.ts";
import { microsoftStoreRecord } from "./record.ts";

export const microsoftStore: StoreDefinition = {
  key: "microsoft-store",
  title: "Microsoft Store",
  takes: ["windows"],
  isUsual: true,
  pictures: [],
  record: microsoftStoreRecord,
  seenFirst: 200,
  titles: {},
  /** Partner Center, "Create app store listings". */
  mostNotes: 1500,
};
