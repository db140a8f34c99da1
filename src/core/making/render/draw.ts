import sharp from "sharp";
import { channels, type Hex } from "../../ground/values/color.ts";
import { wholeBox } from "../../pictures/artwork/geometry.ts";
import { onOneThread } from "../../pictures/artwork/one-thread.ts";
import type { Vector } from "../../pictures/artwork/vector/read.ts";
import { clipTo, onCanvas } from "./canvas.ts";
import { composeSvg, embed, nest, tileSize } from "./compose.ts";
import { cropToWhole } from "./crop.ts";
import { type Drawing, isOnPlainGround } from "./drawing.ts";
import type { Placed } from "./fit.ts";
import type { IconPicture } from "./formats/bitmap.ts";
import { packIcns } from "./formats/icns.ts";
import { packIco } from "./formats/ico.ts";
import { lastFew } from "./last-few.ts";
import { openLayers } from "./layers.ts";
import { alphaOfLight, leaveByLight } from "./left-out.ts";
import { type Content, contentOf, encodePng } from "./png/encode.ts";
import { type Raw, rawOf, rawOfSvg } from "./raw.ts";
import { applyTone } from "./tone.ts";

/** Draws pictures from sources that are read once. */
export interface Renderer {
  /** A PNG of exactly the drawing's size; sRGB, with no alpha channel where the drawing forbids one. */
  png(drawing: Drawing): Promise<Buffer>;
  /** The drawings, smallest first, in one icon file. */
  ico(drawings: readonly Drawing[]): Promise<Buffer>;
  /** The same, as the Mac's icon file. */
  icns(drawings: readonly Drawing[]): Promise<Buffer>;
  svg(drawing: Drawing): Promise<Buffer>;
  /** The same in a form that loses a little, where a template has its picture so. */
  other(drawing: Drawing, form: "jpeg" | "webp"): Promise<Buffer>;
}

/** Drawn parts kept for the next picture: those of one screen follow each other. */
const keptContents = 4;

/** Side at which a bitmap is put into an SVG, in pixels. */
const embeddedSide = 512;

