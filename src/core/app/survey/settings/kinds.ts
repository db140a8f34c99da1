import { unifiedAddIn } from "./add-ins.ts";
import { bundledProject, notedProject } from "./engine-settings.ts";
import { editorProject, engineProject, exported, packedProgram } from "./engines.ts";
import type { SettingsKind } from "./kind.ts";
import { manyPlatforms } from "./many.ts";
import {
  compiledJava,
  describedProject,
  packedPages,
  packedRust,
  wrappedIcons,
  wrappedServer,
} from "./native-projects.ts";
import { namelessShell } from "./program-name.ts";
import { bareShell, goShell, packaged, packer, servedShell, shell, windowedShell } from "./shells.ts";

/** A managed app for telephones, whose native projects are made from its settings at each build. */
const managed: SettingsKind = {
  says: "settings of a managed app",
  file: /(^|\/)app((\.[\w-]+)?\.json|(\.config(\.[\w-]+)?|\.[\w-]+\.config)?\.[cm]?[jt]s)$/,
  root: [
    ["name", "slug"],
    ["name", "android", "ios"],
  ],
  makes: [{ platform: "android" }, { platform: "ios" }, { platform: "web", group: "web" }],
  places: [
    { at: "name", holds: "app.label" },
    { at: "version", holds: "version" },
    { at: "scheme", holds: "scheme-if-own" },
    { at: "scheme.*", holds: "scheme-if-own" },
    { at: "orientation", holds: "orientation", shape: "managedOrientation", optional: true },
    { at: "primaryColor", holds: "colors.brand", shape: "color" },
    { at: "backgroundColor", holds: "colors.page", shape: "color" },
    { at: "splash.backgroundColor", holds: "colors.start", shape: "color" },
    { at: "splash.dark.backgroundColor", holds: "colors.startDark", shape: "color" },
    { at: "plugins.*.*.backgroundColor", holds: "colors.start", shape: "color" },
    { at: "plugins.*.*.dark.backgroundColor", holds: "colors.startDark", shape: "color" },
    { at: "plugins.*.*.color", holds: "colors.brand", shape: "color" },
    { at: "notification.color", holds: "colors.brand", shape: "color" },
    { at: "ios.bundleIdentifier", holds: "identifiers.ios", platform: "ios" },
    { at: "ios.buildNumber", holds: "build", platform: "ios" },
    { at: "ios.scheme", holds: "scheme-if-own", platform: "ios" },
    { at: "ios.associatedDomains.*", holds: "host", platform: "ios" },
    { at: "ios.splash.backgroundColor", holds: "colors.start", shape: "color", platform: "ios" },
    { at: "ios.infoPlist.CFBundleDisplayName", holds: "app.label", platform: "ios" },
    { at: "android.package", holds: "identifiers.android", platform: "android" },
    { at: "android.versionCode", holds: "build", platform: "android" },
    { at: "android.scheme", holds: "scheme-if-own", platform: "android" },
    {
      at: "android.adaptiveIcon.backgroundColor",
      holds: "colors.ground",
      shape: "color",
      platform: "android",
    },
    { at: "android.splash.backgroundColor", holds: "colors.start", shape: "color", platform: "android" },
    { at: "android.intentFilters.*.data.host", holds: "host", platform: "android" },
    { at: "android.intentFilters.*.data.*.host", holds: "host", platform: "android" },
    { at: "android.intentFilters.*.data.scheme", holds: "scheme-if-own", platform: "android" },
    { at: "android.intentFilters.*.data.*.scheme", holds: "scheme-if-own", platform: "android" },
    { at: "web.name", holds: "app.name", platform: "web" },
    { at: "web.shortName", holds: "app.label", platform: "web" },
    { at: "web.themeColor", holds: "colors.brand", shape: "color", platform: "web" },
    { at: "web.backgroundColor", holds: "colors.start", shape: "color", platform: "web" },
  ],
  pictures: [
    { at: "icon", kind: "icon", platform: "ios" },
    { at: "ios.icon", kind: "icon", platform: "ios" },
    { at: "ios.icon.light", kind: "icon", platform: "ios" },
    { at: "ios.icon.dark", kind: "icon-dark", platform: "ios" },
    { at: "ios.icon.tinted", kind: "icon-tinted", platform: "ios" },
    { at: "android.icon", kind: "icon", platform: "ios" },
    { at: "android.adaptiveIcon.foregroundImage", kind: "foreground", platform: "android" },
    { at: "android.adaptiveIcon.backgroundImage", kind: "background", platform: "android" },
    { at: "android.adaptiveIcon.monochromeImage", kind: "monochrome", platform: "android" },
    { at: "notification.icon", kind: "notification", platform: "android" },
    { at: "plugins.*.*.icon", kind: "notification", platform: "android" },
    { at: "splash.image", kind: "start", platform: "ios" },
    { at: "splash.dark.image", kind: "start-dark", platform: "ios" },
    { at: "ios.splash.image", kind: "start", platform: "ios" },
    { at: "android.splash.image", kind: "start", platform: "ios" },
    { at: "plugins.*.*.image", kind: "start", platform: "ios" },
    { at: "plugins.*.*.dark.image", kind: "start-dark", platform: "ios" },
    { at: "web.favicon", kind: "favicon", platform: "web" },
  ],
  needs: [
    { group: "ios", member: "bundleIdentifier", holds: "identifiers.ios", platform: "ios", lacks: "bundle-identifier" },
    { group: "android", member: "package", holds: "identifiers.android", platform: "android", lacks: "application-id" },
  ],
};

