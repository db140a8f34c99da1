export const platforms = ["android", "ios", "desktop", "windows", "web"] as const;

export type Platform = (typeof platforms)[number];

/** What an agency is taken to make apps for where it does not say: what most templates have. */
export const usualPlatforms: Platform[] = ["android", "ios", "windows", "web"];

/** The platform whose identifier a field holds; undefined where it holds none. */
export const platformOf = (field: string): Platform | undefined =>
  platforms.find((platform) => field === `identifiers.${platform}`);

/** How a platform is written for people. */
export const platformNames: Readonly<Record<Platform, string>> = {
  android: "Android",
  ios: "iOS",
  desktop: "Desktop",
  windows: "Windows",
  web: "Web",
};
