import type { StoreDefinition } from "../definition.ts";

export const appStore: StoreDefinition = {
  title: "App Store",
  takes: ["ios", "desktop"],
  pictures: [],
  titles: {},
  /** App Store Connect help, "Platform version information". */
  mostNotes: 4000,
};
