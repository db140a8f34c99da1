import { promisify } from "node:util";
import { constants, deflate, inflateSync, type ZlibOptions } from "node:zlib";
import { pngFile, readChunks } from "./file.ts";
import { filterRows, filterTypes, unfilter } from "./filters.ts";

const pressedRows = promisify(deflate) as (data: Uint8Array, options: ZlibOptions) => Promise<Buffer>;

const strategies = [constants.Z_DEFAULT_STRATEGY, constants.Z_RLE];

/**
 * Filters that are tried. Palette numbers of neighbours do not differ in any useful way, and with many pixels every
 * try is expensive.
 */
const tried = { indexed: [0, 2], color: filterTypes, large: [0, "best"] } as const;

/** Bytes of rows from which on a picture is large. */
const large = 8_000_000;

/** The same picture in as few bytes as can be found: every filter with every way to compress, the smallest is taken. */
export async function pressPng(png: Buffer): Promise<Buffer> {
  const { header, data } = readChunks(png);
  const { width, height, depth, colorType } = header;
  const bits = depth * { 2: 3, 3: 1, 6: 4 }[colorType];
  const length = 1 + Math.ceil((width * bits) / 8);
  const step = Math.max(1, bits >> 3);
  const rows = unfilter(inflateSync(data, { maxOutputLength: length * height + 1 }), length, step);
  let smallest = png;
  for (const type of tried[colorType === 3 ? "indexed" : rows.length > large ? "large" : "color"]) {
    const filtered = filterRows(rows, length, step, type);
    const streams = strategies.map((strategy) => pressedRows(filtered, { level: 9, strategy, memLevel: 9 }));
    for (const stream of await Promise.all(streams)) {
      const file = pngFile(header, [stream]);
      if (file.length < smallest.length) smallest = file;
    }
  }
  return smallest;
}
