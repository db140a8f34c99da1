import { asChannels, type IconPicture } from "./bitmap.ts";

/** The kind of each picture of an .icns file, by its side in pixels (Apple, icon file format). */
const kinds: Readonly<Record<number, readonly string[]>> = {
  16: ["ic04"],
  32: ["ic05", "ic11"],
  64: ["ic12"],
  128: ["ic07"],
  256: ["ic08", "ic13"],
  512: ["ic09", "ic14"],
  1024: ["ic10"],
};

/** Kinds that hold a picture by its channels; all others hold a PNG. */
const byChannels: ReadonlySet<string> = new Set(["ic04", "ic05"]);

const headerSize = 8;

/** Packs pictures into an icon file of the Mac: a header, then each picture behind its kind and length, big-endian. */
export async function packIcns(pictures: readonly IconPicture[]): Promise<Buffer> {
  const parts = await Promise.all(
    pictures.flatMap((picture) =>
      (kinds[picture.side] ?? []).map(async (kind) => {
        const bytes = await (byChannels.has(kind) ? asChannels(picture) : picture.png());
        return Buffer.concat([header(kind, bytes.length + headerSize), bytes]);
      }),
    ),
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
