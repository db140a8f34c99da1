import { readdirSync } from "node:fs";
import { join } from "node:path";
import { attempted } from "../../values/attempted.ts";
import { glanceAt } from "./folder.ts";

/** Files by their paths, each by what the file system shows of it: another text where it was written meanwhile. */
export type Marks = ReadonlyMap<string, string>;

/** Most files that are looked at: of more, only these are watched over. */
const most = 50_000;

/** Folders that tools keep for themselves. */
const passed = new Set([".git", "node_modules"]);

/** The marks of every file at or below some paths of a folder. */
export function marksBelow(root: string, paths: readonly string[]): Marks {
  const marks = new Map<string, string>();
  const look = (path: string): void => {
    const stat = glanceAt(join(root, path));
    if (!stat || marks.size >= most) return;
    if (!stat.isDirectory()) marks.set(path, `${stat.size} ${stat.mtimeMs} ${stat.ino}`);
    else
      for (const name of attempted(() => readdirSync(join(root, path))) ?? [])
        if (!passed.has(name)) look(`${path}/${name}`);
  };
  for (const path of paths) look(path);
  return marks;
}

/** What was made, written or removed between two looks, by path. */
export const changedBetween = (before: Marks, after: Marks): string[] =>
  [...new Set([...before.keys(), ...after.keys()])].filter((path) => before.get(path) !== after.get(path)).sort();
