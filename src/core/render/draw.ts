import sharp, { type OverlayOptions, type Sharp } from "sharp";
import { composeSvg, embedded, nested, plateMask } from "./compose.ts";
import type { Drawing } from "./drawing.ts";
import { packIco } from "./ico.ts";
import { openLayers, type Picture } from "./layers.ts";
import { fromRaw, type Raw, rawOf, rawOfSvg } from "./raw.ts";

/** Bumped when the same drawing would come out otherwise, so that what was drawn before counts as changed. */
export const rendererVersion = 2;

/** Draws pictures from sources that are read once. */
export interface Renderer {
  /** A PNG of exactly the drawing's size; sRGB, with no alpha channel where the drawing forbids one. */
  png(drawing: Drawing): Promise<Buffer>;
  /** The drawings, smallest first, in one icon file. */
  ico(drawings: readonly Drawing[]): Promise<Buffer>;
  svg(drawing: Drawing): Promise<Buffer>;
}

/** Side at which a bitmap is put into an SVG, in pixels. */
const embeddedSide = 512;

/** @param read gives the bytes of a source picture by its path within the workspace. */
export function createRenderer(read: (file: string) => Uint8Array): Renderer {
  const layers = openLayers(read);

  /** The whole drawing as an SVG, where all of it is vectors; undefined where pixels have to be worked on. */
  const asSvg = (drawing: Drawing): string | undefined => {
    const { picture } = drawing;
    if (!picture) return composeSvg(drawing);
    if (picture.art.format !== "svg" || picture.key !== undefined) return undefined;
    return composeSvg(drawing, nested(layers.vector(picture), picture));
  };

  const pixels = async (drawing: Drawing): Promise<Raw> => {
    const svg = asSvg(drawing);
    if (svg !== undefined || !drawing.picture) return rawOfSvg(svg ?? composeSvg(drawing));
    const factor = finer(drawing);
    const fine = onWholePixels(times(drawing, factor));
    const alone = await placed(fine, await layers.layer(fine.picture));
    const { width, height } = drawing;
    const layer =
      factor === 1 ? alone : await rawOf(fromRaw(alone).resize(width, height, { kernel: "lanczos3" }));
    if (!drawing.plate) return layer;
    const over = { input: layer.data, raw: { width, height, channels: 4 } } as const;
    return rawOf(sharp(Buffer.from(composeSvg(drawing))).composite([over]));
  };

  const png = async (drawing: Drawing): Promise<Buffer> => {
    const svg = drawing.tone === "color" ? asSvg(drawing) : undefined;
    if (svg !== undefined)
      return encode(sharp(Buffer.from(svg)).toColourspace("srgb"), drawing.alpha, area(drawing));
    const drawn = await pixels(drawing);
    if (drawing.tone !== "color") toned(drawn.data, drawing.tone);
    return encode(fromRaw(drawn), drawing.alpha, area(drawing));
  };

  return {
    png,
    async ico(drawings) {
      return packIco(
        await Promise.all(drawings.map(async (each) => ({ side: each.width, png: await png(each) }))),
      );
    },
    async svg(drawing) {
      const svg = asSvg(drawing);
      if (svg !== undefined || !drawing.picture) return Buffer.from(svg ?? "");
      const larger = await layers.layer(enlarged(drawing.picture, embeddedSide / drawing.width));
      return Buffer.from(
        composeSvg(drawing, embedded(await encode(fromRaw(larger), "kept", area(larger)), drawing.picture)),
      );
    },
  };
}

/**
 * How many times finer a small picture is drawn before it is reduced, where pixels have to be worked on: a bitmap lies
 * on whole pixels, and an edge is cut out pixel by pixel; on a canvas of 24 pixels both would show.
 */
const finer = ({ width, height }: Drawing): number =>
  Math.min(8, Math.max(1, Math.floor(256 / Math.max(width, height))));

type Pictured = Drawing & { picture: Picture };

function times(drawing: Drawing, factor: number): Pictured {
  const { plate, picture } = drawing as Pictured;
  const at = {
    x: picture.at.x * factor,
    y: picture.at.y * factor,
    width: picture.at.width * factor,
    height: picture.at.height * factor,
  };
  return {
    ...drawing,
    width: drawing.width * factor,
    height: drawing.height * factor,
    ...(plate ? { plate: { ...plate, side: plate.side * factor, corner: plate.corner * factor } } : {}),
    picture: { ...picture, at },
  };
}

function onWholePixels(drawing: Pictured): Pictured {
  const { x, y, width, height } = drawing.picture.at;
  const [left, top] = [Math.round(x), Math.round(y)];
  const at = {
    x: left,
    y: top,
    width: Math.max(1, Math.round(x + width) - left),
    height: Math.max(1, Math.round(y + height) - top),
  };
  return { ...drawing, picture: { ...drawing.picture, at } };
}

const area = ({ width, height }: { width: number; height: number }): number => width * height;

const enlarged = (picture: Picture, factor: number): Picture => ({
  ...picture,
  at: {
    x: 0,
    y: 0,
    width: Math.round(picture.at.width * factor),
    height: Math.round(picture.at.height * factor),
  },
});

/** The layer in its place on an empty canvas, cut to the plate's shape where that is asked. */
async function placed(drawing: Pictured, layer: Raw): Promise<Raw> {
  const { width, height, picture } = drawing;
  const empty = { width, height, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } as const;
  const alone = await rawOf(sharp({ create: empty }).composite([inCanvas(layer, picture.at, drawing)]));
  if (!picture.clip) return alone;
  const mask = { input: Buffer.from(plateMask(drawing)), blend: "dest-in" } as const;
  return rawOf(fromRaw(alone).composite([mask]));
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

/** One colour with the shape in the alpha; or greys, stretched so that the darkest part still shows when it is tinted. */
function toned(data: Buffer, tone: Drawing["tone"]): void {
  if (tone === "grey") {
    greyed(data);
    return;
  }
  const level = tone === "white" ? 255 : 0;
  for (let i = 0; i < data.length; i += 4) paint(data, i, level);
}

function greyed(data: Buffer): void {
  let [darkest, lightest] = [255, 0];
  for (let i = 0; i < data.length; i += 4) {
    if ((data[i + 3] ?? 0) < 128) continue;
    const luma = lumaAt(data, i);
    if (luma < darkest) darkest = luma;
    if (luma > lightest) lightest = luma;
  }
  const range = lightest - darkest;
  for (let i = 0; i < data.length; i += 4) {
    const share = Math.min(1, Math.max(0, (lumaAt(data, i) - darkest) / range));
    paint(data, i, range < 16 ? 255 : Math.round(130 + 125 * share));
  }
}

const lumaAt = (data: Buffer, i: number): number =>
  0.2126 * (data[i] ?? 0) + 0.7152 * (data[i + 1] ?? 0) + 0.0722 * (data[i + 2] ?? 0);

function paint(data: Buffer, i: number, level: number): void {
  data[i] = level;
  data[i + 1] = level;
  data[i + 2] = level;
}

/** Pictures up to this many pixels are pressed as small as they go; larger ones would take longer than it saves. */
const smallPicture = 260_000;

function encode(image: Sharp, alpha: Drawing["alpha"], pixels: number): Promise<Buffer> {
  const flat = alpha === "none" ? image.removeAlpha() : image.ensureAlpha();
  return flat.png({ compressionLevel: pixels <= smallPicture ? 9 : 7, adaptiveFiltering: false }).toBuffer();
}
