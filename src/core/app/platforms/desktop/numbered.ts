import type { Folder } from "../../../ground/files/reading/folder.ts";
import { textOf } from "../../../ground/files/reading/text-of.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Fill } from "../../template/found.ts";
import type { Shape } from "../../template/shapes.ts";

/**
 * Settings that say a version number by number, and where the script says whose it is (CMake, `set`; M4, `m4_define`).
 */
const scripts: readonly {
  file: RegExp;
  /** Where it says what it builds, and by which setting its version goes. */
  project: RegExp;
  number: RegExp;
  whole?: RegExp;
}[] = [
  {
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    project: /^[ \t]*project\s*\(\s*"?(?<name>[\w.-]+)"?(?:[^()]*?\bVERSION\s+"?\$\{(?<setting>\w+)\})?/im,
    number: longPattern("gim")`
      ^[ \t]*set\s*\(\s*(?<stem>\w+?)_(?<part>MAJOR|MINOR|PATCH|MICRO)(?:_VERSION)?\s+"?(?<digits>\d+)"?\s*\)
    `,
    whole: /^[ \t]*set\s*\(\s*(?<stem>\w+?)_(?:VERSION_STRING|VERSION)\s+"?(?<digits>\d+(?:\.\d+)+)"?\s*\)/gim,
  },
  {
    file: /(^|\/)configure\.(ac|in)$|\.m4$/,
    project: /^AC_INIT\(\s*\[?(?<name>[\w.-]+)/m,
    number: longPattern("gm")`
      ^m4_define\(\s*\[(?<stem>\w+?)_(?<part>major|minor|patch|micro)(?:_version)?\]\s*,\s*\[?(?<digits>\d+)\]?\s*\)
    `,
  },
];

const shapes: Readonly<Record<string, Shape>> = {
  major: "versionMajor",
  minor: "versionMinor",
  patch: "versionPatch",
  micro: "versionPatch",
};

/** Names by which any project's version goes. */
const anyProject = /^(app|application|product|project|cpack_package)?_?version$/i;

/** A version that scripts say number by number, or beside such numbers as a whole. */
export function numberedVersions(template: Folder, files: readonly string[]): Fill[] {
  return scripts.flatMap(({ file: form, project, number, whole }) => {
    const texts = files
      .filter((file) => form.test(file))
      .flatMap((file) => {
        const text = textOf(template, file)?.text;
        return text === undefined ? [] : [{ file, text }];
      });
    const projects = texts.map(({ text }) => project.exec(text)?.groups ?? {});
    const isOwn = (stem: string) => {
      const bare = stem.toLowerCase().replace(/_?version$/, "");
      return (
        anyProject.test(stem) ||
        projects.some(
          ({ name, setting }) => setting === stem || bare === name?.toLowerCase().replace(/[^a-z0-9]+/g, "_"),
        )
      );
    };
    return texts.flatMap(({ file, text }): Fill[] => {
      const numbers = [...text.matchAll(number)].filter(({ groups }) => isOwn(groups?.stem ?? ""));
      const parts = new Set(numbers.map(({ groups }) => groups?.part?.toLowerCase()));
      if (!parts.has("major") || !parts.has("minor")) return [];
      const beside = whole ? [...text.matchAll(whole)].filter(({ groups }) => isOwn(groups?.stem ?? "")) : [];
      return [...numbers, ...beside].map((match) => fillOf(file, match));
    });
  });
}

function fillOf(file: string, match: RegExpMatchArray): Fill {
  const { part, digits = "" } = match.groups ?? {};
  const start = (match.index ?? 0) + match[0].lastIndexOf(digits);
  const site = { file, start, end: start + digits.length, value: digits, form: "raw" as const };
  return { holds: "version", site, shape: part === undefined ? "versionParts" : (shapes[part.toLowerCase()] as Shape) };
}
