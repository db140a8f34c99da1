/** When an app has come far enough for the next ones to follow. */
export const passes = ["built", "submitted", "approved", "live"] as const;

export type Passes = (typeof passes)[number];
