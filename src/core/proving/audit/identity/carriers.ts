import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { PlaceKind } from "../place-kinds.ts";

/** What of a template's identity a value is. */
export type TermKind = "name" | "identifier" | "email" | "host" | "scheme" | "owner" | "team" | "fingerprint";

/** Which kind of place each stands in, and why. @public for the docs, which list them */
export const termPlaces: Readonly<Record<TermKind, { place: PlaceKind; reason: string }>> = {
  name: { place: "seen", reason: "under the icon, in lists, in menus, at the head of a page" },
  owner: { place: "seen", reason: "as publisher in stores and in what a system says of a program" },
  email: { place: "seen", reason: "whoever needs help writes there" },
  host: { place: "seen", reason: "where links lead, and whose links open the app" },
  identifier: { place: "identifies", reason: "one app to a system, a store, a service that pushes" },
  scheme: { place: "identifies", reason: "addresses that open this app and no other" },
  team: { place: "identifies", reason: "whose signature an app carries" },
  fingerprint: { place: "identifies", reason: "which signature opens a site's addresses" },
};

/** A kind of place that carries something of an app's identity, whatever reads it. */
interface Carrier {
  kind: TermKind;
  /** Of the file; any where absent. */
  file?: RegExp;
  /** Of what leads to the value. */
  key: RegExp;
  /** The part of the value that counts; all of it where absent. */
  part?: RegExp;
}

/** What leads to a fingerprint: the package that its statement is on. */
export const statementKey = /^fingerprint of (.+)$/;

/** SHA-256, as a site writes it (Digital Asset Links, statements). */
const fingerprintForm = /^((?:[0-9A-F]{2}:){31}[0-9A-F]{2})$/i;

/**
 * Every carrier, from the platforms' and formats' own documentation; not what a survey follows, but wherever such a
 * thing can stand.
 */
