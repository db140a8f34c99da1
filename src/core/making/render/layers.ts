import sharp from "sharp";
import { channels, type Hex } from "../../ground/values/color.ts";
import { wholeBox } from "../../pictures/artwork/geometry.ts";
import { readVector, type Vector } from "../../pictures/artwork/vector/read.ts";
import type { Bitmap } from "./canvas.ts";
import { composeSvg, nest } from "./compose.ts";
import type { Placed } from "./fit.ts";
import { lastFew } from "./last-few.ts";
import { fromRaw, pixelsOf, type Raw, rawOf, rawOfSvg, rawWith } from "./raw.ts";

/** A client's pictures, read and decoded once. */
export interface Layers {
  vector(picture: Placed): Vector;
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
  const levels = [key === undefined ? whole : keyOut(whole, key)];
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

/** Below the first distance a pixel is ground, above the second it is mark; sums of channel differences. */
const keyed = { ground: 36, mark: 132 };

type Channels = ReturnType<typeof channels>;

/** Makes a plain ground transparent and takes its share out of the pixels at the mark's edge. */
function keyOut(layer: Raw, key: Hex): Raw {
  const ground = channels(key);
  const pixels = pixelsOf(layer);
  let [before, after] = [0, withoutGround(0, ground)];
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    if (color !== before) {
      before = color;
      after = withoutGround(color, ground);
    }
    pixels[at] = after;
  }
  return rawWith(layer, pixels);
}

function withoutGround(color: number, [red, green, blue]: Channels): number {
  const [r, g, b] = [color & 255, (color >>> 8) & 255, (color >>> 16) & 255];
  const distance = Math.abs(r - red) + Math.abs(g - green) + Math.abs(b - blue);
  if (distance >= keyed.mark) return color;
  const share = Math.max(0, (distance - keyed.ground) / (keyed.mark - keyed.ground));
  const alpha = Math.round((color >>> 24) * share);
  if (alpha === 0) return 0;
  return (alpha << 24) | (unmixed(b, blue, share) << 16) | (unmixed(g, green, share) << 8) | unmixed(r, red, share);
}

/** A channel without the ground's share in it. */
const unmixed = (value: number, ground: number, share: number): number =>
  Math.max(0, Math.min(255, Math.round(ground + (value - ground) / share)));