/** A page in a native shell for telephones; its projects lie beside it. */
const wrapper: SettingsKind = {
  says: "settings of a wrapper around a page",
  file: /(^|\/)[\w-]+\.config\.(json|[cm]?[jt]s)$/,
  root: [["appId", "appName"]],
  makes: [],
  wraps: true,
  places: [
    { at: "appId", holds: "identifiers.base" },
    { at: "appName", holds: "app.name" },
    { at: "server.url", holds: "host" },
    { at: "plugins.SplashScreen.backgroundColor", holds: "colors.start", shape: "color" },
    { at: "plugins.LocalNotifications.iconColor", holds: "colors.brand", shape: "color" },
  ],
  pictures: [],
};

/**
 * A project whose native projects are made at each build from resources beside it: its identifier is in its settings.
 */
const resourced: SettingsKind = {
  says: "settings of an app whose native projects are made at each build",
  file: /^[\w-]+\.config\.[jt]s$/,
  root: [["id", "appPath"]],
  makes: [],
  places: [
    { at: "id", holds: "identifiers.base" },
    { at: "ios.id", holds: "identifiers.ios" },
    { at: "android.id", holds: "identifiers.android" },
  ],
  pictures: [],
};

/** The same, as earlier versions had it: in the package's own file (NativeScript 6 documentation, package.json). */
const resourcedBefore: SettingsKind = {
  ...resourced,
  file: /^package\.json$/,
  root: [
    ["id", "tns-android"],
    ["id", "tns-ios"],
    ["id", "templateVersion"],
  ],
};

/** An app for televisions and signs, a page in a package (webOS, appinfo.json). */
const television: SettingsKind = {
  says: "what a television knows an app by",
  file: /(^|\/)appinfo\.json$/,
  root: [["id", "title"]],
  makes: [{ platform: "web" }],
  wraps: true,
  places: [
    { at: "id", holds: "identifiers.base" },
    { at: "title", holds: "app.name" },
    { at: "version", holds: "version" },
    { at: "vendor", holds: "owner" },
    { at: "iconColor", holds: "colors.ground", shape: "color" },
    { at: "bgColor", holds: "colors.start", shape: "color" },
  ],
  pictures: [
    ...["icon", "largeIcon", "mediumIcon", "extraLargeIcon", "miniicon"].map((at) => ({
      ...{ at, kind: "shell" as const, platform: "web" as const },
    })),
    ...["splashBackground", "bgImage"].map((at) => ({
      ...{ at, kind: "start-full" as const, platform: "web" as const },
    })),
  ],
};

/** A page packed for small telephones with keys, described by its own manifest. */
const packedPage: SettingsKind = {
  says: "a packed page's manifest",
  file: /\.webapp$/,
  root: [
    ["launch_path", "icons"],
    ["name", "icons"],
  ],
  makes: [],
  goesWith: "web",
  places: [
    { at: "name", holds: "app.label" },
    { at: "locales.*.name", holds: "app.label" },
    { at: "developer.name", holds: "owner" },
    { at: "developer.url", holds: "home" },
    { at: "version", holds: "version" },
    { at: "theme_color", holds: "colors.brand", shape: "color" },
  ],
  pictures: [{ at: "icons.*", kind: "icon", platform: "ios" }],
};

/** Every kind of settings, the more telling ones first: of two that fit a file, the first counts. */
export const settingsKinds: readonly SettingsKind[] = [
  managed,
  manyPlatforms,
  windowedShell,
  goShell,
  servedShell,
  packer,
  shell,
  wrapper,
  television,
  packedPage,
  resourced,
  resourcedBefore,
  exported,
  engineProject,
  editorProject,
  bundledProject,
  notedProject,
  packedProgram,
  describedProject,
  compiledJava,
  wrappedServer,
  wrappedIcons,
  packedPages,
  packedRust,
  unifiedAddIn,
  bareShell,
  namelessShell,
  packaged,
];
