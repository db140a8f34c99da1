/** A header in the portable form (POSIX, cpio, odc): 76 octal digits and letters, where what is read of it stands. */
const header = { size: 76, mark: "070707", mode: [18, 24], nameLength: [59, 65], fileLength: [65, 76] } as const;

/** A plain file, by the bits of its mode that say what it is (POSIX). */
const plain = { mask: 0o170000, file: 0o100000 };

/** Files of a copy-in archive, in order; undefined where it is none. */
export function filesInCopy(bytes: Uint8Array): [name: string, content: Uint8Array][] | undefined {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (buffer.toString("latin1", 0, header.mark.length) !== header.mark) return undefined;
  const all: [string, Uint8Array][] = [];
  for (let at = 0; at + header.size <= buffer.length; ) {
    if (buffer.toString("latin1", at, at + header.mark.length) !== header.mark) break;
    const octal = ([from, to]: readonly [number, number]) =>
      Number.parseInt(buffer.toString("latin1", at + from, at + to), 8);
    const [mode, names, size] = [octal(header.mode), octal(header.nameLength), octal(header.fileLength)];
    const from = at + header.size + names;
    if (!(names > 0 && size >= 0) || from + size > buffer.length) break;
    const name = buffer.toString("utf8", at + header.size, from - 1);
    if (name === "TRAILER!!!") break;
    if ((mode & plain.mask) === plain.file) all.push([name.replace(/^\.\//, ""), buffer.subarray(from, from + size)]);
    at = from + size;
  }
  return all;
}
