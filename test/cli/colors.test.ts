import { cpSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { edit, oxalis, program, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

test("the template's own colours become a client's, by day and by night, on every platform", () => {
  const root = workspaceWith(["brennans-bothy"]);
  const variant = join(root, "variants/brennans-bothy");
  const read = (file: string) => readFileSync(join(variant, file), "utf8");
  edit(root, "template.yaml", (yaml) => yaml.replace("  line: line", "  line: line\n  house: soft\n  lid-paint: page"));
  edit(root, "clients/brennans-bothy/brief.yaml", (yaml) => yaml.replace("colors:", 'colors:\n  pageDark: "#0b0b0b"'));
  expect(oxalis(root, "generate", "-q")).toMatchObject({ code: 0 });
  expect(oxalis(root, "audit")).toMatchObject({ code: 0 });

  const css = read("web/style.css");
  expect([...css.matchAll(/--(paper|ink): (#\w+);/g)].map(([, name, hex]) => `${name} ${hex}`)).toEqual([
    "ink #082019",
    "paper #f6f9f8",
    "ink #dde7e3",
    "paper #0b0b0b",
  ]);
  const colors = (file: string) =>
    [...read(`android/app/src/main/res/${file}`).matchAll(/<color name="(\w+)">(#\w+)</g)].map(
      ([, name, hex]) => `${name} ${hex}`,
    );
  expect(colors("values/paint.xml")).toContain("house #dde7e3");
  expect(colors("values/paint.xml")).toContain("lid_paint #f6f9f8");
  // What has no form for the night gets one, and none of them twice.
  const nights = [...colors("values-night/night_colors.xml"), ...colors("values-night/night_roles.xml")];
  expect(nights.sort()).toEqual(["house #143b30", "lid_paint #0b0b0b"]);
  const [light, dark] = JSON.parse(read("ios/Storefront/Stall.xcassets/House.colorset/Contents.json")).colors;
  expect([light.color.components.green, dark.color.components.green].map(Number)).toEqual([0.906, 59]);
  if (hasTool("aapt2"))
    tool("aapt2", ["compile", "--dir", join(variant, "android/app/src/main/res"), "-o", join(root, "r.zip")]);
});

test("a colour that the template does not have is shown where it is named", () => {
  const root = workspaceWith(["brennans-bothy"]);
  edit(root, "template.yaml", (yaml) => yaml.replace("  paper: page", "  papper: page"));
  const { code, err } = oxalis(root, "generate");
  expect(code).toBe(1);
  expect(err).toMatch(/No colour of the template is called "papper"[\s\S]*template\.yaml:\d+:3/);
});

test("init names the template's own colours, and writes them down to be given a part", () => {
  const root = temporaryFolder();
  cpSync(join(program, "../../demo/template"), join(root, "app"), { recursive: true });
  // Neither a number nor a word is a colour, and a style sheet in another encoding is none of init's business.
  edit(root, "app/web/style.css", (css) => `:root { --columns: 333; --mood: bad; }\n${css}`);
  writeFileSync(join(root, "app/web/old.css"), Buffer.from(":root { --caf\xe9: #123456; }", "latin1"));
  const { code, out } = oxalis(root, "init", "--template", "app", "--agency", "Q");
  expect(code).toBe(0);
  const [, told = ""] = /Colours of its own.*\n([\s\S]*?)\n\n/.exec(out) ?? [];
  expect(told.split("\n").map((line) => line.trim().split(/ {2,}/).slice(0, 2))).toEqual([
    ["line", "#1F000000"],
    ["--brand-text", "#ffffff"],
    ["--ink", "#22262b"],
    ["--paper", "#ffffff"],
  ]);
  expect(readFileSync(join(root, "template.yaml"), "utf8")).toContain("# colors:\n#   line:\n#   --brand-text:\n");
});

test("a page that has start pictures for dark screens gets them, on the dark ground; the others say that they are light", async () => {
  const folder = workspaceWith(["3-acre"]);
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[web]"));
  edit(folder, "clients/3-acre/brief.yaml", (text) =>
    text.replace(/colors:.*\n/, (line) => `${line}  startDark: "#102030"\n`),
  );
  edit(folder, "template/web/index.html", (text) =>
    text.replace(
      "</head>",
      '<link rel="apple-touch-startup-image" media="(prefers-color-scheme: dark)" href="x.png"></head>',
    ),
  );
  expect(oxalis(folder, "generate")).toMatchObject({ code: 0 });
  const page = readFileSync(join(folder, "variants/3-acre/web/index.html"), "utf8");
  const links = [...page.matchAll(/startup-image" media="([^"]*)" href="([^"]*)"/g)];
  const dark = links.filter(([, media = ""]) => media.includes("(prefers-color-scheme: dark)"));
  expect([links.length, dark.length, page.match(/color-scheme: light/g)?.length]).toEqual([88, 44, 44]);
  const [, , picture = ""] = dark[0] ?? [];
  const { data } = await sharp(join(folder, "variants/3-acre/web", picture))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([...data.subarray(0, 3)]).toEqual([0x10, 0x20, 0x30]);
});
