import sharp, { type OverlayOptions, type Sharp } from "sharp";
import { readVector, type Vector } from "../artwork/vector.ts";
import { channels, type Hex } from "../values/color.ts";
import { composeSvg, embedded, nested, plateMask } from "./compose.ts";
import type { Drawing } from "./drawing.ts";
import { packIco } from "./ico.ts";

/** Bumped when the same drawing would come out otherwise, so that what was drawn before counts as changed. */
export const rendererVersion = 1;

/** Draws pictures from sources that are read once. */
export interface Renderer {
  /** A PNG of exactly the drawing's size; sRGB, with no alpha channel where the drawing forbids one. */
  png(drawing: Drawing): Promise<Buffer>;
  /** The drawings, smallest first, in one icon file. */
  ico(drawings: readonly Drawing[]): Promise<Buffer>;
  svg(drawing: Drawing): Promise<Buffer>;
}

sharp.concurrency(1); // several pictures are drawn at once instead: small ones gain nothing from threads

interface Raw {
  data: Buffer;
  width: number;
  height: number;
}

type Picture = NonNullable<Drawing["picture"]>;

/** @param read gives the bytes of a source picture by its path within the workspace. */
export function createRenderer(read: (file: string) => Uint8Array): Renderer {
  const vectors = new Map<string, Vector>();
  const vectorOf = ({ art }: Picture): Vector => {
    let vector = vectors.get(art.hash);
    if (!vector) {
      vector = readVector({ file: art.file, text: new TextDecoder().decode(read(art.file)) });
      vectors.set(art.hash, vector);
    }
    return vector;
  };
  const stays = ({ art, key }: Picture) => art.format === "svg" && key === undefined;

  const raw = async (drawing: Drawing): Promise<Raw> => {
    const { picture } = drawing;
    if (!picture) return rawOf(sharp(Buffer.from(composeSvg(drawing))));
    if (stays(picture))
      return rawOf(sharp(Buffer.from(composeSvg(drawing, nested(vectorOf(picture), picture)))));
    const layer = await layerOf(
      picture,
      picture.art.format === "svg" ? vectorOf(picture) : read(picture.art.file),
    );
    return lay(drawing, picture, layer);
  };

  const png = async (drawing: Drawing): Promise<Buffer> => {
    const pixels = await raw(drawing);
    if (drawing.tone !== "color") toned(pixels.data, drawing.tone);
    return encode(pixels, drawing.alpha);
  };

  return {
    png,
    async ico(drawings) {
      return packIco(
        await Promise.all(drawings.map(async (each) => ({ side: each.width, png: await png(each) }))),
      );
    },
    async svg(drawing) {
      const { picture } = drawing;
      if (!picture) return Buffer.from(composeSvg(drawing));
      if (stays(picture)) return Buffer.from(composeSvg(drawing, nested(vectorOf(picture), picture)));
      const larger = enlarged(picture, 512 / drawing.width);
      const layer = await layerOf(
        larger,
        picture.art.format === "svg" ? vectorOf(picture) : read(picture.art.file),
      );
      return Buffer.from(composeSvg(drawing, embedded(await encode(layer, "kept"), picture)));
    },
  };
}

const enlarged = (picture: Picture, factor: number): Picture => ({
  ...picture,
  at: {
    x: 0,
    y: 0,
    width: Math.round(picture.at.width * factor),
    height: Math.round(picture.at.height * factor),
  },
});

