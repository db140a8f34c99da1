import type { SettingsKind } from "./kind.ts";

type Picture = SettingsKind["pictures"][number];

const sized = (section: string, sides: readonly number[]): Picture[] =>
  sides.map((side) => ({ at: `${section}.app_icon_${side}x${side}`, kind: "icon", platform: "ios" }));

/** A game engine's project whose packages the engine makes without native projects (Defold, "Project settings"). */
export const bundledProject: SettingsKind = {
  says: "a game engine's project",
  file: /(^|\/)game\.project$/,
  root: [
    ["project", "android"],
    ["project", "ios"],
    ["project", "osx"],
    ["project", "windows"],
  ],
  makes: [
    { platform: "android", group: "android" },
    { platform: "ios", group: "ios" },
    { platform: "desktop", group: "osx" },
    { platform: "desktop", group: "windows" },
  ],
  wraps: true,
  places: [
    { at: "project.title", holds: "app.label" },
    { at: "project.version", holds: "version" },
    { at: "project.publisher", holds: "owner" },
    { at: "project.developer", holds: "owner" },
    { at: "android.package", holds: "identifiers.android", platform: "android" },
    { at: "android.version_code", holds: "build", platform: "android" },
    { at: "ios.bundle_identifier", holds: "identifiers.ios", platform: "ios" },
    { at: "ios.bundle_version", holds: "build", platform: "ios" },
    { at: "ios.bundle_name", holds: "app.label", platform: "ios" },
    { at: "osx.bundle_identifier", holds: "identifiers.desktop", platform: "desktop" },
    { at: "osx.bundle_version", holds: "build", platform: "desktop" },
  ],
  pictures: [
    ...sized("android", [36, 48, 72, 96, 144, 192]),
    ...sized("ios", [76, 120, 152, 167, 180, 1024]),
    { at: "osx.app_icon", kind: "shell", platform: "desktop" },
    { at: "windows.app_icon", kind: "shell", platform: "desktop" },
  ],
};

/** Sections of such settings, by what they are for. */
const sections = {
  project: "/Script/EngineSettings.GeneralProjectSettings",
  android: "/Script/AndroidRuntimeSettings.AndroidRuntimeSettings",
  ios: "/Script/IOSRuntimeSettings.IOSRuntimeSettings",
} as const;

/** What an engine's editor notes of a game for each platform (Unreal Engine, "Project settings"). */
export const notedProject: SettingsKind = {
  says: "a game engine's project",
  file: /(^|\/)Config\/Default(Engine|Game)\.ini$/,
  root: Object.values(sections).map((section) => [section]),
  makes: [
    { platform: "android", group: sections.android },
    { platform: "ios", group: sections.ios },
  ],
  wraps: true,
  places: [
    { at: "*.ProjectName", holds: "app.name" },
    { at: "*.CompanyName", holds: "owner" },
    { at: "*.CopyrightNotice", holds: "copyright" },
    { at: "*.Homepage", holds: "home" },
    { at: "*.SupportContact", holds: "email" },
    { at: "*.ProjectVersion", holds: "version" },
    { at: "*.PackageName", holds: "identifiers.android", platform: "android" },
    { at: "*.ApplicationDisplayName", holds: "app.label", platform: "android" },
    { at: "*.VersionDisplayName", holds: "version", platform: "android" },
    { at: "*.StoreVersion", holds: "build", platform: "android" },
    { at: "*.BundleDisplayName", holds: "app.label", platform: "ios" },
    { at: "*.BundleName", holds: "app.label", platform: "ios" },
    { at: "*.BundleIdentifier", holds: "identifiers.ios", platform: "ios" },
    { at: "*.VersionInfo", holds: "version", platform: "ios" },
    { at: "*.IOSTeamID", holds: "signing.team", platform: "ios", optional: true },
  ],
  pictures: [],
  byName: [
    {
      ...{ folder: "=../Build/Android/res", kind: "icon", platform: "android" },
      files: ["", "-ldpi", "-mdpi", "-hdpi", "-xhdpi", "-xxhdpi", "-xxxhdpi"].map((each) => `drawable${each}/icon.png`),
    },
    {
      ...{ folder: "=../Build/IOS/Resources/Graphics", kind: "icon", platform: "ios" },
      files: ["Icon1024.png", "Icon60@2x.png", "Icon76@2x.png", "Icon83.5@2x.png"],
    },
    { folder: "=../Build/Windows", files: ["Application.ico"], kind: "shell", platform: "desktop" },
  ],
  keyStores: [{ at: "*.KeyStore", platform: "android" }],
};
