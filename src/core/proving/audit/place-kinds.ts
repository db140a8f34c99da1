import { longPattern } from "../../ground/values/long-pattern.ts";
import { type CodePlace, unseenFiles } from "./unseen-files.ts";

/**
 * What a place is for. People see a name, a text, a picture, a colour, an address; a system or a store identifies the
 * app by an identifier; and code refers to its own names, which nobody else meets.
 */
export type PlaceKind = "seen" | "identifies" | "code";

/** Before the names of settings that are of no app. */
export const inNoApp = "in no app: ";

/** A component's own name, for those who develop it: `Card.displayName = "Card"`. */
export const componentName = /\b[A-Z]\w*\.displayName\s*=/;

/**
 * Every place that only code refers to, each with its reason. By file, then by what stands there.
 * @public for the docs, which list them
 */
export const codePlaces: readonly CodePlace[] = [
  {
    file: /(^|\/)package\.json$/,
    at: longPattern()`
      ^(name|main|module|types|bin|exports|workspaces|repository|bugs|engines|keywords|files|
      (scripts|dependencies|devDependencies|peerDependencies|optionalDependencies|overrides
      |resolutions|config|jest|publishConfig)\b.*)
    `,
    reason: "a package's name and scripts are its package manager's",
  },
  {
    file: /(^|\/)(components|packages|modules|plugins|libs?|libraries)\/.*\/?package\.json$/,
    at: /^(author|contributors|maintainers)\b/,
    reason: "whoever wrote a package that the app takes in",
  },
  {
    file: /(^|\/)(package|[\w-]*build[\w-]*|[\w-]+\.conf|[\w-]+\.config)\.(json|ya?ml|[cm]?[jt]s)$/,
    at: /(^|\.)(executableName|artifactName|mainBinaryName|binaryName|packageManager)$/,
    reason: "names of the executable and of the files that are made",
  },
  {
    file: /\.(json|ya?ml|toml|properties)$|\.env(\.[\w-]+)*$/,
    at: longPattern()`
      (^|\.)(CODE_SIGN_ENTITLEMENTS|PRODUCT_MODULE_NAME
      |\w*(WORKSPACE|STORYBOARD|PROVISIONING_PROFILE|XCODE_TARGET)(_NAME)?)$
    `,
    reason: "names of targets, of their files and of their profiles",
  },
  {
    file: /\.rc$/i,
    line: /\b(InternalName|OriginalFilename|ICON|BITMAP|CURSOR|RCDATA)\b|#include|^\s*\w+\s+24\s/,
    reason: "names of the executable and of its headers",
  },
  {
    file: /(^|\/)app\.json$/,
    at: /^name$/,
    reason: "the entry name of a bare app, by which native code starts it",
  },
  {
    file: /(^|\/)app(\.[\w-]+){0,2}\.(json|[cm]?[jt]s)$/,
    at: /(^|\.)(slug|owner|entryPoint|extra\..*|updates\..*|runtimeVersion)$/,
    reason: "the project's name with the service that builds it",
  },
  {
    file: /\.plist$/,
    at: longPattern()`
      (^|\.)(CFBundleExecutable|CFBundlePackageType|NSPrincipalClass|NSMainNibFile
      |NSMainStoryboardFile|UIMainStoryboardFile|UISceneDelegateClassName|UISceneStoryboardFile
      |UISceneConfigurationName|NSExtensionPrincipalClass|UILaunchStoryboardName
      |(CFBundle|UT)(Type|URL)?IconFile|NSDocumentClass)$
    `,
    reason: "names of the executable, its classes, its pictures and its storyboards",
  },
  {
    file: /(^|\/)Cargo\.toml$/,
    at: /^(name|default-run|(package(?!\.metadata\.)|lib|bin|workspace|dependencies|features)\b.*)$/,
    reason: "a package's name is its imports'",
  },
  {
    file: /(^|\/)capacitor\.config\.(json|[cm]?[jt]s)$/,
    at: /(^|\.)(ios\.scheme|android\.flavor|webDir|path)$/,
    reason: "the project's own scheme and folders",
  },
  {
    file: /(^|\/)pubspec\.yaml$/,
    at: /^(name|dependencies\b.*|dev_dependencies\b.*)$/,
    reason: "a package's name is its imports'",
  },
  {
    file: /\.uproject$/,
    line: /^/,
    reason: "an editor's own file, which names the code's modules",
  },
  {
    file: /\.manifest$/,
    line: /<assemblyIdentity\b/,
    reason: "what Windows knows a program's own files by",
  },
  {
    file: /(^|\/)project\.ya?ml$/,
    at: /^name$/,
    reason: "the project that is made is called so, and its targets",
  },
  {
    file: /(^|\/)robovm\.properties$/,
    at: /^app\.(mainclass|executable)$/,
    reason: "the class that starts it, and its file",
  },
  {
    file: /(^|\/)settings\.gradle(\.kts)?$/,
    line: /rootProject\.name|include|project\(/,
    reason: "names of projects and modules",
  },
  {
    file: /\.gradle(\.kts)?$/,
    line: longPattern()`
      ^\s*group\s*=?\s*["']|\bnamespace\b|\btestNamespace\b|\btestApplicationId\b|mainClass
      |className|\blauncher\s*\{|import\s|\bproject\(|implementation|api\s*[("']
    `,
    reason: "namespaces, classes and modules",
  },
  {
    file: /\.gradle(\.kts)?$|(?:^|\/)(?:res|Resources)\/values[^/]*\/[^/]+\.xml$/,
    line: /\bbuild_config_package\b/,
    reason: "the package of its classes, in which its settings are looked for",
  },
  {
    file: /(^|\/)[A-Z][A-Za-z]+[Ff]ile$/,
    line: /\b(scheme|workspace|xcodeproj|project|target|gradle_file|output_name)\s*[:(]/,
    reason: "targets and packages, by the project's own names",
  },
  {
    file: /(^|\/)AndroidManifest\.xml$/,
    at: /^manifest@package$/,
    reason: "the namespace of its classes, where the build script says an application ID",
  },
  {
    file: /\.pbxproj$/,
    at: new RegExp(`^${inNoApp}`),
    reason: "settings of tests and libraries, which nobody installs by themselves",
  },
  {
    file: /\.(?:pro|pri|prf|qrc)$/,
    line: /^(?!.*\b(?:QMAKE_TARGET_(?:PRODUCT|COMPANY|COPYRIGHT|DESCRIPTION|BUNDLE_PREFIX)|QMAKE_BUNDLE_NAME)\b)/,
    reason: "projects name targets, files and resources",
  },
  {
    file: /\.(?:s[ac]ss|less|styl|css)$/,
    line: /^\s*@(?:import|use|forward|require|plugin)\b/,
    reason: "style sheets take others in by their files' names",
  },
  {
    file: /\.xaml$/i,
    line: /^\s*(?:<[\w.:]+\s+)?(?:x:Class|x:DataType|xmlns(?::\w+)?)="[^"]*"\s*>?\s*$/,
    reason: "classes and namespaces",
  },
  {
    file: /\.(cs|vb)proj$/i,
    line: /^(?!.*<(?:ApplicationTitle|ApplicationId|AssemblyTitle|Product|Company|Authors|Copyright|Description)\b)/,
    reason: "projects, namespaces and executables",
  },
  {
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    line: longPattern()`
      ^(?!.*\b(?:MACOSX_BUNDLE_|CPACK_)).*\b(project|BINARY_NAME|add_executable|target_\w+|add_subdirectory
      |apply_standard_settings
      |set_target_properties)\b
    `,
    reason: "projects, targets and executables",
  },
  {
    file: /\.(po|pot)$/,
    line: longPattern()`
      ^\#|^"(Project-Id-Version|Report-Msgid-Bugs-To|PO-Revision-Date|POT-Creation-Date|Last-Translator
      |Language-Team|Language|MIME-Version|Content-T[\w-]+|Plural-Forms|X-[\w-]+)\b|(\?|&)(keywords|component|product)=
    `,
    reason: "what translators and their tools note of a translation",
  },
  {
    file: /\.([cm]?[jt]s|[jt]sx)$/,
    line: componentName,
    reason: "a component's name, for those who develop it",
  },
  {
    file: /\.(xml)$/,
    line: /\b(tools:context|android:name="\.|class="|customClass|customModule)/,
    reason: "classes",
  },
  {
    file: /\.(metainfo|appdata)\.xml$/,
    line: /<(binary|library|translation|launchable)\b/,
    reason: "names of the executable, its translations and its entry in menus",
  },
  {
    // What packs a program for desktops of every kind, named by the program's identifier.
    file: /(^|\/)[a-z]\w*(\.[\w-]+){2,}\.(json|ya?ml)$/,
    at: /^(command|modules\b.*|cleanup\b.*|rename-.*)$/,
    reason: "names of the executable and of the files that are made",
  },
  {
    file: /(^|\/)wails\.json$/,
    at: /^(name|outputfilename)$/,
    reason: "names of the executable and of the files that are made",
  },
  {
    file: /(^|\/)export_presets\.cfg$/,
    at: /\.(export_path|name|custom_template\/.*)$/,
    reason: "names of the executable and of the files that are made",
  },
  {
    file: /\/bin\/Data\/boot\.config$/,
    line: /^player-connection-/,
    reason: "settings of the tools that build",
  },
  {
    // In a comment alone: a window that says so is met by people.
    file: /(?:)/,
    line: longPattern("i")`
      ^\s*(?:\/\/|\/?\*+|\#+|;+|--|%+|dnl\b|"|<!--|\{\*?|REM\b).*(This\ file\ is\ part\ of
      |is\ free\ software[;:,]?\ you\ can\ redistribute|is\ distributed\ in\ the\ hope\ that\ it
      |See\ the\ GNU\ (Lesser\ |Affero\ )?General\ Public\ License)
    `,
    reason: "the licence at the head of a file",
  },
  ...unseenFiles,
];

/**
 * The reason why a place is only code's; undefined where people or systems meet it. @param at names that lead to it,
 * where the file has such.
 */
export function codeReason(file: string, place: { at?: string; line?: string }): string | undefined {
  return codePlaces.find(
    (each) =>
      each.file.test(file) &&
      (each.at === undefined || (place.at !== undefined && each.at.test(place.at))) &&
      (each.line === undefined || (place.line !== undefined && each.line.test(place.line))),
  )?.reason;
}
