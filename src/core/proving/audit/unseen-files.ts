import { longPattern } from "../../ground/values/long-pattern.ts";

/** A place that only code refers to: whichever side alone is changed, the app breaks. Never filled, and no residue. */
export interface CodePlace {
  file: RegExp;
  /** What of the file it is: names of settings that lead to it, or what stands in its lines. Absent: all of it. */
  at?: RegExp;
  line?: RegExp;
  reason: string;
}

/** Files of which nothing is seen: what tools and those who develop the template keep beside an app. */
export const unseenFiles: readonly CodePlace[] = [
  {
    file: /(^|\/)src\/(main\/)?(java|kotlin|org|com)\/.*\.(html?|md|txt)$/,
    reason: "beside code, and not packed",
  },
  {
    file: /(^|\/)[\w-]*publish[\w-]*\.gradle(\.kts)?$/,
    reason: "how a library is published; it is in no app",
  },
  {
    file: longPattern()`
      (^|\/)(tsconfig[\w.-]*|jsconfig|babel\.config|metro\.config|jest\.config[\w.]*|\.eslintrc
      |biome|turbo|nx|lerna|\.?detox(rc|\.config))\.(json|[cm]?[jt]s)$
    `,
    reason: "settings of the tools that build",
  },
  {
    file: longPattern()`
      (^|\/)(package-lock\.json|yarn\.lock|pnpm-lock\.yaml|Podfile\.lock|Gemfile(\.lock)?
      |Cargo\.lock|pubspec\.lock|bun\.lock|deno\.lock|npm-shrinkwrap\.json|composer\.lock|packages\.lock\.json)$
    `,
    reason: "what a package manager wrote",
  },
  {
    file: /(^|\/)(Podfile|Podfile\.properties\.json|(?<!\.swiftpm\/)Package\.swift|Package\.resolved|Brewfile)$/,
    reason: "targets and packages, by the project's own names",
  },
  {
    file: /(^|\/)_?BUCK$/,
    reason: "names of projects and modules",
  },
  {
    file: /\.(?:[cm]?js|css|ts)\.map$|\.tsbuildinfo$|\.(?:metadata|ngsummary)\.json$/,
    reason: "what a compiler left beside code, of its classes and files",
  },
  {
    file: /\.(gresource|gschema)\.xml$|(^|\/)(POTFILES(\.\w+)?|LINGUAS)$/,
    reason: "paths and keys by which code asks for its own resources and settings",
  },
  {
    file: /(^|\/)(Doxyfile(\.in)?|doxygen[\w.-]*|doc\/[\w.-]+\/copyright)$|\.xs(lt?|tl)$/,
    reason: "settings and templates of the tools that build",
  },
  {
    file: /\.pot$/,
    reason: "a list for those who translate, which no app reads",
  },
  {
    file: /\.(kdevelop|kdev4|creator|vcxproj\.filters|pro\.user|cbp|workspace|dsp|dsw)$/,
    reason: "settings of the tools that build",
  },
  {
    file: /\.(patch|diff)$|(^|\/)debian\/([\w-]+\/)?(rules|watch|patches\/.*|source\/.*)$/,
    reason: "how a distribution builds it",
  },
  {
    file: /(^|\/)go\.(mod|sum|work)$/,
    reason: "a package's name is its imports'",
  },
  {
    file: /\.(xcscheme|xcworkspacedata|xctestplan|xcsettings)$/,
    reason: "schemes and workspaces name targets and products",
  },
  {
    file: /\.(sln|slnx|vcxproj|wapproj|filters|props|targets|def|idl|natvis)$/i,
    reason: "projects, namespaces and executables",
  },
  {
    file: longPattern("i")`
      ^(?:.*\/)?(NEWS|ChangeLog[\w.-]*|CHANGES|HISTORY|AUTHORS|MAINTAINERS|CONTRIBUTORS|HACKING|THANKS|TODO
      |[\w.-]+\.doap)(\.(md|txt|adoc|rst))?$
    `,
    reason: "documentation of the project",
  },
  {
    // At the top, where no app has its texts, and in the project's own manual.
    file: /^([A-Z]|docs?\/(.*\/)?)[\w.-]*\.(?:md|markdown|rst|adoc)$|^(?:CREDITS|INSTALL|COPYING)(?:\.txt)?$/,
    reason: "documentation of the project",
  },
  {
    file: longPattern()`
      (^|\/)(?:\.(gitlab-ci|travis|appveyor|cirrus)\.ya?ml|appveyor\.yml|Jenkinsfile|azure-pipelines\.yml)$
      |^\.(?!env)\w[\w-]*\.(ya?ml|toml)$
    `,
    reason: "settings of editors and build servers",
  },
  {
    file: longPattern()`
      ^\.(?!well-known)[\w-]+\/|(^|\/)(\.(mailmap|weblate)$
      |(\.github|\.vscode|\.idea|\.gitlab|\.circleci|\.cursor|\.husky|\.githooks|\.tx|[._]lefthook)\/
      |\.(cline|cursor|windsurf)rules$|lefthook\.ya?ml$|sonar-project\.properties$)
    `,
    reason: "settings of editors and build servers",
  },
  {
    file: longPattern("i")`
      (^|\/)(\.gitignore|\.gitattributes|\.editorconfig|\.npmrc|\.watchmanconfig
      |\.prettierrc[\w.]*|\.eslintrc[\w.]*|\.xcode\.env|gradlew(\.bat)?|gradle-wrapper\.properties
      |proguard[\w.-]*\.(pro|txt)|NuGet\.config)$
    `,
    reason: "settings of the tools that build",
  },
  {
    file: longPattern()`
      (^|\/)(__tests__|tests?|androidTest|[\w-]*Tests|(gui|ui|unit|auto)[_-]?tests?|e2e|spec)\/
      |\.(test|spec)\.[cm]?[jt]sx?$
    `,
    reason: "tests are in no app",
  },
  {
    file: longPattern("i")`
      ^(?!(?:.*\/)?(?:web|www|public|static|assets|res)\/)(?:.*\/)?(README|CHANGELOG|CONTRIBUTING
      |LICEN[CS]E|NOTICE|DEVELOPMENT)[\w.-]*$
    `,
    reason: "notes for those who work on the template; they are in no app",
  },
];
