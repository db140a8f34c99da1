import { copyFileSync, existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { beforeEach, describe, expect, test } from "vitest";
import { fontFile } from "../support/fonts.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

let folder: string;
const brief = "clients/3-acre/brief.yaml";
const icon = (file: string) =>
  edit(folder, brief, (text) => text.replace("  mark: art/mark.svg", `  icon: art/${file}`));
const art = (file: string) => join(folder, "clients/3-acre/art", file);
const found = () => {
  const { out } = oxalis(folder, "check", "3-acre", "--json");
  return JSON.parse(out).clients[0].problems.map(
    (each: { code: string; message: string }) => `${each.code}: ${each.message}`,
  );
};
const picture = (inner: string, size = "0 0 100 100") =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="${size}" width="1200">${inner}</svg>`);

beforeEach(() => {
  folder = workspaceWith(["3-acre", "saltmarsh"]);
});

test("everything that is wrong is told at once, for all clients, and nothing is written", () => {
  edit(folder, brief, (text) =>
    text.replace('brand: "#1e4d2b"', "brand: grass").replace("domain: 3acre.example\n", ""),
  );
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => text.replace("art/mark.svg", "art/none.svg"));
  const { code, err, out } = oxalis(folder, "check");
  expect(code).toBe(1);
  for (const each of ["[color-invalid]", "clients/saltmarsh/art/none.svg is not there"]) expect(err).toContain(each);
  expect(out).toContain("0 of 2 clients are ready.");
  expect(existsSync(join(folder, "variants"))).toBe(false);
});

test("a line that cannot be read hides no other line's fault, and nothing is said of what only it would tell", () => {
  edit(folder, brief, (text) =>
    text
      .replace('brand: "#1e4d2b"', 'brand: "#1e4d2"')
      .replace("domain: 3acre.example\n", "domain: 3acre\n")
      .replace("price: 12", "price: twelve")
      .replace("art/mark-dark.svg", "art/none.svg")
      .concat("feature:\n  camera: on\nanswers:\n  opening: never\n"),
  );
  expect(found().map((each: string) => each.split(":")[0])).toEqual([
    "value-invalid",
    "color-invalid",
    "key-unknown",
    "answer-unknown",
    "answer-invalid",
    "file-missing",
  ]);
  expect(oxalis(folder, "generate", "3-acre")).toMatchObject({ code: 1 });
  expect(existsSync(join(folder, "variants"))).toBe(false);
});

test("a clean workspace is ready", () => {
  expect(oxalis(folder, "check")).toMatchObject({
    code: 0,
    err: "",
    out: expect.stringContaining("2 of 2 clients are ready."),
  });
});

test("an icon is judged: small, not square, rounded, transparent, cut by a round mask", async () => {
  await sharp(
    picture('<path d="M0 0h100v60H0z" fill="#060"/><circle cx="50" cy="30" r="20" fill="#fff"/>', "0 0 100 60"),
  )
    .resize(500)
    .png()
    .toFile(art("a.png"));
  icon("a.png");
  expect(found()).toEqual([
    expect.stringMatching(/^art-not-square: .* is 500 × 300: 40 % of its longer side is cut\.$/),
    expect.stringMatching(
      /^art-small: .*a\.png is 500 × 300 pixels; web.pictures.start-\d+x\d+\.png enlarges it 5\.1 times\.$/,
    ),
  ]);
  await sharp(
    picture('<rect width="100" height="100" rx="24" fill="#060"/><circle cx="50" cy="50" r="20" fill="#fff"/>'),
  )
    .png()
    .toFile(art("a.png"));
  expect(found()).toEqual([expect.stringContaining("art-rounded: ")]);
  await sharp(picture('<path d="M0 0h100v100H0z" fill="#060"/><path d="M8 8h84v84H8z" fill="#fff"/>'))
    .png()
    .toFile(art("a.png"));
  expect(found()).toEqual([
    expect.stringMatching(/^art-cut: .* beyond masks that systems cut icons to: a circle by 19 % of half its width\.$/),
  ]);
  await sharp(picture('<path d="M0 0h80v100H0z" fill="#060"/>')).png().toFile(art("a.png"));
  expect(found()).toEqual([
    "art-transparent: clients/3-acre/art/a.png is transparent in places; they are filled with #ffd23f.",
  ]);
});

test("a mark is judged: contrast with its ground, bitmaps and text in it", () => {
  writeFileSync(
    art("mark.svg"),
    picture(
      '<circle cx="50" cy="50" r="40" fill="#ffdd55"/><text>3</text><image href="data:image/png;base64,iVBORw0KGgo="/>',
    ),
  );
  expect(found()).toEqual([
    expect.stringMatching(
      /^art-unseen: Of .*mark\.svg hardly anything of the shape stands out from its ground, #ffd23f\.$/,
    ),
    expect.stringContaining("art-text: "),
    expect.stringContaining("art-bitmap: "),
  ]);
});

test("a mark that hardly stands out is told by how much", () => {
  writeFileSync(art("mark.svg"), picture('<circle cx="50" cy="50" r="40" fill="#c08800"/>'));
  expect(found()).toContainEqual(
    expect.stringMatching(/^art-contrast: .*stands out from its ground #ffd23f by only 2\.\d : 1\.$/),
  );
});

test("a client who sends the template's own icon is told", () => {
  copyFileSync(join(folder, "template/ios/Storefront/Stall.xcassets/CrateLid.appiconset/lid.png"), art("lid.png"));
  icon("lid.png");
  expect(found()).toContainEqual(
    expect.stringMatching(/^art-alike: .*lid\.png looks like the template's own .*: [0-4] of 256 steps differ\.$/),
  );
});

test("two clients with nearly the same picture are told once, of one that is looked at", () => {
  copyFileSync(join(folder, "clients/saltmarsh/art/mark.svg"), art("mark.svg"));
  const alike = (...args: string[]) => {
    const { clients } = JSON.parse(oxalis(folder, "check", "--json", ...args).out);
    const problems = clients.flatMap((each: { problems: { code: string; client: string }[] }) => each.problems);
    return problems.filter(({ code }: { code: string }) => code === "art-alike");
  };
  expect(alike()).toHaveLength(1);
  expect(alike("saltmarsh")).toMatchObject([{ client: "saltmarsh", who: "designer" }]);
});

test("what several clients have is told once; a brief with errors has its pictures looked at; --strict, --report", () => {
  for (const key of ["3-acre", "saltmarsh"])
    edit(folder, `clients/${key}/brief.yaml`, (text) => text.replace(/^domain: .*\n/m, ""));
  const { err } = oxalis(folder, "check");
  expect(err).toMatch(/error {2}in 2 clients: domain is missing: web domain\. .*\n {3}3-acre, saltmarsh\n/);
  expect(err).toContain("(for the client)");
  edit(folder, "clients/3-acre/brief.yaml", (text) => `${text}\nnobody: knows\n`);
  writeFileSync(
    art("mark.svg"),
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><text x="1" y="8">A</text></svg>',
  );
  const broken = oxalis(folder, "check", "3-acre");
  expect(broken.err).toContain("[key-unknown]");
  expect(broken.err).toContain("[art-text]");
});

test("--strict ends with 1 for warnings, --report writes them for a build server", () => {
  writeFileSync(art("mark.svg"), picture('<circle cx="50" cy="50" r="40" fill="#c08800"/>'));
  expect(oxalis(folder, "check", "3-acre").code).toBe(0);
  expect(oxalis(folder, "check", "3-acre", "--strict", "--report", "found.xml").code).toBe(1);
  expect(readFileSync(join(folder, "found.xml"), "utf8")).toMatch(
    /<testsuites name="oxalis check">[\s\S]*failures="0"[\s\S]*<system-out>warning \[art-contrast\]/,
  );
});

describe("a mark as it will look", () => {
  const use = async (file: string, inner: string, width = 900, height = 900) => {
    const box = `0 0 ${width / 10} ${height / 10}`;
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${box}">${inner}</svg>`;
    await sharp(Buffer.from(svg)).toFile(art(file));
    edit(folder, brief, (text) => text.replace(/mark: art\/.*/, `mark: art/${file}`));
  };
  const white = '<path fill="#fff" d="M0 0h90v90H0z"/>';
  const pixel = async (file: string, x: number, y: number) => {
    const { data, info } = await sharp(join(folder, "variants/3-acre", file))
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (Math.round(y * info.height) * info.width + Math.round(x * info.width)) * info.channels;
    return [...data.subarray(at, at + 3)];
  };
  const near = (found: readonly number[], wanted: readonly number[]) =>
    expect(Math.max(...found.map((channel, at) => Math.abs(channel - (wanted[at] ?? 0))))).toBeLessThan(12);

  test("on a white box with nothing white inside: the box is taken off, and nothing of it is left", async () => {
    await use("solid.jpg", `${white}<path fill="#2a6b3c" d="M20 20h50v50H20z"/>`);
    expect(oxalis(folder, "check", "3-acre").err).toContain("stands on a box of #ffffff; the box is taken off.");
    oxalis(folder, "generate", "3-acre");
    const shown = "web/pictures/start-1170x2532.png";
    near(await pixel(shown, 0.5, 0.5), [0x2a, 0x6b, 0x3c]);
    near(await pixel(shown, 0.02, 0.02), [0xff, 0xd2, 0x3f]);
  });

  test("with white inside too: kept as an icon, on its box; an error where there is an icon already", async () => {
    await use(
      "inner.jpg",
      `${white}<circle cx="45" cy="45" r="34" fill="#2a6b3c"/><path fill="#fff" d="M30 40h30v12H30z"/>`,
    );
    expect(oxalis(folder, "check", "3-acre").err).toContain("it is used as an icon, with its box.");
    oxalis(folder, "generate", "3-acre");
    // What was white inside stays white on the start screen's own ground.
    near(await pixel("web/pictures/start-1170x2532.png", 0.5, 0.503), [0xff, 0xff, 0xff]);
    edit(folder, brief, (text) => text.replace("art:\n", "art:\n  icon: art/mark.svg\n"));
    expect(oxalis(folder, "check", "3-acre")).toMatchObject({
      code: 1,
      err: expect.stringContaining("without the box it would have holes."),
    });
  });

  test("lettering alone is a strip, a badge is cut out in one colour, a thumbnail is a blur", async () => {
    const letters = '<path fill="#2a6b3c" d="M2 2h8v16H2zM20 2h8v16h-8zM100 2h18v16h-18z"/>';
    await use("strip.png", letters, 1200, 200);
    expect(oxalis(folder, "check", "3-acre").err).toMatch(
      /strip\.png is lettering, 7\.\d times as wide as high.*less than 6 points high/,
    );
    // What is on the badge is cut out of it.
    await use("badge.png", '<circle cx="45" cy="45" r="44" fill="#2a6b3c"/><path fill="#fc3" d="M30 20h30v50H30z"/>');
    expect(oxalis(folder, "check", "3-acre").err).not.toContain("art-blank");
    await sharp({ create: { width: 60, height: 60, channels: 4, background: "#0000" } })
      .composite([{ input: { create: { width: 40, height: 30, channels: 4, background: "#2a6b3c" } } }])
      .png()
      .toFile(art("tiny.png"));
    edit(folder, brief, (text) => text.replace("art/badge.png", "art/tiny.png"));
    expect(oxalis(folder, "check", "3-acre").err).toMatch(/error {2}.*tiny\.png is 60 × 60 pixels/);
    expect(oxalis(folder, "generate", "3-acre").code).toBe(1);
    expect(existsSync(join(folder, "variants/3-acre"))).toBe(false);
  });
});

