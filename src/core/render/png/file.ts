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
