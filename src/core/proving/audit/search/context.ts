import { readOfEntry } from "../../../app/survey/read-by-people.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { codeReason } from "../place-kinds.ts";
import { after, attribute, before, type Hit, isComment, literalAround } from "./hit.ts";
import { isInstallersOwn, packaging, saidOfPackage } from "./packaging.ts";

/** A kind of file, and which part of a line of it only code refers to. */
interface Language {
  file: RegExp;
  /** Whether a hit there is code's own, and nothing that people or systems meet. */
  isCode(hit: Hit): boolean;
}

/** What a literal that a hit begins is given to. */
const called = (hit: Hit): string => before(hit).replace(/["'`]$/, "");

/** Names that a text is called by where it is shown. */
const shownBy = longPattern("i")`
  \b(title|label|text|name|caption|placeholder|message|header|headerTitle|appName
  |applicationName|displayName|description|alt|summary|content)\w*\s*[:=({,]\s*(L|@
  |const\s+Text\()?$
`;

/** Calls that put a text above a window or into a header, whichever argument it is. */
const titles = longPattern("i")`
  \b(\w*(title|caption|headline|app(?:lication)?_?(?:display_?)?name|organi[sz]ation_?name|CreateWindow)\w*
  |(\w+[.>-]+)?Create(AndShow)?|SetWindowText\w*)\s*\((?:[\w.:]+\s*\()?[^()"'\x60]*L?$
`;

/** Calls that take a text to be shown in the language of whoever reads it (Qt, KDE, gettext). */
const translated = /(?<![\w.])(qsTr|tr|trUtf8|i18n[cp]*|gettext|N?_)\s*\(\s*[LuU@]?$/;

/** Calls and names of what goes into a log, which developers read. */
const logged = longPattern()`
  \b(Log\.(v|d|i|w|e|wtf)|Timber\.\w+|NSLog|os_log|Debug\.Log\w*|console\.(log|debug|info|warn|error|trace)
  |debugPrint|println|print)\s*\([^()]*$|\bTAG\b\s*(:\s*String\s*)?=\s*["']$
`;

/** Lines that name what a file takes from others, or itself. */
const imports = longPattern()`
  ^\s*(import|package|#include|#import|using|from|require|namespace|module|extern|@import
  |export .* from)\b(?!\s*[:=])
`;

/** Calls whose argument is the name of code. */
const namesCode = longPattern()`
  \b(require|import|from|resolve|registerComponent|moduleName|ComponentName
  |getMainComponentName|MainComponent|loadLibrary|forClass|NSClassFromString)\b[^"'\x60]*$
`;

/** Whether what a literal is given to, or handed to, shows it. */
const isShown = (hit: Hit): boolean => [shownBy, titles, translated].some((each) => each.test(called(hit)));

/** Within a program's own language: what stands in quotes may be shown; names, imports and comments are not. */
const program: Language["isCode"] = (hit) => {
  if (isComment(hit) || imports.test(hit.line)) return true;
  const literal = literalAround(hit);
  if (literal === undefined) return !isMarkupText(hit);
  if (logged.test(before(hit))) return true;
  if (namesCode.test(called(hit))) return true;
  // With a name of code's own behind it, an identifier in Java and Kotlin is the namespace.
  if (hit.kind === "identifier")
    return literal !== hit.found && /\.(kt|java)$/.test(hit.file) && /^[\w.]+$/.test(literal);
  if (hit.kind !== "name" && hit.kind !== "owner") return false;
  // A literal that is the name alone may be a key of code's, unless it has blanks; what it is called tells.
  if (literal === hit.found && /\S\s\S/.test(literal)) return false;
  if (literal === hit.found) return !isShown(hit);
  return !/\s/.test(literal);
};

/** A text between tags within code: `<Text>Shop</Text>`. */
const isMarkupText = (hit: Hit): boolean =>
  /\.([jt]sx|vue|svelte|astro|a?xaml|razor)$/.test(hit.file) &&
  />[^<>{}=;]*$|^\s*[^<>{}=;()]*$/.test(before(hit)) &&
  /^[^<>{}=;]*(<|$)/.test(after(hit));

/** Attributes whose values are code's own names. */
const codeAttributes = longPattern()`
  ^(id|class|src|srcset|(inkscape|sodipodi|xsi):.*|rel|type|for|style|data-.*|on\w+|xmlns.*|aria-labelledby|customClass
  |customModule|tools:.*|android:(id|src|drawable|background|theme|style|layout\w*|fontFamily
  |textAppearance)|parent|storyboardIdentifier|reuseIdentifier|destination|image|resource
  |location)$
`;

/** Where translations say which text is meant, or are told of (Qt Linguist, "TS file format"). */
const aboutTranslation = /<(name|location|comment|extracomment|translatorcomment)\b[^<]*$/;

/** Attributes that tell of a text to whoever translates it (GTK, GtkBuilder). */
const forTranslators = /^(comments|context)$/;

/** A resource's or a file's path within XAML. */
const xamlPath = /^(avares:|pack:|\/)\S*\.\w+$|^[\w./-]+\.(ico|png|svg|jpe?g|a?xaml)$/;

const markup: Language["isCode"] = (hit) => {
  if (isComment(hit)) return true;
  if (hit.file.endsWith(".ts.xml") && aboutTranslation.test(before(hit))) return true;
  // A program's own resource, by its path (Qt, resource system; Microsoft, pack URIs).
  if (/\.a?xaml$/.test(hit.file) && xamlPath.test(literalAround(hit) ?? "")) return true;
  if (/(^|[>"])\s*:\/[^<>"\s]*$/.test(before(hit))) return true;
  const name = attribute(hit);
  // An element's own id is code's; what a system or a store knows the app by is none.
  if (name === "id" && hit.kind === "identifier") return false;
  return (
    (name !== undefined && codeAttributes.test(name)) ||
    (name !== undefined && forTranslators.test(name) && /\.(ui|glade)$/.test(hit.file)) ||
    (name === "name" && hit.kind !== "identifier" && /\.(xml|ui)$/.test(hit.file)) ||
    (hit.kind === "name" && name !== undefined && /(^|-)domain$/.test(name) && /\.(ui|xml)$/.test(hit.file)) ||
    (name === "android:name" && !/\b(permission|meta-data)\b/.test(before(hit))) ||
    (name === "href" && !/^([a-z][a-z0-9+.-]*:|\/\/)/i.test(literalAround(hit) ?? ""))
  );
};

/** Settings of an Xcode project that people or systems meet; the rest are names of files and targets. */
const projectSettings = longPattern()`
  ^\s*"?(PRODUCT_BUNDLE_IDENTIFIER|INFOPLIST_KEY_\w+|DEVELOPMENT_TEAM
  |PROVISIONING_PROFILE_SPECIFIER|APP_\w*(NAME|TITLE|ID|SCHEME|HOST)\w*|\w*(DISPLAY_NAME
  |BUNDLE_ID|URL_SCHEME)\w*)[\w[\]*=]*"?\s*=
`;

/** Settings that name a target, its files and flags. */
const targetSettings = longPattern()`
  ^\s*(PRODUCT_NAME|PRODUCT_MODULE_NAME|EXECUTABLE_NAME|INFOPLIST_FILE|CODE_SIGN_ENTITLEMENTS
  |SWIFT_\w+|#include.*)\b
`;

/** A part of a setting's name, where another takes its value. */
const isVariable = (hit: Hit): boolean => /\$[({]\w*$/.test(before(hit));

const languages: readonly Language[] = [
  { file: /\.pbxproj$/, isCode: (hit) => !projectSettings.test(hit.line) || isVariable(hit) },
  {
    file: /\.xcconfig$/,
    isCode: (hit) => isComment(hit) || targetSettings.test(hit.line) || isVariable(hit) || !before(hit).includes("="),
  },
  {
    file: longPattern()`
      \.(kt|java|swift|mm?|h|hpp|c|cc|cpp|cxx|cs|vb|fs|dart|rs|go|py|gd|rb|php|vala|gob|qml|lua|pl|pm|tcl|pas
      |(gui_|render_)?script|scala
      |scm|lisp|el|clj|hs|mli?|erl|exs?|jl|nim|nut|nfo|awk|[cm]?[jt]s|[jt]sx|vue|svelte|astro)$
    `,
    isCode: program,
  },
  { file: /\.gradle(\.kts)?$/, isCode: (hit) => isComment(hit) || literalAround(hit) === undefined },
  {
    file: /\.(html?|xml|svg|storyboard|xib|a?xaml|appxmanifest|resw|resx|ui|glade|xsd|rng|rdf|page|docbook|kcfg)$/i,
    isCode: markup,
  },
  { file: /\.wx[sil]$/i, isCode: isInstallersOwn },
  { file: /\.(iss|ns[hi])$/i, isCode: ({ line }) => /^\s*;/.test(line) },
  {
    file: /\.(css|scss|less|sass)$/,
    isCode: (hit) => isComment(hit) || literalAround(hit) === undefined || /\burl\(/.test(before(hit)),
  },
  {
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    isCode: (hit) =>
      isComment(hit) ||
      /\$\{[\w.-]*$/.test(before(hit)) ||
      /^\s*(option|message)\s*\(/i.test(hit.line) ||
      isPath(hit) ||
      (literalAround(hit) === undefined &&
        (!bundleProperty.test(before(hit)) || /^[\w-]*\.(icns|ico|png|plist|rtf|txt)\b/i.test(after(hit))) &&
        !isSetName(hit)),
  },
  {
    file: /\.desktop$/,
    isCode: ({ kind, line }) =>
      /^(Exec|TryExec|Icon|StartupWMClass|Path|Categories|#)/.test(line) ||
      (kind === "name" && !readOfEntry.test(line)),
  },
  {
    file: /\.(sh|bash|zsh|bat|cmd|ps1)$|(^|\/)(configure|autogen|bootstrap)$/,
    isCode: (hit) => isComment(hit) || !dialogs.test(hit.line),
  },
  // A package and a command keep their names where a distribution packs them; what is said of them is read.
  { file: packaging, isCode: ({ kind, file, line }) => kind === "name" && !saidOfPackage(file, line) },
  {
    file: longPattern()`
      (^|\/)(meson\.build|meson_options\.txt|SCons(cript|truct)|Makefile(\.(am|in))?|configure\.(ac|in)|wscript)$
      |\.(mk|m4)$
    `,
    isCode: (hit) => hit.kind === "name" || /\bimport\s*\(["']$/.test(before(hit)),
  },
  { file: /(^|\/)[\w.-]+\.[1-9]$/, isCode: ({ kind }) => kind === "name" },
  {
    file: /\.(json|jsonc|ya?ml|toml|properties|env)$|(^|\/)ProjectSettings\.asset$/,
    isCode: (hit) => /^\s*#/.test(hit.line) || isKey(hit) || isPath(hit),
  },
  { file: /\.po$/, isCode: ({ line }) => /^\s*(#|msgctxt\b)/.test(line) },
  // A text is asked for by its key.
  { file: /\.strings$/, isCode: (hit) => isComment(hit) || (!before(hit).includes("=") && /"\s*=/.test(after(hit))) },
  { file: /\.plist$/, isCode: (hit) => /<key>[^<]*$/.test(before(hit)) || isVariable(hit) },
  // Of whatever has no language of its own here, a comment; in texts, such a line is a heading.
  {
    file: /^(?!.*\.(mdx?|markdown|txt|rst|adoc|textile|org|tex|[ct]sv|pot?)$)/i,
    isCode: ({ line }) => /^\s*#(\s|!|$)/.test(line),
  },
];

/** Within the name of a value that a build puts in: `@CRATE_VERSION@`. */
const isPutIn = (hit: Hit): boolean => /@\w*$/.test(before(hit)) && /^\w*@/.test(after(hit));

/** Commands by which a script shows a window. */
const dialogs = /\b(zenity|kdialog|yad|whiptail|xmessage|notify-send|osascript|MessageBox)\b/;

/** What of a build script goes into a bundle or an installer, with no quotes around it. */
const bundleProperty = /\b(MACOSX_BUNDLE_|CPACK_)\w+[ \t]+"?[^"]*$/;

/** A name that a script sets without quotes; with no capitals it is a target's. */
const isSetName = (hit: Hit): boolean =>
  /\bset\s*\(\s*(APP|APPLICATION|PRODUCT)_\w+\s+$/i.test(before(hit)) && /\p{Lu}/u.test(hit.found);

/** What settings are called by: a program asks for them by it. */
const isKey = (hit: Hit): boolean => /^[^"':]*["']?\s*:/.test(after(hit)) && /^[\s{,-]*["']?[^"':]*$/.test(before(hit));

/** Within settings, a file's or a folder's name is code's. */
const isPath = (hit: Hit): boolean => {
  const literal = literalAround(hit);
  return (
    (hit.kind === "name" || hit.kind === "scheme") &&
    literal !== undefined &&
    literal !== hit.found &&
    !/^[a-z][\w+.-]*:/i.test(literal) &&
    /[/\\]|\.[a-z]{2,4}$|^[@\w.-]+$/.test(literal) &&
    !/\s/.test(literal)
  );
};

/**
 * Whether a name stands alone in quotes within a program, and nothing tells whether it is shown there or something is
 * asked for by it.
 */
export const mayBeKey = (hit: Hit): boolean =>
  languages.find((each) => each.file.test(withoutBuildEnding(hit.file)))?.isCode === program &&
  literalAround(hit) === hit.found &&
  !isShown(hit);

/** Why a hit is only code's own; undefined where people or systems meet it. */
export function codeHit(found: Hit): string | undefined {
  const hit = { ...found, file: withoutBuildEnding(found.file) };
  const { file, key, line } = hit;
  if (isPutIn(hit)) return "names of what a build puts in";
  const known = codeReason(file, { line, ...(key === undefined ? {} : { at: key }) });
  if (known !== undefined) return known;
  return languages.find((each) => each.file.test(file))?.isCode(hit) ? "code's own names" : undefined;
}
