import type { StoreDefinition } from "../definition.ts";
import { appStoreRecord } from "./record.ts";

export const appStore: StoreDefinition = {
  key: "app-store",
  title: "App Store",
  takes: ["ios", "desktop"],
  pictures: [],
  record: appStoreRecord,
  seenFirst: 170,
  titles: {},
  /** App Store Connect help, "Platform version information". */
  mostNotes: 4000,
};
