import type { Folder } from "../../ground/files/reading/folder.ts";
import { textOf } from "../../ground/files/reading/text-of.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { longPattern } from "../../ground/values/long-pattern.ts";
import { placeAt } from "../../ground/values/source.ts";
import { aside } from "../template/builders.ts";
import { type Fill, heldValues, type PartSurvey } from "../template/found.ts";

/**
 * Where a version of the app is said beside what builds it: by an installer's script (Inno Setup, "Setup" section;
 * NSIS, version information; Windows Installer XML, Product, Package and Bundle; CMake, CPack), and by code (Qt).
 */
const places: readonly { file: RegExp; version: RegExp }[] = [
  {
    file: /\.iss$/i,
    version: longPattern("gim")`
      ^[ \t]*(?:\#define[ \t]+\w*Version[ \t]+"|(?:AppVersion|VersionInfo\w*Version|AppVerName)[ \t]*=[^\r\n{\d]*)
      (?<version>\d+(?:\.\d+)+)(?="?[ \t]*$)
    `,
  },
  {
    file: /\.ns[hi]$/i,
    version: longPattern("gim")`
      ^[ \t]*(?:!define[ \t]+(?:\/\w+[ \t]+)*\w*Version|VIProductVersion|VIFileVersion
      |VIAddVersionKey[ \t]+(?:\/\S+[ \t]+)?"?(?:File|Product)Version"?)
      [ \t]+["']?(?<version>\d+(?:\.\d+)+)(?=["']?[ \t]*$)
    `,
  },
  {
    file: /\.wx[si]$/i,
    version: longPattern("gi")`
      (?:<(?:Product|Package|Bundle)\b[^<>]*?\sVersion="|<\?define[ \t]+\w*Version[ \t]*=[ \t]*")
      (?<version>\d+(?:\.\d+)+)(?=")
    `,
  },
  {
    file: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    version: /^[ \t]*set[ \t]*\(\s*CPACK_PACKAGE_VERSION\s+"?(?<version>\d+(?:\.\d+)+)(?="?\s*\))/gim,
  },
  {
    // Where a program begins, or its application is set up.
    file: /(^|\/)(\w*main\w*|\w*app(lication)?|__init__)\.(cc|cpp|cxx|mm|py)$/i,
    version: /\bsetApplicationVersion\s*\(\s*(?:\w+\s*\(\s*)?[uU]?["'](?<version>\d+(?:\.\d+)+)(?=["'])/g,
  },
];

/** A version that is said, and what leads to it there. */
interface Said {
  fill: Fill;
  before: string;
}

/** Versions that are said of the app: the client's where they are the app's own, told where they are others. */
export function saidVersions(template: Folder, parts: readonly PartSurvey[]): { fills: Fill[]; gaps: Problem[] } {
  const own = new Set(parts.flatMap(({ fills }) => heldValues(fills, "version").map(withoutZeros)));
  const said = template.list().flatMap((file) => (aside.test(file) ? [] : versionsIn(template, file)));
  const isOwn = ({ fill }: Said) => own.has(withoutZeros(fill.site.value));
  return {
    fills: said.filter(isOwn).map(({ fill }) => fill),
    gaps: said.filter((each) => !isOwn(each)).map((each) => otherVersion(template, each)),
  };
}

const otherVersion = (template: Folder, { fill, before }: Said): Problem => {
  const { file, start, value } = fill.site;
  return problem("template-gap", `Desktop: version ${value} is said here, and no build file says it of the app.`, {
    severity: "warning",
    place: placeAt(template.source(file), start),
    fix:
      `Where it is the app's, name it under \`fill\` in template.yaml: file: ${file}, ` +
      `text: ${JSON.stringify(before + value)}, with: ${JSON.stringify(`${before}{version}`)}.`,
  });
};

/** A version however many parts a format asks for. */
const withoutZeros = (version: string): string => version.replace(/(\.0+)+$/, "");

const versionsIn = (template: Folder, file: string): Said[] =>
  places
    .filter((each) => each.file.test(file))
    .flatMap(({ version }) => [...(textOf(template, file)?.text ?? "").matchAll(version)])
    .map((match): Said => {
      const value = match.groups?.version ?? "";
      const before = match[0].slice(0, -value.length);
      const start = match.index + before.length;
      const site = { file, start, end: start + value.length, value, form: "raw" as const };
      return { fill: { holds: "version", site, shape: "versionParts" }, before: before.trimStart() };
    });
