import { appleRecord } from "../apple-record.ts";
import type { StoreDefinition } from "../definition.ts";

export const macAppStore: StoreDefinition = {
  key: "mac-app-store",
  title: "Mac App Store",
  takes: ["desktop"],
  // Most programs are handed out by whoever makes them.
  isUsual: false,
  pictures: [],
  record: appleRecord,
  seenFirst: 170,
  titles: {},
  /** App Store Connect help, "Platform version information". */
  mostNotes: 4000,
};
