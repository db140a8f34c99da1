import { type Dirent, readdirSync, realpathSync, statSync } from "node:fs";
import { isAbsolute, join, relative, sep } from "node:path";
import { refuse } from "../../problems/result.ts";
import { longPattern } from "../../values/long-pattern.ts";
import { steeringIn } from "../../values/plain-text.ts";
import { ignoredIn } from "./ignored.ts";

/** Folders that hold no source: a tool's own, or what a build made. Never listed, never copied. */
const neverListed = new Set([
  ".git",
  ".gradle",
  ".idea",
  ".svn",
  ".vs",
  "DerivedData",
  "Pods",
  "node_modules",
  "xcuserdata",
]);

/**
 * Files that a desktop or a build leaves behind, and files that hold keys: they belong to the machine they lie on.
 * The key store for debugging holds a key that is public by convention (Android documentation, "Sign your app").
 */
const neverListedFiles = longPattern("i")`
  ^(\.DS_Store|Thumbs\.db|local\.properties|key(store)?\.properties|\.env(\.\w+)?\.local|
  (?!debug\.keystore$).*\.(jks|keystore|p8|p12|pfx|mobileprovision))$
`;

/**
 * What builds leave in a folder called build, or have beside it (Gradle, Xcode, CMake, bundlers). One of a project's
 * own holds none of it.
 */
const built = longPattern()`
  ^(intermediates|outputs|generated|tmp|reports|kotlin|Build|Logs|CMakeCache\.txt|CMakeFiles
  |asset-manifest\.json|static|bundle)$
`;
const builders = /^(build\.gradle(\.kts)?|pubspec\.yaml|CMakeLists\.txt|.*\.xcodeproj)$/;

function isBuilt(folder: string): boolean {
  const names = readdirSync(folder);
  if (names.length === 0 || names.some((name) => built.test(name))) return true;
  return readdirSync(join(folder, "..")).some((name) => builders.test(name));
}

/** What is learnt beside while files are listed. */
export interface Aside {
  /** Files that are links to files inside. */
  links: Set<string>;
  /** Folders that hold nothing. */
  empty: string[];
  /** Links to what is not there: of files that were not fetched, or that a build makes. */
  lost: string[];
}

/** Every file below a folder, sorted. */
export function listFiles(
  root: string,
  shown: (file: string) => string,
  everything: boolean,
  { links, empty, lost }: Aside,
): string[] {
  const files: string[] = [];
  const ignored = everything ? () => false : ignoredIn(root);
  const walk = (below: string) => {
    const entries = entriesIn(join(root, below), below ? shown(below) : shown("."));
    if (entries.length === 0 && below) empty.push(below);
    for (const entry of entries) {
      const file = below ? `${below}/${entry.name}` : entry.name;
      if (steeringIn(entry.name) || entry.name.includes("\ufffd"))
        refuse("file-name-invalid", `${shown(file)} has a name that is no text, or steers a terminal.`);
      if (ignored(entry.isDirectory() ? `${file}/` : file)) continue;
      if (entry.isDirectory()) {
        if (everything || (!neverListed.has(entry.name) && !(entry.name === "build" && isBuilt(join(root, file)))))
          walk(file);
      } else if (entry.isSymbolicLink()) {
        if (editorsOwn.test(entry.name)) continue;
        const target = linkTarget(root, file, shown);
        if (target === "nothing") {
          if (everything) refuse("file-missing", `${shown(file)} is a link to something that is not there.`);
          lost.push(file);
        }
        if (target !== "file") continue;
        links.add(file);
        files.push(file);
      } else if (entry.isFile() && (everything || !neverListedFiles.test(entry.name))) files.push(file);
    }
  };
  walk("");
  if (!everything) refuseAlike(files, shown);
  return files.sort();
}

/** On most desktops, names that differ by case alone are one file: the second would take the first's place. */
function refuseAlike(files: readonly string[], shown: (file: string) => string): void {
  const known = new Map<string, string>();
  for (const file of files) {
    const other = known.get(file.toLowerCase());
    if (other !== undefined)
      refuse("file-name-invalid", `${shown(other)} and ${shown(file)} differ by case alone.`, {
        fix: "Rename one of them: most desks take them for one file.",
      });
    known.set(file.toLowerCase(), file);
  }
}

function entriesIn(path: string, shown: string): Dirent[] {
  try {
    return readdirSync(path, { withFileTypes: true });
  } catch (error) {
    return refuse("file-unreadable", `${shown} cannot be read: ${(error as Error).message}.`);
  }
}

/** Links that editors leave beside a file they have open; they lead nowhere. */
const editorsOwn = /^\.#/;

/** A link to a file inside is read as that file; to a folder it is passed over; to the outside it is refused. */
function linkTarget(root: string, file: string, shown: (file: string) => string): "file" | "folder" | "nothing" {
  let real: string;
  try {
    real = realpathSync(join(root, file));
  } catch {
    return "nothing";
  }
  if (!isInside(realpathSync(root), real))
    refuse("path-outside", `${shown(file)} is a link that leads outside its folder.`);
  return statSync(real).isFile() ? "file" : "folder";
}

export function isInside(root: string, path: string): boolean {
  const way = relative(root, path);
  return way !== ".." && !way.startsWith(`..${sep}`) && !isAbsolute(way);
}
