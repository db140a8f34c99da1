export const platforms = ["android", "ios", "windows", "web"] as const;

export type Platform = (typeof platforms)[number];

/** How a platform is written for people. */
export const platformNames: Readonly<Record<Platform, string>> = {
  android: "Android",
  ios: "iOS",
  windows: "Windows",
  web: "Web",
};
