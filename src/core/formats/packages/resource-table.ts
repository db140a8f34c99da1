import { textOfValue, valueTypes } from "./binary-xml.ts";
import type { Resources, ResourceValue } from "./resources.ts";
import { chunksIn, chunkTypes, stringsOf } from "./string-pool.ts";

/** Flags of types and entries (Android, ResourceTypes.h). */
const flags = { sparse: 0x01, offset16: 0x02, complex: 0x01, compact: 0x08 } as const;

const none = 0xffffffff;

/** Opens a compiled table (resources.arsc); undefined where it is none. */
export function openTable(bytes: Uint8Array): Resources | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [whole] = chunksIn(view, 0, bytes.length);
  if (whole?.type !== chunkTypes.table) return undefined;
  const chunks = [...chunksIn(view, whole.body, whole.end)];
  // The first pool has the values; those of its packages have the names by which code calls them.
  const pool = chunks.find(({ type }) => type === chunkTypes.strings);
  const strings = pool ? stringsOf(view, pool) : () => undefined;
  const types = chunks
    .filter(({ type }) => type === chunkTypes.package)
    .flatMap((each) =>
      [...chunksIn(view, each.body, each.end)]
        .filter(({ type }) => type === chunkTypes.type)
        .map((type) => ({
          chunk: type,
          of: `${view.getUint32(each.start + 8, true)} ${view.getUint8(type.start + 8)}`,
        })),
    );
  return {
    find(number) {
      const [wanted, entry] = [`${number >>> 24} ${(number >>> 16) & 0xff}`, number & 0xffff];
      return types.flatMap(({ chunk, of }) => {
        const at = of === wanted ? entryAt(view, chunk, entry) : undefined;
        const found = at === undefined ? undefined : valueAt(view, at, chunk.end, strings);
        return found ? [{ language: languageOf(view, chunk.start + 20), ...found }] : [];
      });
    },
    texts() {
      const all: string[] = [];
      for (let index = 0; ; index++) {
        const value = strings(index);
        if (value === undefined) return all;
        all.push(value);
      }
    },
  };
}

/** Where an entry of a type lies; undefined where the type has none of this number. */
function entryAt(view: DataView, { start, body, end }: { start: number; body: number; end: number }, entry: number) {
  const kind = view.getUint8(start + 9);
  const [count, first] = [view.getUint32(start + 12, true), start + view.getUint32(start + 16, true)];
  if (kind & flags.sparse) {
    for (let at = body; at + 4 <= end && at < body + count * 4; at += 4)
      if (view.getUint16(at, true) === entry) return inside(first + view.getUint16(at + 2, true) * 4, end);
    return undefined;
  }
  if (entry >= count) return undefined;
  const size = kind & flags.offset16 ? 2 : 4;
  const at = body + entry * size;
  if (at + size > end) return undefined;
  if (size === 4) {
    const offset = view.getUint32(at, true);
    return offset === none ? undefined : inside(first + offset, end);
  }
  const offset = view.getUint16(at, true);
  return offset === 0xffff ? undefined : inside(first + offset * 4, end);
}

const inside = (at: number, end: number): number | undefined => (at + 8 <= end ? at : undefined);

function valueAt(
  view: DataView,
  at: number,
  end: number,
  strings: (index: number) => string | undefined,
): Pick<ResourceValue, "text" | "reference"> | undefined {
  const kind = view.getUint16(at + 2, true);
  if (kind & flags.compact) return said(kind >> 8, view.getUint32(at + 4, true), strings);
  const value = at + view.getUint16(at, true);
  if (kind & flags.complex || value + 8 > end) return undefined;
  return said(view.getUint8(value + 3), view.getUint32(value + 4, true), strings);
}

const said = (type: number, data: number, strings: (index: number) => string | undefined) => ({
  text: textOfValue(type, data, strings),
  ...(type === valueTypes.reference ? { reference: data } : {}),
});

/** The language of a configuration, as a BCP 47 tag; empty where it is for all. */
function languageOf(view: DataView, config: number): string {
  const [a, b, c, d] = [8, 9, 10, 11].map((at) => view.getUint8(config + at)) as [number, number, number, number];
  // Of three letters the two bytes hold five bits each (Android, ResTable_config).
  const language =
    a & 0x80
      ? String.fromCharCode(97 + (b & 0x1f), 97 + (((b & 0xe0) >> 5) | ((a & 0x03) << 3)), 97 + ((a & 0x7c) >> 2))
      : a === 0
        ? ""
        : String.fromCharCode(a, b);
  return language !== "" && c !== 0 && (c & 0x80) === 0 ? `${language}-${String.fromCharCode(c, d)}` : language;
}
