interface IcoPicture {
  /** Pixels, at most 256. */
  side: number;
  png: Uint8Array;
}

const headerSize = 6;
const entrySize = 16;

/** Packs PNGs into an icon file, as Windows and browsers read it: a header, an entry a picture, then the pictures. */
export function packIco(pictures: readonly IcoPicture[]): Buffer {
  const head = Buffer.alloc(headerSize + entrySize * pictures.length);
  head.writeUInt16LE(1, 2);
  head.writeUInt16LE(pictures.length, 4);
  let offset = head.length;
  for (const [at, { side, png }] of pictures.entries()) {
    const entry = headerSize + at * entrySize;
    head.writeUInt8(side % 256, entry);
    head.writeUInt8(side % 256, entry + 1);
    head.writeUInt16LE(1, entry + 4);
    head.writeUInt16LE(32, entry + 6);
    head.writeUInt32LE(png.length, entry + 8);
    head.writeUInt32LE(offset, entry + 12);
    offset += png.length;
  }
  return Buffer.concat([head, ...pictures.map(({ png }) => png)]);
}
