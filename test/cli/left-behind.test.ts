import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";

/** A workspace whose template is these files alone, for desktops. */
async function desktop(files: Readonly<Record<string, string>>, clients: readonly string[]): Promise<string> {
  const folder = workspaceWith(clients);
  rmSync(join(folder, "template"), { recursive: true });
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, "template", file)), { recursive: true });
    writeFileSync(join(folder, "template", file), text);
  }
  await sharp({ create: { width: 512, height: 512, channels: 4, background: "#335577" } })
    .png()
    .toFile(join(folder, "template/icon.png"));
  writeFileSync(join(folder, "template.yaml"), "names: [Plain Crate]\n");
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[desktop]"));
  return folder;
}

const shell = {
  "package.json": JSON.stringify({
    name: "crate",
    version: "1.0.0",
    main: "main.js",
    devDependencies: { electron: "30.0.0" },
  }),
  "main.js": "",
};

test("installers of two clients' apps do not remove each other: each has a GUID of its own, the same each time", async () => {
  const guid = "9d6c0bb2-3f58-4d61-9f4e-0f7f2f5a2f00";
  const settings = { appId: "com.crate.desk", productName: "Plain Crate", icon: "icon.png", nsis: { guid } };
  const folder = await desktop({ ...shell, "electron-builder.json": JSON.stringify(settings, null, 2) }, [
    "3-acre",
    "ferme-duclos",
  ]);
  const guids = () =>
    ["3-acre", "ferme-duclos"].map((key) => {
      const { nsis } = JSON.parse(readFileSync(join(folder, "variants", key, "electron-builder.json"), "utf8"));
      return nsis.guid;
    });
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  const [first, second] = guids();
  for (const each of [first, second])
    expect(each).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set([first, second, guid]).size).toBe(3);
  rmSync(join(folder, "variants"), { recursive: true });
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  expect(guids()).toEqual([first, second]);
});

test.each([
  ['    resConfigs("en", "xxhdpi")\n', ["fr, ar"]],
  ['    androidResources { localeFilters += listOf("en", "fr-rFR", "ar") }\n', []],
  ["    minSdk = 24\n", []],
])("a build that keeps some languages alone tells which of a client's it drops: %s", (line, dropped) => {
  const folder = workspaceWith(["ferme-duclos"]);
  edit(folder, "template/android/app/build.gradle.kts", (text) =>
    text.replace("defaultConfig {\n", `defaultConfig {\n${line} `),
  );
  const { clients } = JSON.parse(oxalis(folder, "check", "--json").out);
  const told = clients[0].problems.filter(({ code }: { code: string }) => code === "language-dropped");
  expect(told.map(({ message }: { message: string }) => /texts in (.+?) are/.exec(message)?.[1])).toEqual(dropped);
  if (dropped.length > 0) expect(told[0].place.file).toBe("template/android/app/build.gradle.kts");
});

test("an image set of SVGs has SVGs of the client's; one of a form that nobody draws keeps its picture, and is told", () => {
  const folder = workspaceWith(["3-acre"]);
  const set = "ios/Storefront/Stall.xcassets/OpeningMark.imageset";
  const inSet = (name: string) => join(folder, "template", set, name);
  for (const name of readdirSync(inSet("."))) rmSync(inSet(name));
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="120" height="120"><circle cx="60" cy="60" r="50" fill="#a00"/></svg>';
  const files = ["one.svg", "two.svg", "three.svg"];
  for (const name of files) writeFileSync(inSet(name), svg);
  const images = files.map((filename, at) => ({ idiom: "universal", scale: `${at + 1}x`, filename }));
  const list = (all: readonly object[]) =>
    writeFileSync(inSet("Contents.json"), JSON.stringify({ images: all, info: { version: 1, author: "xcode" } }));
  list(images);
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  const made = (name: string) => readFileSync(join(folder, "variants/3-acre", set, name), "utf8");
  for (const name of files) {
    expect(made(name)).toContain("<svg");
    expect(made(name)).not.toBe(svg);
  }
  expect(oxalis(folder, "audit").code).toBe(0);
  writeFileSync(inSet("old.pdf"), "%PDF-1.4\n");
  list([...images.slice(0, 2), { idiom: "universal", scale: "3x", filename: "old.pdf" }]);
  rmSync(inSet("three.svg"));
  expect(oxalis(folder, "check").err).toContain("old.pdf is of a form that nobody here draws");
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  expect(made("old.pdf")).toContain("%PDF");
});
