import { crc32, deflateSync, inflateRawSync } from "node:zlib";
import { attempted } from "../../ground/values/attempted.ts";

const mark = Buffer.from("89504e470d0a1a0a", "hex");

/** Most that a picture's pixels may unpack to, in bytes. */
const most = 256 * 1024 * 1024;

interface Chunk {
  type: string;
  data: Buffer;
}

/**
 * A picture as other systems read it, where Apple's tools have rewritten it: pixels as blue, green, red and opacity,
 * multiplied by it, and packed without a header. Undefined where it is no such picture.
 */
export function readablePng(bytes: Uint8Array): Uint8Array | undefined {
  const chunks = chunksOf(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
  const header = chunks?.find(({ type }) => type === "IHDR")?.data;
  if (chunks?.[0]?.type !== "CgBI" || !header || header.length < 13) return undefined;
  const [width, height] = [header.readUInt32BE(0), header.readUInt32BE(4)];
  // Eight bits of four channels, not interlaced, are all that they write of pictures with colours.
  if (header.readUInt8(8) !== 8 || header.readUInt8(9) !== 6 || header.readUInt8(12) !== 0) return undefined;
  const packed = Buffer.concat(chunks.filter(({ type }) => type === "IDAT").map(({ data }) => data));
  const row = width * 4 + 1;
  if (row * height > most) return undefined;
  const pixels = attempted(() => inflateRawSync(packed, { maxOutputLength: row * height }));
  if (pixels?.length !== row * height) return undefined;
  unfiltered(pixels, row);
  for (let y = 0; y < height; y++) for (let at = y * row + 1; at < (y + 1) * row; at += 4) asStraight(pixels, at);
  return Buffer.concat([
    mark,
    written("IHDR", header),
    written("IDAT", deflateSync(pixels, { level: 1 })),
    written("IEND", Buffer.alloc(0)),
  ]);
}

function chunksOf(bytes: Buffer): Chunk[] | undefined {
  if (!bytes.subarray(0, 8).equals(mark)) return undefined;
  const all: Chunk[] = [];
  for (let at = 8; at + 12 <= bytes.length; ) {
    const size = bytes.readUInt32BE(at);
    all.push({ type: bytes.toString("latin1", at + 4, at + 8), data: bytes.subarray(at + 8, at + 8 + size) });
    at += 12 + size;
  }
  return all;
}

/** Takes the filters of rows back in place (PNG, 9): what stays is the pixels themselves, of filter 0. */
function unfiltered(pixels: Buffer, row: number): void {
  for (let start = 0; start < pixels.length; start += row) {
    const filter = pixels[start] ?? 0;
    pixels[start] = 0;
    for (let at = start + 1; at < start + row; at++) {
      const left = at - start > 4 ? (pixels[at - 4] ?? 0) : 0;
      const up = start > 0 ? (pixels[at - row] ?? 0) : 0;
      const corner = start > 0 && at - start > 4 ? (pixels[at - row - 4] ?? 0) : 0;
      pixels[at] = (pixels[at] ?? 0) + predicted(filter, left, up, corner);
    }
  }
}

function predicted(filter: number, left: number, up: number, corner: number): number {
  if (filter === 1) return left;
  if (filter === 2) return up;
  if (filter === 3) return (left + up) >> 1;
  if (filter !== 4) return 0;
  const [a, b, c] = [Math.abs(up - corner), Math.abs(left - corner), Math.abs(left + up - 2 * corner)];
  return a <= b && a <= c ? left : b <= c ? up : corner;
}

/** Red before blue, and colours as they are without their opacity. */
function asStraight(pixels: Buffer, at: number): void {
  const alpha = pixels[at + 3] ?? 0;
  const straight = (value: number) => (alpha === 0 ? 0 : Math.min(255, Math.round((value * 255) / alpha)));
  const [blue, green, red] = [pixels[at] ?? 0, pixels[at + 1] ?? 0, pixels[at + 2] ?? 0];
  pixels[at] = straight(red);
  pixels[at + 1] = straight(green);
  pixels[at + 2] = straight(blue);
}

function written(type: string, data: Buffer): Buffer {
  const whole = Buffer.alloc(12 + data.length);
  whole.writeUInt32BE(data.length, 0);
  whole.write(type, 4, "latin1");
  data.copy(whole, 8);
  whole.writeUInt32BE(crc32(whole.subarray(4, 8 + data.length)), 8 + data.length);
  return whole;
}
