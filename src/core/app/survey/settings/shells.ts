import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { SettingPlace, SettingsKind } from "./kind.ts";

/** What a project says of itself to whoever looks at the finished program. */
export const packaged: SettingsKind = {
  says: "a project that makes a program for desktops",
  file: /^package\.json$/,
  root: [["name", "version", "main"]],
  makes: [],
  goesWith: "desktop",
  places: [
    { at: "productName", holds: "app.name", platform: "desktop" },
    { at: "version", holds: "version", platform: "desktop" },
    { at: "author", holds: "person", platform: "desktop" },
    { at: "author.name", holds: "owner", platform: "desktop" },
    { at: "author.email", holds: "email", platform: "desktop" },
    { at: "author.url", holds: "home", platform: "desktop" },
    { at: "homepage", holds: "home", platform: "desktop" },
  ],
  pictures: [],
};

const shellPlaces: readonly SettingPlace[] = [
  { at: "appId", holds: "identifiers.desktop", platform: "desktop" },
  { at: "productName", holds: "app.name", platform: "desktop" },
  { at: "copyright", holds: "copyright", platform: "desktop" },
  { at: "protocols.name", holds: "app.name", platform: "desktop" },
  { at: "protocols.*.name", holds: "app.name", platform: "desktop" },
  { at: "protocols.schemes.*", holds: "scheme-if-own", platform: "desktop" },
  { at: "protocols.*.schemes.*", holds: "scheme-if-own", platform: "desktop" },
  { at: "linux.maintainer", holds: "person", platform: "desktop" },
  { at: "linux.vendor", holds: "owner", platform: "desktop" },
  { at: "win.publisherName", holds: "owner", platform: "desktop" },
  { at: "nsis.guid", holds: "desktop.installerId", platform: "desktop" },
  { at: "msi.upgradeCode", holds: "desktop.installerId", platform: "desktop" },
  { at: "appx.identityName", holds: "identifiers.windows", platform: "desktop" },
  { at: "appx.publisher", holds: "windows.publisher", platform: "desktop" },
  { at: "appx.publisherDisplayName", holds: "windows.publisherName", platform: "desktop" },
  { at: "appx.displayName", holds: "app.name", platform: "desktop" },
  { at: "appx.backgroundColor", holds: "colors.ground", shape: "color", platform: "desktop" },
  { at: "publish.url", holds: "host", platform: "desktop" },
  { at: "publish.*.url", holds: "host", platform: "desktop" },
];

/** A page in a shell for desktops, packed by its own settings. */
export const shell: SettingsKind = {
  says: "settings of a desktop shell",
  file: longPattern()`
    ^(?:[^/]+\/)?(?:package\.json|[\w-]*build[\w-]*(?:\.config)?\.(?:json|ya?ml|[cm]?[jt]s)
    |[\w-]+\.config\.[cm]?[jt]s)$
  `,
  root: [["appId", "productName"]],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: shellPlaces,
  pictures: [
    ...["icon", "mac.icon", "win.icon", "linux.icon", "nsis.installerIcon", "nsis.uninstallerIcon"].map((at) => ({
      at,
      kind: "shell" as const,
      platform: "desktop" as const,
    })),
  ],
  byName: [
    {
      folder: "directories.buildResources",
      files: ["icon.icns", "icon.ico", "icon.png", "icons/512x512.png"],
      kind: "shell",
      platform: "desktop",
    },
    { folder: "=resources", files: ["icon.png"], kind: "shell", platform: "desktop" },
  ],
};

/** The same, in a shell whose settings name the windows and the pictures too. */
export const windowedShell: SettingsKind = {
  says: "settings of a desktop shell",
  file: /(^|\/)[\w.-]+\.conf\.json$/,
  root: [["identifier", "productName"]],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: [
    { at: "identifier", holds: "identifiers.desktop", platform: "desktop" },
    { at: "productName", holds: "app.name", platform: "desktop" },
    { at: "version", holds: "version", platform: "desktop" },
    { at: "app.windows.*.title", holds: "app.name", platform: "desktop" },
    { at: "bundle.windows.wix.upgradeCode", holds: "desktop.installerId", platform: "desktop" },
    { at: "bundle.publisher", holds: "owner", platform: "desktop" },
    { at: "bundle.copyright", holds: "copyright", platform: "desktop" },
    { at: "bundle.homepage", holds: "home", platform: "desktop" },
  ],
  pictures: [{ at: "bundle.icon.*", kind: "shell", platform: "desktop" }],
};

/** A page in a window of the system's own browser, with a program in Go behind it. */
export const goShell: SettingsKind = {
  says: "settings of a desktop shell",
  file: /(^|\/)wails\.json$/,
  root: [["name", "outputfilename"], ["info"]],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: [
    { at: "info.productName", holds: "app.name", platform: "desktop" },
    { at: "info.productVersion", holds: "version", platform: "desktop" },
    { at: "info.companyName", holds: "owner", platform: "desktop" },
    { at: "info.copyright", holds: "copyright", platform: "desktop" },
  ],
  pictures: [],
  byName: [{ folder: "=build", files: ["appicon.png", "windows/icon.ico"], kind: "shell", platform: "desktop" }],
};

/** The same, with nothing but a small server behind it. */
export const servedShell: SettingsKind = {
  says: "settings of a desktop shell",
  file: /(^|\/)[\w-]+\.config\.json$/,
  root: [["applicationId", "modes"]],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: [
    { at: "applicationId", holds: "identifiers.desktop", platform: "desktop" },
    { at: "version", holds: "version", platform: "desktop" },
    { at: "modes.window.title", holds: "app.name", platform: "desktop" },
  ],
  pictures: [{ at: "modes.window.icon", kind: "shell", platform: "desktop" }],
};

/** A packer's settings in code. */
export const packer: SettingsKind = {
  says: "settings of a desktop shell",
  file: /(^|\/)[\w.-]+\.config\.[cm]?[jt]s$/,
  root: [["packagerConfig"]],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: [
    { at: "packagerConfig.name", holds: "app.name", platform: "desktop" },
    { at: "packagerConfig.appBundleId", holds: "identifiers.desktop", platform: "desktop" },
    { at: "packagerConfig.appCopyright", holds: "copyright", platform: "desktop" },
    { at: "packagerConfig.protocols.*.name", holds: "app.name", platform: "desktop" },
    { at: "packagerConfig.protocols.*.schemes.*", holds: "scheme-if-own", platform: "desktop" },
    { at: "packagerConfig.win32metadata.CompanyName", holds: "owner", platform: "desktop" },
    { at: "packagerConfig.win32metadata.ProductName", holds: "app.name", platform: "desktop" },
    { at: "packagerConfig.win32metadata.FileDescription", holds: "app.name", platform: "desktop" },
  ],
  pictures: [{ at: "packagerConfig.icon", kind: "shell", platform: "desktop" }],
};

/** A page in a shell for desktops that a script packs: nothing but the project's own file says what it is called. */
export const bareShell: SettingsKind = {
  says: "a project that makes a program for desktops",
  file: /^package\.json$/,
  root: [["productName", "main"]],
  makes: [{ platform: "desktop" }],
  wraps: true,
  places: [],
  pictures: [],
};
