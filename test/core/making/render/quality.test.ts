import { cpSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { allSlots } from "../../../../src/core/app/catalog/all.ts";
import type { Artwork, Variant } from "../../../../src/core/app/variant/variant.ts";
import { readInside } from "../../../../src/core/ground/files/reading/folder.ts";
import { createRenderer } from "../../../../src/core/making/render/draw.ts";
import { type Drawing, drawingOf } from "../../../../src/core/making/render/drawing.ts";
import type { Placed } from "../../../../src/core/making/render/fit.ts";
import type { Art } from "../../../../src/core/pictures/artwork/art.ts";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import type { Slot } from "../../../../src/core/pictures/slots/slot.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";
import { likeReference } from "../../../support/similarity.ts";
import { artwork, variantOf } from "../../../support/variant.ts";

const root = temporaryFolder();
const demo = join(import.meta.dirname, "../../../../demo/clients");
const renderer = createRenderer(({ file }) => readInside(root, file, file));
const place = { file: "brief.yaml", line: 1, column: 1, text: "" };
const factor = 8;

beforeAll(() => cpSync(demo, root, { recursive: true }));

const variant = (art: Artwork, ground: string) =>
  variantOf(art, { "colors.ground": ground, "colors.start": ground, "colors.brand": "#1f5d4c" });

/** Grey ones are stretched by their own pixels, so that a larger one has other greys. */
const slots = allSlots.filter((slot) => slot.from !== "ground" && slot.tone !== "grey");
const isSmall = ({ width, height }: Slot) => Math.max(width, height) <= 100;
const larger = <T extends { width: number; height: number }>(of: T): T => ({
  ...of,
  width: of.width * factor,
  height: of.height * factor,
});

/** Squares of a large picture that are looked at, along the diagonal of what is drawn on it. */
const side = 64;
const windowsOf = ({ width, height, picture }: Drawing) =>
  [0, 0.5, 1].map((share) => {
    const at = picture?.at ?? { x: 0, y: 0, width, height };
    const start = (from: number, length: number, most: number) =>
      Math.round(Math.max(0, Math.min(most - side, from + share * (length - side))));
    return { left: start(at.x, at.width, width), top: start(at.y, at.height, height) };
  });

/** Only that square of a drawing, so many times as large. */
function windowOf(drawing: Drawing, { left, top }: { left: number; top: number }): Drawing {
  const picture = around(drawing.picture as Placed, left, top);
  const at = {
    x: (picture.at.x - left) * factor,
    y: (picture.at.y - top) * factor,
    width: picture.at.width * factor,
    height: picture.at.height * factor,
  };
  const plate = drawing.plate && { ...drawing.plate, side: drawing.plate.side * factor };
  const name = drawing.name && { ...drawing.name, path: moved(drawing.name.path, left, top) };
  return {
    ...drawing,
    width: side * factor,
    height: side * factor,
    picture: { ...picture, at },
    ...(plate ? { plate } : {}),
    ...(name ? { name } : {}),
  };
}

/** Pixels of a bitmap that are enlarged around a square of it, so that its edges do not show. */
const margin = 8;

/**
 * A bitmap along one side: the part of it that is wanted, in fractions; where that is shown, in pixels; where the
 * square is.
 */
interface Along {
  from: number;
  length: number;
  whole: number;
  start: number;
  shown: number;
  wanted: number;
}

/** The same for no more than the square and its margin, cut between pixels of the bitmap. */
function cut({ from, length, whole, start, shown, wanted }: Along): Omit<Along, "whole" | "wanted"> {
  const scale = (length * whole) / shown; // pixels of the bitmap to one of the picture
  const first = Math.max(from * whole, (wanted - start) * scale + from * whole - margin);
  const last = Math.min((from + length) * whole, (wanted + side - start) * scale + from * whole + margin);
  const [low, high] = [Math.ceil(first), Math.floor(last)];
  return {
    from: low / whole,
    length: (high - low) / whole,
    start: start + (low - from * whole) / scale,
    shown: (high - low) / scale,
  };
}

/** Of a bitmap only what lies in that square and around it: enlarging all of it would take a minute. */
function around(picture: Placed, left: number, top: number): Placed {
  const { art, part, at } = picture;
  if (art.format === "svg") return picture;
  const across = cut({
    from: part.x,
    length: part.width,
    whole: art.width,
    start: at.x,
    shown: at.width,
    wanted: left,
  });
  const down = cut({
    from: part.y,
    length: part.height,
    whole: art.height,
    start: at.y,
    shown: at.height,
    wanted: top,
  });
  return {
    ...picture,
    part: { x: across.from, y: down.from, width: across.length, height: down.length },
    at: { x: across.start, y: down.start, width: across.shown, height: down.shown },
  };
}

/** Outlines in that square: pairs of numbers are points. */
const moved = (path: string, left: number, top: number): string =>
  path.replace(
    /(-?[\d.]+)[ ,](-?[\d.]+)/g,
    (_, x, y) => `${(Number(x) - left) * factor} ${(Number(y) - top) * factor}`,
  );

async function likeness(slot: Slot, of: Variant): Promise<number> {
  const drawing = drawingOf(slot, of);
  const png = await renderer.png(drawing);
  if (isSmall(slot)) return likeReference(png, await renderer.png(drawingOf(larger(slot), of)), factor);
  const all = windowsOf(drawing).map(async (window) =>
    likeReference(
      await sharp(png)
        .extract({ ...window, width: side, height: side })
        .png()
        .toBuffer(),
      await renderer.png(windowOf(drawing, window)),
      factor,
    ),
  );
  return Math.min(...(await Promise.all(all)));
}

describe("every picture is like the same one drawn at eight times its size and reduced", () => {
  test.each([
    ["brennans-bothy/art/mark.svg", "#1f5d4c", 0.98],
    ["3-acre/art/mark.svg", "#ffd23f", 0.98],
    ["root-and-leaf/art/mark.png", "#fff1e0", 0.97],
  ])("from %s", async (file, ground, least) => {
    const art: Art = await judgeArt(root, file, place);
    const of = variant(artwork({ mark: art }), ground);
    const different = new Map(slots.map((slot) => [JSON.stringify(drawingOf(slot, of)), slot]));
    for (const slot of different.values())
      expect
        .soft(await likeness(slot, of), `${slot.platform} ${slot.role} ${slot.qualifier} ${slot.width}`)
        .toBeGreaterThanOrEqual(least);
  });
});
