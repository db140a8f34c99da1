import { crc32 } from "node:zlib";

/** What a PNG's header says (W3C, Portable Network Graphics, IHDR), and the palette it needs. */
export interface Header {
  width: number;
  height: number;
  /** Bits a channel, or a palette's index. */
  depth: 1 | 2 | 4 | 8;
  /** True colour, indexed, true colour with alpha. */
  colorType: 2 | 3 | 6;
  palette?: Buffer;
  /** The palette's alphas; absent where all of it is opaque. */
  alphas?: Buffer;
}

const signature = Buffer.from("89504e470d0a1a0a", "hex");

/** Puts a PNG together; nothing but the picture is in it: no metadata, no profile, no time. */
export function pngFile(header: Header, data: readonly Buffer[]): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(header.width, 0);
  head.writeUInt32BE(header.height, 4);
  head.set([header.depth, header.colorType, 0, 0, 0], 8);
  return Buffer.concat([
    signature,
    ...chunk("IHDR", [head]),
    ...(header.palette ? chunk("PLTE", [header.palette]) : []),
    ...(header.alphas ? chunk("tRNS", [header.alphas]) : []),
    ...chunk("IDAT", data),
    ...chunk("IEND", []),
  ]);
}

function chunk(type: string, data: readonly Buffer[]): Buffer[] {
  const head = Buffer.alloc(8);
  head.writeUInt32BE(
    data.reduce((sum, each) => sum + each.length, 0),
    0,
  );
  head.write(type, 4, "latin1");
  const tail = Buffer.alloc(4);
  tail.writeUInt32BE(
    data.reduce((sum, each) => crc32(each, sum), crc32(head.subarray(4))),
    0,
  );
  return [head, ...data, tail];
}

/** Takes apart a PNG that one of our own encoders has written: not interlaced, of the kinds in `Header`. */
export function readChunks(png: Buffer): { header: Header; data: Buffer } {
  const found: Record<string, Buffer[]> = {};
  for (let at = signature.length; at < png.length; ) {
    const length = png.readUInt32BE(at);
    const type = png.toString("latin1", at + 4, at + 8);
    found[type] = [...(found[type] ?? []), png.subarray(at + 8, at + 8 + length)];
    at += length + 12;
  }
  const [head] = found.IHDR ?? [];
  if (!head || !found.IDAT) throw new Error("a PNG without a header or without data");
  const [palette, alphas] = [found.PLTE?.[0], found.tRNS?.[0]];
  const header: Header = {
    width: head.readUInt32BE(0),
    height: head.readUInt32BE(4),
    depth: head[8] as Header["depth"],
    colorType: head[9] as Header["colorType"],
    ...(palette ? { palette } : {}),
    ...(alphas ? { alphas } : {}),
  };
  return { header, data: Buffer.concat(found.IDAT) };
}
