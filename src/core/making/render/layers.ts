import sharp from "sharp";
import type { Hex } from "../../ground/values/color.ts";
import { wholeBox } from "../../pictures/artwork/geometry.ts";
import { readVector, type Vector } from "../../pictures/artwork/vector/read.ts";
import type { Bitmap } from "./canvas.ts";
import { composeSvg, nest } from "./compose.ts";
import type { Placed } from "./fit.ts";
import { lastFew } from "./last-few.ts";
import { leaveOut, lightWithout } from "./left-out.ts";
import { fromRaw, type Raw, rawOf, rawOfSvg } from "./raw.ts";

/** A client's pictures, read and decoded once. */
export interface Layers {
  vector(picture: Placed): Vector;
  /** A vector of which a colour is left out, as light; undefined where that can only be told pixel by pixel. */
  light(picture: Placed, key: Hex): Vector | undefined;
  /** What lies on a canvas pixel by pixel: a bitmap, or a vector whose plain ground is taken out. */
  bitmap(picture: Placed): Promise<Bitmap>;
}

/** Vectors kept read at a time. */
const vectorsKept = 6;

/** Bitmaps kept decoded at a time: of a client's pictures, that is all but the rarest. */
const decodedKept = 4;

/** @param read gives the bytes of a source picture by its path within the workspace. */
export function openLayers(read: (art: Placed["art"]) => Uint8Array): Layers {
  const vector = lastFew(
    vectorsKept,
    ({ art }: Placed) => art.hash,
    ({ art }) => readVector({ file: art.file, text: new TextDecoder().decode(read(art)) }),
  );
  const light = lastFew(
    vectorsKept,
    ({ art }: Placed, key: Hex) => `${art.hash} ${key}`,
    (picture, key) => lightWithout(vector(picture), new TextDecoder().decode(read(picture.art)), key),
  );
  const decoded = lastFew(
    decodedKept,
    ({ art, key }: Placed) => `${art.hash} ${key}`,
    ({ art, key }) => halvings(rawOf(sharp(read(art), { limitInputPixels: 64_000_000 }).autoOrient()), key),
  );
  const drawn = lastFew(
    decodedKept,
    (picture: Placed) => JSON.stringify([picture.art.hash, picture.key, picture.part, sideFor(picture)]),
    (picture) => halvings(drawnLarge(picture, vector(picture)), picture.key),
  );
  return {
    vector,
    light,
    async bitmap(picture) {
      if (picture.art.format !== "svg") return { levels: await decoded(picture), part: picture.part };
      return { levels: await drawn(picture), part: wholeBox };
    },
  };
}

/** Halved no further than this, in pixels of the shorter side. */
const smallestHalving = 128;

/**
 * A bitmap at its own size and halved again and again, so that a small picture need not be made from all of a large
 * one; without its plain ground, where there is a key.
 */
async function halvings(image: Promise<Raw>, key: Hex | undefined): Promise<Raw[]> {
  const whole = await image;
  const levels = [key === undefined ? whole : leaveOut(whole, key)];
  for (let last = levels[0]; last && Math.min(last.width, last.height) >= 2 * smallestHalving; last = levels.at(-1)) {
    const half = { width: Math.round(last.width / 2), height: Math.round(last.height / 2) };
    levels.push(await rawOf(fromRaw(last).resize({ ...half, fit: "fill", kernel: "lanczos3" })));
  }
  return levels;
}

/**
 * The longer side, in pixels, at which a vector is drawn that has to be worked on pixel by pixel: at least twice what
 * is wanted of it, mostly four times.
 */
function sideFor({ at }: Placed): number {
  const longer = Math.max(at.width, at.height);
  return longer <= 256 ? 1024 : longer <= 1024 ? 2048 : 4096;
}

/** The wanted part of a vector, large. */
function drawnLarge(picture: Placed, vector: Vector): Promise<Raw> {
  const { art, part } = picture;
  const size = { width: part.width * art.width, height: part.height * art.height };
  const scale = sideFor(picture) / Math.max(size.width, size.height);
  const width = Math.max(1, Math.round(size.width * scale));
  const height = Math.max(1, Math.round(size.height * scale));
  const canvas = { width, height, alpha: "kept", tone: "color" } as const;
  return rawOfSvg(composeSvg(canvas, nest(vector, { part, at: { x: 0, y: 0, width, height } })));
}