test("a label that cutting left of a name is told; so is a hand in which a language's people would not write", () => {
  const named = (name: string, locale: string) => {
    edit(folder, brief, (text) =>
      text.replace(/^( *)name: .*/m, `$1name: ${name}`).replace(/^locale: .*/m, `locale: ${locale}`),
    );
    return oxalis(folder, "check", "3-acre").err;
  };
  edit(folder, brief, (text) => (/^locale:/m.test(text) ? text : `locale: en\n${text}`).replace(/^ *label: .*\n/m, ""));
  expect(named("Wochenmarktgesellschaft", "de")).toMatch(
    /there is room for "Wochenmar\." alone, of "Wochen.*: that is cut, and may be no name\. +\[label-short\]/,
  );
  expect(named("Three Acre Greens", "en")).not.toContain("label-short");
  expect(named("سبزی منڈی", "ur")).toMatch(/lettered in Noto Sans Arabic, .* Nastaliq\. +\[lettering-hand\]/);
  expect(named("سوق الخضار", "ar")).not.toContain("lettering-hand");
});

test("a name that no font letters is told, with its letters; the client's own font letters it, a broken one is told", async () => {
  edit(folder, brief, (text) => text.replace("3 Acre Greens", "三畝農場"));
  expect(oxalis(folder, "check", "3-acre").err).toContain("no font at hand has 三 畝 農 場.");
  edit(folder, brief, (text) => text.replace("三畝農場", "สวนผัก"));
  expect(oxalis(folder, "check", "3-acre").err).not.toContain("name-unlettered");
  writeFileSync(art("brand.ttf"), "no font");
  edit(folder, brief, (text) => text.replace("  mark:", "  font: art/brand.ttf\n  mark:"));
  expect(oxalis(folder, "check", "3-acre").err).toMatch(/brand\.ttf is no font that can be read\..*font-unreadable/);
  writeFileSync(art("brand.ttf"), fontFile("Thai"));
  expect(oxalis(folder, "check", "3-acre").code).toBe(0);
  expect(oxalis(folder, "explain", "3-acre").out).toMatch(/art\.font +clients\/3-acre\/art\/brand\.ttf|art\.font/);
  edit(folder, brief, (text) => text.replace("art/brand.ttf", "../saltmarsh/brand.ttf"));
  expect(oxalis(folder, "check", "3-acre").err).toContain("lies outside 3-acre's folder");
});

