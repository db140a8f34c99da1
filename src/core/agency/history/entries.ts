import type * as z from "zod";
import { lookAt, namesIn } from "../../ground/files/writing/door.ts";
import type { Change } from "../../ground/files/writing/together.ts";
import type { ProblemCode } from "../../ground/problems/catalogue.ts";
import { refuse } from "../../ground/problems/result.ts";
import { readKept } from "./kept-file.ts";

/**
 * What has happened to a client's app lies in clients/<key>/history, a small file an entry, named by what it spends: a
 * build number, the letter of a day. Of two branches, what was done apart merges by itself, and what was spent twice
 * is the same file with two contents, which version control does not merge.
 */
export interface Entries<T> {
  /** What the entries of a client say; undefined where there are none. Stops where one cannot be read. */
  read(root: string, key: string): T | undefined;
  /** The changes that make them say something else. Stops where one that is there cannot be read. */
  changes(root: string, key: string, value: T): Change[];
}

/** Entries by their names. */
export type ByName<E> = ReadonlyMap<string, E>;

/** A file beside the brief that held entries of a kind before. */
interface FormerFile<E> {
  name: string;
  schemaOf(data: unknown): z.ZodObject;
  /** What it said, as entries. Stops where it contradicts itself. */
  entriesOf(written: never, file: string): ByName<E>;
}

interface Kind<S extends z.ZodObject, T> {
  /** The problem that stands for an entry that cannot be read. */
  damaged: ProblemCode;
  /** What an entry of this name is held against; undefined of a name that is another kind's. */
  schemaOf(name: string): S | undefined;
  former?: FormerFile<z.output<S>>;
  /** What entries say. Stops where they contradict each other. */
  understood(entries: ByName<z.output<S>>, folder: string): T;
  entriesOf(value: T): ByName<z.output<S>>;
}

const folderOf = (key: string): string => `clients/${key}/history`;

/** Where an entry of a client lies, relative to the workspace. */
const entryFile = (key: string, name: string): string => `${folderOf(key)}/${name}.json`;

/** An entry as text: a line a value, so that version control shows what changed. */
const textOf = (entry: unknown): string => `${JSON.stringify({ form: 1, ...(entry as object) }, null, 2)}\n`;

export function historyOf<S extends z.ZodObject, T>(kind: Kind<S, T>): Entries<T> {
  type Entry = z.output<S>;
  const { damaged, former } = kind;
  const formerFile = (key: string) => `clients/${key}/${former?.name}`;

  const inHistory = (root: string, key: string): ByName<Entry> => {
    const folder = folderOf(key);
    if (lookAt(root, folder)?.isDirectory() === false)
      refuse(damaged, `${folder} is no folder: what has happened to ${key} is not known.`);
    return new Map(
      namesIn(root, folder).flatMap((file): [string, Entry][] => {
        const name = file.replace(/\.json$/, "");
        const schema = name === file ? undefined : kind.schemaOf(name);
        const entry = schema && readKept(root, entryFile(key, name), { damaged, schemaOf: () => schema });
        return entry === undefined ? [] : [[name, entry]];
      }),
    );
  };

  const before = (root: string, key: string): ByName<Entry> | undefined => {
    if (!former) return undefined;
    const file = formerFile(key);
    const written = readKept(root, file, { damaged, schemaOf: former.schemaOf });
    return written === undefined ? undefined : former.entriesOf(written as never, file);
  };

  /** Both together; what stands in both is said alike. */
  const both = (key: string, earlier: ByName<Entry>, now: ByName<Entry>): ByName<Entry> => {
    for (const [name, entry] of earlier)
      if (now.has(name) && textOf(now.get(name)) !== textOf(entry))
        refuse(damaged, `${formerFile(key)} and ${entryFile(key, name)} differ.`, {
          expected: "one thing that happened, said once",
          fix: `Take out of ${formerFile(key)} what did not happen: it is what an earlier version of Oxalis wrote.`,
        });
    return new Map([...earlier, ...now]);
  };

  return {
    read(root, key) {
      const now = inHistory(root, key);
      const earlier = before(root, key);
      const all = earlier ? both(key, earlier, now) : now;
      return earlier || all.size > 0 ? kind.understood(all, folderOf(key)) : undefined;
    },
    changes(root, key, value) {
      const now = inHistory(root, key);
      const earlier = before(root, key);
      if (earlier) both(key, earlier, now);
      const then = kind.entriesOf(value);
      return [
        ...[...then].flatMap(([name, entry]): Change[] =>
          now.has(name) && textOf(now.get(name)) === textOf(entry) ? [] : [[entryFile(key, name), textOf(entry)]],
        ),
        ...[...now.keys()].filter((name) => !then.has(name)).map((name): Change => [entryFile(key, name), undefined]),
        ...(earlier ? [[formerFile(key), undefined] as const] : []),
      ];
    },
  };
}
