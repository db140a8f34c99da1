import type { Slot } from "../slots/slot.ts";

/** A picture of a store's record. */
export type StorePicture = Slot & {
  /** Wanted of apps for these alone. */
  only?: "television";
};
