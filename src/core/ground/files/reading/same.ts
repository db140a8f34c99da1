import { holds, readPlain } from "./plain.ts";

/** Files of a folder, to be held against those of the same names in another. */
export interface Pairs {
  root: string;
  other: string;
  files: readonly string[];
}

/** Says of each pair whether both files hold the same bytes: 1 or, where they do not or one cannot be read, 0. */
export type Compare = (pairs: Pairs) => Uint8Array | Promise<Uint8Array>;

/** Compares where it is called. What was read of the other folder is kept, since many folders are held against it. */
export function comparing(limit: number): (pairs: Pairs) => Uint8Array {
  const known = new Map<string, Uint8Array | undefined>();
  const read = (path: string) => {
    if (!known.has(path)) known.set(path, readPlain(path, limit));
    return known.get(path);
  };
  return ({ root, other, files }) =>
    Uint8Array.from(files, (file) => {
      try {
        const bytes = read(`${other}/${file}`);
        return bytes !== undefined && holds(`${root}/${file}`, bytes) ? 1 : 0;
      } catch {
        return 0;
      }
    });
}
