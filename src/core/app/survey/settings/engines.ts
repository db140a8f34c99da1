import type { SettingsKind } from "./kind.ts";

type Picture = SettingsKind["pictures"][number];

const sized = (group: string, names: readonly string[]): Picture[] =>
  names.map((name) => ({ at: `${group}.${name}`, kind: "icon", platform: "ios" }));

/** What a game engine's project is exported with for each platform; the app's own name stands beside it. */
export const exported: SettingsKind = {
  says: "what a game engine's project is exported with",
  file: /(^|\/)export_presets\.cfg$/,
  root: [["Android"], ["iOS"], ["Web"], ["Windows Desktop"], ["macOS"], ["Linux"], ["Linux/X11"]],
  makes: [
    { platform: "android", group: "Android" },
    { platform: "ios", group: "iOS" },
    { platform: "desktop", group: "Windows Desktop" },
    { platform: "desktop", group: "macOS" },
    { platform: "desktop", group: "Linux" },
    { platform: "desktop", group: "Linux/X11" },
  ],
  wraps: true,
  places: [
    { at: "Android.package/unique_name", holds: "identifiers.android", platform: "android" },
    { at: "Android.package/name", holds: "app.label", platform: "android" },
    { at: "Android.version/code", holds: "build", platform: "android" },
    { at: "Android.version/name", holds: "version", platform: "android" },
    { at: "iOS.application/bundle_identifier", holds: "identifiers.ios", platform: "ios" },
    { at: "iOS.application/app_store_team_id", holds: "signing.team", platform: "ios", optional: true },
    { at: "iOS.application/short_version", holds: "version", platform: "ios" },
    { at: "iOS.application/version", holds: "build", platform: "ios" },
    { at: "iOS.storyboard/custom_bg_color", holds: "colors.start", shape: "engineColor", platform: "ios" },
    { at: "Web.progressive_web_app/background_color", holds: "colors.start", shape: "engineColor" },
    { at: "macOS.application/bundle_identifier", holds: "identifiers.desktop", platform: "desktop" },
    { at: "macOS.application/short_version", holds: "version", platform: "desktop" },
    { at: "macOS.application/version", holds: "build", platform: "desktop" },
    { at: "macOS.application/copyright", holds: "copyright", platform: "desktop" },
    { at: "Windows Desktop.application/product_name", holds: "app.name", platform: "desktop" },
    { at: "Windows Desktop.application/file_description", holds: "app.name", platform: "desktop" },
    { at: "Windows Desktop.application/company_name", holds: "owner", platform: "desktop" },
    { at: "Windows Desktop.application/copyright", holds: "copyright", platform: "desktop" },
    { at: "Windows Desktop.application/file_version", holds: "windows.version", platform: "desktop", optional: true },
    {
      at: "Windows Desktop.application/product_version",
      holds: "windows.version",
      platform: "desktop",
      optional: true,
    },
  ],
  pictures: [
    { at: "Android.launcher_icons/main_192x192", kind: "icon", platform: "ios" },
    { at: "Android.launcher_icons/adaptive_foreground_432x432", kind: "foreground", platform: "android" },
    { at: "Android.launcher_icons/adaptive_background_432x432", kind: "background", platform: "android" },
    { at: "Android.launcher_icons/adaptive_monochrome_432x432", kind: "monochrome", platform: "android" },
    ...sized(
      "iOS",
      ["app_store_1024x1024", "icon_1024x1024", "iphone_180x180", "iphone_120x120", "ipad_167x167"].map(
        (each) => `icons/${each}`,
      ),
    ),
    ...["2x", "3x"].map(
      (scale): Picture => ({
        at: `iOS.storyboard/custom_image@${scale}`,
        kind: "start",
        platform: "ios",
      }),
    ),
    ...sized(
      "Web",
      ["144x144", "180x180", "512x512"].map((size) => `progressive_web_app/icon_${size}`),
    ),
    { at: "macOS.application/icon", kind: "shell", platform: "desktop" },
    { at: "Windows Desktop.application/icon", kind: "shell", platform: "desktop" },
  ],
  keyStores: [{ at: "Android.keystore/release", platform: "android" }],
};

