import { appleRecord } from "../apple-record.ts";
import type { StoreDefinition } from "../definition.ts";

export const appStore: StoreDefinition = {
  key: "app-store",
  title: "App Store",
  takes: ["ios"],
  isUsual: true,
  pictures: [],
  record: appleRecord,
  seenFirst: 170,
  titles: {},
  /** App Store Connect help, "Platform version information". */
  mostNotes: 4000,
};
