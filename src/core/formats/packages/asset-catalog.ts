/** A picture of a compiled catalog: the asset by whose name code asks for it, the file it was made of, its size. */
export interface CatalogPicture {
  /** Empty where several pictures were packed into one. */
  asset: string;
  file: string;
  /** In pixels; 0 of drawings without a size. */
  width: number;
  height: number;
  /** Times as large as its points; 0 where it has none. */
  scale: number;
}

/** What a compiled catalog of assets holds. */
export interface AssetCatalog {
  /** Names of its assets, sorted. */
  assets: readonly string[];
  pictures: readonly CatalogPicture[];
  /** Files that lie in it as they are, such as PDF, SVG and JPEG. */
  whole: ReadonlyMap<string, Uint8Array>;
}

/** Most pieces that a catalog is read of, and most entries of one of its trees. */
const mostBlocks = 200_000;

/** Which part of a picture's key says whose it is; the same number stands at its asset's name. */
const identifierToken = 17;

/** Offsets within a picture's head, in bytes, and the length of that. */
const head = { width: 12, height: 16, scale: 20, file: 40, fileEnd: 168, more: 168, end: 184 };

/**
 * Reads a compiled catalog of assets (Assets.car): a store of numbered blocks, in which trees lead from assets to
 * pictures. Apple publishes no description of it; it is read as catalogs of Xcode 8 to 26 have it. Pixels are packed in
 * ways of Apple's own, and stay so. Undefined where it is none, or damaged.
 */
export function readAssetCatalog(bytes: Uint8Array): AssetCatalog | undefined {
  try {
    const store = openStore(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
    return store && catalogOf(store);
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

/** Blocks by what they are called, and by their numbers. */
interface Store {
  named(name: string): Buffer;
  block(number: number): Buffer;
}

function openStore(data: Buffer): Store | undefined {
  if (data.toString("latin1", 0, 8) !== "BOMStore") return undefined;
  const [index, names] = [data.readUInt32BE(16), data.readUInt32BE(24)];
  const count = data.readUInt32BE(index);
  if (count > mostBlocks) return undefined;
  const block = (number: number): Buffer => {
    if (number >= count) throw new RangeError("no such block");
    const [at, length] = [data.readUInt32BE(index + 4 + 8 * number), data.readUInt32BE(index + 8 + 8 * number)];
    if (at + length > data.length) throw new RangeError("a block behind the end");
    return data.subarray(at, at + length);
  };
  const known = new Map<string, number>();
  let at = names + 4;
  for (let left = Math.min(data.readUInt32BE(names), mostBlocks); left > 0; left--) {
    const length = data.readUInt8(at + 4);
    known.set(data.toString("latin1", at + 5, at + 5 + length), data.readUInt32BE(at));
    at += 5 + length;
  }
  return { block, named: (name) => block(known.get(name) ?? count) };
}

/** What the leaves of a tree hold, in their order. */
function* entriesOf(store: Store, name: string): Generator<{ key: Buffer; value: Buffer }> {
  const tree = store.named(name);
  if (tree.toString("latin1", 0, 4) !== "tree") throw new RangeError("no tree");
  let page = store.block(tree.readUInt32BE(8));
  const seen = new Set<number>();
  const next = (number: number): Buffer => {
    if (seen.has(number)) throw new RangeError("a tree in a circle");
    seen.add(number);
    return store.block(number);
  };
  while (page.readUInt16BE(0) === 0) page = next(page.readUInt32BE(12));
  for (let left = mostBlocks; ; ) {
    const count = page.readUInt16BE(2);
    // Pages may lie one over the other: few bytes would be read without end.
    left -= count;
    if (left < 0) throw new RangeError("a tree without end");
    for (let at = 0; at < count; at++)
      yield {
        value: store.block(page.readUInt32BE(12 + 8 * at)),
        key: store.block(page.readUInt32BE(16 + 8 * at)),
      };
    const following = page.readUInt32BE(4);
    if (following === 0) return;
    page = next(following);
  }
}

function catalogOf(store: Store): AssetCatalog {
  const format = store.named("KEYFORMAT");
  const tokens = Array.from({ length: Math.min(format.readUInt32LE(8), 64) }, (_, at) =>
    format.readUInt32LE(12 + 4 * at),
  );
  const place = tokens.indexOf(identifierToken);
  const assets = new Map<number, string>();
  for (const { key, value } of entriesOf(store, "FACETKEYS")) {
    const identifier = identifierIn(value);
    if (identifier !== undefined) assets.set(identifier, key.toString("utf8"));
  }
  const pictures: CatalogPicture[] = [];
  const whole = new Map<string, Uint8Array>();
  for (const { key, value } of entriesOf(store, "RENDITIONS")) {
    if (value.toString("latin1", 0, 4) !== "ISTC") continue;
    const end = value.indexOf(0, head.file);
    const file = value.toString("utf8", head.file, end === -1 ? head.fileEnd : Math.min(end, head.fileEnd));
    pictures.push({
      asset: place === -1 ? "" : (assets.get(key.readUInt16LE(2 * place)) ?? ""),
      file,
      width: value.readUInt32LE(head.width),
      height: value.readUInt32LE(head.height),
      scale: value.readUInt32LE(head.scale) / 100,
    });
    const payload = value.subarray(head.end + value.readUInt32LE(head.more));
    if (payload.toString("latin1", 0, 4) === "DWAR") whole.set(file, payload.subarray(12));
  }
  return { assets: [...new Set(assets.values())].sort(), pictures, whole };
}

/** The number by which an asset's pictures are told: pairs of which part it is, and its value. */
function identifierIn(value: Buffer): number | undefined {
  const count = Math.min(value.readUInt16LE(4), 64);
  for (let at = 0; at < count; at++)
    if (value.readUInt16LE(6 + 4 * at) === identifierToken) return value.readUInt16LE(8 + 4 * at);
  return undefined;
}
