import { androidValues } from "../../../formats/splice/known-ending.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Carrier } from "./kinds.ts";

/** What says how an app is called, from the platforms' and formats' own documentation. */
export const naming: readonly Carrier[] = [
  // Names that people see.
  {
    kind: "name",
    file: /\.(plist|strings|xcstrings|pbxproj|xcconfig)$/,
    key: /(^|\.|_)CFBundle(Display)?Name(\.|$)/,
  },
  { kind: "name", file: /\.pbxproj$/, key: /^(PRODUCT_NAME|app's target)$/ },
  {
    kind: "name",
    file: /\.(storyboard|xib)$/,
    key: /^menuItem@title$/,
    part: /^(?:About|Quit|Hide) (?!Others$)(.+)$/,
  },
  {
    kind: "name",
    file: androidValues,
    key: /^string\/(app_?name|application_?name|launcher_name|app_label|title_activity_\w+)$/i,
  },
  { kind: "name", file: /AndroidManifest\.xml$/, key: /@android:label$/ },
  {
    kind: "name",
    file: /\.gradle(\.kts)?$/,
    key: /^string\/(app_?name|application_?name|launcher_name|app_label)$/i,
  },
  // An installer's, which may have blanks; a package of code's has none.
  { kind: "name", file: /\.gradle(\.kts)?$/, key: /^packageName$/, part: /^([^."']*[\s\p{Lu}][^."']*)$/u },
  // A placeholder that a manifest's label asks for.
  { kind: "name", file: /\.gradle(\.kts)?$/, key: /^(app|application|launcher)_?(label|name)$/i },
  {
    kind: "name",
    file: /\.(appxmanifest|xml)$/i,
    key: /^(DisplayName|uap:VisualElements@DisplayName|VisualElements@DisplayName|uap:DefaultTile@ShortName)$/,
  },
  { kind: "name", file: /\.rc$/i, key: /^(ProductName|FileDescription)$/ },
  // The title of a page that an app begins with; what another page is called names that page, and so do examples.
  {
    kind: "name",
    file: longPattern("i")`
      ^(?!(?:.*\/)?(?:[\w-]*examples?|[\w-]*demos?|samples?)\/)(?:.*\/)?(index|main|app|home|default|start)\.html?$
    `,
    key: /^title$/,
  },
  {
    kind: "name",
    file: /\.html?$/i,
    key: /^(meta\.(application-name|apple-mobile-web-app-title|og:site_name|og:title|twitter:title))$/,
  },
  {
    kind: "name",
    file: /(\.webmanifest|\.webapp|(^|\/)manifest\.json)$/,
    key: /^(name|short_name|locales\.[\w-]+\.name)$/,
  },
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
      |head\.title|siteMetadata\.title|manifest\.name|BrowserWindow\.title)$
    `,
  },
  // A shell's program says it; what a game calls its things is the game's.
  {
    kind: "name",
    file: /(^|\/)(electron|main)\/.*\.[cm]?[jt]s$|(^|\/)(main|index|background|electron[\w.-]*)\.[cm]?[jt]s$/,
    key: /(^|\.)setName$/,
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
    // Features and shortcuts are called by what they are for.
    key: /^((Product|Package|Bundle)@Name|String\/(ProductName|AppName))$/,
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
  { kind: "name", file: /\.pr[io]$/, key: /^QMAKE_TARGET_PRODUCT$/ },
  {
    kind: "name",
    file: /\.(cc|cpp|cxx|c|mm?|hpp?|py|vala|rs)$/,
    key: longPattern()`
      ^(setApplication(Display)?Name|g_set_application_name|SetApp(Display)?Name
      |SDL_(CreateWindow|SetWindowTitle|WM_SetCaption)|(glfw|glut)CreateWindow)$
    `,
  },
  // What a command makes a project from.
  { kind: "name", file: /(^|\/)project\.ya?ml$/, key: /\.(INFOPLIST_KEY_)?CFBundle(Display)?Name$/ },
  { kind: "name", file: /(^|\/)robovm\.properties$/, key: /^app\.name$/ },
  { kind: "name", file: /\.gradle(\.kts)?$/, key: /^(imageName|installerName|dockName|menuGroup)$/ },
  { kind: "name", file: /(^|\/)Package\.swift$/, key: /^name$/ },
  {
    kind: "name",
    file: /(^|\/)Cargo\.toml$/,
    key: /^package\.metadata\.(bundle\.name|android\.application\.label|winres\.ProductName)$/,
  },
  { kind: "name", file: /(^|\/)mobile-config\.js$/, key: /^info\.name$/ },
  { kind: "name", file: /(^|\/)manifest[\w.-]*\.json$/, key: /^(name|name\.short|h5\.title)$/ },
  // Televisions.
  { kind: "name", file: /(^|\/)appinfo\.json$/, key: /^title$/ },
  // Add-ins of office programs, and apps whose native projects are made at each build.
  { kind: "name", file: /(^|\/)manifest[\w.-]*\.xml$/, key: /^DisplayName@DefaultValue$/ },
  { kind: "name", file: /(^|\/)tiapp\.xml$/, key: /^name$/ },
  { kind: "name", file: /\.(cs|vb|fs)proj$/i, key: /^(ApplicationTitle|Product|ProductName)$/ },
  { kind: "name", file: /(^|\/)AssemblyInfo\.\w+$/i, key: /^AssemblyProduct$/ },
  { kind: "name", file: /(^|\/)app[-_]?configs?\/.*\.json$/i, key: /^(common|platforms\.\w+)\.(title|appName)$/ },
  // A game engine's project, and what it is exported with.
  { kind: "name", file: /\.godot$/, key: /^application\.config\/name$/ },
  { kind: "name", file: /(^|\/)ProjectSettings\.asset$/, key: /^PlayerSettings\.productName$/ },
  { kind: "name", file: /(^|\/)buildozer\.spec$/, key: /^app\.title$/ },
  { kind: "name", file: /(^|\/)game\.project$/, key: /^project\.title$|^ios\.bundle_name$/ },
  { kind: "name", file: /(^|\/)Config\/Default\w+\.ini$/, key: /\.(ProjectName|(Application|Bundle)DisplayName)$/ },
  { kind: "name", file: /\.cfg$/, key: /\.(package\/name|application\/(product_name|file_description))$/ },
  // Environment files, which a build puts in.
  {
    kind: "name",
    file: /(^|\/)\.env(\.[\w-]+)?$/,
    key: /(^|_)(APP|APPLICATION|SITE|PRODUCT|DISPLAY|BRAND)_?(DISPLAY_?)?(NAME|TITLE)$/i,
  },
];
