import { cpSync, existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { oxalis, temporaryFolder } from "../support/oxalis.ts";
import { kelp, languages, rivers } from "./clients.ts";
import { expectSpoken, expectVariant, type Table } from "./expect.ts";
import * as kinds from "./render.ts";
import * as tables from "./tables.ts";
import { made, pictures } from "./workspace.ts";

const all = Object.entries(tables) as [keyof typeof tables, Table][];

describe.each(all)("%s", (kind, table) => {
  // biome-ignore lint/performance/noDynamicNamespaceImportAccess: a table and its app have one name.
  const { template, root } = made(kinds[kind]);

  test.each([kelp, rivers])("$key has what the table says, and nothing else is touched", (client) => {
    expectVariant(template, join(root, "variants", client.key), table, client);
    expectSpoken(join(root, "variants", client.key));
  });

  test("the audit asks about what the table says, and nothing more", () => {
    const { out } = oxalis(root, "audit", "--json");
    const { causes } = JSON.parse(out) as { causes: { code: string; places: { file: string }[] }[] };
    // What a reader would call noise is at most this much.
    expect(causes.length).toBeLessThanOrEqual(3);
    expect(
      causes.map(({ code, places }) => `${code} ${[...new Set(places.map(({ file }) => file))].join(" ")}`).sort(),
    ).toEqual([...(table.asks ?? [])].sort());
  });

  test("a second run changes nothing", () => {
    expect(oxalis(root, "generate").out).toContain("0 changed, 2 as before");
  });
});

test("resources of an app whose projects are made at each build: both parts are taken, and names from elsewhere told", () => {
  const root = temporaryFolder();
  kinds.nativeResources(join(root));
  const { code, out, err } = oxalis(root, "init", "--template", ".", "--agency", "Quayside");
  expect([code, out]).toEqual([0, expect.stringMatching(/Android\s+App_Resources\/Android/)]);
  for (const what of ["launcher", "adaptive-foreground", "start-mark"])
    expect(out).toMatch(new RegExp(`Picture ${what}\\s+5 files, drawn anew`));
  expect(err).toMatch(/the label @string\/app_name is nowhere in the template's resources/);
  expect(out).toMatch(/iOS\s+App_Resources\/iOS/);
  for (const [what, count] of Object.entries({ icon: 15, "start-full": 3, "start-mark": 3 }))
    expect(out.slice(out.indexOf("\niOS "))).toMatch(new RegExp(`Picture ${what}\\s+${count} files, drawn anew`));
  expect(err).not.toContain("Not understood");
  const less = temporaryFolder();
  kinds.nativeResources(less);
  for (const file of ["Android/app.gradle", "iOS/Info.plist"]) rmSync(join(less, "App_Resources", file));
  const refused = oxalis(less, "init", "--template", ".", "--agency", "Quayside");
  expect([refused.code, refused.err]).toEqual([1, expect.not.stringContaining("holds no app")]);
  expect(refused.err).toContain("App_Resources/Android/src/main/AndroidManifest.xml: an Android manifest");
  const empty = temporaryFolder();
  cpSync(pictures, join(empty, "art"), { recursive: true });
  expect(oxalis(empty, "init", "--template", ".", "--agency", "Quayside").err).toContain("holds no app");
});

test("whose icon each is, and for whom each name, is told by explain and on the proof page", () => {
  const { root } = made(kinds.xcodeMany);
  const { icons } = JSON.parse(oxalis(root, "explain", rivers.key, "--json").out) as {
    icons: { belongs: string; folder: string }[];
  };
  expect(icons).toEqual([
    { belongs: "Tides Clip: Debug, Release", folder: "Clip/Assets.xcassets/AppIcon.appiconset" },
    { belongs: "Tides Mac: Debug, Release", folder: "Mac/Assets.xcassets/AppIcon.appiconset" },
    { belongs: "Tides Watch: Debug, Release", folder: "Watch/Assets.xcassets/AppIcon.appiconset" },
    { belongs: "Tides: Debug", folder: "Phone/Assets.xcassets/AppIconDebug.appiconset" },
    { belongs: "Tides: Release", folder: "Phone/Assets.xcassets/AppIcon.appiconset" },
  ]);
  expect(oxalis(root, "explain", rivers.key).out).toContain("locale ru  3 Реки");
  expect(oxalis(root, "proof").code).toBe(0);
  const page = readFileSync(join(root, "variants/proof.html"), "utf8");
  for (const { belongs, folder } of icons) {
    expect(page).toContain(`<b>${belongs}</b>`);
    expect(page).toContain(folder);
  }
  expect(page).toContain(`lang="he">${languages.he}<`);
});

test("what a file refers to cannot be left out; a key store that a script names is told", () => {
  const { root, template } = made(kinds.dartLayout);
  const script = join(template, "android/app/build.gradle.kts");
  const before = readFileSync(script, "utf8");
  writeFileSync(
    script,
    before.replace(
      "buildTypes {",
      'signingConfigs { create("own") { storeFile = file("own.jks") } }\n    buildTypes {',
    ),
  );
  writeFileSync(join(template, "android/app/own.jks"), "a key");
  const told = oxalis(root, "generate", kelp.key);
  expect(told.err).toContain("android/app/build.gradle.kts signs with own.jks, and no variant gets it");
  expect(existsSync(join(root, "variants", kelp.key, "android/app/own.jks"))).toBe(false);
  writeFileSync(join(root, "template.yaml"), "leave: [android/app/src/main/res/drawable/launch_background.xml]\n");
  const { code, err } = oxalis(root, "generate");
  expect(code).toBe(1);
  expect(err).toContain("launch_background.xml cannot be left out");
  expect(err).toContain("template.yaml:1:9");
});
