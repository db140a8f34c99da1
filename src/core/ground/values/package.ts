/** Largest file that a build may give, or that is looked into as a package, in bytes. */
export const largestPackage = 1024 * 1024 * 1024;

/** What a build gives: what each file is for. */
export const resultKinds = ["store", "install", "symbols", "other"] as const;

/** The same for people. */
export const resultKindNames = {
  store: "for the store",
  install: "to be installed",
  symbols: "symbols",
  other: "besides",
} as const satisfies Record<(typeof resultKinds)[number], string>;

export type ResultKind = (typeof resultKinds)[number];
