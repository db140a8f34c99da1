import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Carrier } from "./kinds.ts";
import { naming } from "./naming.ts";

/** What leads to a fingerprint: the package that its statement is on. */
export const statementKey = /^fingerprint of (.+)$/;

/** SHA-256, as a site writes it (Digital Asset Links, statements). */
const fingerprintForm = /^((?:[0-9A-F]{2}:){31}[0-9A-F]{2})$/i;

/** A GUID, whatever an installer's own form puts around it; not the one of nobody. */
const guidForm = /^(?:\d:)?\{*((?!0{8}-)[0-9A-F]{8}(?:-[0-9A-F]{4}){3}-[0-9A-F]{12})\}*$/i;

/**
 * Every carrier, from the platforms' and formats' own documentation; not what a survey follows, but wherever such a
 * thing can stand.
 */
export const carriers: readonly Carrier[] = [
  ...naming,
  { kind: "owner", file: /(^|\/)appinfo\.json$/, key: /^vendor$/ },
  { kind: "identifier", file: /(^|\/)appinfo\.json$/, key: /^id$/ },
  { kind: "identifier", file: /(^|\/)config\.xml$/, key: /^tizen:application@(id|package)$/ },
  { kind: "owner", file: /(^|\/)manifest[\w.-]*\.xml$/, key: /^ProviderName$/ },
  { kind: "identifier", file: /(^|\/)tiapp\.xml$/, key: /^id$/ },
  { kind: "owner", file: /(^|\/)tiapp\.xml$/, key: /^publisher$/ },
  { kind: "identifier", file: /\.csproj$/i, key: /^ApplicationId$/ },
  { kind: "owner", file: /\.(cs|vb|fs)proj$/i, key: /^(Company|PublisherName)$/ },
  { kind: "owner", file: /(^|\/)AssemblyInfo\.\w+$/i, key: /^AssemblyCompany$/ },
  { kind: "identifier", file: /(^|\/)app[-_]?configs?\/.*\.json$/i, key: /^(common|platforms\.\w+)\.(id|package)$/ },
  { kind: "identifier", file: /\.cfg$/, key: /\.(package\/unique_name|application\/bundle_identifier)$/ },
  { kind: "identifier", file: /(^|\/)buildozer\.spec$/, key: /^app\.package\.domain$/ },
  { kind: "identifier", file: /(^|\/)ProjectSettings\.asset$/, key: /^PlayerSettings\.applicationIdentifier\.\w+$/ },
  { kind: "owner", file: /(^|\/)ProjectSettings\.asset$/, key: /^PlayerSettings\.companyName$/ },
  {
    ...{ kind: "team", file: /(^|\/)ProjectSettings\.asset$/, key: /^PlayerSettings\.appleDeveloperTeamID$/ },
    part: /^([A-Z0-9]{10})$/,
  },
  { kind: "owner", file: /\.gradle(\.kts)?$/, key: /^vendor$/ },
  { kind: "identifier", file: /(^|\/)Package\.swift$/, key: /^bundleIdentifier$/ },
  { kind: "team", file: /(^|\/)Package\.swift$/, key: /^teamIdentifier$/, part: /^([A-Z0-9]{10})$/ },
  {
    kind: "identifier",
    file: /(^|\/)Cargo\.toml$/,
    key: /^package\.metadata\.(bundle\.identifier|android\.package)$/,
  },
  { kind: "owner", file: /(^|\/)mobile-config\.js$/, key: /^info\.author$/ },
  { kind: "identifier", file: /(^|\/)mobile-config\.js$/, key: /^info\.id$/ },
  { kind: "owner", file: /(^|\/)manifest[\w.-]*\.json$/, key: /^developer\.name$/ },
  {
    ...{ kind: "host", file: /(^|\/)manifest[\w.-]*\.json$/, key: /^developer\.websiteUrl$/ },
    part: /^https?:\/\/([^/:?#]+)/,
  },
  {
    kind: "identifier",
    file: /(^|\/)manifest\.json$/,
    key: /^app-plus\.distribute\.(android\.packagename|ios\.appid)$/,
  },
  { kind: "owner", file: /\.cfg$/, key: /\.application\/company_name$/ },
  { kind: "owner", file: /(^|\/)game\.project$/, key: /^project\.(publisher|developer)$/ },
  { kind: "identifier", file: /(^|\/)game\.project$/, key: /^(android\.package|(ios|osx)\.bundle_identifier)$/ },
  { kind: "owner", file: /(^|\/)Config\/Default\w+\.ini$/, key: /\.CompanyName$/ },
  { kind: "identifier", file: /(^|\/)Config\/Default\w+\.ini$/, key: /\.(PackageName|BundleIdentifier)$/ },
  {
    ...{ kind: "team", file: /(^|\/)Config\/Default\w+\.ini$/, key: /\.IOSTeamID$/ },
    part: /^([A-Z0-9]{10})$/,
  },
  { kind: "team", file: /\.cfg$/, key: /\.application\/app_store_team_id$/ },
  // What identifies it to a system or a store.
  { kind: "identifier", file: /(^|\/)package\.json$/, key: /^nativescript\.id$/ },
  {
    kind: "identifier",
    key: longPattern()`
      (^|\.)(applicationId|APPLICATION_ID|bundleIdentifier|bundleId|BUNDLE_ID
      |PRODUCT_BUNDLE_IDENTIFIER|CFBundleIdentifier|appId|appBundleId|package_name|packageName
      |PACKAGE_NAMESPACE|setAppUserModelId)$
    `,
  },
  { kind: "identifier", file: /(^|\/)app(\.[\w-]+){0,2}\.(json|[cm]?[jt]s)$/, key: /\.android\.package$/ },
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
    // A plug-in of the build is named by `id`.
    key: /^(?!id$).*(bundle|identifier|app_?id|application_?id|package(_?name)?|_ID|Id)$/i,
    part: longPattern()`
      ^((?!com\.(?:android|google|apple|facebook|gradle)\b|org\.(?:jetbrains|gradle)\b|androidx?\b
      |kotlin\b|dev\.flutter\b|dagger\b)[a-z][a-z0-9-]*(?:\.[A-Za-z][\w-]*){2,})$
    `,
  },
  { kind: "identifier", file: /\.(metainfo|appdata)\.xml$/, key: /^id$/, part: /^(.+?)(?:\.desktop)?$/ },
  {
    kind: "identifier",
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    key: /^(MACOSX_BUNDLE_GUI_IDENTIFIER|(APP|APPLICATION)_(BUNDLE_)?ID(ENTIFIER)?)$/,
  },
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
    // Each of those who drew a set of pictures has an address of their own.
    key: /(?<!\bauthor@)(?<=^|\.|@)(e-?mail|support(_|-)?e?mail|contact(_|-)?e?mail|author\.email)$/i,
    part: /^(?:mailto:)?([^\s@<>]+@[^\s@<>]+\.[a-z]{2,})$/i,
  },
  {
    kind: "email",
    file: /(^|\/)config\.xml$/,
    key: /^author@email$/,
    part: /^([^\s@<>]+@[^\s@<>]+\.[a-z]{2,})$/i,
  },
  { kind: "owner", file: /\.(appxmanifest|xml)$/i, key: /^PublisherDisplayName$/ },
  { kind: "owner", file: /\.(appxmanifest|xml)$/i, key: /^Identity@Publisher$/, part: /\bCN="?([^",]+)/ },
  { kind: "owner", file: /\.rc$/i, key: /^CompanyName$/ },
  { kind: "owner", file: /\.(metainfo|appdata)\.xml$/, key: /^developer_name$/ },
  // Not those of the desktop that a program is made for (freedesktop.org, AppStream).
  {
    kind: "owner",
    file: /\.(metainfo|appdata)\.xml$/,
    key: /^project_group$/,
    part: /^(?!(?:GNOME|KDE|XFCE|MATE|LXDE|LXQt|Qt|GNU)$)(.+)$/i,
  },
  { kind: "owner", file: /\.wx[sil]$/i, key: /^(Product|Package|Bundle)@Manufacturer$/ },
  {
    kind: "owner",
    file: /\.(ns[hi]|iss)$/i,
    key: /^((My)?AppPublisher|COMPANY_?NAME|PRODUCT_PUBLISHER|CompanyName)$/i,
  },
  {
    kind: "owner",
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    key: /^(CPACK_PACKAGE_VENDOR|(APP|APPLICATION|PRODUCT)_(VENDOR|COMPANY|PUBLISHER|ORGANI[SZ]ATION)(_NAME)?)$/,
  },
  {
    kind: "host",
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    key: /^(CPACK_PACKAGE_HOMEPAGE_URL|(APP|APPLICATION|PRODUCT)_(URL|HOMEPAGE(_URL)?))$/,
    part: /^https?:\/\/([^/:?#]+)/,
  },
  { kind: "owner", file: /\.pr[io]$/, key: /^QMAKE_TARGET_COMPANY$/ },
  { kind: "identifier", file: /\.pr[io]$/, key: /^QMAKE_TARGET_BUNDLE_PREFIX$/ },
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
    part: longPattern("i")`
      (?:©|\(c\)|copyright|\d{4})(?:[\s©.,\d–-]|\(c\))*(?:by\s+)?
      ([^\d©.\s(](?:[^.]|(?<=(?:^|[\s.])[A-Z])\.){2,60}?)
      (?:(?<!(?:^|[\s.])[A-Z])\.|,? (?:all rights|(?:released )?under the)\b|$)
    `,
  },
  {
    kind: "owner",
    file: /(^|\/)(electron-builder|[\w-]*build[\w-]*)\.(ya?ml|json)$/,
    key: /^linux\.(maintainer|vendor)$/,
  },
  { kind: "owner", file: /(^|\/)config\.xml$/, key: /^author$/ },
  { kind: "owner", file: /\.html?$/i, key: /^meta\.author$/ },
  { kind: "team", file: /\.(pbxproj|xcconfig|ya?ml)$/, key: /(^|\.)DEVELOPMENT_TEAM$/, part: /^([A-Z0-9]{10})$/ },
  { kind: "identifier", file: /(^|\/)robovm\.properties$/, key: /^app\.id$/ },
  {
    ...{ kind: "team", file: /(^|\/)CMakeLists\.txt$|\.cmake$/, key: /^XCODE_ATTRIBUTE_DEVELOPMENT_TEAM$/ },
    part: /^([A-Z0-9]{10})$/,
  },
  { kind: "team", file: /(^|\/)tiapp\.xml$/, key: /^team-id$/, part: /^([A-Z0-9]{10})$/ },
  { kind: "team", key: /(^|\.)(appleTeamId|teamId|team_id)$/i, part: /^([A-Z0-9]{10})$/ },
  // What an installer knows a program by (Microsoft, Windows Installer, "UpgradeCode"; Inno Setup, "AppId").
  { kind: "installer", file: /\.wx[si]$/i, key: /^(Product|Package|Bundle)@UpgradeCode$/, part: guidForm },
  { kind: "installer", file: /\.iss$/i, key: /^((My)?AppId|AppGUID)$/i, part: guidForm },
  { kind: "installer", file: /(^|\/)CMakeLists\.txt$|\.cmake$/, key: /^CPACK_WIX_UPGRADE_GUID$/, part: guidForm },
  {
    kind: "installer",
    file: /\.(json|ya?ml|[cm]?[jt]s|gradle|kts|properties)$/,
    key: /(^|\.)(upgradeCode|upgradeUuid|win-upgrade-uuid|nsis\.guid)$/i,
    part: guidForm,
  },
  // Of a statement on an app that is the template's: of another's it is that one's.
  { kind: "fingerprint", file: /(^|\/)assetlinks\.json$/, key: statementKey, part: fingerprintForm },
  {
    kind: "team",
    file: /\.entitlements$/,
    key: /(^|\.)(com\.apple\.application-identifier|application-identifier|keychain-access-groups\.\d+)$/,
    part: /^([A-Z0-9]{10})\./,
  },
  { kind: "team", file: /apple-app-site-association/, key: /appIDs?|apps/, part: /^([A-Z0-9]{10})\./ },
];
