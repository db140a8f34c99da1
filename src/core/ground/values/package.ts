/** Largest file that a build may give, or that is looked into as a package, in bytes. */
export const largestPackage = 1024 * 1024 * 1024;

/** Systems that the steps of a build may want. */
export const systems = ["linux", "mac", "windows"] as const;

export type System = (typeof systems)[number];

/** What a build gives: what each file is for. */
export const resultKinds = ["store", "install", "symbols", "other"] as const;

export type ResultKind = (typeof resultKinds)[number];
