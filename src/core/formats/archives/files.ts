/** An archive's files, opened one at a time; nothing of them is written anywhere. */
export interface PackageFiles {
  /** Every file's name, as the package has it. */
  names: readonly string[];
  /** A file's content; undefined where there is none, or it is larger than anything that is looked into. */
  read(name: string): Uint8Array | undefined;
  /**
   * The content of all that are wanted, read in one go, up to so many bytes of all together; and how many of them are
   * left out for that.
   */
  readAll(wanted: (name: string) => boolean, mostInAll: number): { files: Record<string, Uint8Array>; left: number };
  /** Files that it has twice, that lead outside, or that claim more than they hold. */
  odd: readonly string[];
}

/**
 * Most files that an archive is looked into for, most bytes of one of them, of all that are unpacked in one go, and of
 * all that are held against a list of their sums: of a larger one the list alone is looked at.
 */
export const mostOf = {
  ...{ files: 100_000, bytes: 64 * 1024 * 1024, unpacked: 1024 * 1024 * 1024 },
  held: 512 * 1024 * 1024,
};

/** Whether a name leads out of the folder that an archive is unpacked into. */
export const leadsOutside = (name: string): boolean => /(^|\/)\.\.(\/|$)|^\/|\\|\0/.test(name);

/** An archive whose files lie open in memory, in its own order. */
export function heldFiles(all: Iterable<readonly [name: string, content: Uint8Array]>): PackageFiles | undefined {
  const held = new Map<string, Uint8Array>();
  const odd: string[] = [];
  for (const [name, content] of all) {
    if (held.size >= mostOf.files) break;
    const own = name.replace(/^(\.\/)+/, "");
    if (own === "" || own === "." || own.endsWith("/")) continue;
    if (held.has(own) || leadsOutside(own)) odd.push(own);
    held.set(own, content);
  }
  if (held.size === 0) return undefined;
  return {
    names: [...held.keys()],
    odd,
    read: (name) => held.get(name),
    readAll(wanted, mostInAll) {
      let [room, left] = [mostInAll, 0];
      const files: Record<string, Uint8Array> = {};
      for (const [name, content] of held) {
        if (!wanted(name)) continue;
        if (content.length > room) left++;
        else {
          files[name] = content;
          room -= content.length;
        }
      }
      return { files, left };
    },
  };
}

/**
 * Several archives as one, each below a path of its own.
 * @param parts what stands before the names of each, its files, and which of them count; all where nobody says
 */
export function joinedFiles(
  parts: readonly (readonly [before: string, files: PackageFiles, counts?: (name: string) => boolean])[],
): PackageFiles {
  const homes = new Map(
    parts.flatMap(([before, files, counts]) =>
      files.names
        .filter((name) => counts?.(name) !== false)
        .map((name) => [`${before}${name}`, { files, name }] as const),
    ),
  );
  return {
    names: [...homes.keys()],
    odd: parts.flatMap(([before, { odd }]) => odd.map((name) => `${before}${name}`)),
    read(path) {
      const home = homes.get(path);
      return home?.files.read(home.name);
    },
    readAll(wanted, mostInAll) {
      let [room, left] = [mostInAll, 0];
      const all: Record<string, Uint8Array> = {};
      for (const [before, files, counts] of parts) {
        const found = files.readAll((name) => counts?.(name) !== false && wanted(`${before}${name}`), room);
        left += found.left;
        for (const [name, content] of Object.entries(found.files)) {
          all[`${before}${name}`] = content;
          room -= content.length;
        }
      }
      return { files: all, left };
    },
  };
}
