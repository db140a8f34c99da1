import { posix } from "node:path";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Fill } from "../../template/found.ts";
import { numberedVersions } from "./numbered.ts";

/**
 * Where a script that builds a program says its version (CMake, `project`; Meson, `project`; qmake, `VERSION`;
 * Autoconf, `AC_INIT`; Setuptools, `version`).
 */
const scripts: readonly { file: RegExp; version: RegExp }[] = [
  { file: /^CMakeLists\.txt$/, version: /^[ \t]*project\s*\([^()]*?\bVERSION\s+"?(?<version>\d[\d.]*)"?(?=[\s)])/im },
  { file: /^meson\.build$/, version: /^project\s*\([^()]*?\bversion\s*:\s*'(?<version>\d[\d.]*)'/m },
  { file: /\.pro$/, version: /^[ \t]*VERSION[ \t]*=[ \t]*(?<version>\d[\d.]*)[ \t]*$/m },
  {
    file: /^configure\.(ac|in)$/,
    version: longPattern("m")`
      ^AC_INIT\(\s*\[?[^,()[\]]+\]?\s*,\s*\[?v?(?<version>\d[\d.]*)\]?\s*[,)]
    `,
  },
  { file: /^setup\.py$/, version: /^\s*version\s*=\s*["'](?<version>\d[\d.]*)["']/m },
  { file: /^pyproject\.toml$/, version: /^version\s*=\s*"(?<version>\d[\d.]*)"/m },
];

const nearestFirst = (files: readonly string[]) => [...files].sort((a, b) => a.split("/").length - b.split("/").length);

/** The scripts that may say a program's version, the one nearest the top first. */
export const versionScripts = (files: readonly string[]): string[] =>
  nearestFirst(files.filter((each) => scripts.some(({ file }) => file.test(posix.basename(each)))));

/** The version in the scripts that build a program: of each kind, in the one nearest the top that says one. */
export const buildVersions = (template: Folder, files: readonly string[]): Fill[] => [
  ...scripts.flatMap(({ file: form, version }): Fill[] => {
    for (const file of nearestFirst(files.filter((each) => form.test(posix.basename(each))))) {
      const match = version.exec(textIfAny(template.bytes(file)) ?? "");
      const value = match?.groups?.version;
      if (!match || value === undefined) continue;
      const start = match.index + match[0].lastIndexOf(value);
      const site = { file, start, end: start + value.length, value, form: "raw" as const };
      return [{ holds: "version", site, shape: "versionParts" }];
    }
    return [];
  }),
  ...numberedVersions(template, files),
];
