import { existsSync, readFileSync } from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import ignore, { type Ignore } from "ignore";

/** Whether a path is not a part of a checkout; folders end in a slash. */
export type IsIgnored = (path: string) => boolean;

const rulesFile = ".gitignore";

/** What a checkout's .gitignore files leave out, each for its own folder; nothing where the folder is no checkout. */
export function ignoredIn(root: string): IsIgnored {
  if (!existsSync(join(root, ".git"))) return () => false;
  const known = new Map<string, Ignore | undefined>();
  const rulesOf = (folder: string): Ignore | undefined => {
    if (!known.has(folder)) {
      const file = join(root, folder, rulesFile);
      known.set(folder, existsSync(file) ? ignore().add(readFileSync(file, "utf8")) : undefined);
    }
    return known.get(folder);
  };
  return (path) => {
    const parts = path.replace(/\/$/, "").split("/");
    let ignored = false;
    for (let depth = 0; depth < parts.length; depth++) {
      const folder = parts.slice(0, depth).join("/");
      const below = path.slice(folder ? folder.length + 1 : 0);
      const verdict = rulesOf(folder)?.test(below);
      // The rules nearest to a file decide, as git has it.
      if (verdict?.ignored) ignored = true;
      else if (verdict?.unignored) ignored = false;
    }
    return ignored;
  };
}

/** Whether a folder lies in a checkout whose .gitignore files do not leave it out. */
export function isCommitted(folder: string): boolean {
  for (let root = dirname(folder); ; root = dirname(root)) {
    if (existsSync(join(root, ".git"))) return !ignoredIn(root)(`${relative(root, folder).split(sep).join("/")}/`);
    if (root === dirname(root)) return existsSync(join(folder, ".git"));
  }
}

/** The commit a checkout is at; undefined where there is no checkout, or where only git itself could tell. */
export function checkoutRevision(root: string): string | undefined {
  const git = join(root, ".git");
  const read = (file: string) => (existsSync(join(git, file)) ? readFileSync(join(git, file), "utf8") : "");
  const head = read("HEAD").trim();
  const ref = /^ref: (\S+)$/.exec(head)?.[1];
  const commit = ref === undefined ? head : read(ref).trim() || readPacked(read("packed-refs"), ref);
  return /^[0-9a-f]{40,64}$/.test(commit) ? commit : undefined;
}

const readPacked = (text: string, ref: string): string =>
  text
    .split("\n")
    .find((line) => line.endsWith(` ${ref}`))
    ?.split(" ")[0] ?? "";
