/** Stores, by what they are called in files, options and addresses. */
export const storeKeys = ["google-play", "app-store", "mac-app-store", "microsoft-store"] as const;

export type StoreKey = (typeof storeKeys)[number];
