/** A chunk of Android's binary resources (Android, ResourceTypes.h, ResChunk_header). */
export interface Chunk {
  type: number;
  /** Offset of what follows the header, and of the end. */
  start: number;
  body: number;
  end: number;
}

/** Chunks one behind the other; ends where one does not fit into what holds it. */
export function* chunksIn(view: DataView, from: number, to: number): Generator<Chunk> {
  let at = from;
  while (at + 8 <= to) {
    const [type, header, size] = [view.getUint16(at, true), view.getUint16(at + 2, true), view.getUint32(at + 4, true)];
    if (size < 8 || header < 8 || header > size || at + size > to) return;
    yield { type, start: at, body: at + header, end: at + size };
    at += size;
  }
}

export const chunkTypes = {
  strings: 0x0001,
  table: 0x0002,
  xml: 0x0003,
  element: 0x0102,
  elementEnd: 0x0103,
  resourceMap: 0x0180,
  package: 0x0200,
  type: 0x0201,
} as const;

/** UTF-8 is said by this flag of a pool. */
const isUtf8 = 0x100;

/** Most strings of a pool that are looked at. */
const most = 500_000;

/** The strings of a pool, each read when it is asked for (ResStringPool_header). */
export function stringsOf(view: DataView, { start, body, end }: Chunk): (index: number) => string | undefined {
  const count = Math.min(view.getUint32(start + 8, true), most);
  const flags = view.getUint32(start + 16, true);
  const first = start + view.getUint32(start + 20, true);
  const bytes = Buffer.from(view.buffer, view.byteOffset, view.byteLength);
  return (index) => {
    if (index >= count || body + index * 4 + 4 > end) return undefined;
    const at = first + view.getUint32(body + index * 4, true);
    return at + 4 > end ? undefined : flags & isUtf8 ? utf8At(bytes, at, end) : utf16At(bytes, at, end);
  };
}

function utf8At(bytes: Buffer, at: number, end: number): string | undefined {
  // First how many characters, then how many bytes: one byte each, or two.
  const afterCount = at + (bytes.readUInt8(at) & 0x80 ? 2 : 1);
  const long = bytes.readUInt8(afterCount) & 0x80;
  const length = long
    ? ((bytes.readUInt8(afterCount) & 0x7f) << 8) | bytes.readUInt8(afterCount + 1)
    : bytes.readUInt8(afterCount);
  const from = afterCount + (long ? 2 : 1);
  return from + length > end ? undefined : bytes.toString("utf8", from, from + length);
}

function utf16At(bytes: Buffer, at: number, end: number): string | undefined {
  const short = bytes.readUInt16LE(at);
  const isLong = (short & 0x8000) !== 0;
  const length = isLong ? ((short & 0x7fff) << 16) | bytes.readUInt16LE(at + 2) : short;
  const from = at + (isLong ? 4 : 2);
  return from + length * 2 > end ? undefined : bytes.toString("utf16le", from, from + length * 2);
}
