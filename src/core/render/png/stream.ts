import { promisify } from "node:util";
import { constants, deflateRaw, deflateRawSync, type ZlibOptions } from "node:zlib";

const inTheBackground = promisify(deflateRaw) as (data: Uint8Array, options: ZlibOptions) => Promise<Buffer>;

/** Bytes that are compressed sooner than another thread could be asked to. */
const little = 24_000;

const pressed = (data: Uint8Array, options: ZlibOptions): Promise<Buffer> | Buffer =>
  data.length < little ? deflateRawSync(data, options) : inTheBackground(data, options);

/** A part of a stream that can stand anywhere in it: bytes to be compressed, some of them again and again, or so many zeros. */
export type Stretch = Uint8Array | { bytes: Uint8Array; times: number } | number;

/**
 * Compresses stretches, each so that it ends on a byte and looks back at nothing before it: a run of zeros, however long,
 * is put together from pieces that are compressed once.
 */
export async function compressed(stretches: readonly Stretch[], options: ZlibOptions): Promise<Buffer[]> {
  const parts: Buffer[] = [];
  for (const stretch of stretches) {
    if (typeof stretch === "number") parts.push(...zeros(stretch));
    else {
      const { bytes, times } = repeated(stretch);
      if (bytes.length === 0 || times === 0) continue;
      const piece = await pressed(bytes, { ...options, finishFlush: constants.Z_FULL_FLUSH });
      for (let time = 0; time < times; time++) parts.push(piece);
    }
  }
  return parts;
}

const repeated = (stretch: Exclude<Stretch, number>) =>
  "times" in stretch ? stretch : { bytes: stretch, times: 1 };

/** Compressed stretches as a zlib stream (RFC 1950): a head, an empty last block, and the sum of what was compressed. */
export function zlibStream(parts: readonly Buffer[], stretches: readonly Stretch[]): Buffer[] {
  let [low, high] = [1, 0];
  for (const stretch of stretches) {
    if (typeof stretch === "number") {
      high = (high + stretch * low) % modulus;
      continue;
    }
    const { bytes, times } = repeated(stretch);
    const [a, b] = adler(bytes);
    for (let time = 0; time < times; time++) {
      high = (high + bytes.length * (low + modulus - 1) + b) % modulus;
      low = (low + a + modulus - 1) % modulus;
    }
  }
  const tail = Buffer.alloc(6);
  tail.set([3, 0]);
  tail.writeUInt32BE(high * 65536 + low, 2);
  return [Buffer.from([0x78, 0xda]), ...parts, tail];
}

/** Runs of zeros shorter than this are compressed with what is beside them. */
export const shortestRun = 1024;
/** Longer ones are put together from several pieces. */
export const longestPiece = 2 ** 20;

const pieces = new Map<number, Buffer>();

/** So many zeros, compressed: in pieces of powers of two. */
function zeros(count: number): Buffer[] {
  const parts: Buffer[] = [];
  let rest = count;
  for (let size = longestPiece; rest > 0; size = size > shortestRun ? size / 2 : rest) {
    for (; rest >= size; rest -= size) parts.push(piece(size));
  }
  return parts;
}

function piece(size: number): Buffer {
  const known = pieces.get(size);
  if (known) return known;
  const options = { level: 9, strategy: constants.Z_RLE, finishFlush: constants.Z_FULL_FLUSH };
  const made = deflateRawSync(Buffer.alloc(size), options);
  if (size >= shortestRun && (size & (size - 1)) === 0) pieces.set(size, made);
  return made;
}

const modulus = 65521;

/** Words after which the sums are reduced, so that they stay small numbers. */
const wordsAtOnce = 256;

/** The two sums of Adler-32 (RFC 1950). Of a drawing's rows most are zeros: those are stepped over, four at a time. */
function adler(data: Uint8Array): [low: number, high: number] {
  const aligned = data.byteOffset % 4 === 0;
  const words = aligned ? new Uint32Array(data.buffer, data.byteOffset, data.length >> 2) : new Uint32Array();
  let [low, high] = [1, 0];
  for (let word = 0; word < words.length; ) {
    const start = word;
    while (word < words.length && words[word] === 0) word++;
    if (word - start >= wordsAtOnce) high = (high + 4 * (word - start) * low) % modulus;
    else word = start;
    for (const end = Math.min(words.length, word + wordsAtOnce); word < end; word++) {
      const four = words[word] as number;
      if (four === 0) {
        high += low << 2;
        continue;
      }
      high += low += four & 255;
      high += low += (four >>> 8) & 255;
      high += low += (four >>> 16) & 255;
      high += low += four >>> 24;
    }
    low %= modulus;
    high %= modulus;
  }
  for (let at = 4 * words.length; at < data.length; at++) {
    low = (low + (data[at] as number)) % modulus;
    high = (high + low) % modulus;
  }
  return [low, high];
}
