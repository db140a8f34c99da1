/** Systems that the steps of a build may want. */
export const systems = ["linux", "mac", "windows"] as const;

export type System = (typeof systems)[number];

/** What a build gives: what each file is for. */
export const resultKinds = ["store", "install", "symbols", "other"] as const;

export type ResultKind = (typeof resultKinds)[number];
