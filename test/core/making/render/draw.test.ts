import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { androidSlots } from "../../../../src/core/app/platforms/android/catalog.ts";
import { iosIconSlots } from "../../../../src/core/app/platforms/apple/catalog.ts";
import { webSlot, webStartSlots } from "../../../../src/core/app/platforms/web/catalog.ts";
import { windowsSlots } from "../../../../src/core/app/platforms/windows/catalog.ts";
import type { Artwork } from "../../../../src/core/app/variant/variant.ts";
import { readInside } from "../../../../src/core/ground/files/reading/folder.ts";
import { createRenderer } from "../../../../src/core/making/render/draw.ts";
import { drawingOf } from "../../../../src/core/making/render/drawing.ts";
import type { Art } from "../../../../src/core/pictures/artwork/art.ts";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import type { Slot } from "../../../../src/core/pictures/slots/slot.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";
import { likeReference } from "../../../support/similarity.ts";
import { hasTool } from "../../../support/tools.ts";
import { artwork, variantOf } from "../../../support/variant.ts";

const root = temporaryFolder();
const renderer = createRenderer(({ file }) => readInside(root, file, file));
const place = { file: "brief.yaml", line: 1, column: 1, text: "" };
const art: Record<string, Art> = {};

/** A tall bar off the middle of its canvas, red, with a hole in the ground's colour. */
const bar =
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300"><path fill="#c00" d="M200 ` +
  `20h80v240h-80z"/><path fill="#00f" d="M230 100h20v40h-20z"/></svg>`;

beforeAll(async () => {
  writeFileSync(join(root, "bar.svg"), bar);
  await sharp(Buffer.from(bar)).resize(1600, 1200).png().toFile(join(root, "bar.png"));
  const full =
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><path fill="#fc0" d="M0 ` +
    `0h100v100H0z"/><circle cx="50" cy="50" r="30" fill="#060"/></svg>`;
  await sharp(Buffer.from(full)).resize(900, 900).jpeg({ quality: 85 }).toFile(join(root, "icon.jpg"));
  for (const file of ["bar.svg", "bar.png", "icon.jpg"]) art[file] = await judgeArt(root, file, place);
});

const variant = (pictures: Artwork) =>
  variantOf(pictures, { "colors.ground": "#0000ff", "colors.start": "#00ff00", "colors.brand": "#ff0000" });

async function drawn(slot: Slot, pictures: Artwork) {
  const png = await renderer.png(drawingOf(slot, variant(pictures)));
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const pixel = (x: number, y: number) => [...data.subarray((y * info.width + x) * 4, (y * info.width + x) * 4 + 4)];
  return { png, pixel, data, ...info, meta: await sharp(png).metadata() };
}

const slotOf = (slots: readonly Slot[], role: string, qualifier: string) => {
  const slot = slots.find((each) => each.role === role && each.qualifier === qualifier);
  if (!slot) throw new Error(`no slot ${role} ${qualifier}`);
  return slot;
};

