/** Where a file's bytes lie in a ZIP archive. */
export interface Stored {
  name: string;
  /** Whether they lie there as they are. */
  isPlain: boolean;
  /** Offset of the first. */
  at: number;
}

const marks = { end: Buffer.from([0x50, 0x4b, 0x05, 0x06]), entry: 0x02014b50, local: 0x04034b50 };

/** How the files of an archive lie in it, by its directory (PKWARE, .ZIP File Format); ends where one does not fit. */
export function* layoutOf(bytes: Uint8Array): Generator<Stored> {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = data.lastIndexOf(marks.end);
  if (end < 0 || end + 20 > data.length) return;
  for (let at = data.readUInt32LE(end + 16); at + 46 <= end && data.readUInt32LE(at) === marks.entry; ) {
    const [name, extra, comment] = [28, 30, 32].map((each) => data.readUInt16LE(at + each)) as [number, number, number];
    const local = data.readUInt32LE(at + 42);
    if (local + 30 > data.length || data.readUInt32LE(local) !== marks.local) return;
    yield {
      name: data.toString("utf8", at + 46, at + 46 + name),
      isPlain: data.readUInt16LE(at + 10) === 0,
      at: local + 30 + data.readUInt16LE(local + 26) + data.readUInt16LE(local + 28),
    };
    at += 46 + name + extra + comment;
  }
}
