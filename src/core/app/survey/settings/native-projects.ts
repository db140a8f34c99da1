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
