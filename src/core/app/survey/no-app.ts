import type { Folder } from "../../ground/files/reading/folder.ts";
import { type Problem, type ProblemDetail, problem } from "../../ground/problems/problem.ts";
import type { Platform } from "../../ground/values/platform.ts";

/** Files that are an app's, or look like one's, and what would have to be so for a survey to take them up. */
const signs: readonly {
  file: RegExp;
  lacks: string;
  /** Where an app has a part for one of these, the file is that one's, a library's or a test's. */
  of?: readonly Platform[];
}[] = [
  {
    of: ["android"],
    file: /(^|\/)AndroidManifest\.xml$/,
    lacks: "an Android manifest, with no Gradle build script above it that makes an app",
  },
  {
    file: /(^|\/)(build|app)\.gradle(\.kts)?$/,
    lacks: "a Gradle script that makes no app: it applies no application plugin, and says no application ID",
  },
  {
    of: ["ios", "desktop"],
    file: /(^|\/)project\.pbxproj$/,
    lacks: "an Xcode project without a target that is an app",
  },
  { file: /(^|\/)Info\.plist$/, lacks: "a property list, with no Xcode project that names it" },
  { file: /\.xcconfig$/, lacks: "a configuration file of Xcode, with no project beside it" },
  {
    of: ["windows", "desktop"],
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

/** Files of these kinds that a folder holds, with what they lack. */
const seenOf = (folder: Folder, kinds: typeof signs): string[] =>
  kinds.flatMap(({ file, lacks }) => {
    const found = folder.list().filter((each) => file.test(each));
    if (found.length === 0) return [];
    const more = found.length > named ? `, and ${found.length - named} more` : "";
    return [`${found.slice(0, named).join(", ")}${more}: ${lacks}`];
  });

/** Of a folder that holds an app: what looks like a further part of it and was not understood. */
export function notUnderstood(folder: Folder, platforms: readonly Platform[]): Problem[] {
  const lacking = signs.filter(({ of }) => of && !of.some((platform) => platforms.includes(platform)));
  return seenOf(folder, lacking).map((each) =>
    problem("template-gap", `Not understood, and left as it is: ${each}.`, {
      severity: "warning",
      fix: "Where it is a part of the app, point `template` at the folder that holds the whole project; else leave it.",
    }),
  );
}

/** Why a folder holds no app that can be surveyed: what looks like one, and what to do. */
export function noApp(folder: Folder): [message: string, detail: ProblemDetail] {
  const shown = folder.label || folder.root;
  const seen = seenOf(folder, signs);
  const expected =
    "a Gradle build script with an application ID, an Xcode project, a package manifest, a page, or settings of an app";
  if (seen.length === 0) return [`${shown} holds no app.`, { expected }];
  return [
    `${shown} holds what looks like an app, and none of it was understood.\n` +
      `${seen.map((each) => `   ${each}`).join("\n")}`,
    {
      expected,
      fix:
        "Point `template` at the folder that holds the whole project; where the project is made by a " +
        "command, make it first and keep it.",
    },
  ];
}
