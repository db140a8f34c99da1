/** A picture within an icon file, made in the form that is asked for. */
export interface IconPicture {
  side: number;
  png(): Promise<Uint8Array>;
  /** Its pixels, red, green, blue and opacity, from the top. */
  rgba(): Promise<Uint8Array>;
}

const headerSize = 40;

/**
 * A picture as icon files have it for every system (Windows, BITMAPINFOHEADER): rows from the bottom, blue before
 * red, with its opacity, and behind them a mask of one bit a pixel, twice as high as it looks.
 */
export async function asBitmap(picture: IconPicture): Promise<Buffer> {
  const { side } = picture;
  const rgba = await picture.rgba();
  const maskRow = Math.ceil(side / 32) * 4;
  const bytes = Buffer.alloc(headerSize + side * side * 4 + maskRow * side);
  bytes.writeUInt32LE(headerSize, 0);
  bytes.writeInt32LE(side, 4);
  bytes.writeInt32LE(side * 2, 8);
  bytes.writeUInt16LE(1, 12);
  bytes.writeUInt16LE(32, 14);
  bytes.writeUInt32LE(side * side * 4 + maskRow * side, 20);
  for (let y = 0; y < side; y++) {
    const row = side - 1 - y;
    for (let x = 0; x < side; x++) {
      const [from, to] = [(y * side + x) * 4, headerSize + (row * side + x) * 4];
      const alpha = rgba[from + 3] ?? 0;
      bytes.set([rgba[from + 2] ?? 0, rgba[from + 1] ?? 0, rgba[from] ?? 0, alpha], to);
      // What is clear stands in the mask too, for whoever reads nothing else.
      const at = headerSize + side * side * 4 + row * maskRow + (x >> 3);
      if (alpha === 0) bytes[at] = (bytes[at] ?? 0) | (0x80 >> (x & 7));
    }
  }
  return bytes;
}

/** A run is worth its own mark from so many equal bytes on. */
const shortest = 3;
const longest = { run: 130, plain: 128 };

/** Bytes with their runs packed, as small pictures of the Mac's icon files are (icns, run-length encoding). */
function packed(bytes: Uint8Array): number[] {
  const out: number[] = [];
  const runAt = (at: number) => {
    let length = 1;
    while (length < longest.run && at + length < bytes.length && bytes[at + length] === bytes[at]) length++;
    return length;
  };
  for (let at = 0; at < bytes.length; ) {
    const run = runAt(at);
    if (run >= shortest) {
      out.push(run + 125, bytes[at] ?? 0);
      at += run;
      continue;
    }
    let end = at;
    while (end < bytes.length && end - at < longest.plain && runAt(end) < shortest) end++;
    out.push(end - at - 1, ...bytes.subarray(at, end));
    at = end;
  }
  return out;
}

/** A small picture as the Mac's icon files have it: opacity, red, green, blue, each packed by itself. */
export async function asChannels(picture: IconPicture): Promise<Buffer> {
  const rgba = await picture.rgba();
  const channel = (offset: number) =>
    Uint8Array.from({ length: rgba.length / 4 }, (_, at) => rgba[at * 4 + offset] ?? 0);
  return Buffer.concat([Buffer.from("ARGB"), ...[3, 0, 1, 2].map((offset) => Buffer.from(packed(channel(offset))))]);
}
