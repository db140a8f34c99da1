import type { StoreDefinition } from "../definition.ts";

export const microsoftStore: StoreDefinition = {
  title: "Microsoft Store",
  takes: ["windows"],
  pictures: [],
  titles: {},
  /** Partner Center, "Create app store listings". */
  mostNotes: 1500,
};
