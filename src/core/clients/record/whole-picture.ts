/** So many times a deflated stream can hold of itself (zlib, "Maximum Compression Factor"). */
const mostDeflated = 1032;

const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);

/**
 * Whether the bytes hold all of the picture that their head promises, as far as that can be told without drawing it: of
 * a PNG each of its chunks to the last, and enough of them for its pixels (PNG specification, 5); of a JPEG its end
 * (JPEG, B.1.1.3).
 */
export function isWhole(bytes: Uint8Array, pixels: number): boolean {
  const all = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (all.subarray(0, 8).equals(signature)) return isWholePng(all, pixels);
  return all.subarray(0, 2).equals(Buffer.from([0xff, 0xd8])) && all.lastIndexOf(Buffer.from([0xff, 0xd9])) > 2;
}

function isWholePng(all: Buffer, pixels: number): boolean {
  let data = 0;
  for (let at = 8; at + 12 <= all.length; ) {
    const length = all.readUInt32BE(at);
    const kind = all.toString("latin1", at + 4, at + 8);
    if (at + 12 + length > all.length) return false;
    if (kind === "IDAT") data += length;
    // At least one bit a pixel.
    if (kind === "IEND") return data * mostDeflated >= pixels / 8;
    at += 12 + length;
  }
  return false;
}
