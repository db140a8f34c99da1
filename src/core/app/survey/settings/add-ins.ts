import type { SettingsKind } from "./kind.ts";

/** What goes into programs of an office, by one list for all of them (Microsoft, unified app manifest). */
export const unifiedAddIn: SettingsKind = {
  says: "an app within programs of an office",
  file: /(^|\/)manifest[\w.-]*\.json$/,
  root: [["manifestVersion", "developer", "name", "icons"]],
  makes: [{ platform: "web" }],
  places: [
    { at: "id", holds: "web.addInId" },
    { at: "version", holds: "version" },
    { at: "packageName", holds: "identifiers.base" },
    { at: "name.short", holds: "app.label" },
    { at: "developer.name", holds: "owner" },
    { at: "developer.websiteUrl", holds: "home" },
    ...["developer.privacyUrl", "developer.termsOfUseUrl", "validDomains.*"].map(
      (at): SettingsKind["places"][number] => ({
        ...{ at, holds: "host" },
      }),
    ),
    ...["contentUrl", "websiteUrl"].map((each): SettingsKind["places"][number] => ({
      ...{ at: `staticTabs.*.${each}`, holds: "host" },
    })),
    { at: "configurableTabs.*.configurationUrl", holds: "host" },
    { at: "accentColor", holds: "colors.brand", shape: "color" },
  ],
  assigned: [{ at: "webApplicationInfo.id", by: "the directory that people sign in with" }],
  pictures: [
    { at: "icons.color", kind: "icon", platform: "web" },
    { at: "icons.outline", kind: "notification", platform: "web" },
  ],
};
