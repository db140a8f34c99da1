import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { type Problem, type ProblemDetail, problem } from "../../ground/problems/problem.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import { definitions } from "../platforms/all.ts";
import type { Sign } from "../template/sign.ts";

const ofPlatforms = platforms.flatMap((platform) => definitions[platform].signs);

/** Signs of an app for any platform: those that the platforms know, and those that are none's alone. */
const signs: readonly Sign[] = [
  ...new Set(ofPlatforms),
  {
    file: /(^|\/)ProjectSettings\/ProjectSettings\.asset$/,
    lacks: "a game engine's project in which no identifier can be read: give it one, and keep its settings as text",
  },
  {
    file: /(^|\/)(project\.godot|game\.project|[\w-]+\.uproject)$/,
    lacks: "a game engine's project, without what it is exported with: export it, and take what comes out",
  },
  {
    file: /(^|\/)pyproject\.toml$/,
    holds: /^\[tool\.briefcase\b/m,
    lacks: "a program in Python, whose native projects are made by a command: make them, and keep them",
  },
  {
    file: /(^|\/)build\.settings$/,
    holds: /^\s*settings\s*=/m,
    lacks: "a game in Lua, which a program builds without native projects: Oxalis knows none of its places",
  },
  {
    file: /(^|\/)AppScope\/app\.json5$/,
    lacks: "an app for HarmonyOS, for which Oxalis makes no variants",
  },
  {
    file: /(^|\/)manifest\.json$/,
    holds: /"manifest_version"\s*:/,
    lacks: "an add-on of a browser, for which Oxalis makes no variants",
  },
  { file: /(^|\/)pubspec\.yaml$/, lacks: "a cross-platform project without its folders for the platforms" },
];

/** How many files of each kind are named. */
const named = 2;

/** Files of these kinds that a folder holds, with what they lack. */
const seenOf = (folder: Folder, kinds: readonly Sign[]): string[] =>
  kinds.flatMap(({ file, holds, lacks }) => {
    const found = folder
      .list()
      .filter((each) => file.test(each) && (!holds || holds.test(textIfAny(folder.bytes(each)) ?? "")));
    if (found.length === 0) return [];
    const more = found.length > named ? `, and ${found.length - named} more` : "";
    return [`${found.slice(0, named).join(", ")}${more}: ${lacks}`];
  });

/** Of a folder that holds an app: what looks like a further part of it and was not understood. */
export function notUnderstood(folder: Folder, understood: readonly Platform[]): Problem[] {
  const theirs = new Set(understood.flatMap((platform) => definitions[platform].signs));
  const lacking = signs.filter((sign) => sign.isApp && !theirs.has(sign));
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
