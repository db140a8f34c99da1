import type { Folder } from "../files/folder.ts";
import type { ProblemDetail } from "../problems/problem.ts";

/** Files that are an app's, or look like one's, and what would have to be so for a survey to take them up. */
const signs: readonly { file: RegExp; lacks: string }[] = [
  {
    file: /(^|\/)AndroidManifest\.xml$/,
    lacks: "an Android manifest, with no Gradle build script above it that makes an app",
  },
  {
    file: /(^|\/)(build|app)\.gradle(\.kts)?$/,
    lacks: "a Gradle script that makes no app: it applies no application plugin, and says no application ID",
  },
  { file: /(^|\/)project\.pbxproj$/, lacks: "an Xcode project without a target that is an app" },
  { file: /(^|\/)Info\.plist$/, lacks: "a property list, with no Xcode project that names it" },
  { file: /\.xcconfig$/, lacks: "a configuration file of Xcode, with no project beside it" },
  {
    file: /\.(sln|vcxproj|csproj|wapproj)$/,
    lacks: "a Windows project, with no package manifest and no resource script",
  },
  { file: /(^|\/)pubspec\.yaml$/, lacks: "a cross-platform project without its folders for the platforms" },
  {
    file: /(^|\/)package\.json$/,
    lacks: "a JavaScript project whose settings name no app, no page and no shell",
  },
];

/** How many files of each kind are named. */
const named = 2;

/** Why a folder holds no app that can be surveyed: what looks like one, and what to do. */
export function noApp(folder: Folder): [message: string, detail: ProblemDetail] {
  const shown = folder.label || folder.root;
  const seen = signs.flatMap(({ file, lacks }) => {
    const found = folder.list().filter((each) => file.test(each));
    if (found.length === 0) return [];
    const more = found.length > named ? `, and ${found.length - named} more` : "";
    return [`${found.slice(0, named).join(", ")}${more}: ${lacks}`];
  });
  const expected =
    "a Gradle build script with an application ID, an Xcode project, a package manifest, a page, or settings of an app";
  if (seen.length === 0) return [`${shown} holds no app.`, { expected }];
  return [
    `${shown} holds what looks like an app, and none of it was understood.\n${seen.map((each) => `   ${each}`).join("\n")}`,
    {
      expected,
      fix: "Point `template` at the folder that holds the whole project; where the project is made by a command, make it first and keep it.",
    },
  ];
}
