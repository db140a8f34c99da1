/** Kinds of resources, by their numbers (Microsoft, Resource Types). */
const kinds = { icon: 3, iconGroup: 14, version: 16 } as const;

/** Most entries of all directories of resources together, and most strings of a version, that are looked at. */
const most = 4_096;

/** A version's blocks say their length in 16 bits: none is longer. */
const longestVersion = 65_535;

/** What a program for Windows says and shows by its resources. */
export interface ProgramResources {
  /** As its version resource has them, such as ProductName, CompanyName, FileVersion. */
  said: Readonly<Record<string, string>>;
  /** The pictures of its icons that are packed as PNG, whole. */
  icons: readonly Uint8Array[];
}

/** Where a part of a program lies: in memory, and in the file. */
interface Section {
  address: number;
  size: number;
  at: number;
}

/** Reads the resources of a program. @param optional offset of the optional header @param isOf64 of 64 bits */
export function resourcesIn(data: Buffer, optional: number, isOf64: boolean): ProgramResources {
  const directories = optional + (isOf64 ? 112 : 96);
  const sections = sectionsOf(data, optional);
  const root = placeOf(data.readUInt32LE(directories + 16), sections);
  if (root === undefined) return { said: {}, icons: [] };
  const all = [...entriesBelow(data, root, root, [], { left: most })];
  const of = (kind: number) =>
    all.flatMap(({ path, at }) => {
      if (path[0] !== kind || at + 8 > data.length) return [];
      const from = placeOf(data.readUInt32LE(at), sections);
      const size = data.readUInt32LE(at + 4);
      return from === undefined || from + size > data.length ? [] : [data.subarray(from, from + size)];
    });
  const [version] = of(kinds.version);
  return {
    said: version ? Object.fromEntries(stringsIn(version, 0, Math.min(version.length, longestVersion), 0)) : {},
    icons:
      of(kinds.iconGroup).length > 0 ? of(kinds.icon).filter((each) => each.toString("latin1", 1, 4) === "PNG") : [],
  };
}

/** Parts of a program, from the table behind its headers (Microsoft, PE Format, "Section Table"). */
function sectionsOf(data: Buffer, optional: number): Section[] {
  const [count, first] = [data.readUInt16LE(optional - 18), optional + data.readUInt16LE(optional - 4)];
  const all: Section[] = [];
  for (let at = first; all.length < count && at + 40 <= data.length; at += 40)
    all.push({
      address: data.readUInt32LE(at + 12),
      size: Math.max(data.readUInt32LE(at + 8), data.readUInt32LE(at + 16)),
      at: data.readUInt32LE(at + 20),
    });
  return all;
}

/** Where in the file lies what has an address in memory. */
function placeOf(address: number, sections: readonly Section[]): number | undefined {
  const own =
    address === 0 ? undefined : sections.find((each) => address >= each.address && address < each.address + each.size);
  return own && own.at + address - own.address;
}

/** What a directory of resources leads to: kind, name, language. (PE Format, "The .rsrc Section") */
function* entriesBelow(
  data: Buffer,
  root: number,
  at: number,
  path: readonly number[],
  room: { left: number },
): Generator<{ path: readonly number[]; at: number }> {
  if (at + 16 > data.length) return;
  const count = data.readUInt16LE(at + 12) + data.readUInt16LE(at + 14);
  for (let index = 0, entry = at + 16; index < count && entry + 8 <= data.length; index++, entry += 8) {
    // A directory may name itself, as often as it has entries.
    if (room.left-- <= 0) return;
    const [id, to] = [data.readUInt32LE(entry), data.readUInt32LE(entry + 4)];
    const next = root + (to & 0x7fffffff);
    if (path.length === 0 && !(Object.values(kinds) as number[]).includes(id)) continue;
    if (to >>> 31 === 0) yield { path: [...path, id], at: next };
    else if (path.length < 2) yield* entriesBelow(data, root, next, [...path, id], room);
  }
}

/** Strings of a version's blocks, each a key, its value, and blocks within it (Microsoft, VS_VERSIONINFO). */
function* stringsIn(data: Buffer, from: number, to: number, depth: number): Generator<[string, string]> {
  for (let at = from, count = 0; at + 6 <= to && count < most; count++) {
    const [length, valueLength, isText] = [data.readUInt16LE(at), data.readUInt16LE(at + 2), data.readUInt16LE(at + 4)];
    if (length < 6 || at + length > to) return;
    const key = textAt(data, at + 6, at + length);
    const value = aligned(at + 6 + key.length * 2 + 2);
    if (depth === 3) yield [key, textAt(data, value, at + length)];
    else if (depth === 0 || key === "StringFileInfo" || depth === 2)
      yield* stringsIn(data, aligned(value + (isText === 0 ? valueLength : 0)), at + length, depth + 1);
    at = aligned(at + length);
  }
}

const aligned = (at: number): number => (at + 3) & ~3;

/** A text of 16-bit letters that ends with a zero. */
function textAt(data: Buffer, from: number, end: number): string {
  let to = from;
  while (to + 2 <= end && data.readUInt16LE(to) !== 0) to += 2;
  return data.toString("utf16le", from, to);
}
