import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { androidSlots } from "../../../../src/core/app/platforms/android/catalog.ts";
import { readInside } from "../../../../src/core/ground/files/reading/folder.ts";
import { createRenderer } from "../../../../src/core/making/render/draw.ts";
import { type Drawing, drawingOf } from "../../../../src/core/making/render/drawing.ts";
import { lightWithout } from "../../../../src/core/making/render/left-out.ts";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import { readVector } from "../../../../src/core/pictures/artwork/vector/read.ts";
import type { Slot } from "../../../../src/core/pictures/slots/slot.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";
import { likeReference } from "../../../support/similarity.ts";
import { artwork, variantOf } from "../../../support/variant.ts";

const root = temporaryFolder();
const renderer = createRenderer(({ file }) => readInside(root, file, file));
const place = { file: "brief.yaml", line: 1, column: 1, text: "" };

const svg = (content: string, of = "") =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 100 100" ${of}>` +
  `${content}</svg>`;

/** A disc with a slanted bar of the colour that is left out over it. */
const bar = "M20 40 L80 50 L80 62 L20 52z";
const ways = {
  attributes: svg(`<circle cx="50" cy="50" r="40" fill="#060"/><path fill="#fc0" d="${bar}"/>`),
  styles: svg(`<circle cx="50" cy="50" r="40" style="fill:#060"/><path style="stroke:none;fill:#FFCC00" d="${bar}"/>`),
  classes: svg(
    `<style>.a{fill:rgb(0,102,0)} .b{fill:rgb(255 204 0)}</style><circle class="a" cx="50" cy="50" r="40"/>` +
      `<path class="b" d="${bar}"/>`,
  ),
  "current colour": svg(
    `<circle cx="50" cy="50" r="40" fill="#060"/><g color="#fc0"><path fill="currentColor" d="${bar}"/></g>`,
  ),
  "a use": svg(
    `<defs><path id="b" d="${bar}"/></defs><circle cx="50" cy="50" r="40" fill="#060"/>` +
      `<use xlink:href="#b" fill="#fc0"/>`,
  ),
  "the root's colour": svg(`<circle cx="50" cy="50" r="40" fill="#060"/><path d="${bar}"/>`, 'fill="#fc0"'),
  "no colour at all": svg(`<circle cx="50" cy="50" r="40"/><path fill="#fc0" d="${bar}"/>`),
  "a gradient that stays": svg(
    `<linearGradient id="g"><stop stop-color="#060"/><stop offset="1" stop-color="#006"/></linearGradient>` +
      `<circle cx="50" cy="50" r="40" fill="url(#g)"/><path fill="#fc0" d="${bar}"/>`,
  ),
};

/** Drawn by hand: the disc with the bar cut out of it. */
const holed = svg(
  `<clipPath id="c"><path clip-rule="evenodd" d="M0 0h100v100h-100z ${bar}"/></clipPath>` +
    `<circle clip-path="url(#c)" cx="50" cy="50" r="40" fill="#000"/>`,
);

const vectorOf = (text: string) => readVector({ file: "a.svg", text });

/** A mark alone on nothing, 96 pixels a side. */
async function drawn(name: string, text: string, tone: Drawing["tone"], key?: "#ffcc00") {
  const file = `${name.replaceAll(" ", "-")}.svg`;
  writeFileSync(join(root, file), text);
  const art = await judgeArt(root, file, place);
  const whole = { x: 0, y: 0, width: 1, height: 1 };
  const at = { x: 3.25, y: 2.5, width: 90, height: 90 };
  const picture = { art, part: whole, at, clip: false, ...(key ? { key } : {}) };
  return renderer.png({ width: 96, height: 96, alpha: "kept", tone, trueColor: true, picture });
}

describe("a colour of a vector is left out as if somebody had cut it out by hand", () => {
  test.each(Object.entries(ways))("said by %s", async (name, text) => {
    expect(lightWithout(vectorOf(text), text, "#ffcc00")).toBeDefined();
    const black = await drawn(name, text, "black", "#ffcc00");
    expect(await likeReference(black, await drawn("holed", holed, "color"), 1)).toBeGreaterThan(0.995);
    const { data } = await sharp(black).raw().toBuffer({ resolveWithObject: true });
    expect(data.some((value, at) => at % 4 !== 3 && value !== 0)).toBe(false);
  });

  test("and the colours that stay are theirs up to the edge of what was left out", async () => {
    const { data, info } = await sharp(await drawn("attributes", ways.attributes, "color", "#ffcc00"))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(info.channels).toBe(4);
    const seen = { whole: 0, part: 0 };
    for (let at = 0; at < data.length; at += 4) {
      const [r = 0, g = 0, b = 0, a = 0] = data.subarray(at, at + 4);
      if (a === 255) seen.whole++;
      // Below that an eighth bit is too coarse to say a colour.
      if (a < 64) continue;
      seen.part += a < 255 ? 1 : 0;
      expect(Math.max(r, Math.abs(g - 0x66), b)).toBeLessThanOrEqual(4);
    }
    expect(seen.whole).toBeGreaterThan(3_000);
    expect(seen.part).toBeGreaterThan(100);
  });
});

test("a mark on a plain ground comes out of a vector as it does out of a large bitmap of it", async () => {
  const plain = svg(`<path fill="#fc0" d="M0 0h100v100H0z"/>${ways.attributes.replace(/<\/?svg[^>]*>/g, "")}`);
  writeFileSync(join(root, "plain.svg"), plain);
  await sharp(Buffer.from(plain)).resize(2000, 2000).png().toFile(join(root, "plain.png"));
  const [vector, bitmap] = await Promise.all(["plain.svg", "plain.png"].map((file) => judgeArt(root, file, place)));
  const values = { "colors.ground": "#0000ff", "colors.start": "#00ff00", "colors.brand": "#ff0000" } as const;
  for (const role of ["adaptive-foreground", "adaptive-monochrome", "notification"]) {
    const slot = androidSlots.find((each) => each.role === role && each.qualifier === "xxhdpi") as Slot;
    const [one, other] = await Promise.all(
      [vector, bitmap].map((icon) => renderer.png(drawingOf(slot, variantOf(artwork({ icon }), values)))),
    );
    expect(await likeReference(one as Buffer, other as Buffer, 1), role).toBeGreaterThan(0.98);
  }
});

test.each([
  ["what can be seen through", svg('<circle r="9" fill="#060" opacity=".5"/>')],
  ["a colour that can be seen through", svg('<circle r="9" fill="rgba(0,102,0,.5)"/>')],
  ["a gradient into the colour", svg('<radialGradient id="g"><stop stop-color="#fc0"/></radialGradient>')],
  ["a gradient of no colour", svg('<radialGradient id="g"><stop/></radialGradient>')],
  ["a style's opacity", svg('<style>circle{fill-opacity:.2}</style><circle r="9"/>')],
  ["a mask", svg('<mask id="m"><circle r="9" fill="#fff"/></mask><circle r="9" mask="url(#m)"/>')],
  ["a filter", svg('<filter id="f"><feGaussianBlur stdDeviation="2"/></filter><circle r="9" filter="url(#f)"/>')],
  ["a text", svg("<text>A</text>")],
])("%s cannot be told colour by colour", (_, text) => {
  expect(lightWithout(vectorOf(text), text, "#ffcc00")).toBeUndefined();
});
