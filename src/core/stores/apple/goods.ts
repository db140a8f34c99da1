import type { StoreDefinition } from "../definition.ts";

/** App Store Connect help, "In-App Purchase information": product ID. */
export const appleGoods: NonNullable<StoreDefinition["goods"]> = {
  is: /^[A-Za-z0-9_.]+$/,
  says: "letters, digits, underscores and full stops",
  isSure: false,
};