/** @param read gives the bytes of a source picture. */
export function createRenderer(read: (art: Placed["art"]) => Uint8Array): Renderer {
  onOneThread();
  const layers = openLayers(read);

  /** A bitmap alone, so many times as large. */
  const alone = async (picture: Placed, factor: number): Promise<Buffer> => {
    const whole = (length: number) => Math.max(1, Math.round(length * factor));
    const size = { width: whole(picture.at.width), height: whole(picture.at.height) };
    const raw = await onCanvas(await layers.bitmap(picture), { x: 0, y: 0, ...size }, size);
    return encodePng(contentOf(raw, { ground: 0, alpha: true }));
  };

  /** What is repeated over the plate, as part of an SVG. */
  const tileOf = async ({ tile }: Drawing): Promise<string> => {
    if (!tile) return "";
    const picture: Placed = {
      art: tile.art,
      part: wholeBox,
      at: { x: 0, y: 0, ...tileSize(tile) },
      clip: false,
    };
    if (tile.art.format === "svg") return nest(layers.vector(picture), picture);
    return embed(await alone(picture, 1), picture);
  };

  /** Everything of a drawing but its picture. */
  const groundOf = async (drawing: Drawing): Promise<string> => composeSvg(drawing, "", await tileOf(drawing));

  /** The whole drawing as an SVG, where all of it is vectors; undefined where pixels have to be worked on. */
  const asSvg = async (drawing: Drawing): Promise<string | undefined> => {
    const { picture } = drawing;
    if (!picture) return groundOf(drawing);
    if (picture.art.format !== "svg" || picture.key !== undefined) return undefined;
    return composeSvg(drawing, nest(layers.vector(picture), picture), await tileOf(drawing));
  };

  /** A vector without one of its colours, on a canvas of nothing; undefined where pixels have to be worked on. */
  const withoutColor = async ({ picture, width, height, tone }: Drawing): Promise<Raw | undefined> => {
    if (picture?.art.format !== "svg" || picture.key === undefined) return undefined;
    const light = layers.light(picture, picture.key);
    if (!light) return undefined;
    const drawn = (vector: Vector) =>
      rawOfSvg(composeSvg({ width, height, alpha: "kept", tone: "color" }, nest(vector, picture)));
    // Of what is painted over in one colour, the alpha is all that shows.
    if (tone === "white" || tone === "black") return alphaOfLight(await drawn(light));
    return leaveByLight(await drawn(layers.vector(picture)), await drawn(light), picture.key);
  };

  /** Pixels of a whole canvas over everything of a drawing but its picture. */
  const laidOver = async (drawing: Drawing, layer: Raw): Promise<Raw> => {
    const { corner, ...unmarked } = drawing;
    const { width, height } = drawing;
    const over = { input: layer.data, raw: { width, height, channels: 4 } } as const;
    const mark = corner && {
      input: Buffer.from(composeSvg({ width, height, alpha: "kept", tone: "color", corner })),
    };
    return rawOf(sharp(Buffer.from(await groundOf(unmarked))).composite([over, ...(mark ? [mark] : [])]));
  };

  const pixels = async (drawing: Drawing): Promise<Raw> => {
    const svg = await asSvg(drawing);
    const { picture, plate } = drawing;
    if (svg !== undefined || !picture) return rawOfSvg(svg ?? "");
    const isPlain = isOnPlainGround(drawing);
    const vector = await withoutColor(drawing);
    if (vector) return isPlain && !plate ? vector : laidOver(drawing, vector);
    const bitmap = await layers.bitmap(picture);
    if (isPlain) return onCanvas(bitmap, picture.at, drawing, plate && opaque(plate.color));
    const alone = await onCanvas(bitmap, picture.at, drawing);
    return laidOver(drawing, picture.clip ? await clipTo(alone, drawing) : alone);
  };

  const toned = async (drawing: Drawing): Promise<Raw> => applyTone(await pixels(drawing), drawing.tone);

  const look = async (drawing: Drawing, trueColor: boolean): Promise<Content> => {
    const raw = await toned(drawing);
    const ground = drawing.plate?.shape === "full" ? opaque(drawing.plate.color) : 0;
    return contentOf(raw, { ground, alpha: drawing.alpha !== "none", trueColor });
  };

  /** The same mark on an upright and on a turned screen is drawn once. */
  const content = lastFew(keptContents, (...args) => JSON.stringify(args), look);

  const png = async (drawing: Drawing, trueColor = drawing.trueColor === true): Promise<Buffer> => {
    const part = cropToWhole(drawing);
    if (!part) return encodePng(await look(drawing, trueColor));
    return encodePng(await content(part.drawing, trueColor), part.placement);
  };

  /** Within an icon file, pictures have 32 bits a pixel (Windows, ICO format). */
  const within = (drawings: readonly Drawing[]): IconPicture[] =>
    drawings.map((each) => ({
      side: each.width,
      png: () => png(each, true),
      rgba: async () => (await toned(each)).data,
    }));

  return {
    png: (drawing) => png(drawing),
    ico: (drawings) => packIco(within(drawings)),
    icns: (drawings) => packIcns(within(drawings)),
    async other(drawing, form) {
      const picture = sharp(await png(drawing));
      return form === "jpeg" ? picture.jpeg({ quality: 92 }).toBuffer() : picture.webp({ quality: 92 }).toBuffer();
    },
    async svg(drawing) {
      const svg = await asSvg(drawing);
      if (svg !== undefined || !drawing.picture) return Buffer.from(svg ?? "");
      const larger = await alone(drawing.picture, embeddedSide / drawing.width);
      return Buffer.from(composeSvg(drawing, embed(larger, drawing.picture)));
    },
  };
}

/** A colour as a pixel, as it lies in memory. */
const opaque = (color: Hex): number => {
  const [r, g, b] = channels(color);
  return 0xff000000 | (b << 16) | (g << 8) | r;
};
