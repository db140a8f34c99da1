/** The kind of each picture of an .icns file, by its side in pixels (Apple, icon file format; each holds a PNG). */
const kinds: Readonly<Record<number, readonly string[]>> = {
  16: ["icp4"],
  32: ["icp5", "ic11"],
  64: ["ic12"],
  128: ["ic07"],
  256: ["ic08", "ic13"],
  512: ["ic09", "ic14"],
  1024: ["ic10"],
};

const headerSize = 8;

/** Packs PNGs into an icon file of the Mac: a header, then each picture behind its kind and length, big-endian. */
export function packIcns(pictures: readonly { side: number; png: Uint8Array }[]): Buffer {
  const parts = pictures.flatMap(({ side, png }) =>
    (kinds[side] ?? []).map((kind) => Buffer.concat([header(kind, png.length + headerSize), png])),
  );
  const length = parts.reduce((sum, part) => sum + part.length, headerSize);
  return Buffer.concat([header("icns", length), ...parts]);
}

function header(kind: string, length: number): Buffer {
  const head = Buffer.alloc(headerSize);
  head.write(kind, "latin1");
  head.writeUInt32BE(length, 4);
  return head;
}
