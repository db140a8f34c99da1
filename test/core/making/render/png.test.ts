import fc from "fast-check";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { contentOf, encodePng } from "../../../../src/core/making/render/png/encode.ts";
import type { Placement } from "../../../../src/core/making/render/png/placement.ts";

interface Pixels {
  data: Buffer;
  width: number;
  height: number;
}

/** What another reader of PNGs sees, with alpha. */
async function read(png: Buffer): Promise<Pixels> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

/** The colour type stands behind the size and the depth. */
const hasPalette = (png: Buffer): boolean => png[25] === 3;

/** The drawn part on its canvas, pixel by pixel. */
function laid({ data, width, height }: Pixels, { canvas, left, top }: Placement, ground: number): Buffer {
  const all = new Uint32Array(canvas.width * canvas.height).fill(ground);
  const part = new Uint32Array(Uint8Array.from(data).buffer);
  for (let y = 0; y < height; y++) all.set(part.subarray(y * width, (y + 1) * width), (top + y) * canvas.width + left);
  return Buffer.from(all.buffer);
}

const pixel = ([r = 0, g = 0, b = 0, a = 255]: readonly number[]): number => (a << 24) | (b << 16) | (g << 8) | r;

function picture(width: number, height: number, colorAt: (x: number, y: number) => readonly number[]): Pixels {
  const pixels = new Uint32Array(width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) pixels[y * width + x] = pixel(colorAt(x, y));
  return { data: Buffer.from(pixels.buffer), width, height };
}

const side = fc.integer({ min: 1, max: 40 });
const colors = [
  [255, 0, 0, 255],
  [0, 0, 0, 255],
  [1, 2, 3, 255],
  [250, 250, 250, 255],
  [9, 200, 40, 255],
] as const;

test("whatever is drawn wherever on a canvas of whatever size: it reads back to the pixel", async () => {
  const cases = fc.record({
    width: side,
    height: side,
    seed: fc.array(fc.nat(4), { minLength: 1, maxLength: 50 }),
    around: fc.tuple(side, side, side, side),
    ground: fc.constantFrom(0, pixel([255, 255, 255]), pixel([18, 58, 86])),
    trueColor: fc.boolean(),
    manyColors: fc.boolean(),
  });
  await fc.assert(
    fc.asyncProperty(cases, async ({ width, height, seed, around, ground, trueColor, manyColors }) => {
      const [left, top, right, bottom] = around.map((each) => each - 1) as [number, number, number, number];
      const drawn = picture(width, height, (x, y) =>
        manyColors
          ? [(x * 37) & 255, (y * 11) & 255, (x * y) & 255, 255]
          : (colors[seed[(x + y * 7) % seed.length] as number] ?? colors[0]),
      );
      const canvas = { width: left + width + right, height: top + height + bottom };
      const placement = { canvas, left, top, width, height };
      const alpha = ground === 0;
      const png = await encodePng(contentOf(drawn, { ground, alpha, trueColor }), placement);
      const back = await read(png);
      expect([back.width, back.height]).toEqual([canvas.width, canvas.height]);
      expect(back.data.equals(laid(drawn, placement, ground))).toBe(true);
      expect((await sharp(png).metadata()).hasAlpha).toBe(alpha);
      if (trueColor) expect(hasPalette(png)).toBe(false);
    }),
    { numRuns: 150 },
  );
});

test.each([
  ["few colours", 3],
  ["many colours", 700],
])("a large flat canvas with a small drawing in it, of %s, is small and reads back", async (_, count) => {
  const ground = pixel([18, 58, 86]);
  const drawn = picture(300, 200, (x, y) => [((x >> 2) * count) & 255, (y >> 4) % count, 7, 255]);
  const placement = { canvas: { width: 2752, height: 2064 }, left: 1200, top: 900, width: 300, height: 200 };
  const png = await encodePng(contentOf(drawn, { ground, alpha: false }), placement);
  expect((await read(png)).data.equals(laid(drawn, placement, ground))).toBe(true);
  expect(png.length).toBeLessThan(40_000);
});

describe("a drawing with more colours than a palette holds", () => {
  const ground = pixel([255, 255, 255]);
  const soft = async (shape: string) => {
    const svg =
      `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="600"><path fill="#fff" d="M0 ` +
      `0h600v600H0z"/>${shape}</svg>`;
    const { data, info } = await sharp(Buffer.from(svg)).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    return { data, width: info.width, height: info.height };
  };

  test("loses nothing of its surfaces, and a trace along its edges", async () => {
    const circles = Array.from(
      { length: 5 },
      (_, at) => `<circle cx="${60 + (at % 4) * 150}" cy="${100 + at * 90}" r="70" fill="hsl(${at * 26} 70% 45%)"/>`,
    ).join("");
    const drawn = await soft(circles);
    const before = Buffer.from(drawn.data);
    expect(new Set(new Uint32Array(Uint8Array.from(before).buffer)).size).toBeGreaterThan(256);
    const png = await encodePng(contentOf(drawn, { ground, alpha: false }));
    expect(hasPalette(png)).toBe(true);
    const { data } = await read(png);
    let [furthest, differing] = [0, 0];
    for (let i = 0; i < data.length; i++) {
      const off = Math.abs((data[i] ?? 0) - (before[i] ?? 0));
      furthest = Math.max(furthest, off);
      if (off > 0) differing++;
    }
    expect(furthest).toBeLessThanOrEqual(8);
    expect(differing / data.length).toBeLessThan(0.04);
  });

  test("keeps a soft shade as it is", async () => {
    const shade =
      `<radialGradient id="a"><stop stop-color="#f0a"/><stop offset="1" stop-color="#0cf"/>` +
      `</radialGradient><circle cx="300" cy="300" r="260" fill="url(#a)"/>`;
    const drawn = await soft(shade);
    const before = Buffer.from(drawn.data);
    expect((await read(await encodePng(contentOf(drawn, { ground, alpha: false })))).data.equals(before)).toBe(true);
  });
});