async function rawOf(image: Sharp): Promise<Raw> {
  const { data, info } = await image
    .toColourspace("srgb")
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

const fromRaw = ({ data, width, height }: Raw) => sharp(data, { raw: { width, height, channels: 4 } });

/** The wanted part of a picture at the size it has on the canvas, its plain ground taken out where that is asked. */
async function layerOf(picture: Picture, source: Vector | Uint8Array): Promise<Raw> {
  const { at, part, art, key } = picture;
  const size = { width: at.width, height: at.height };
  const layer =
    source instanceof Uint8Array
      ? await rawOf(
          sharp(source, { limitInputPixels: 64_000_000 })
            .autoOrient()
            .extract({
              left: Math.floor(part.x * art.width),
              top: Math.floor(part.y * art.height),
              width: Math.max(1, Math.min(art.width, Math.round(part.width * art.width))),
              height: Math.max(1, Math.min(art.height, Math.round(part.height * art.height))),
            })
            .resize({ ...size, fit: "fill", kernel: "lanczos3" }),
        )
      : await rawOf(
          sharp(
            Buffer.from(
              composeSvg(
                { ...size, alpha: "kept", tone: "color" },
                nested(source, { ...picture, at: { x: 0, y: 0, ...size } }),
              ),
            ),
          ),
        );
  if (key !== undefined) keyOut(layer.data, key);
  return layer;
}

async function lay(drawing: Drawing, picture: Picture, layer: Raw): Promise<Raw> {
  const { width, height } = drawing;
  const cut = inCanvas(layer, picture.at, drawing);
  const canvas = sharp({
    create: { width, height, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } },
  });
  const placed = await rawOf(canvas.composite([cut]));
  const clipped = picture.clip
    ? await rawOf(fromRaw(placed).composite([{ input: Buffer.from(plateMask(drawing)), blend: "dest-in" }]))
    : placed;
  if (!drawing.plate) return clipped;
  const plate = await rawOf(sharp(Buffer.from(composeSvg(drawing))));
  return rawOf(fromRaw(plate).composite([{ input: clipped.data, raw: { width, height, channels: 4 } }]));
}

/** The layer without what would lie outside the canvas. */
function inCanvas(layer: Raw, at: Picture["at"], { width, height }: Drawing): OverlayOptions {
  const [left, top] = [Math.max(0, -at.x), Math.max(0, -at.y)];
  const [w, h] = [
    Math.min(layer.width - left, width - Math.max(0, at.x)),
    Math.min(layer.height - top, height - Math.max(0, at.y)),
  ];
  const data = Buffer.alloc(w * h * 4);
  for (let row = 0; row < h; row++) {
    const start = ((top + row) * layer.width + left) * 4;
    layer.data.copy(data, row * w * 4, start, start + w * 4);
  }
  return {
    input: data,
    raw: { width: w, height: h, channels: 4 },
    left: Math.max(0, at.x),
    top: Math.max(0, at.y),
  };
}

/** Below the first distance a pixel is ground, above the second it is mark; sums of channel differences. */
const keyed = { ground: 36, mark: 132 };

/** Makes a plain ground transparent and takes its share out of the pixels at the mark's edge. */
function keyOut(data: Buffer, key: Hex): void {
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
  }
}

/** One colour with the shape in the alpha; or greys, stretched so that the darkest part still shows when it is tinted. */
function toned(data: Buffer, tone: Drawing["tone"]): void {
  if (tone !== "grey") {
    const level = tone === "white" ? 255 : 0;
    for (let i = 0; i < data.length; i += 4) data.fill(level, i, i + 3);
    return;
  }
  const luma = (i: number) =>
    0.2126 * (data[i] ?? 0) + 0.7152 * (data[i + 1] ?? 0) + 0.0722 * (data[i + 2] ?? 0);
  let [darkest, lightest] = [255, 0];
  for (let i = 0; i < data.length; i += 4) {
    if ((data[i + 3] ?? 0) < 128) continue;
    darkest = Math.min(darkest, luma(i));
    lightest = Math.max(lightest, luma(i));
  }
  const range = Math.max(1, lightest - darkest);
  for (let i = 0; i < data.length; i += 4) {
    const level =
      lightest - darkest < 16
        ? 255
        : Math.round(130 + 125 * Math.min(1, Math.max(0, (luma(i) - darkest) / range)));
    data.fill(level, i, i + 3);
  }
}

function encode(pixels: Raw, alpha: Drawing["alpha"]): Promise<Buffer> {
  const image = alpha === "none" ? fromRaw(pixels).removeAlpha() : fromRaw(pixels);
  return image.png({ compressionLevel: 9, adaptiveFiltering: false }).toBuffer();
}
