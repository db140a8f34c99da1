import { cpSync } from "node:fs";
import { join } from "node:path";
import { beforeAll, describe, expect, test } from "vitest";
import { type Art, judgeArt } from "../../../src/core/artwork/judge.ts";
import { allSlots } from "../../../src/core/catalog/all.ts";
import type { Slot } from "../../../src/core/catalog/slot.ts";
import type { Artwork } from "../../../src/core/derive/variant.ts";
import { readInside } from "../../../src/core/files/folder.ts";
import { createRenderer } from "../../../src/core/render/draw.ts";
import { drawingOf } from "../../../src/core/render/drawing.ts";
import { temporaryFolder } from "../../support/oxalis.ts";
import { likeReference } from "../../support/similarity.ts";
import { artwork, variantOf } from "../../support/variant.ts";

const root = temporaryFolder();
const demo = join(import.meta.dirname, "../../../demo/clients");
const renderer = createRenderer((file) => readInside(root, file, file));
const place = { file: "brief.yaml", line: 1, column: 1, text: "" };
const factor = 8;

beforeAll(() => cpSync(demo, root, { recursive: true }));

const variant = (art: Artwork, ground: string) =>
  variantOf(art, { "colors.ground": ground, "colors.start": ground, "colors.brand": "#1f5d4c" });

/** Small ones, where a line is a pixel wide, and some larger; grey ones are stretched by their own pixels. */
const looked = allSlots.filter(
  (slot) =>
    (Math.max(slot.width, slot.height) <= 100 || [150, 180, 216, 256, 310, 320].includes(slot.width)) &&
    slot.from !== "ground" &&
    slot.tone !== "grey",
);
const larger = (slot: Slot): Slot => ({ ...slot, width: slot.width * factor, height: slot.height * factor });

async function worst(art: Artwork, ground: string): Promise<{ slot: string; like: number }> {
  let least = { slot: "", like: 1 };
  for (const slot of looked) {
    const of = variant(art, ground);
    const [png, reference] = [
      await renderer.png(drawingOf(slot, of)),
      await renderer.png(drawingOf(larger(slot), of)),
    ];
    const like = await likeReference(png, reference, factor);
    if (like < least.like) least = { slot: `${slot.platform} ${slot.role} ${slot.qualifier}`, like };
  }
  return least;
}

describe("every picture is like the same one drawn at eight times its size and reduced", () => {
  test.each([
    ["brennans-bothy/art/mark.svg", "#1f5d4c", 0.98],
    ["3-acre/art/mark.svg", "#ffd23f", 0.98],
    ["root-and-leaf/art/mark.png", "#fff1e0", 0.97],
  ])("from %s", async (file, ground, least) => {
    const art: Art = await judgeArt(root, file, place);
    const { slot, like } = await worst(artwork({ mark: art }), ground);
    expect(like, slot).toBeGreaterThanOrEqual(least);
  });
});