test("a picture is judged by what is drawn on it", () => {
  expect(art["bar.svg"]).toMatchObject({ format: "svg", width: 400, height: 300, opaque: false });
  expect(art["bar.svg"]?.content.x).toBeCloseTo(0.5, 2);
  expect(art["bar.svg"]?.content.width).toBeCloseTo(0.2, 2);
  expect(art["bar.svg"]?.circle.x).toBeCloseTo(0.6, 2);
  expect(art["icon.jpg"]?.edge).toMatch(/^#f[ef]c[bcd]0/);
  expect(art["icon.jpg"]?.circle.radius).toBeCloseTo(0.3, 1);
});

describe.each(["bar.svg", "bar.png"])("from %s", (file) => {
  const pictures = () => artwork({ mark: art[file] });

  test.each([
    ["adaptive foreground", slotOf(androidSlots, "adaptive-foreground", "xxhdpi"), 33],
    ["start screen", slotOf(androidSlots, "start-mark", "mdpi"), 96],
    ["maskable", webSlot("maskable", 512), 204.8],
  ])("%s: nothing is drawn outside the safe circle, and the mark is in its middle", async (_, slot, radius) => {
    const { data, width, height } = await drawn(slot, pictures());
    const allowed = slot.platform === "android" && slot.role === "adaptive-foreground" ? radius * 3 : radius;
    let [left, right, furthest] = [width, 0, 0];
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const i = (y * width + x) * 4;
        if ((data[i] ?? 0) < 128 || (data[i + 3] ?? 0) < 128) continue;
        [left, right] = [Math.min(left, x), Math.max(right, x)];
        furthest = Math.max(furthest, Math.hypot(x + 0.5 - width / 2, y + 0.5 - height / 2));
      }
    }
    expect(furthest).toBeLessThanOrEqual(allowed);
    expect(furthest).toBeGreaterThan(allowed * 0.75);
    expect(Math.abs((left + right + 1) / 2 - width / 2)).toBeLessThanOrEqual(1);
  });

  test("iOS icons have no alpha channel; tiles neither, and show the ground to the corner", async () => {
    for (const slot of [
      slotOf(iosIconSlots, "icon", "ipad-83.5@2x"),
      slotOf(windowsSlots, "Wide310x150Logo", "scale-125"),
    ]) {
      const { meta, pixel, width, height } = await drawn(slot, pictures());
      expect([meta.width, meta.height, meta.channels, meta.hasAlpha]).toEqual([slot.width, slot.height, 3, false]);
      expect(pixel(0, 0)).toEqual([0, 0, 255, 255]);
      expect(pixel(width - 1, height - 1)).toEqual([0, 0, 255, 255]);
    }
  });

  test("legacy icons keep their keylines", async () => {
    const square = await drawn(slotOf(androidSlots, "launcher", "xxxhdpi"), pictures());
    expect(square.pixel(19, 96)[3]).toBe(0);
    expect(square.pixel(21, 96)).toEqual([0, 0, 255, 255]);
    expect(square.pixel(21, 21)[3]).toBeLessThan(64);
    const round = await drawn(slotOf(androidSlots, "launcher-round", "xxxhdpi"), pictures());
    expect(round.pixel(96, 9)).toEqual([0, 0, 255, 255]);
    expect(round.pixel(30, 30)[3]).toBe(0);
  });

  test("one-coloured pictures: only the alpha says anything, and the ground's colour is a hole", async () => {
    const mono = await drawn(slotOf(androidSlots, "adaptive-monochrome", "xxxhdpi"), pictures());
    const colors = new Set<number>();
    for (let i = 0; i < mono.data.length; i += 4) for (const c of [0, 1, 2]) colors.add(mono.data[i + c] ?? 0);
    expect([...colors]).toEqual([0]);
    expect(mono.pixel(216, 216 + 40)[3]).toBe(255);
    expect(mono.pixel(216, 216 - 12)[3]).toBeLessThan(32);
    const badge = await drawn(slotOf(windowsSlots, "BadgeLogo", "scale-400"), pictures());
    expect(badge.pixel(48, 70)).toEqual([255, 255, 255, 255]);
  });
});

test("a mark is found in a square picture on a plain ground", async () => {
  const front = await drawn(slotOf(androidSlots, "adaptive-foreground", "xxxhdpi"), artwork({ icon: art["icon.jpg"] }));
  expect(front.pixel(0, 0)[3]).toBe(0);
  expect(front.pixel(216, 216)[3]).toBe(255);
  const icon = await drawn(slotOf(iosIconSlots, "icon", "universal"), artwork({ icon: art["icon.jpg"] }));
  expect(icon.pixel(2, 2)[0]).toBeGreaterThan(240);
  expect(icon.meta.hasAlpha).toBe(false);
});

