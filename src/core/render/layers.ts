import sharp, { type Sharp } from "sharp";
import { readVector, type Vector } from "../artwork/vector.ts";
import { channels, type Hex } from "../values/color.ts";
import { composeSvg, nested } from "./compose.ts";
import type { Placed } from "./fit.ts";
import { lastFew } from "./last-few.ts";
import { fromRaw, type Raw, rawOf, rawOfSvg } from "./raw.ts";

/** A client's pictures, read and decoded once, and given out at the size they have on a canvas. */
export interface Layers {
  vector(picture: Placed): Vector;
  layer(picture: Placed): Promise<Raw>;
}

/** Vectors kept read at a time. */
const vectorsKept = 12;

/** Bitmaps kept decoded at a time: a client has three at most, and two clients are drawn at a time. */
const decodedKept = 6;

/** @param read gives the bytes of a source picture by its path within the workspace. */
export function openLayers(read: (file: string) => Uint8Array): Layers {
  const hashOf = ({ art }: Placed) => art.hash;
  const vector = lastFew(vectorsKept, hashOf, ({ art }) =>
    readVector({ file: art.file, text: new TextDecoder().decode(read(art.file)) }),
  );
  const bitmap = lastFew(decodedKept, hashOf, ({ art }) =>
    halvings(sharp(read(art.file), { limitInputPixels: 64_000_000 }).autoOrient()),
  );
  return {
    vector,
    async layer(picture) {
      if (picture.art.format === "svg") return vectorLayer(picture, vector(picture));
      return bitmapLayer(picture, await bitmap(picture));
    },
  };
}

/** Halved no further than this, in pixels of the shorter side. */
const smallestHalving = 128;

/** A bitmap at its own size and halved again and again, so that a small picture need not be made from all of a large one. */
async function halvings(image: Sharp): Promise<Raw[]> {
  const levels = [await rawOf(image)];
  for (
    let last = levels[0];
    last && Math.min(last.width, last.height) >= 2 * smallestHalving;
    last = levels.at(-1)
  ) {
    const half = { width: Math.round(last.width / 2), height: Math.round(last.height / 2) };
    levels.push(await rawOf(fromRaw(last).resize({ ...half, fit: "fill", kernel: "lanczos3" })));
  }
  return levels;
}

/** The wanted part of a bitmap at the size it has on the canvas, its plain ground taken out where that is asked. */
async function bitmapLayer({ at, part, key }: Placed, levels: readonly Raw[]): Promise<Raw> {
  const enough = (level: Raw) =>
    part.width * level.width >= 2 * at.width && part.height * level.height >= 2 * at.height;
  const source = levels.findLast(enough) ?? (levels[0] as Raw);
  const wanted = {
    left: Math.floor(part.x * source.width),
    top: Math.floor(part.y * source.height),
    width: Math.max(1, Math.min(source.width, Math.round(part.width * source.width))),
    height: Math.max(1, Math.min(source.height, Math.round(part.height * source.height))),
  };
  wanted.width = Math.min(wanted.width, source.width - wanted.left);
  wanted.height = Math.min(wanted.height, source.height - wanted.top);
  const size = { width: at.width, height: at.height };
  const layer = await rawOf(
    fromRaw(source)
      .extract(wanted)
      .resize({ ...size, fit: "fill", kernel: "lanczos3" }),
  );
  return key === undefined ? layer : keyOut(layer, key);
}

/** The same of a vector, drawn at exactly that size. */
async function vectorLayer(picture: Placed, vector: Vector): Promise<Raw> {
  const { width, height } = picture.at;
  const canvas = { width, height, alpha: "kept", tone: "color" } as const;
  const content = nested(vector, { ...picture, at: { x: 0, y: 0, width, height } });
  const layer = await rawOfSvg(composeSvg(canvas, content));
  return picture.key === undefined ? layer : keyOut(layer, picture.key);
}

/** Below the first distance a pixel is ground, above the second it is mark; sums of channel differences. */
const keyed = { ground: 36, mark: 132 };

/** Makes a plain ground transparent and takes its share out of the pixels at the mark's edge. */
function keyOut(layer: Raw, key: Hex): Raw {
  const { data } = layer;
  const ground = channels(key);
  for (let i = 0; i < data.length; i += 4) {
    let distance = 0;
    for (let c = 0; c < 3; c++) distance += Math.abs((data[i + c] ?? 0) - (ground[c] ?? 0));
    if (distance >= keyed.mark) continue;
    const share = Math.max(0, (distance - keyed.ground) / (keyed.mark - keyed.ground));
    for (let c = 0; c < 3 && share > 0; c++) {
      const g = ground[c] ?? 0;
      data[i + c] = Math.max(0, Math.min(255, Math.round(g + ((data[i + c] ?? 0) - g) / share)));
    }
    data[i + 3] = Math.round((data[i + 3] ?? 0) * share);
    if (data[i + 3] === 0) {
      data[i] = 0;
      data[i + 1] = 0;
      data[i + 2] = 0;
    }
  }
  return layer;
}
