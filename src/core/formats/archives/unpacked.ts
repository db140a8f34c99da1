import { gunzipSync } from "node:zlib";
import { Decompress } from "fzstd";
import { XzReadableStream } from "xz-decompress";
import { attempted } from "../../ground/values/attempted.ts";
import { mostOf } from "./files.ts";

/** How packed streams begin (RFC 1952; the .xz file format; RFC 8878). */
const packings = { gzip: [0x1f, 0x8b], xz: [0xfd, 0x37, 0x7a, 0x58, 0x5a, 0x00], zstd: [0x28, 0xb5, 0x2f, 0xfd] };

/** How a stream is packed, by its first bytes; undefined where it is not. */
const packing = (bytes: Uint8Array): keyof typeof packings | undefined =>
  (Object.keys(packings) as (keyof typeof packings)[]).find((form) =>
    packings[form].every((byte, at) => bytes[at] === byte),
  );

/** What a packed stream holds, or what is not packed as it is; undefined where it is damaged, or holds too much. */
export async function unpacked(bytes: Uint8Array): Promise<Uint8Array | undefined> {
  const form = packing(bytes);
  if (form === "xz") return fromXz(bytes);
  if (form === "zstd") return attempted(() => fromZstd(bytes));
  return gunzipped(bytes);
}

/** The same of what is packed by gzip alone. */
export function gunzipped(bytes: Uint8Array): Uint8Array | undefined {
  const form = packing(bytes);
  if (form === undefined) return bytes;
  return form === "gzip" ? attempted(() => gunzipSync(bytes, { maxOutputLength: mostOf.unpacked })) : undefined;
}

/** Takes parts of what is unpacked, until there are more than is held. Throws then. */
function collecting() {
  const parts: Uint8Array[] = [];
  let room = mostOf.unpacked;
  return {
    take(part: Uint8Array) {
      room -= part.length;
      if (room < 0) throw new RangeError("more than is unpacked");
      parts.push(part);
    },
    all: () => Buffer.concat(parts),
  };
}

async function fromXz(bytes: Uint8Array): Promise<Uint8Array | undefined> {
  const { take, all } = collecting();
  try {
    const stream = new XzReadableStream(new Blob([bytes as Uint8Array<ArrayBuffer>]).stream());
    for await (const part of stream) take(part);
    return all();
  } catch {
    return undefined;
  }
}

function fromZstd(bytes: Uint8Array): Uint8Array | undefined {
  if (!holdsModestly(bytes)) return undefined;
  const { take, all } = collecting();
  new Decompress(take).push(bytes, true);
  return all();
}

/** What a reader has to hold of a stream at most, in bytes: no packer wants more unless it is told to. */
const largestWindow = 128 * 1024 * 1024;

/** Whether no frame of a stream claims a window, or a content in one piece, beyond what is held (RFC 8878, 3.1.1). */
function holdsModestly(bytes: Uint8Array): boolean {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const mark = Buffer.from(packings.zstd);
  for (let at = buffer.indexOf(mark); at !== -1; at = buffer.indexOf(mark, at + mark.length))
    if (windowAt(buffer, at + mark.length) > largestWindow) return false;
  return true;
}

/** The window that a frame's header claims, in bytes. */
function windowAt(buffer: Buffer, at: number): number {
  const [descriptor = 0, exponents = 0] = [buffer[at], buffer[at + 1]];
  const isOnePiece = (descriptor & 0x20) !== 0;
  if (!isOnePiece) {
    const base = 2 ** (10 + (exponents >> 3));
    return base + (base / 8) * (exponents & 7);
  }
  const dictionary = [0, 1, 2, 4][descriptor & 3] ?? 0;
  const from = at + 1 + dictionary;
  const sizes = [() => buffer[from] ?? 0, () => buffer.readUInt16LE(from) + 256, () => buffer.readUInt32LE(from)];
  return sizes[descriptor >> 6]?.() ?? Number(buffer.readBigUInt64LE(from));
}