export const carriers: readonly Carrier[] = [
  // Names that people see.
  {
    kind: "name",
    file: /\.(plist|strings|xcstrings|pbxproj|xcconfig)$/,
    key: /(^|\.|_)CFBundle(Display)?Name(\.|$)/,
  },
  { kind: "name", file: /\.pbxproj$/, key: /^PRODUCT_NAME$/ },
  {
    kind: "name",
    file: /\.(storyboard|xib)$/,
    key: /^menuItem@title$/,
    part: /^(?:About|Quit|Hide) (?!Others$)(.+)$/,
  },
  {
    kind: "name",
    file: /\/res\/values[^/]*\/[^/]+\.xml$/,
    key: /^string\/(app_?name|application_?name|launcher_name|app_label|title_activity_\w+)$/i,
  },
  { kind: "name", file: /AndroidManifest\.xml$/, key: /@android:label$/ },
  {
    kind: "name",
    file: /\.gradle(\.kts)?$/,
    key: /^string\/(app_?name|application_?name|launcher_name|app_label)$/i,
  },
  // A placeholder that a manifest's label asks for.
  { kind: "name", file: /\.gradle(\.kts)?$/, key: /^(app|application|launcher)_?(label|name)$/i },
  {
    kind: "name",
    file: /\.(appxmanifest|xml)$/i,
    key: /^(DisplayName|uap:VisualElements@DisplayName|VisualElements@DisplayName|uap:DefaultTile@ShortName)$/,
  },
  { kind: "name", file: /\.rc$/i, key: /^(ProductName|FileDescription)$/ },
  // The title of a page that an app begins with; what another page is called names that page.
  { kind: "name", file: /(^|\/)(index|main|app|home|default|start)\.html?$/i, key: /^title$/ },
  {
    kind: "name",
    file: /\.html?$/i,
    key: /^(meta\.(application-name|apple-mobile-web-app-title|og:site_name|og:title|twitter:title))$/,
  },
  { kind: "name", file: /(\.webmanifest|(^|\/)manifest\.json)$/, key: /^(name|short_name)$/ },
  {
    kind: "name",
    file: /(^|\/)(app\.json|app\.config\.[cm]?[jt]s)$/,
    key: /(^|\.)(displayName|(expo|config|default|exports)\.name|web\.(name|shortName))$/,
  },
  {
    kind: "name",
    file: /\.(json|ya?ml|[cm]?[jt]s)$/,
    key: /(^|\.)(appName|productName|displayName|short_name|shortName|applicationName)$/,
  },
  {
    kind: "name",
    file: /\.([cm]?[jt]s|[jt]sx)$/,
    key: longPattern()`
      (^|\.)(metadata\.title(\.default)?|openGraph\.(title|siteName)|appleWebApp\.title
      |head\.title|siteMetadata\.title|manifest\.name|BrowserWindow\.title|setName)$
    `,
  },
  { kind: "name", file: /\.conf\.json$/, key: /^app\.windows\.\d+\.title$/ },
  { kind: "name", file: /(^|\/)config\.xml$/, key: /^(name|name@short)$/ },
  // Desktops, their installers and their shops.
  { kind: "name", file: /(^|\/)package\.json$/, key: /^shell's name$/ },
  { kind: "name", file: /\.desktop$/, key: /^Name(\[.+\])?$/ },
  { kind: "name", file: /\.(metainfo|appdata)\.xml$/, key: /^name$/ },
  {
    kind: "name",
    file: /\.wx[sil]$/i,
    key: /^((Product|Package|Shortcut|Bundle|Feature)@(Name|Title)|String\/(ProductName|AppName))$/,
  },
  {
    kind: "name",
    file: /\.(ns[hi]|iss)$/i,
    key: /^(Name|Caption|(My)?App(Ver)?Name|(PRODUCT|APP)_?NAME|ProductName|FileDescription|DefaultGroupName)$/i,
  },
  {
    kind: "name",
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    key: longPattern()`
      ^(CPACK_(BUNDLE|NSIS_DISPLAY|NSIS_PACKAGE|PACKAGE)_NAME|MACOSX_BUNDLE_BUNDLE_NAME
      |(APP|APPLICATION|PRODUCT)_(DISPLAY_)?NAME)$
    `,
  },
  {
    kind: "name",
    file: /\.(cc|cpp|cxx|c|mm?|hpp?|py|vala|rs)$/,
    key: /^(setApplication(Display)?Name|g_set_application_name)$/,
  },
  // Televisions.
  { kind: "name", file: /(^|\/)appinfo\.json$/, key: /^title$/ },
  { kind: "owner", file: /(^|\/)appinfo\.json$/, key: /^vendor$/ },
  { kind: "identifier", file: /(^|\/)appinfo\.json$/, key: /^id$/ },
  { kind: "identifier", file: /(^|\/)config\.xml$/, key: /^tizen:application@(id|package)$/ },
  // Add-ins of office programs, and apps whose native projects are made at each build.
  { kind: "name", file: /(^|\/)manifest[\w.-]*\.xml$/, key: /^DisplayName@DefaultValue$/ },
  { kind: "owner", file: /(^|\/)manifest[\w.-]*\.xml$/, key: /^ProviderName$/ },
  { kind: "name", file: /(^|\/)tiapp\.xml$/, key: /^name$/ },
  { kind: "identifier", file: /(^|\/)tiapp\.xml$/, key: /^id$/ },
  { kind: "owner", file: /(^|\/)tiapp\.xml$/, key: /^publisher$/ },
  { kind: "name", file: /\.csproj$/i, key: /^(ApplicationTitle|Product)$/ },
  { kind: "identifier", file: /\.csproj$/i, key: /^ApplicationId$/ },
  { kind: "owner", file: /\.csproj$/i, key: /^Company$/ },
  // Environment files, which a build puts in.
  {
    kind: "name",
    file: /(^|\/)\.env(\.[\w-]+)?$/,
    key: /(^|_)(APP|APPLICATION|SITE|PRODUCT|DISPLAY|BRAND)_?(DISPLAY_?)?(NAME|TITLE)$/i,
  },
  // What identifies it to a system or a store.
  {
    kind: "identifier",
    key: longPattern()`
      (^|\.)(applicationId|APPLICATION_ID|bundleIdentifier|bundleId|BUNDLE_ID
      |PRODUCT_BUNDLE_IDENTIFIER|CFBundleIdentifier|appId|appBundleId|package_name|packageName
      |PACKAGE_NAMESPACE|setAppUserModelId)$
    `,
  },
  { kind: "identifier", file: /(^|\/)app(\.config)?\.(json|[cm]?[jt]s)$/, key: /\.android\.package$/ },
  { kind: "identifier", file: /\.conf\.json$/, key: /^identifier$/ },
  { kind: "identifier", file: /AndroidManifest\.xml$/, key: /^manifest@package$/ },
  { kind: "identifier", file: /\.(appxmanifest|xml)$/i, key: /^Identity@Name$/ },
  {
    kind: "identifier",
    file: /(^|\/)config\.xml$/,
    key: /^widget@(id|android-packageName|ios-CFBundleIdentifier)$/,
  },
  {
    kind: "identifier",
    file: /apple-app-site-association/,
    key: /appIDs?|apps/,
    part: /^[A-Z0-9]{10}\.(.+)$/,
  },
  // A variable or a property that such a setting is made from.
  {
    kind: "identifier",
    file: /\.(xcconfig|pbxproj|properties|toml|gradle|kts|env)$/,
    key: /(bundle|identifier|app_?id|application_?id|package(_?name)?|_ID|Id)$/i,
    part: longPattern()`
      ^((?!com\.(?:android|google|apple|facebook|gradle)\b|org\.(?:jetbrains|gradle)\b|androidx?\b
      |kotlin\b|dev\.flutter\b|dagger\b)[a-z][a-z0-9-]*(?:\.[A-Za-z][\w-]*){2,})$
    `,
  },
  { kind: "identifier", file: /\.(metainfo|appdata)\.xml$/, key: /^id$/, part: /^(.+?)(?:\.desktop)?$/ },
  { kind: "identifier", file: /(^|\/)CMakeLists\.txt$|\.cmake$/, key: /^MACOSX_BUNDLE_GUI_IDENTIFIER$/ },
  { kind: "identifier", file: /\.(c|cpp|vala|py|rs)$/, key: /^(set_application_id|setDesktopFileName)$/ },
  // Schemes and hosts that open it, addresses that are its own.
  { kind: "scheme", file: /\.xml$/, key: /^data@android:scheme$/ },
  { kind: "scheme", file: /\.plist$/, key: /\.CFBundleURLSchemes\.\d+$/ },
  { kind: "scheme", key: /(^|\.)(expo\.scheme|config\.scheme|schemes\.\d+|setAsDefaultProtocolClient)$/ },
  { kind: "scheme", file: /\.(appxmanifest|xml)$/i, key: /^(uap:)?Protocol@Name$/ },
  { kind: "host", file: /\.xml$/, key: /^data@android:host$/ },
  { kind: "host", file: /\.entitlements$/, key: /associated-domains/, part: /^\w+:(?:\*\.)?([^?]+)/ },
  { kind: "host", key: /(^|\.)associatedDomains\.\d+$/, part: /^\w+:(?:\*\.)?([^?]+)/ },
  {
    kind: "host",
    file: /\.html?$/i,
    key: /^(link\.canonical|meta\.(og:url|twitter:url|og:image))$/,
    part: /^https?:\/\/([^/:?#]+)/,
  },
  {
    kind: "host",
    key: /(^|\.)(metadataBase\.URL|openGraph\.url|alternates\.canonical|siteUrl|start_url)$/,
    part: /^https?:\/\/([^/:?#]+)/,
  },
  {
    kind: "host",
    file: /(^|\/)package\.json$/,
    key: /^(homepage|author\.url)$/,
    part: /^https?:\/\/([^/:?#]+)/,
  },
  { kind: "host", file: /(^|\/)config\.xml$/, key: /^author@href$/, part: /^https?:\/\/([^/:?#]+)/ },
  // Whose it is.
  {
    kind: "email",
    key: /(^|\.|@)(e-?mail|support(_|-)?e?mail|contact(_|-)?e?mail|author\.email)$/i,
    part: /^(?:mailto:)?([^\s@<>]+@[^\s@<>]+\.[a-z]{2,})$/i,
  },
  { kind: "owner", file: /\.(appxmanifest|xml)$/i, key: /^PublisherDisplayName$/ },
  { kind: "owner", file: /\.(appxmanifest|xml)$/i, key: /^Identity@Publisher$/, part: /\bCN="?([^",]+)/ },
  { kind: "owner", file: /\.rc$/i, key: /^CompanyName$/ },
  { kind: "owner", file: /\.(metainfo|appdata)\.xml$/, key: /^(developer_name|project_group)$/ },
  { kind: "owner", file: /\.wx[sil]$/i, key: /^(Product|Package|Bundle)@Manufacturer$/ },
  {
    kind: "owner",
    file: /\.(ns[hi]|iss)$/i,
    key: /^((My)?AppPublisher|COMPANY_?NAME|PRODUCT_PUBLISHER|CompanyName)$/i,
  },
  { kind: "owner", file: /(^|\/)CMakeLists\.txt$|\.cmake$/, key: /^CPACK_PACKAGE_VENDOR$/ },
  { kind: "owner", file: /\.(cc|cpp|cxx|py|vala)$/, key: /^setOrganizationName$/ },
  { kind: "host", file: /\.(cc|cpp|cxx|py)$/, key: /^setOrganizationDomain$/ },
  {
    kind: "email",
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    key: /^CPACK_PACKAGE_CONTACT$/,
    part: /([^\s@<>]+@[^\s@<>]+\.[a-z]{2,})/i,
  },
  {
    kind: "email",
    file: /\.(metainfo|appdata)\.xml$/,
    key: /^update_contact$/,
    part: /^([^\s@<>]+@[^\s@<>]+\.[a-z]{2,})$/i,
  },
  {
    kind: "owner",
    key: /(^|\.|_)(NSHumanReadableCopyright|LegalCopyright|copyright|appCopyright)$/i,
    part: /(?:©|\(c\)|copyright|\d{4})[\s©.,\d–-]*(?:\(c\)\s*)?([^\d©.][^.]{2,60}?)(?:\.|,? all rights|$)/i,
  },
  {
    kind: "owner",
    file: /(^|\/)(electron-builder|[\w-]*build[\w-]*)\.(ya?ml|json)$/,
    key: /^linux\.(maintainer|vendor)$/,
  },
  { kind: "owner", file: /(^|\/)config\.xml$/, key: /^author$/ },
  { kind: "owner", file: /\.html?$/i, key: /^meta\.author$/ },
  { kind: "team", file: /\.(pbxproj|xcconfig)$/, key: /^DEVELOPMENT_TEAM$/, part: /^([A-Z0-9]{10})$/ },
  { kind: "team", key: /(^|\.)(appleTeamId|teamId|team_id)$/i, part: /^([A-Z0-9]{10})$/ },
  // Of a statement on an app that is the template's: of another's it is that one's.
  { kind: "fingerprint", file: /(^|\/)assetlinks\.json$/, key: statementKey, part: fingerprintForm },
  { kind: "team", file: /apple-app-site-association/, key: /appIDs?|apps/, part: /^([A-Z0-9]{10})\./ },
];
