import { gunzipSync } from "node:zlib";
import { attempted } from "../../ground/values/attempted.ts";
import { mostOf } from "./files.ts";

/** What a packed stream holds (RFC 1952), or what is not packed as it is; undefined where it is packed otherwise. */
export function unpacked(bytes: Uint8Array): Uint8Array | undefined {
  const form = packing(bytes);
  if (form === undefined) return bytes;
  return form === "gzip" ? attempted(() => gunzipSync(bytes, { maxOutputLength: mostOf.unpacked })) : undefined;
}

/** How packed streams begin. */
const packings = { gzip: [0x1f, 0x8b], xz: [0xfd, 0x37, 0x7a, 0x58, 0x5a, 0x00], zstd: [0x28, 0xb5, 0x2f, 0xfd] };

/** How a stream is packed, by its first bytes; undefined where it is not. */
const packing = (bytes: Uint8Array): keyof typeof packings | undefined =>
  (Object.keys(packings) as (keyof typeof packings)[]).find((form) =>
    packings[form].every((byte, at) => bytes[at] === byte),
  );