/** The project itself: its name, and what it shows while it starts. */
export const engineProject: SettingsKind = {
  says: "a game engine's project",
  file: /(^|\/)project\.godot$/,
  root: [["application"]],
  makes: [],
  places: [
    { at: "application.config/name", holds: "app.name" },
    { at: "application.config/version", holds: "version" },
    { at: "application.boot_splash/bg_color", holds: "colors.start", shape: "engineColor" },
  ],
  pictures: [
    { at: "application.config/icon", kind: "icon", platform: "ios" },
    { at: "application.boot_splash/image", kind: "start", platform: "ios" },
    { at: "application.config/windows_native_icon", kind: "shell", platform: "desktop" },
    { at: "application.config/macos_native_icon", kind: "shell", platform: "desktop" },
  ],
};

/** A project of which an editor makes the native ones, for all platforms (Unity manual, "Player settings"). */
export const editorProject: SettingsKind = {
  says: "a game engine's project",
  file: /(^|\/)ProjectSettings\/ProjectSettings\.asset$/,
  root: [["productName", "companyName"]],
  makes: [
    { platform: "android", group: "applicationIdentifier", member: "Android" },
    { platform: "ios", group: "applicationIdentifier", member: "iPhone" },
    { platform: "desktop", group: "applicationIdentifier", member: "Standalone" },
  ],
  wraps: true,
  places: [
    // It stands under the icon.
    { at: "productName", holds: "app.label" },
    { at: "companyName", holds: "owner" },
    { at: "bundleVersion", holds: "version" },
    { at: "applicationIdentifier.Android", holds: "identifiers.android", platform: "android" },
    { at: "applicationIdentifier.iPhone", holds: "identifiers.ios", platform: "ios" },
    { at: "applicationIdentifier.Standalone", holds: "identifiers.desktop", platform: "desktop" },
    { at: "AndroidBundleVersionCode", holds: "build", platform: "android" },
    { at: "buildNumber.iPhone", holds: "build", platform: "ios" },
    { at: "buildNumber.Standalone", holds: "build", platform: "desktop" },
    { at: "appleDeveloperTeamID", holds: "signing.team", platform: "ios", optional: true },
    { at: "iOSURLSchemes.*", holds: "scheme-if-own", platform: "ios" },
    { at: "metroApplicationDescription", holds: "app.name" },
    { at: "metroTileShortName", holds: "app.label" },
    ...(["red", "green", "blue"] as const).map((shape): SettingsKind["places"][number] => ({
      at: `m_SplashScreenBackgroundColor.${shape.charAt(0)}`,
      holds: "colors.start",
      shape,
    })),
  ],
  pictures: [
    { at: "m_BuildTargetIcons.*.m_Icons.*.m_Icon.guid", kind: "icon", platform: "ios" },
    // Of an icon in layers the first is what lies below.
    {
      ...{ at: "m_BuildTargetPlatformIcons.*.m_Icons.*.m_Textures.0.guid", kind: "icon", platform: "ios" },
      beside: { at: "m_BuildTargetPlatformIcons.*.m_Icons.*.m_Textures.1.guid", kind: "background" },
    },
    { at: "m_BuildTargetPlatformIcons.*.m_Icons.*.m_Textures.1.guid", kind: "foreground", platform: "android" },
    { at: "androidSplashScreen.guid", kind: "start-full", platform: "android" },
    { at: "iOSLaunchScreenPortrait.guid", kind: "start-full", platform: "ios" },
    { at: "iOSLaunchScreenLandscape.guid", kind: "start-full", platform: "ios" },
  ],
  keyStores: [{ at: "AndroidKeystoreName", platform: "android" }],
};

/** What a program in Python is packed with for telephones. */
export const packedProgram: SettingsKind = {
  says: "what a program is packed with for telephones",
  file: /(^|\/)buildozer\.spec$/,
  root: [["app"]],
  makes: [{ platform: "android" }, { platform: "ios" }],
  places: [
    { at: "app.title", holds: "app.label" },
    { at: "app.version", holds: "version" },
    { at: "app.package.name", holds: "identifiers.base", shape: "identifierName" },
    { at: "app.package.domain", holds: "identifiers.base", shape: "identifierDomain" },
    { at: "app.android.numeric_version", holds: "build", platform: "android" },
    { at: "app.android.presplash_color", holds: "colors.start", shape: "color", platform: "android" },
  ],
  pictures: [
    { at: "app.icon.filename", kind: "icon", platform: "ios" },
    { at: "app.icon.adaptive_foreground.filename", kind: "foreground", platform: "android" },
    { at: "app.icon.adaptive_background.filename", kind: "background", platform: "android" },
    { at: "app.presplash.filename", kind: "start", platform: "ios" },
  ],
};