test("icon files hold their pictures pixel by pixel, small ones in the forms that every reader knows; a vector stays one", async () => {
  const sides = [16, 32, 48, 256];
  const drawings = sides.map((side) => drawingOf(webSlot("favicon", side), variant(artwork({ mark: art["bar.svg"] }))));
  const shown = await Promise.all(
    drawings.map(async (each) =>
      sharp(await renderer.png(each))
        .toColourspace("srgb")
        .ensureAlpha()
        .raw()
        .toBuffer(),
    ),
  );
  const ico = await renderer.ico(drawings);
  expect([ico.readUInt16LE(0), ico.readUInt16LE(2), ico.readUInt16LE(4)]).toEqual([0, 1, sides.length]);
  for (const [at, side] of sides.entries()) {
    const [size, offset] = [ico.readUInt32LE(6 + at * 16 + 8), ico.readUInt32LE(6 + at * 16 + 12)];
    const isPng = ico.toString("latin1", offset + 1, offset + 4) === "PNG";
    expect([ico[6 + at * 16], offset + size <= ico.length, isPng]).toEqual([side % 256, true, side === 256]);
    if (!hasTool("convert")) continue;
    const file = join(temporaryFolder(), "a.ico");
    writeFileSync(file, ico);
    const read = execFileSync("convert", [`${file}[${at}]`, "-depth", "8", "rgba:-"]);
    expect([side, visible(read).equals(visible(shown[at] as Buffer))]).toEqual([side, true]);
  }
  const icns = await renderer.icns(drawings);
  const parts = new Map<string, Buffer>();
  for (let at = 8; at < icns.length; at += icns.readUInt32BE(at + 4))
    parts.set(icns.toString("latin1", at, at + 4), icns.subarray(at + 8, at + icns.readUInt32BE(at + 4)));
  expect([...parts.keys()]).toEqual(["ic04", "ic05", "ic11", "ic08", "ic13"]);
  for (const [kind, at] of [
    ["ic04", 0],
    ["ic05", 1],
  ] as const)
    expect(fromChannels(parts.get(kind) ?? Buffer.alloc(0)).equals(shown[at] as Buffer)).toBe(true);
  const svg = (await renderer.svg(drawings[2] as (typeof drawings)[0])).toString();
  expect(svg).toContain("M200 20h80v240h-80z");
  const embedded = await renderer.svg(drawingOf(webSlot("favicon", 64), variant(artwork({ mark: art["bar.png"] }))));
  expect((await sharp(embedded).metadata()).width).toBe(64);
});

test("a mark that is heavy on one side stands nearer the middle by its weight, and within the circle all the same", async () => {
  const flag =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><path fill="#fff" d="M10 10h50v50H10zM20 60h4v36h-4z"/>' +
    '<path fill="#fff" d="M60 34h36v2H60z"/></svg>';
  writeFileSync(join(root, "flag.svg"), flag);
  const mark = await judgeArt(root, "flag.svg", place);
  const slot = slotOf(androidSlots, "adaptive-foreground", "xxxhdpi");
  const { data, width } = await drawn(slot, artwork({ mark }));
  const seen = [...Array(width * width).keys()].filter((at) => (data[at * 4 + 3] ?? 0) > 128);
  const middle = (width - 1) / 2;
  const [x, y] = [(at: number) => (at % width) - middle, (at: number) => Math.floor(at / width) - middle];
  const mean = (of: (at: number) => number) => seen.reduce((sum, at) => sum + of(at), 0) / seen.length;
  const { circle, mass } = mark;
  const radius = Math.max(...seen.map((at) => Math.hypot(x(at), y(at))));
  // As far off as the outline's middle is, in pixels of this canvas.
  const byOutline = (Math.hypot(mass.x - circle.x, mass.y - circle.y) / circle.radius) * radius;
  expect(Math.hypot(mean(x), mean(y))).toBeLessThan(byOutline * 0.75);
  expect(radius).toBeLessThanOrEqual((width * slot.safe.share) / 2 + 1);
});

test("the middle of a large canvas is drawn alone, as if the canvas had been drawn whole", async () => {
  for (const mark of ["bar.svg", "bar.png"]) {
    for (const slot of [webStartSlots[0], webStartSlots[21], slotOf(androidSlots, "start-mark", "xxxhdpi")]) {
      const drawing = drawingOf(slot as Slot, variant(artwork({ mark: art[mark] })));
      const whole = { ...drawing, name: { path: "M0 0z", color: "#000000" as const } };
      const [alone, all] = [await renderer.png(drawing), await renderer.png(whole)];
      expect(await likeReference(alone, all, 1), `${mark} ${slot?.qualifier}`).toBeGreaterThan(0.999);
    }
  }
});

