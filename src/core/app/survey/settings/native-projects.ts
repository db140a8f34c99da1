import type { SettingPlace, SettingsKind } from "./kind.ts";

/** Build settings, wherever a description may give them: to all targets or to one, under a heading or not. */
const settings = (name: string, place: Omit<SettingPlace, "at" | "platform">): SettingPlace[] =>
  ["settings", "settings.base", "targets.*.settings", "targets.*.settings.base"].map((at) => ({
    ...{ at: `${at}.${name}`, platform: "ios" },
    ...place,
  }));

/** Keys of a property list that a description has written for a target. */
const listed = (name: string, holds: SettingPlace["holds"]): SettingPlace => ({
  at: `targets.*.info.properties.${name}`,
  holds,
  platform: "ios",
});

/** A description of targets, from which a command makes an Xcode project at each build. */
export const describedProject: SettingsKind = {
  says: "a description from which an Xcode project is made",
  file: /(^|\/)project\.ya?ml$/,
  root: [["name", "targets"]],
  makes: [{ platform: "ios" }],
  places: [
    ...settings("PRODUCT_BUNDLE_IDENTIFIER", { holds: "identifiers.ios" }),
    ...settings("MARKETING_VERSION", { holds: "version" }),
    ...settings("CURRENT_PROJECT_VERSION", { holds: "build" }),
    ...settings("DEVELOPMENT_TEAM", { holds: "signing.team", optional: true }),
    ...settings("INFOPLIST_KEY_CFBundleDisplayName", { holds: "app.label" }),
    listed("CFBundleDisplayName", "app.label"),
    listed("CFBundleName", "app.label"),
    listed("CFBundleShortVersionString", "version"),
    listed("CFBundleVersion", "build"),
    listed("CFBundleURLTypes.*.CFBundleURLSchemes.*", "scheme-if-own"),
  ],
  pictures: [],
};

/** What an app in Java is compiled with for telephones of Apple. */
export const compiledJava: SettingsKind = {
  says: "what an app in Java is compiled with for iOS",
  file: /(^|\/)robovm\.properties$/,
  root: [["app"]],
  makes: [{ platform: "ios" }],
  places: [
    { at: "app.id", holds: "identifiers.ios", platform: "ios" },
    { at: "app.version", holds: "version", platform: "ios" },
    { at: "app.build", holds: "build", platform: "ios" },
    { at: "app.name", holds: "app.label", platform: "ios" },
  ],
  pictures: [],
};

/** What a server's pages are wrapped with for telephones, as its build takes it (Meteor, "mobile configuration"). */
export const wrappedServer: SettingsKind = {
  says: "what a server's pages are wrapped with for telephones",
  file: /(^|\/)mobile-config\.js$/,
  root: [["id", "name"]],
  makes: [{ platform: "android" }, { platform: "ios" }],
  wraps: true,
  places: [
    { at: "id", holds: "identifiers.base" },
    { at: "name", holds: "app.label" },
    { at: "author", holds: "owner" },
    { at: "email", holds: "email" },
    { at: "website", holds: "home" },
    { at: "version", holds: "version" },
    { at: "buildNumber", holds: "build" },
  ],
  pictures: [],
};

/** Its icons, which the same file names elsewhere. */
export const wrappedIcons: SettingsKind = {
  says: "icons of a server's pages for telephones",
  file: /(^|\/)mobile-config\.js$/,
  root: [["app_store"], ["iphone_2x"], ["android_mdpi"], ["android_xhdpi"], ["android_xxxhdpi"]],
  makes: [],
  places: [],
  pictures: [{ at: "*", kind: "icon", platform: "ios" }],
};

/** An app for telephones and for the web, which a service or an editor packs (uni-app, "manifest.json"). */
export const packedPages: SettingsKind = {
  says: "an app that is packed from pages",
  file: /(^|\/)manifest\.json$/,
  root: [["appid", "versionName", "app-plus"]],
  makes: [{ platform: "android" }, { platform: "ios" }],
  places: [
    { at: "name", holds: "app.label" },
    { at: "versionName", holds: "version" },
    { at: "versionCode", holds: "build" },
    { at: "app-plus.distribute.android.packagename", holds: "identifiers.android", platform: "android" },
    { at: "app-plus.distribute.ios.appid", holds: "identifiers.ios", platform: "ios" },
    { at: "h5.title", holds: "app.name" },
  ],
  assigned: [{ at: "appid", by: "the service that packs it" }],
  pictures: [
    { at: "app-plus.distribute.icons.*.*", kind: "icon", platform: "ios" },
    { at: "app-plus.distribute.icons.*.*.*", kind: "icon", platform: "ios" },
  ],
};

/** A program in Rust, by what its packers are told in its package (Cargo, `package.metadata`). */
export const packedRust: SettingsKind = {
  says: "a program in Rust with what its packers take",
  file: /(^|\/)Cargo\.toml$/,
  root: [
    ["package", "package.metadata.bundle"],
    ["package", "package.metadata.android"],
  ],
  makes: [
    { platform: "desktop", group: "package.metadata.bundle" },
    { platform: "android", group: "package.metadata.android" },
  ],
  places: [
    { at: "package.version", holds: "version" },
    { at: "package.metadata.bundle.name", holds: "app.name", platform: "desktop" },
    { at: "package.metadata.bundle.identifier", holds: "identifiers.desktop", platform: "desktop" },
    { at: "package.metadata.bundle.version", holds: "version", platform: "desktop" },
    { at: "package.metadata.bundle.copyright", holds: "copyright", platform: "desktop" },
    { at: "package.metadata.android.package", holds: "identifiers.android", platform: "android" },
    { at: "package.metadata.android.application.label", holds: "app.label", platform: "android" },
    { at: "package.metadata.winres.ProductName", holds: "app.name" },
    { at: "package.metadata.winres.FileDescription", holds: "app.name" },
    { at: "package.metadata.winres.CompanyName", holds: "owner" },
    { at: "package.metadata.winres.LegalCopyright", holds: "copyright" },
  ],
  pictures: [],
};
