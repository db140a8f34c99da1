import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { androidSlots } from "../../../../src/core/app/platforms/android/catalog.ts";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import type { Resolved } from "../../../../src/core/app/variant/variant.ts";
import { judgePictures } from "../../../../src/core/clients/derive/pictures.ts";
import { resolveAll } from "../../../../src/core/clients/derive/resolve.ts";
import { roleOf } from "../../../../src/core/clients/roster/pictures/role.ts";
import { readPlain } from "../../../../src/core/ground/files/reading/plain.ts";
import { createRenderer } from "../../../../src/core/making/render/draw.ts";
import { drawingOf } from "../../../../src/core/making/render/drawing.ts";
import { judgeArt } from "../../../../src/core/pictures/artwork/judge.ts";
import { leftOutOf } from "../../../../src/core/pictures/artwork/seen/one-color.ts";
import { readSmall } from "../../../../src/core/pictures/artwork/seen/small.ts";
import { shareTold, steps } from "../../../../src/core/pictures/artwork/seen/told.ts";
import { readVector } from "../../../../src/core/pictures/artwork/vector/read.ts";
import { oddLogos } from "../../../support/odd-logos.ts";
import { workspaceWith } from "../../../support/oxalis.ts";

let root: string;
let all: ReadonlyMap<string, Resolved>;

const brief = (key: string, brand: string, more = "") =>
  `app: { name: App of ${key} }\nowner: ${key}\ndomain: ${key}.example\nemail: a@${key}.example\n` +
  `colors: { brand: "${brand}"${more} }\nart: { mark: mark.svg }\n`;

function write(key: string, svg: string, text: string): void {
  mkdirSync(join(root, "clients", key), { recursive: true });
  writeFileSync(join(root, "clients", key, "mark.svg"), svg);
  writeFileSync(join(root, "clients", key, "brief.yaml"), text);
}

/** The icon of a telephone's list as it is drawn, and how far each of its pixels lies from its corner's colour. */
async function iconOf({ variant }: Resolved): Promise<{ png: Buffer; seen: number }> {
  const slot = androidSlots.find(({ role, qualifier }) => role === "launcher" && qualifier === "mdpi");
  if (!slot || !variant) throw new Error("no icon is drawn");
  const png = await createRenderer(({ file }) => readPlain(join(root, file), 1e7) ?? Buffer.alloc(0)).png(
    drawingOf(slot, variant),
  );
  const { data, info } = await sharp(png).removeAlpha().greyscale().raw().toBuffer({ resolveWithObject: true });
  const ground = data[Math.floor(info.height * 0.12) * info.width + Math.floor(info.width / 2)] ?? 0;
  const inside = [...data].filter((_, at) => Math.hypot((at % 48) - 23.5, Math.floor(at / 48) - 23.5) < 20);
  return { png, seen: inside.filter((level) => Math.abs(level - ground) > 40).length / inside.length };
}

describe("sixty odd logos, and what a designer says of each", () => {
  beforeAll(async () => {
    root = workspaceWith([], { "template.yaml": "{}\n" });
    for (const { key, svg, brand } of oddLogos) write(key, svg, brief(key, brand));
    const workspace = readWorkspace(root);
    all = new Map((await resolveAll(workspace)).map((each) => [each.client.key, each]));
  });

  test("what stands out from a ground can be told on it, whichever the logo and the ground", () => {
    const grounds = ["#ffffff", "#0a5c8f", "#101010", "#808080", "#f2c14e"] as const;
    for (const [key, { art }] of all)
      for (const ground of grounds) {
        const small = readSmall(art.given.mark?.small ?? "");
        const told = shareTold(small, ground);
        expect([key, ground, told >= shareTold(small, ground, steps.standsOut)]).toEqual([key, ground, true]);
      }
  });

  test.each(oddLogos)("$key stands on what it may stand on", async ({ key, brand, verdict }) => {
    const resolved = all.get(key) as Resolved;
    const ground = resolved.values["colors.ground"]?.value;
    expect([
      ground === brand ? "brand" : "other",
      resolved.problems.flatMap(({ severity, code }) => (severity === "error" ? [code] : [])),
    ]).toEqual([verdict, []]);
    const { seen } = await iconOf(resolved);
    // A strip of lines is little of an icon, and a plate is much of it.
    expect(seen).toBeGreaterThan(0.04);
  });
});

