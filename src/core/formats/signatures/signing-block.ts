import { createHash } from "node:crypto";

/** A package that is signed as a whole: its parts, and what lies between them (Android, APK Signing Block). */
export interface SignedArchive {
  /** Before the block, the directory, and the record that ends it. */
  parts: readonly [contents: Buffer, directory: Buffer, end: Buffer];
  blocks: ReadonlyMap<number, Buffer>;
}

const magic = "APK Sig Block 42";

/** Largest block that is read, in bytes. */
const largest = 16 * 1024 * 1024;

/** The block before a package's directory; undefined where there is none. */
export function blocksOf(bytes: Uint8Array): SignedArchive | undefined {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = data.lastIndexOf(Buffer.from([0x50, 0x4b, 0x05, 0x06]));
  if (end < 0 || end + 20 > data.length) return undefined;
  const directory = data.readUInt32LE(end + 16);
  if (directory < 32 || directory > end) return undefined;
  if (data.toString("latin1", directory - 16, directory) !== magic) return undefined;
  const size = Number(data.readBigUInt64LE(directory - 24));
  const start = directory - size;
  // The size stands before the block too, and does not count itself.
  if (size > largest || start < 8) return undefined;
  const blocks = new Map<number, Buffer>();
  for (let at = start; at + 12 <= directory - 24; ) {
    const length = Number(data.readBigUInt64LE(at));
    if (length < 4 || at + 8 + length > directory - 24) break;
    blocks.set(data.readUInt32LE(at + 8), data.subarray(at + 12, at + 8 + length));
    at += 8 + length;
  }
  const record = Buffer.from(data.subarray(end));
  // What is signed says where the directory would be without the block.
  record.writeUInt32LE(start - 8, 16);
  return { parts: [data.subarray(0, start - 8), data.subarray(directory, end), record], blocks };
}

/** So many bytes have a sum of their own (APK Signature Scheme v2, "Integrity-protected contents"). */
const chunk = 1024 * 1024;

/** The sum of a package that its signature is over. */
export function contentSum({ parts }: SignedArchive, hash: "sha256" | "sha512"): Buffer {
  const sums: Buffer[] = [];
  for (const part of parts)
    for (let at = 0; at < part.length; at += chunk) {
      const piece = part.subarray(at, at + chunk);
      sums.push(createHash(hash).update(marked(0xa5, piece.length)).update(piece).digest());
    }
  const whole = createHash(hash).update(marked(0x5a, sums.length));
  for (const sum of sums) whole.update(sum);
  return whole.digest();
}

/** A mark, and a length behind it. */
function marked(mark: number, length: number): Buffer {
  const bytes = Buffer.alloc(5);
  bytes.writeUInt8(mark, 0);
  bytes.writeUInt32LE(length, 1);
  return bytes;
}
