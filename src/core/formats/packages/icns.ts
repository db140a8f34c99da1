/** The pictures of a Mac's icon file that are whole files themselves, by their kinds (Apple, icon file format). */
export function picturesInIcns(bytes: Uint8Array): [kind: string, picture: Uint8Array][] {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (data.toString("latin1", 0, 4) !== "icns") return [];
  const all: [string, Uint8Array][] = [];
  for (let at = 8; at + 8 <= data.length; ) {
    const size = data.readUInt32BE(at + 4);
    if (size < 8 || at + size > data.length) break;
    const picture = data.subarray(at + 8, at + size);
    if (picture.toString("latin1", 1, 4) === "PNG") all.push([data.toString("latin1", at, at + 4), picture]);
    at += size;
  }
  return all;
}