test("a start screen's ground runs into another colour, is a pattern, or a picture cut around its focus", async () => {
  const slot = webStartSlots[0] as Slot;
  const gradient = variant(artwork({ mark: art["bar.svg"] }));
  gradient.values["colors.startEnd"] = { value: "#000000", trail: [] };
  const faded = await sharp(await renderer.png(drawingOf(slot, gradient)))
    .raw()
    .toBuffer();
  const green = [0, 0.25, 0.5, 0.75].map((share) => faded[Math.round(share * slot.height) * slot.width * 3 + 1]);
  expect(green).toEqual([...green].sort((a, b) => (b ?? 0) - (a ?? 0)));
  expect([green[0], green[3]]).toEqual([255, 63]);
  for (const tile of ["bar.svg", "bar.png"]) {
    const { pixel } = await drawn(slot, artwork({ mark: art["bar.svg"], repeat: art[tile] }));
    expect(pixel(77, 20)).toEqual(pixel(77 + 128, 20));
    expect(pixel(77, 20).slice(0, 3)).toEqual([204, 0, 0]);
    expect(pixel(2, 2)).toEqual([0, 255, 0, 255]);
  }
  const covered = (x: number) =>
    drawn(slot, artwork({ mark: art["bar.svg"], splash: art["bar.svg"] }, { focus: { x, y: 0.5 } }));
  const middle = async (x: number) => (await covered(x)).pixel(slot.width / 2, 500).slice(0, 3);
  expect([await middle(0.54), await middle(0.1)]).toEqual([
    [204, 0, 0],
    [0, 255, 0],
  ]);
});

test("dark screens get the dark pictures, and a hand-drawn picture its own place alone", async () => {
  const art2 = artwork(
    { mark: art["bar.svg"], "dark.mark": art["icon.jpg"] },
    { slots: { "android/notification": art["icon.jpg"] as Art } },
  );
  const files = (role: string, qualifier: string) =>
    drawingOf(slotOf(androidSlots, role, qualifier), variant(art2)).picture?.art.file;
  expect(files("start-mark", "hdpi")).toBe("bar.svg");
  expect(files("start-mark", "hdpi-night")).toBe("icon.jpg");
  expect(files("notification", "hdpi")).toBe("icon.jpg");
  expect(files("launcher", "hdpi")).toBe("bar.svg");
});

test("a bitmap with soft edges is the same drawn on a plain ground as drawn alone and laid on it", async () => {
  const soft =
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 90"><radialGradient id="s"><stop ` +
    `offset=".3" stop-color="#c00"/><stop offset="1" stop-color="#fc0" stop-opacity="0"/>` +
    `</radialGradient><circle cx="45" cy="45" r="44" fill="url(#s)"/></svg>`;
  await sharp(Buffer.from(soft)).resize(1200, 1200).png().toFile(join(root, "soft.png"));
  const pictures = artwork({ mark: await judgeArt(root, "soft.png", place) });
  for (const slot of [slotOf(windowsSlots, "Square150x150Logo", "scale-125"), webSlot("maskable", 512)]) {
    const drawing = { ...drawingOf(slot, variant(pictures)), trueColor: true as const };
    const { plate, ...alone } = drawing;
    expect(plate).toMatchObject({ shape: "full", color: "#0000ff" });
    const laid = await sharp(await renderer.png({ ...alone, alpha: "kept" }))
      .flatten({ background: "#0000ff" })
      .raw()
      .toBuffer();
    const together = await sharp(await renderer.png(drawing))
      .removeAlpha()
      .raw()
      .toBuffer();
    expect(together.length).toBe(laid.length);
    const furthest = together.reduce((most, each, at) => Math.max(most, Math.abs(each - (laid[at] ?? 0))), 0);
    expect(furthest).toBeLessThanOrEqual(3);
    expect(new Set(together).size).toBeGreaterThan(100);
  }
});

/** Pixels without what lies under what cannot be seen. */
const visible = (rgba: Buffer): Buffer => {
  const seen = Buffer.from(rgba);
  for (let at = 0; at < seen.length; at += 4) if (seen[at + 3] === 0) seen.fill(0, at, at + 4);
  return seen;
};

/** Channels of a small picture as the Mac unpacks them: a byte below 128 says how many follow, others how often one. */
function fromChannels(bytes: Buffer): Buffer {
  expect(bytes.toString("latin1", 0, 4)).toBe("ARGB");
  const out: number[] = [];
  for (let at = 4; at < bytes.length; ) {
    const mark = bytes.readUInt8(at);
    if (mark < 128) out.push(...bytes.subarray(at + 1, at + 2 + mark));
    else out.push(...Array<number>(mark - 125).fill(bytes.readUInt8(at + 1)));
    at += mark < 128 ? mark + 2 : 2;
  }
  const each = out.length / 4;
  return Buffer.from(Array.from({ length: each }, (_, at) => [1, 2, 3, 0].map((c) => out[c * each + at] ?? 0)).flat());
}
