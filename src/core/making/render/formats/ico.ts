import { asBitmap, type IconPicture } from "./bitmap.ts";

/** From this side on a picture is packed; smaller ones as bitmaps, which every reader knows (Windows, ICO format). */
const packedFrom = 256;

const headerSize = 6;
const entrySize = 16;

/** Packs pictures into an icon file, as Windows and browsers read it: a header, an entry a picture, the pictures. */
export async function packIco(given: readonly IconPicture[]): Promise<Buffer> {
  const pictures = await Promise.all(
    given.map(async (each) => ({
      side: each.side,
      bytes: await (each.side >= packedFrom ? each.png() : asBitmap(each)),
    })),
  );
  const head = Buffer.alloc(headerSize + entrySize * pictures.length);
  head.writeUInt16LE(1, 2);
  head.writeUInt16LE(pictures.length, 4);
  let offset = head.length;
  for (const [at, { side, bytes }] of pictures.entries()) {
    const entry = headerSize + at * entrySize;
    head.writeUInt8(side % 256, entry);
    head.writeUInt8(side % 256, entry + 1);
    head.writeUInt16LE(1, entry + 4);
    head.writeUInt16LE(32, entry + 6);
    head.writeUInt32LE(bytes.length, entry + 8);
    head.writeUInt32LE(offset, entry + 12);
    offset += bytes.length;
  }
  return Buffer.concat([head, ...pictures.map(({ bytes }) => bytes)]);
}
