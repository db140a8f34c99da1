import { textOfValue } from "./binary-xml.ts";
import { chunksIn, chunkTypes, stringsOf } from "./string-pool.ts";

/** What a resource says, by language; the one for all under "". */
export type ByLanguage = ReadonlyMap<string, string>;

/** Flags of types and entries (Android, ResourceTypes.h). */
const flags = { sparse: 0x01, offset16: 0x02, complex: 0x01, compact: 0x08 } as const;

const none = 0xffffffff;

/**
 * What a resource says in each language, from a compiled table (resources.arsc); empty where it does not have it.
 * @param number such as 0x7f0a0001
 */
export function lookUpResource(bytes: Uint8Array, number: number): ByLanguage {
  const found = new Map<string, string>();
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [whole] = chunksIn(view, 0, bytes.length);
  if (whole?.type !== chunkTypes.table) return found;
  const [wanted, type, entry] = [number >>> 24, (number >>> 16) & 0xff, number & 0xffff];
  let strings: (index: number) => string | undefined = () => undefined;
  for (const chunk of chunksIn(view, whole.body, whole.end)) {
    if (chunk.type === chunkTypes.strings) strings = stringsOf(view, chunk);
    if (chunk.type !== chunkTypes.package || view.getUint32(chunk.start + 8, true) !== wanted) continue;
    for (const each of chunksIn(view, chunk.body, chunk.end)) {
      if (each.type !== chunkTypes.type || view.getUint8(each.start + 8) !== type) continue;
      const at = entryAt(view, each, entry);
      const text = at === undefined ? undefined : textAt(view, at, each.end, strings);
      const language = languageOf(view, each.start + 20);
      if (text !== undefined && !found.has(language)) found.set(language, text);
    }
  }
  return found;
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

function textAt(
  view: DataView,
  at: number,
  end: number,
  strings: (index: number) => string | undefined,
): string | undefined {
  const kind = view.getUint16(at + 2, true);
  if (kind & flags.compact) return textOfValue(kind >> 8, view.getUint32(at + 4, true), strings);
  const value = at + view.getUint16(at, true);
  if (kind & flags.complex || value + 8 > end) return undefined;
  return textOfValue(view.getUint8(value + 3), view.getUint32(value + 4, true), strings);
}

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
