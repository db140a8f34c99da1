/** A segment that is loaded (ELF, p_type). */
const loaded = 1;

/** Most segments that are looked at. */
const most = 1_000;

/**
 * What the segments of a library of 64 bits are aligned to, in bytes, the least of them; undefined where it is none.
 * Systems whose pages are larger cannot load it.
 */
export function segmentAlignment(bytes: Uint8Array): number | undefined {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const isOf64 = data.length > 64 && data.readUInt32BE(0) === 0x7f454c46 && data.readUInt8(4) === 2;
  if (!isOf64 || data.readUInt8(5) !== 1) return undefined;
  const [first, size] = [Number(data.readBigUInt64LE(32)), data.readUInt16LE(54)];
  const count = Math.min(data.readUInt16LE(56), most);
  const alignments: number[] = [];
  for (let index = 0, at = first; index < count && at + 56 <= data.length && size >= 56; index++, at += size)
    if (data.readUInt32LE(at) === loaded) alignments.push(Number(data.readBigUInt64LE(at + 48)));
  return alignments.length > 0 ? Math.min(...alignments) : undefined;
}
