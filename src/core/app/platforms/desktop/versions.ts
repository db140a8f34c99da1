import { posix } from "node:path";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
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

/** Whether a script below the top builds what a program takes along, whose version is its own. */
const isLibrary = (file: string, text: string): boolean =>
  file.endsWith(".pro")
    ? /^\s*TEMPLATE\s*=\s*lib\b/m.test(text)
    : file.endsWith("CMakeLists.txt") && !/\badd_executable\s*\(/i.test(text) && /\badd_library\s*\(/i.test(text);

const nearestFirst = (files: readonly string[]) => [...files].sort((a, b) => a.split("/").length - b.split("/").length);

/** The scripts that may say a program's version, the one nearest the top first. */
export const versionScripts = (files: readonly string[]): string[] =>
  nearestFirst(files.filter((each) => scripts.some(({ file }) => file.test(posix.basename(each)))));

/** The version in the scripts that build a program: of each kind, in the one nearest the top that says one. */
export function buildVersions(template: Folder, files: readonly string[]): Fill[] {
  const numbered = numberedVersions(template, files);
  return [...ofOneProgram(inScripts(template, files), numbered), ...numbered];
}

const depthOf = ({ site }: Fill): number => site.file.split("/").length;

/**
 * Without what another kind of script says deeper down, where it is another version: that is of a part.
 * @param numbered the same program's version, number by number
 */
function ofOneProgram(fills: readonly Fill[], numbered: readonly Fill[]): Fill[] {
  const [top] = [...fills, ...numbered].sort((a, b) => depthOf(a) - depthOf(b));
  const said = new Set([top?.site.value, numbered.map(({ site }) => site.value).join(".")]);
  return fills.filter((each) => !top || depthOf(each) === depthOf(top) || said.has(each.site.value));
}

const inScripts = (template: Folder, files: readonly string[]): Fill[] =>
  scripts.flatMap(({ file: form, version }): Fill[] => {
    for (const file of nearestFirst(files.filter((each) => form.test(posix.basename(each))))) {
      const text = textOf(template, file)?.text ?? "";
      const match = version.exec(text);
      const value = match?.groups?.version;
      if (!match || value === undefined || (file.includes("/") && isLibrary(file, text))) continue;
      const start = match.index + match[0].lastIndexOf(value);
      const site = { file, start, end: start + value.length, value, form: "raw" as const };
      return [{ holds: "version", site, shape: "versionParts" }];
    }
    return [];
  });
