import picomatch from "picomatch";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { problemOfFile } from "../../../ground/problems/of-files.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { type SecretKind, secretKinds } from "./kinds.ts";

/** A file of a template that holds a secret, or may. */
export interface FoundSecret {
  file: string;
  level: SecretKind["level"];
  problem: Problem;
}

/** Bytes of a file that are looked at. */
const looked = 512 * 1024;

const beginningOf = (folder: Folder, file: string): string =>
  Buffer.from(folder.glimpse(file).subarray(0, looked)).toString("latin1");

/**
 * Looks for secrets in files that variants get. The first kind that a file is of is told; what is never handed on,
 * before what may be.
 */
export function findSecrets(folder: Folder, files: readonly string[]): FoundSecret[] {
  let takers: Taker[] | undefined;
  const userOf = (file: string) => {
    takers ??= takersIn(folder, files);
    return takenBy(takers, file);
  };
  return files.flatMap((file): FoundSecret[] => {
    const applying = secretKinds.filter(
      ({ within, except }) => within?.test(file) !== false && except?.test(file) !== true,
    );
    const byPath = applying.find(({ level, path }) => level === "stop" && path?.test(file));
    if (byPath) return [told(folder, file, byPath, undefined, userOf)];
    const text = beginningOf(folder, file);
    for (const kind of applying) {
      if (kind.path?.test(file)) return [told(folder, file, kind, undefined, userOf)];
      const mayHold = kind.holds === undefined || text.includes(kind.holds);
      const at = kind.content && mayHold ? text.search(kind.content) : -1;
      if (at !== -1) return [told(folder, file, kind, { text, at }, userOf)];
    }
    return [];
  });
}

/** The line is named, and not shown: what stands there is a secret. */
function told(
  { label }: Folder,
  file: string,
  { level, says }: SecretKind,
  where: { text: string; at: number } | undefined,
  userOf: (file: string) => string | undefined,
): FoundSecret {
  const shown = label ? `${label}/${file}` : file;
  const place = where ? { ...placeAt({ file: shown, text: where.text }, where.at), text: "" } : undefined;
  const [code, said] =
    level === "stop"
      ? (["secret-kept", `${where ? "holds" : "is"} ${says}.`] as const)
      : (["secret-likely", `${where ? "holds what looks like" : "is"} ${says}.`] as const);
  const severity = level === "stop" ? "error" : "warning";
  const found = problemOfFile(code, { file, shown }, said, { severity, place });
  const fix = level === "stop" ? undefined : whyItStays(file, userOf);
  const problem: Problem = fix ? { ...found, fix } : { ...found, settle: { list: "leave", entry: file } };
  return { file, level, problem };
}

/** Files that an app is built of, whether or not another names them as they are called. */
const builtOf = longPattern("i")`
  \.([ch](pp|xx|c|h)?|cc|mm?|swift|kts?|java|[cm]?[jt]sx?|vue|svelte|astro|py|go|rs|cs|vb|fs|dart|lua|php|p[lm]|rb
  |scala|groovy|gradle|xml|xaml|plist|entitlements|storyboard|xib|pbxproj|html?|s?css|less|qml|ui|rc|resx|resw
  |strings|arb)$
`;

/** What to do with a file that nothing may build without; undefined of others. */
function whyItStays(file: string, userOf: (file: string) => string | undefined): string | undefined {
  if (builtOf.test(file)) return partOfTheApp;
  const user = userOf(file);
  return user === undefined ? undefined : takenAlong(user);
}

const partOfTheApp =
  "Look at it. The app is built of this file, so that it has to stay: where everybody may have what is in it, an " +
  "example, say, name it under `allow` in template.yaml with the reason; else let the developers take it out.";

const takenAlong = (user: string): string =>
  `Look at it. ${user} takes it, so that nothing may build without: where everybody may have what is in it, name it ` +
  "under `allow` in template.yaml with the reason; else let the developers take it from the machine that builds.";

/** Files that say what a build or a program takes. */
const taking = longPattern("i")`
  \.(gradle(\.kts)?|[cm]?[jt]sx?|json|ya?ml|toml|xcscheme|pbxproj|xcconfig|properties|sh|rb|cmake)$
  |(^|\/)([A-Z][A-Za-z]+[Ff]ile|CMakeLists\.txt)$
`;

/** A file that says what is taken, as it is read. */
interface Taker {
  file: string;
  text: string;
}

const takersIn = (folder: Folder, files: readonly string[]): Taker[] =>
  files.filter((file) => taking.test(file)).map((file) => ({ file, text: beginningOf(folder, file) }));

/** Which other file names one that may hold a secret; undefined where none does. */
function takenBy(takers: readonly Taker[], file: string): string | undefined {
  const name = file.slice(file.lastIndexOf("/") + 1);
  const named = new RegExp(`(?:^|[^\\w.-])${escapeRegExp(name)}(?![\\w.-])`);
  return takers.find((other) => other.file !== file && named.test(other.text))?.file;
}

/** Those that template.yaml does not allow with a reason. */
export function dropAllowed(
  found: readonly FoundSecret[],
  allow: readonly { file: string; text?: string | undefined }[],
): FoundSecret[] {
  const rules = allow.filter(({ text }) => text === undefined).map(({ file }) => picomatch(file, { dot: true }));
  return found.filter(({ file }) => !rules.some((matches) => matches(file)));
}
