import { gunzipSync, inflateSync } from "node:zlib";
import { attempted } from "../../../ground/values/attempted.ts";

/** Bytes at both ends of a compressed file that say things of it: what looks like a word in between is chance. */
const ofItself = 16_384;

const isCompressed = (path: string): boolean =>
  /\.(jpe?g|webp|gif|avif|heic|mp[34]|m4a|ogg|wav|woff2?|ttf|otf|gz|tgz|xz|br|bz2)$/i.test(path);

/** Most that a packed piece unpacks to, in bytes. */
const mostUnpacked = 16 * 1024 * 1024;

/** Everything in a binary file that may be text: in 8 and in 16 bits, at even and at odd offsets, packed or not. */
export function textsIn(path: string, bytes: Uint8Array): string[] {
  const told = isCompressed(path) ? [bytes.subarray(0, ofItself), bytes.subarray(-ofItself)] : [bytes];
  return [...told.flatMap(asText), ...chunksOf(bytes), ...packedStream(bytes)];
}

function asText(bytes: Uint8Array): string[] {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const odd = buffer.subarray(1);
  // The other order of bytes is the same one read from the next byte, but for the last.
  // What stands behind a sound's own mark at its end is a text by itself (ID3, version 1).
  const tail = buffer.subarray(-128);
  const title = tail.toString("latin1", 0, 3) === "TAG" ? [tail.toString("latin1", 3)] : [];
  return [...title, buffer.toString("latin1"), buffer.toString("utf16le"), odd.toString("utf16le")];
}

const pngMark = Buffer.from("89504e470d0a1a0a", "hex");

/** What a PNG says in words that are packed (PNG, zTXt and iTXt). */
function chunksOf(bytes: Uint8Array): string[] {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (!buffer.subarray(0, 8).equals(pngMark)) return [];
  const found: string[] = [];
  for (let at = 8; at + 12 <= buffer.length; ) {
    const size = buffer.readUInt32BE(at);
    const type = buffer.toString("latin1", at + 4, at + 8);
    const data = buffer.subarray(at + 8, at + 8 + size);
    const packed =
      type === "zTXt" ? data.subarray(data.indexOf(0) + 2) : type === "iTXt" ? internationalText(data) : undefined;
    const text = packed && attempted(() => inflateSync(packed, { maxOutputLength: mostUnpacked }));
    if (text) found.push(text.toString("utf8"));
    at += 12 + size;
  }
  return found;
}

/** The packed part of such a chunk; undefined where it is not packed. */
function internationalText(data: Buffer): Buffer | undefined {
  const key = data.indexOf(0);
  if (key === -1 || data[key + 1] !== 1) return undefined;
  const language = data.indexOf(0, key + 3);
  const translated = data.indexOf(0, language + 1);
  return language === -1 || translated === -1 ? undefined : data.subarray(translated + 1);
}

/** A file packed by itself (RFC 1952). */
function packedStream(bytes: Uint8Array): string[] {
  if (bytes[0] !== 0x1f || bytes[1] !== 0x8b) return [];
  const unpacked = attempted(() => gunzipSync(bytes, { maxOutputLength: mostUnpacked }));
  return unpacked ? [unpacked.toString("latin1"), unpacked.toString("utf8")] : [];
}
