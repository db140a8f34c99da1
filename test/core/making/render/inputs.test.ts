import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";
import { expect, test } from "vitest";
import { allSlots } from "../../../../src/core/app/catalog/all.ts";
import { readInside } from "../../../../src/core/ground/files/reading/folder.ts";
import { createRenderer } from "../../../../src/core/making/render/draw.ts";
import { drawingOf } from "../../../../src/core/making/render/drawing.ts";
import { readChunks } from "../../../../src/core/making/render/png/file.ts";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";
import { artwork, variantOf } from "../../../support/variant.ts";

const root = temporaryFolder();
const renderer = createRenderer(({ file }) => readInside(root, file, file));
const place = { file: "brief.yaml", line: 1, column: 1, text: "" };

/** Left half red, right half green; on both a blue dot above the middle. */
const flag =
  `<svg xmlns="http://www.w3.org/2000/svg" width="1100" height="1100" viewBox="0 0 4 4"><path ` +
  `fill="#c02020" d="M0 0h2v4H0z"/><path fill="#20a040" d="M2 0h2v4H2z"/><circle cx="2" cy="1" r=".6" ` +
  `fill="#2030c0"/></svg>`;
const upright = () => sharp(Buffer.from(flag)).flatten();

const where = {
  IFD0: { Copyright: "somebody" },
  IFD3: { GPSLatitudeRef: "N", GPSLatitude: "51/1 30/1 0/1" },
};

const inputs: [string, string, (image: Sharp) => Sharp | Promise<Sharp>][] = [
  ["a CMYK JPEG", "a.jpg", (image) => image.toColourspace("cmyk").jpeg({ quality: 95, chromaSubsampling: "4:4:4" })],
  ["16 bits a channel", "a.png", (image) => image.toColourspace("rgb16").png()],
  ["a wide colour profile", "b.png", (image) => image.withIccProfile("p3").png()],
  [
    "a picture that its camera turned, with the place where it was taken",
    "b.jpg",
    async (image) =>
      sharp(await image.rotate(-90).png().toBuffer())
        .withExif(where)
        .withMetadata({ orientation: 6 })
        .jpeg({ quality: 95, chromaSubsampling: "4:4:4" }),
  ],
  ["a palette", "c.png", (image) => image.png({ palette: true })],
  ["WebP", "a.webp", (image) => image.webp({ lossless: true })],
  ["an alpha channel that hides nothing", "d.png", (image) => image.ensureAlpha().png()],
];

test.each(inputs)("%s comes out upright, in sRGB, and with nothing but the picture in it", async (_, file, made) => {
  writeFileSync(join(root, file), await (await made(upright())).toBuffer());
  const art = await judgeArt(root, file, place);
  expect([art.width, art.height]).toEqual([1100, 1100]);
  const variant = variantOf(artwork({ icon: art }), {
    "colors.ground": "#ffffff",
    "colors.start": "#ffffff",
    "colors.brand": "#000000",
  });
  const slot = allSlots.find((each) => each.platform === "ios" && each.qualifier === "universal");
  const png = await renderer.png(drawingOf(slot as NonNullable<typeof slot>, variant));
  const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
  const pixel = (x: number, y: number) => {
    const at = (Math.round(y * info.height) * info.width + Math.round(x * info.width)) * info.channels;
    return [...data.subarray(at, at + 3)];
  };
  const near = (found: number[], wanted: number[], most: number) =>
    expect(Math.max(...found.map((each, at) => Math.abs(each - (wanted[at] ?? 0)))), `${found}`).toBeLessThanOrEqual(
      most,
    );
  // A printer's colours cannot hold a strong green or blue as it was.
  const most = file === "a.jpg" ? 60 : 8;
  near(pixel(0.1, 0.8), [192, 32, 32], most);
  near(pixel(0.9, 0.8), [32, 160, 64], most);
  near(pixel(0.5, 0.25), [32, 48, 192], most);
  expect(chunkTypes(png)).toEqual(["IHDR", "IDAT", "IEND"]);
  expect(readChunks(png).header).toMatchObject({ width: 1024, height: 1024 });
});

test.each([1e3, 1e6, 1e9])("a vector of %d units is seen as one of few", async (units) => {
  const vector = (name: string, scale: number) => {
    const shape = `<circle cx="${2 * scale}" cy="${scale}" r="${0.6 * scale}" fill="#2030c0"/>`;
    const size = 4 * scale;
    writeFileSync(
      join(root, name),
      `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 ${size} ` +
        `${size}">${shape}</svg>`,
    );
    return judgeArt(root, name, place);
  };
  const [few, many] = [await vector("few.svg", 1), await vector(`${units}.svg`, units)];
  expect(many.mean).toBe(few.mean);
  for (const key of ["x", "y", "radius"] as const) expect(many.circle[key]).toBeCloseTo(few.circle[key], 2);
});

/** Kinds of chunks in a PNG, without the palette. */
function chunkTypes(png: Buffer): string[] {
  const types: string[] = [];
  for (let at = 8; at < png.length; at += png.readUInt32BE(at) + 12) types.push(png.toString("latin1", at + 4, at + 8));
  return types.filter((type) => type !== "PLTE");
}
