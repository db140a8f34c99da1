import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import type { Art } from "../../../../src/core/pictures/artwork/art.ts";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import { isPhoto, spells } from "../../../../src/core/pictures/artwork/seen/lettering.ts";
import { letterName } from "../../../../src/core/pictures/lettering/letter.ts";
import { movePath } from "../../../../src/core/pictures/lettering/lettered.ts";
import { oddLogos } from "../../../support/odd-logos.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";

const root = temporaryFolder();
let made = 0;

async function seen(bytes: string | Uint8Array, ending = "svg"): Promise<Art> {
  const file = `${++made}.${ending}`;
  writeFileSync(join(root, file), bytes);
  return judgeArt(root, file, { file, line: 1, column: 1, text: "" });
}

const svg = (inner: string, box: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}"><g fill="#0a5c8f">${inner}</g></svg>`;

/** Words below each other, as outlines; an em is a hundred units. */
async function lettered(...lines: string[]): Promise<Art> {
  const paths: string[] = [];
  let widest = 0;
  for (const [at, text] of lines.entries()) {
    let x = 0;
    for (const { parts, advance } of (await letterName({ text, locale: "en" })).lettered?.words ?? []) {
      for (const each of parts) paths.push(`<path d="${movePath(each.path, x + each.x / 10, 90 + at * 110, 0.1)}"/>`);
      x += advance / 10 + 25;
    }
    widest = Math.max(widest, x);
  }
  return seen(svg(paths.join(""), `0 0 ${widest} ${lines.length * 110 + 20}`));
}

test("words are told from signs: letters on lines, close together, of several widths", async () => {
  const three = await lettered("The", "Blue", "Otter");
  expect(three.letters?.count).toBeGreaterThanOrEqual(9);
  expect(spells(three, "The Blue Otter")).toBe(true);
  expect(spells(three, "The Blue Otter Swimming School of Northport")).toBe(false);
  const one = await lettered("Seaside Swim");
  expect(one.letters?.count).toBe(11);
  // A capital is 0.7 of an em high, and small letters hang by 0.2 at most.
  expect(one.letters?.height).toBeGreaterThan(0.6);
  const signs = [
    ...oddLogos.map((each) => each.svg),
    svg(
      [0, 1, 2, 3, 4].map((i) => `<rect x="${i * 20}" y="${30 - i * 6}" width="12" height="${40 + i * 6}"/>`).join(""),
      "0 0 100 80",
    ),
    svg(
      [...Array(12).keys()]
        .map(
          (i) =>
            `<circle r="8" cx="${50 + 38 * Math.cos((i * Math.PI) / 6)}" cy="${50 + 38 * Math.sin((i * Math.PI) / 6)}"/>`,
        )
        .join(""),
      "0 0 100 100",
    ),
    svg(
      [...Array(6).keys()].map((i) => `<rect x="${i * 30}" y="0" width="${8 + (i % 3) * 2}" height="10"/>`).join(""),
      "0 0 170 12",
    ),
  ];
  for (const each of signs) expect((await seen(each)).letters).toBeUndefined();
});

test("a photo is told from a drawing, a shaded one too", async () => {
  const size = { width: 300, height: 300, channels: 3 } as const;
  const noise = { type: "gaussian", mean: 128, sigma: 60 } as const;
  const photo = sharp({ create: { ...size, background: "#888", noise } })
    .blur(4)
    .normalise();
  expect(isPhoto(await seen(await photo.jpeg().toBuffer(), "jpg"))).toBe(true);
  const shaded =
    '<defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="#f00"/><stop offset="1" stop-color="#00f"/></linearGradient></defs><rect width="100" height="100" fill="url(#g)"/>';
  const drawn = await sharp(Buffer.from(svg(shaded, "0 0 100 100").replace("<svg", '<svg width="300" height="300"')))
    .png()
    .toBuffer();
  expect(isPhoto(await seen(drawn, "png"))).toBe(false);
});
