import { posix } from "node:path";
import type { GradleStatement, GradleToken } from "../../../formats/splice/formats/gradle.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";

/** What a module's main source set is told to take from elsewhere; empty where it lies where a build looks first. */
export interface MainSet {
  manifest?: string;
  /** Folders of resources. */
  resources: readonly string[];
}

/** Words by which a script asks for a source set. */
const asking = new Set(["getByName", "named", "maybeCreate"]);

/** Where a module's script says that its main source set lies (Android Gradle plugin, `sourceSets`). */
export function mainSet(
  template: Folder,
  { folder, root, statements }: { folder: string; root: string; statements: readonly GradleStatement[] },
): MainSet {
  const said = statements.flatMap((statement) => {
    const of = wordsBehind(statement);
    if (!of || !/^(src(File|Dirs?)|setSrcDirs)$/.test(of.member)) return [];
    return [{ ...of, replaces: replaces(statement, of.member), paths: pathsIn(statement.tokens, folder, root) }];
  });
  const manifest = said
    .filter(({ kind }) => kind === "manifest")
    .flatMap(({ paths }) => paths)
    .findLast((file) => template.has(file));
  const sets = said.filter(({ kind, paths }) => kind === "res" && paths.length > 0);
  const usual = sets.some((each) => each.replaces) ? [] : [posix.join(folder, "src/main/res")];
  const files = template.list();
  const isThere = (path: string) => files.some((file) => file.startsWith(`${path}/`));
  return {
    ...(manifest === undefined ? {} : { manifest }),
    resources: sets.length === 0 ? [] : [...usual, ...sets.flatMap(({ paths }) => paths)].filter(isThere),
  };
}

/** Whether folders are given instead of the usual ones, and not beside them. */
const replaces = ({ tokens }: GradleStatement, member: string): boolean =>
  member === "setSrcDirs" ||
  (member === "srcDirs" && tokens.some(({ text }, at) => text === "=" && tokens[at - 1]?.text !== "+"));

/** What of the main source set a statement sets, however it is nested: `sourceSets { main { res { srcDirs = …`. */
function wordsBehind({ blocks, tokens }: GradleStatement): { kind: string; member: string } | undefined {
  const words = [...blocks, ...tokens.filter(({ kind }) => kind !== "mark").map(({ text }) => text)];
  const at = words.indexOf("sourceSets");
  const [set, kind = "", member = ""] = words.slice(at + 1).filter((word) => !asking.has(word));
  return at >= 0 && set === "main" ? { kind, member } : undefined;
}

/** Folders that a path may begin with by name. */
const named = /^\$\{?(?:project\.)?(projectDir|rootDir|rootProject\.projectDir)\}?\//;

/** The paths that a statement names as they stand, from the template's own folder; without what is put together. */
const pathsIn = (tokens: readonly GradleToken[], folder: string, root: string): string[] =>
  tokens.flatMap(({ kind, text }, at) => {
    const isPart = [tokens[at - 1], tokens[at + 1]].some((beside) => beside?.text === "+");
    const path = text.replace(named, "");
    if (kind !== "string" || isPart || path.includes("$")) return [];
    const from = /root/i.test(named.exec(text)?.[1] ?? "") ? root : folder;
    return [posix.join(from, path).replace(/\/$/, "")];
  });
