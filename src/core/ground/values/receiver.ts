/** Whom a build may be given to. */
export const receivers = ["testers", "store"] as const;

export type Receiver = (typeof receivers)[number];
