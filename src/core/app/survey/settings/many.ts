import type { SettingsKind } from "./kind.ts";

/** One app's configuration for many platforms, in a folder of its own; what several apps share lies in another. */
export const manyPlatforms: SettingsKind = {
  says: "an app's configuration for many platforms",
  file: /(^|\/)app[-_]?configs?\/[\w.-]+\/[\w-]+\.json$/i,
  root: [["id", "common"]],
  makes: [
    { platform: "android", group: "platforms.android" },
    { platform: "ios", group: "platforms.ios" },
    { platform: "desktop", group: "platforms.windows" },
    { platform: "desktop", group: "platforms.macos" },
    { platform: "desktop", group: "platforms.linux" },
    { platform: "web", group: "platforms.web" },
  ],
  places: [
    { at: "common.title", holds: "app.name" },
    { at: "common.id", holds: "identifiers.base" },
    { at: "common.author", holds: "person" },
    { at: "common.backgroundColor", holds: "colors.start", shape: "color" },
    { at: "common.splashScreenBackgroundColor", holds: "colors.start", shape: "color" },
    { at: "common.urlScheme", holds: "scheme-if-own" },
    { at: "platforms.*.title", holds: "app.label" },
    { at: "platforms.android.id", holds: "identifiers.android", platform: "android" },
    { at: "platforms.android.versionCode", holds: "build", platform: "android" },
    { at: "platforms.ios.id", holds: "identifiers.ios", platform: "ios" },
    { at: "platforms.ios.teamID", holds: "signing.team", platform: "ios", optional: true },
    { at: "platforms.macos.id", holds: "identifiers.desktop", platform: "desktop" },
  ],
  pictures: [],
};