test("an agency's font letters the names of all, from the workspace's own folder", () => {
  edit(folder, brief, (text) => text.replace("3 Acre Greens", "三畝農場"));
  writeFileSync(join(folder, "brand.ttf"), fontFile("Thai"));
  edit(folder, "oxalis.yaml", (text) => text.replace(/^defaults:$/m, "defaults:\n  art: { font: brand.ttf }"));
  const before = oxalis(folder, "check", "3-acre");
  expect(before.err).toContain("no font at hand has 三");
  expect(oxalis(folder, "explain", "3-acre").out).toContain("the agency's default for all");
  edit(folder, "oxalis.yaml", (text) => text.replace("brand.ttf", "none.ttf"));
  expect(oxalis(folder, "check", "3-acre").err).toContain("none.ttf is not there");
});

test("a place that template.yaml fills in two ways is told with both lines; twice alike it is one", () => {
  const fill = (pattern: string) => `  - { file: web/style.css, at: --brand, with: "${pattern}" }\n`;
  const given = (...patterns: string[]) => {
    const own = workspaceWith(["3-acre"]);
    edit(own, "template.yaml", (text) =>
      text
        .replace("fill:\n", `fill:\n${patterns.map(fill).join("")}`)
        .replace(/ {2}- file: web\/style\.css\n.*\n.*\n/g, ""),
    );
    return oxalis(own, "check", "3-acre");
  };
  expect(given("{colors.brand}", "{colors.brand}").code).toBe(0);
  const { code, err } = given("{colors.brand}", "{colors.text}");
  expect(code).toBe(1);
  expect(err).toContain("[fill-overlaps]");
  expect(err).toMatch(/template\.yaml:\d+:\d+[\s\S]*the other stands in line \d+/);
});