describe("what would not be recognised is never ready", () => {
  const drop = '<path d="M50 5C80 45 85 60 85 68A35 30 0 0 1 15 68C15 60 20 45 50 5Z" fill="#1565c0"/>';
  const crescent = '<path d="M30 65a22 22 0 0 0 25 22a28 28 0 0 1-25-22Z" fill="#fff"/>';
  const star = '<path d="M50 4L61 38H97L68 59L79 94L50 73L21 94L32 59L3 38H39Z" fill="#1565c0"/>';
  const picture = (inner: string, box = "0 0 100 100") =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${inner}</svg>`;

  /** One client with this mark, resolved. */
  async function resolvedWith(mark: string, text = brief("one", "#1565c0"), files: Record<string, Uint8Array> = {}) {
    root = workspaceWith([], { "template.yaml": "{}\n" });
    write("one", mark, text);
    for (const [file, bytes] of Object.entries(files)) writeFileSync(join(root, "clients/one", file), bytes);
    const [resolved] = await resolveAll(readWorkspace(root));
    if (!resolved) throw new Error("no client");
    const errors = resolved.problems.filter(({ severity }) => severity === "error");
    return { resolved, errors, told: judgePictures(resolved).map(({ code }) => code) };
  }

  test("a given ground that swallows the mark, or most of its shape, is an error that proposes another", async () => {
    for (const inner of [star, drop + crescent, star.replace("#1565c0", "#1e70cc")]) {
      const { resolved, errors } = await resolvedWith(picture(inner), brief("one", "#e53935", ', ground: "#1565c0"'));
      expect(errors.map(({ code, expected }) => [code, expected])).toEqual([
        ["art-unseen", expect.stringMatching(/^colors\.ground: "#ffffff", white: \d\.\d : 1$/)],
      ]);
      expect(resolved.variant).toBeUndefined();
    }
    const { errors } = await resolvedWith(picture(star), brief("one", "#e53935", ', ground: "#ffffff"'));
    expect(errors).toEqual([]);
  });

  test("a ground that was chosen is told, with its trail, and is the agency's to settle", async () => {
    const { resolved } = await resolvedWith(picture(star));
    expect(resolved.values["colors.ground"]?.trail.map(({ note }) => note)).toEqual([
      "the same as colors.brand",
      "white: clients/one/mark.svg is lost on the brand colour",
    ]);
    expect(resolved.problems.map(({ code, message }) => [code, message])).toContainEqual([
      "ground-chosen",
      "Its ground is white, since the mark is lost on the brand colour.",
    ]);
  });

  test("live text, lettering too low to be read, and an icon fainter than its ground are errors", async () => {
    const codes = async (...args: Parameters<typeof resolvedWith>) =>
      (await resolvedWith(...args)).errors.map(({ code }) => code);
    expect(await codes(picture(`${star}<text x="5" y="50">Roots</text>`))).toEqual(["art-text"]);
    const letters = [0, 20, 40, 60, 80, 100].map((x) => `<rect x="${x}" width="8" height="12" fill="#1565c0"/>`);
    expect(await codes(picture(letters.join(""), "0 0 110 12"))).toEqual(["art-thin"]);
    const faint = '<rect width="100" height="100" fill="#fff"/><circle cx="50" cy="50" r="30" fill="#e8e8e8"/>';
    const icon = await sharp(Buffer.from(picture(faint)))
      .png()
      .toBuffer();
    const iconed = brief("one", "#1565c0").replace("mark: mark.svg", "icon: icon.png");
    expect(await codes("", iconed, { "icon.png": icon })).toEqual(["art-unseen"]);
  });

  test("in one colour a sign is cut out of its plate; where nothing of the shape is left, that is told", async () => {
    const disc = picture(
      `<circle cx="50" cy="50" r="50" fill="#fdd835"/><g transform="translate(20 20) scale(.6)">${star}</g>`,
    );
    const { resolved, told } = await resolvedWith(disc, brief("one", "#fdd835", ', ground: "#123456"'));
    expect(told).not.toContain("art-blank");
    const { mark } = resolved.art.given;
    expect(mark && leftOutOf(mark, "#123456").key).toMatch(/^#(1565c0|fdd835)$/);
    const shades =
      '<linearGradient id="g"><stop stop-color="#8e24aa"/><stop offset="1" stop-color="#fb8c00"/></linearGradient>' +
      '<rect width="100" height="100" rx="20" fill="url(#g)"/>';
    expect((await resolvedWith(picture(shades), brief("one", "#222222"))).told).toContain("art-blank");
  });

  test("a mark that is lost on dark screens is told, where nothing was given for them", async () => {
    const dark = picture(star.replace("#1565c0", "#1f2a30"));
    expect((await resolvedWith(dark, brief("one", "#ffffff"))).told).toContain("art-dark");
    expect((await resolvedWith(picture(star), brief("one", "#ffffff"))).told).not.toContain("art-dark");
  });
});

test.each([
  ["120mm", "40mm", 453.5],
  ["3in", "1in", 288],
  ["90pt", "30pt", 120],
  ["12pc", "4pc", 192],
  ["300", "100", 300],
])("a vector of %s by %s without a viewBox is drawn as large as it says", (width, height, units) => {
  const text = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="9" height="9"/></svg>`;
  expect(readVector({ file: "a.svg", text }).width).toBeCloseTo(units, 0);
});

test("a sign a little wider than high is a mark; with something beside it, or far wider, it is a wide logo", async () => {
  const roleIn = async (inner: string, width: number) => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} 100">${inner}</svg>`;
    writeFileSync(join(root, "logo.svg"), svg);
    return roleOf("logo.svg", await judgeArt(root, "logo.svg", { file: "logo.svg", line: 1, column: 1, text: "" }))
      ?.role;
  };
  const whale = '<ellipse cx="100" cy="50" rx="100" ry="50" fill="#246"/><circle cx="40" cy="40" r="14" fill="#fd4"/>';
  expect(await roleIn(whale, 200)).toBe("mark");
  expect(
    await roleIn(
      '<circle cx="45" cy="50" r="45" fill="#246"/><rect x="110" y="30" width="90" height="40" fill="#fd4"/>',
      200,
    ),
  ).toBe("wide");
  expect(
    await roleIn(
      '<rect width="300" height="100" fill="#246"/><rect x="20" y="20" width="80" height="60" fill="#fd4"/>',
      300,
    ),
  ).toBe("wide");
});
