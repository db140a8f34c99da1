import type { Platform } from "../values/platform.ts";

/** A picture that the proof page shows: a slot of the catalog by role and qualifier, the first that the template has. */
export interface Shown {
  name: string;
  platform: Platform;
  role: string;
  qualifiers: readonly string[];
}

const android = (name: string, role: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "android",
  role,
  qualifiers: qualifiers.length > 0 ? qualifiers : ["xxhdpi"],
});
/** A picture over the whole screen, by day or by night. */
const full = (name: string, turn: "port" | "land", night = ""): Shown =>
  android(
    name,
    `start-full-${turn}`,
    `xhdpi${night}`,
    `xxhdpi${night}`,
    `xxxhdpi${night}`,
    `hdpi${night}`,
    `mdpi${night}`,
  );
const ios = (name: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "ios",
  role: "icon",
  qualifiers,
});
const windows = (name: string, role: string, qualifier = "scale-200"): Shown => ({
  name,
  platform: "windows",
  role,
  qualifiers: [qualifier],
});
const web = (name: string, role: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "web",
  role,
  qualifiers,
});

const desktop = (name: string, role: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "desktop",
  role,
  qualifiers,
});

/** Everything the page shows, read from the variant as it lies on disk. */
export const shownPictures: readonly Shown[] = [
  android("and-front", "adaptive-foreground"),
  android("and-back", "adaptive-background"),
  android("and-mono", "adaptive-monochrome"),
  android("and-square", "launcher"),
  android("and-round", "launcher-round"),
  android("and-start", "start-mark", "xhdpi"),
  android("and-start-dark", "start-mark", "xhdpi-night"),
  full("and-full", "port"),
  full("and-full-turned", "land"),
  full("and-full-dark", "port", "-night"),
  full("and-full-dark-turned", "land", "-night"),
  android("and-note", "notification"),
  android("store-icon", "store-icon", "512"),
  android("store-feature", "feature-graphic", "1024x500"),
  ios("ios-icon", "universal", "ios-marketing-1024@1x"),
  ios("ios-dark", "universal-dark"),
  ios("ios-tinted", "universal-tinted"),
  { name: "ios-start", platform: "ios", role: "start-mark", qualifiers: ["2x", "3x", "1x"] },
  windows("win-small", "Square71x71Logo"),
  windows("win-medium", "Square150x150Logo"),
  windows("win-wide", "Wide310x150Logo"),
  windows("win-large", "Square310x310Logo"),
  windows("win-start", "SplashScreen"),
  windows("win-store", "Logo"),
  windows("win-plated", "Square44x44Logo", "targetsize-64"),
  windows("win-unplated", "Square44x44Logo", "targetsize-48_altform-unplated"),
  windows("win-light", "Square44x44Logo", "targetsize-48_altform-lightunplated"),
  windows("win-badge", "BadgeLogo"),
  desktop("mac-icon", "mac-icon", "mac-128@2x", "mac-128@1x", "mac-256@1x", "mac-512@2x"),
  desktop("shell-icon", "shell-icon", "512", "1024", "256"),
  { name: "program-icon", platform: "windows", role: "program-icon", qualifiers: ["256"] },
  web("web-any", "any", "192", "512"),
  web("web-mask", "maskable", "192", "512"),
  web("web-mono", "monochrome", "512"),
  web("web-touch", "touch", "180"),
  web("web-social", "social", "1200x630"),
  web("web-start", "start-portrait", "375x812@3"),
  web("web-start-turned", "start-landscape", "375x812@3"),
  web("web-tab", "favicon", "48", "32", "64"),
];
