import { finished } from "node:stream/promises";
import { promisify } from "node:util";
import { constants, createDeflate, deflate, deflateSync, type ZlibOptions } from "node:zlib";

const inTheBackground = promisify(deflate) as (data: Uint8Array, options: ZlibOptions) => Promise<Buffer>;

/** Bytes that are compressed sooner than another thread could be asked to. */
const little = 24_000;

/** A part of a stream: bytes to be compressed, some of them again and again, or so many zeros. */
export type Stretch = Uint8Array | { bytes: Uint8Array; times: number } | number;

/**
 * Compresses stretches into one zlib stream (RFC 1950). Where there are several, each looks back at nothing before
 * it: a run of zeros, however long, is put together from pieces that are compressed once.
 */
export async function zlibStream(stretches: readonly Stretch[], options: ZlibOptions): Promise<Buffer[]> {
  const [only] = stretches;
  if (stretches.length === 1 && only instanceof Uint8Array)
    return [only.length < little ? deflateSync(only, options) : await inTheBackground(only, options)];
  const pieces: Piece[] = [];
  for (const stretch of stretches) {
    if (typeof stretch === "number") {
      pieces.push(...(await Promise.all(zeros(stretch))));
      continue;
    }
    const { bytes, times } = "times" in stretch ? stretch : { bytes: stretch, times: 1 };
    if (bytes.length === 0 || times === 0) continue;
    pieces.push(...Array<Piece>(times).fill(await compress(bytes, options)));
  }
  return [head, ...pieces.map(({ body }) => body), tailOf(pieces)];
}

/**
 * What some bytes are compressed to, so that it can stand anywhere in a stream; their number, and the two sums of
 * Adler-32.
 */
interface Piece {
  body: Buffer;
  length: number;
  low: number;
  high: number;
}

/** Bytes of a stream before what is compressed, and after: an empty last block, and the sums. */
const head = Buffer.from([0x78, 0xda]);
const tailLength = 6;

/** Taken out of a stream of its own, which says the sums at its end. */
async function compress(bytes: Uint8Array, options: ZlibOptions): Promise<Piece> {
  const stream = createDeflate({ ...options, chunkSize: 65_536 });
  const chunks: Buffer[] = [];
  stream.on("data", (chunk: Buffer) => chunks.push(chunk));
  stream.write(bytes);
  stream.flush(constants.Z_FULL_FLUSH, () => stream.end());
  await finished(stream);
  const whole = Buffer.concat(chunks);
  const tail = whole.length - tailLength;
  return {
    body: whole.subarray(head.length, tail),
    length: bytes.length,
    low: whole.readUInt16BE(tail + 4),
    high: whole.readUInt16BE(tail + 2),
  };
}

const modulus = 65521;

function tailOf(pieces: readonly Piece[]): Buffer {
  let [low, high] = [1, 0];
  for (const piece of pieces) {
    high = (high + piece.length * (low + modulus - 1) + piece.high) % modulus;
    low = (low + piece.low + modulus - 1) % modulus;
  }
  const tail = Buffer.alloc(tailLength);
  tail.set([3, 0]);
  tail.writeUInt16BE(high, 2);
  tail.writeUInt16BE(low, 4);
  return tail;
}

/** Runs of zeros shorter than this are compressed with what is beside them. */
export const shortestRun = 1024;
/** Longer ones are put together from several pieces. */
export const longestPiece = 2 ** 20;

/** There are few: powers of two, and lengths below the shortest run. */
const known = new Map<number, Promise<Piece>>();

/** So many zeros, in pieces of powers of two. */
function zeros(count: number): Promise<Piece>[] {
  const pieces: Promise<Piece>[] = [];
  let rest = count;
  for (let size = longestPiece; rest > 0; size = size > shortestRun ? size / 2 : rest) {
    for (; rest >= size; rest -= size) pieces.push(zerosAtOnce(size));
  }
  return pieces;
}

function zerosAtOnce(length: number): Promise<Piece> {
  const made = known.get(length);
  if (made) return made;
  const piece = compress(Buffer.alloc(length), { level: 9, strategy: constants.Z_RLE });
  known.set(length, piece);
  return piece;
}
