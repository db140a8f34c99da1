import { chunksIn, chunkTypes, stringsOf } from "./string-pool.ts";

/** An element of a manifest, whatever form it came in. */
export interface ManifestElement {
  name: string;
  /** By their names without a prefix. */
  attributes: ReadonlyMap<string, ManifestValue>;
  children: ManifestElement[];
}

/** A value as text; of a reference, the number of the resource. */
export interface ManifestValue {
  text: string;
  reference?: number;
}

/** Attributes whose name a package may leave out, by their numbers (Android, R.attr). */
const known: Readonly<Record<number, string>> = {
  16842753: "label",
  16843033: "src",
  16843161: "drawable",
  16842754: "icon",
  16842755: "name",
  16842767: "debuggable",
  16842791: "scheme",
  16843276: "minSdkVersion",
  16843291: "versionCode",
  16843292: "versionName",
  16843376: "targetSdkVersion",
  16843378: "testOnly",
};

const none = 0xffffffff;

/** Types of values (Android, ResourceTypes.h, Res_value). */
export const valueTypes = { reference: 0x01, string: 0x03, float: 0x04, boolean: 0x12 } as const;

/** Deepest nesting that is followed. */
const deepest = 100;

/** Reads a manifest in Android's binary form; undefined where it is none. */
export function readBinaryXml(bytes: Uint8Array): ManifestElement | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [whole] = chunksIn(view, 0, bytes.length);
  if (whole?.type !== chunkTypes.xml) return undefined;
  let strings: (index: number) => string | undefined = () => undefined;
  let numbers: number[] = [];
  const stack: ManifestElement[] = [];
  let root: ManifestElement | undefined;
  for (const chunk of chunksIn(view, whole.body, whole.end)) {
    if (chunk.type === chunkTypes.strings) strings = stringsOf(view, chunk);
    else if (chunk.type === chunkTypes.resourceMap)
      numbers = Array.from({ length: (chunk.end - chunk.body) >> 2 }, (_, at) =>
        view.getUint32(chunk.body + at * 4, true),
      );
    else if (chunk.type === chunkTypes.elementEnd) stack.pop();
    else if (chunk.type === chunkTypes.element) {
      if (chunk.body + 20 > chunk.end || stack.length > deepest) return undefined;
      const name = strings(view.getUint32(chunk.body + 4, true)) ?? "";
      const own: ManifestElement = { name, attributes: attributesAt(view, chunk, strings, numbers), children: [] };
      stack.at(-1)?.children.push(own);
      root ??= own;
      stack.push(own);
    }
  }
  return root;
}

function attributesAt(
  view: DataView,
  { body, end }: { body: number; end: number },
  strings: (index: number) => string | undefined,
  numbers: readonly number[],
): Map<string, ManifestValue> {
  const [offset, size, count] = [8, 10, 12].map((at) => view.getUint16(body + at, true)) as [number, number, number];
  const found = new Map<string, ManifestValue>();
  for (let index = 0; index < count; index++) {
    const at = body + offset + index * size;
    if (size < 20 || at + 20 > end) break;
    const name = view.getUint32(at + 4, true);
    const key = known[numbers[name] ?? 0] ?? strings(name) ?? "";
    const raw = view.getUint32(at + 8, true);
    const [type, data] = [view.getUint8(at + 15), view.getUint32(at + 16, true)];
    const text = raw === none ? textOfValue(type, data, strings) : (strings(raw) ?? "");
    found.set(key, type === valueTypes.reference ? { text, reference: data } : { text });
  }
  return found;
}

export function textOfValue(type: number, data: number, strings: (index: number) => string | undefined): string {
  if (type === valueTypes.string) return strings(data) ?? "";
  if (type === valueTypes.boolean) return String(data !== 0);
  if (type === valueTypes.reference) return `@${data.toString(16)}`;
  return String(data | 0);
}

/** Every element below one, and itself. */
export function* everyElement(root: ManifestElement): Generator<ManifestElement> {
  yield root;
  for (const child of root.children) yield* everyElement(child);
}
