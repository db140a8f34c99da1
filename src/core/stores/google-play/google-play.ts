import type { StoreDefinition } from "../definition.ts";
import { googlePlayPictures } from "./pictures.ts";

export const googlePlay: StoreDefinition = {
  title: "Google Play",
  takes: ["android"],
  /** Google Play Console help, "Prepare and roll out a release". */
  mostNotes: 500,
  pictures: googlePlayPictures,
  titles: {
    "store-icon": "Store icon",
    "feature-graphic": "Store feature graphic",
    "store-tv-banner": "Store TV banner",
  },
};
