import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { parse } from "yaml";
import { follow } from "../support/advice.ts";
import { aroundFiles } from "../support/around-files.ts";
import { oxalis, temporaryFolder } from "../support/oxalis.ts";

/** A picture that shows something, so many pixels wide. */
const picture = (side: number) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8" width="${side}" height="${side}">
      <path fill="#24507a" d="M0 0h8v8H0z"/><circle cx="4" cy="4" r="3" fill="#fd4"/><path d="M2 4h2v3H2z"/></svg>`,
    ),
  )
    .png()
    .toBuffer();

const made = (root: string, file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
const before = (root: string) => join(root, "app");
const isDrawn = (root: string, picture: string) =>
  !readFileSync(join(root, "variants/kelp", picture)).equals(readFileSync(join(before(root), picture)));

/** Follows the audit's advice, and generates. */
function settle(root: string): void {
  follow(root, JSON.parse(oxalis(root, "audit", "--json").out).causes);
  expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
}

describe("a game engine's project", () => {
  test("of which an editor makes the native ones is the client's, its icons by the numbers beside them", async () => {
    const [icon, below, above, start] = ["1", "2", "3", "a"].map((digit) => digit.repeat(32));
    const settings = `%YAML 1.1
%TAG !u! tag:unity3d.com,2011:
--- !u!129 &1
PlayerSettings:
  companyName: Tinwhistle Games
  productName: Marble Run
  m_SplashScreenBackgroundColor: {r: 0.13725491, g: 0.12156863, b: 0.1254902, a: 1}
  bundleVersion: 1.10
  applicationIdentifier:
    Android: com.tinwhistle.marblerun
    iPhone: com.tinwhistle.marblerun
  buildNumber:
    iPhone: 12
  AndroidBundleVersionCode: 12
  appleDeveloperTeamID: A1B2C3D4E5
  AndroidKeystoreName: '{inproject}: keys/tinwhistle.keystore'
  androidSplashScreen: {fileID: 2800000, guid: ${start}, type: 3}
  m_BuildTargetIcons:
  - m_BuildTarget: 
    m_Icons:
    - m_Icon: {fileID: 2800000, guid: ${icon}, type: 3}
    - m_Icon: {fileID: 10404, guid: 0000000000000000f000000000000000, type: 0}
    - m_Icon: {fileID: 2800000, guid: ${"9".repeat(32)}, type: 3}
  m_BuildTargetPlatformIcons:
  - m_BuildTarget: Android
    m_Icons:
    - m_Textures:
      - {fileID: 2800000, guid: ${below}, type: 3}
      - {fileID: 2800000, guid: ${above}, type: 3}
  cameraUsageDescription: Marble Run takes pictures of marbles.
`;
    const art = { icon, below, above, start } as Record<string, string>;
    const pictures = await Promise.all(
      Object.entries(art).map(async ([name, number]) => ({
        [`Assets/Art/${name}.png`]: await picture(192),
        [`Assets/Art/${name}.png.meta`]: `fileFormatVersion: 2\nguid: ${number}\n`,
      })),
    );
    const { root, started } = aroundFiles({
      ...Object.assign({}, ...pictures),
      "ProjectSettings/ProjectSettings.asset": settings,
      "Assets/Share.cs": 'class Share {\n  void Start() { Debug.Log("Marble Run"); }\n}\n',
    });
    expect(started.err).toContain("signs with {inproject}: keys/tinwhistle.keystore, and no variant gets it");
    expect(started.err).not.toContain("icon");
    expect(started.err.match(/named by the number \d+/g)).toEqual([`named by the number ${"9".repeat(32)}`]);
    const file = "ProjectSettings/ProjectSettings.asset";
    const own = parse(made(root, file), { logLevel: "error" }).PlayerSettings;
    expect(own).toMatchObject({
      ...{ companyName: "Kelp & O'Hara Ltd", bundleVersion: "2.5.1", AndroidBundleVersionCode: 1 },
      applicationIdentifier: { Android: "example.kelp.kelpandohara", iPhone: "example.kelp.kelpandohara" },
      cameraUsageDescription: "Marble Run takes pictures of marbles.",
      androidSplashScreen: { guid: start },
    });
    expect(own.productName).not.toContain("Marble");
    expect(own.m_SplashScreenBackgroundColor.r).not.toBe(0.13725491);
    for (const name of Object.keys(art)) expect([name, isDrawn(root, `Assets/Art/${name}.png`)]).toEqual([name, true]);
    const { err } = oxalis(root, "audit");
    expect(err).toContain("at: PlayerSettings.cameraUsageDescription");
    expect(err).toContain('"A1B2C3D4E5", which is the template\'s');
    expect(err).not.toContain("Share.cs"); // developers read logs
    settle(root);
    expect(parse(made(root, file), { logLevel: "error" }).PlayerSettings.cameraUsageDescription).toBe(
      "Kelp & O'Hara takes pictures of marbles.",
    );
  });

  test("that its engine packs by itself is the client's, whatever its settings are called", async () => {
    const { root } = aroundFiles({
      "game.project": `[project]
title = Marble Run
version = 1.4.2
publisher = Tinwhistle Games

[android]
package = com.tinwhistle.run
version_code = 14
app_icon_72x72 = /icons/72.png

[osx]
bundle_identifier = com.tinwhistle.run
`,
      "main/main.script": 'function init(self) -- Marble Run\n  label.set_text("#t", "Come to Marble Run")\nend\n',
      "icons/72.png": await picture(72),
    });
    expect(made(root, "game.project")).toBe(`[project]
title = Kelp
version = 2.5.1
publisher = Kelp & O'Hara Ltd

[android]
package = example.kelp.kelpandohara
version_code = 1
app_icon_72x72 = /icons/72.png

[osx]
bundle_identifier = example.kelp.kelpandohara
`);
    expect(isDrawn(root, "icons/72.png")).toBe(true);
    settle(root);
    expect(made(root, "main/main.script")).toContain(
      `-- Marble Run\n  label.set_text("#t", "Come to Kelp & O\\'Hara")`,
    );
    expect(oxalis(root, "audit").err).toBe("");
  });

  test("of which an editor notes what each platform gets is the client's; whose keys sign it is told", async () => {
    const { root, started } = aroundFiles({
      "Run.uproject": '{ "FileVersion": 3, "Modules": [{ "Name": "MarbleRun" }] }\n',
      "Config/DefaultGame.ini": `[/Script/EngineSettings.GeneralProjectSettings]
ProjectName=Marble Run
CompanyName=Tinwhistle Games
Homepage=https://tinwhistle.example
ProjectVersion=1.4.2
`,
      "Config/DefaultEngine.ini": `[/Script/AndroidRuntimeSettings.AndroidRuntimeSettings]
PackageName=com.tinwhistle.[PROJECT]
StoreVersion=14
KeyStore=tinwhistle.keystore

[/Script/IOSRuntimeSettings.IOSRuntimeSettings]
BundleDisplayName=Marble Run
BundleIdentifier=com.tinwhistle.run
IOSTeamID=A1B2C3D4E5
`,
      "Build/Android/res/drawable-hdpi/icon.png": await picture(72),
      "Build/IOS/Resources/Graphics/Icon1024.png": await picture(1024),
    });
    expect(started.err).toContain("signs with tinwhistle.keystore, and no variant gets it");
    expect(made(root, "Config/DefaultGame.ini")).toContain(
      "ProjectName=Kelp & O'Hara\nCompanyName=Kelp & O'Hara Ltd\nHomepage=https://kelp.example\nProjectVersion=2.5.1\n",
    );
    expect(made(root, "Config/DefaultEngine.ini")).toMatch(
      /PackageName=example.kelp.kelpandohara\nStoreVersion=1\n[\s\S]*DisplayName=Kelp\nBundleIdentifier=example.kelp.kelp/,
    );
    for (const file of ["Build/Android/res/drawable-hdpi/icon.png", "Build/IOS/Resources/Graphics/Icon1024.png"])
      expect([file, isDrawn(root, file)]).toEqual([file, true]);
    const { err } = oxalis(root, "audit");
    expect([err.match(/^error/gm)?.length, err]).toEqual([1, expect.stringContaining('"A1B2C3D4E5"')]);
  });

  test("has colours, start pictures and pages that are the client's; whose key signs it is told", async () => {
    const { root, started } = aroundFiles({
      "project.godot":
        'config_version=5\n\n[application]\n\nconfig/name="Marble Run"\nboot_splash/bg_color=Color(0.1, 0.2, 0.3, 1)\n',
      "start@2x.png": await picture(200),
      "page.png": await picture(144),
      "export_presets.cfg": [
        '[preset.0]\n\nplatform="iOS"\n\n[preset.0.options]\n\napplication/bundle_identifier="com.tinwhistle.run"',
        'storyboard/custom_image@2x="res://start@2x.png"\nstoryboard/custom_bg_color=Color(0.1, 0.2, 0.3, 1)\n',
        '[preset.1]\n\nplatform="Web"\n\n[preset.1.options]\n\nprogressive_web_app/icon_144x144="res://page.png"\n',
        '[preset.2]\n\nplatform="Android"\n\n[preset.2.options]\n\npackage/unique_name="com.tinwhistle.run"',
        'keystore/release="/home/ada/tinwhistle.keystore"\n',
      ].join("\n"),
    });
    expect(started.err).toContain("Android: export_presets.cfg signs with /home/ada/tinwhistle.keystore");
    const ground = /bg_color=(Color\([\d.]+, [\d.]+, [\d.]+, 1\))\n/.exec(made(root, "project.godot"))?.[1];
    expect(ground).not.toBe("Color(0.1, 0.2, 0.3, 1)");
    expect(made(root, "export_presets.cfg")).toContain(`custom_bg_color=${ground}\n`);
    for (const file of ["start@2x.png", "page.png"]) expect([file, isDrawn(root, file)]).toEqual([file, true]);
  });
});

describe("an Android app whose build takes its sources from elsewhere", () => {
  const manifest = (label: string, icon: string) =>
    `<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="org.crates.app"
    android:versionName="1.4" android:versionCode="4">
    <application android:label="${label}" android:icon="${icon}">
        <activity android:name=".Start"><intent-filter><action android:name="android.intent.action.MAIN"/>
            <category android:name="android.intent.category.LAUNCHER"/></intent-filter></activity>
    </application>
</manifest>\n`;

  test.each([
    ["a block", "manifest.srcFile 'AndroidManifest.xml'\n      res.srcDirs = [libDir + '/res', 'res']", "main {", "}"],
    ["a path", "res.srcDir('res')\n manifest { srcFile('AndroidManifest.xml') }", 'getByName("main") {', "}"],
    [
      "a line",
      "sourceSets['main'].manifest.srcFile \"$projectDir/AndroidManifest.xml\"",
      "",
      "main.res.srcDirs += 'res'",
    ],
  ])("is the client's, manifest and resources: %s", async (_, sets, opens, closes) => {
    const { root, started } = aroundFiles({
      "android/build.gradle": [
        "apply plugin: 'com.android.application'\nandroid {\n  defaultConfig {\n    minSdkVersion 23\n  }",
        opens === "" ? `}\nandroid.${sets}\nandroid { sourceSets {` : `  sourceSets {\n    ${opens}\n      ${sets}`,
        `    ${closes}\n  }\n}\n`,
      ].join("\n"),
      "android/AndroidManifest.xml": manifest("-- %%INSERT_APP_NAME%% --", "@drawable/icon"),
      "android/src/org/crates/Start.java": "package org.crates;\npublic class Start { }\n",
      "android/res/drawable-hdpi/icon.png": await picture(72),
      "android/res/values/strings.xml": '<resources><string name="about">Crates helps</string></resources>\n',
      "CMakeLists.txt": 'set(CPACK_BUNDLE_NAME "Crates")\nproject(crates)\n',
    });
    expect(started.err).not.toContain("no Gradle build script");
    expect(made(root, "android/AndroidManifest.xml")).toMatch(
      /versionName="2.5.1" android:versionCode="1"[\s\S]*android:label="Kelp"/,
    );
    expect(made(root, "android/build.gradle")).toContain('applicationId = "example.kelp.kelpandohara"');
    expect(isDrawn(root, "android/res/drawable-hdpi/icon.png")).toBe(true);
    expect(made(root, "android/res/values/strings.xml")).toContain("Kelp &amp; O\\'Hara helps");
  });
});

test("a program's icon that is named without its ending is drawn in each form that is there", async () => {
  const { root, started } = aroundFiles({
    "package.json": '{ "name": "marble-run", "productName": "Marble Run", "version": "1.4.2", "main": "main.js" }\n',
    "main.js": "",
    "forge.config.js": "module.exports = { packagerConfig: { name: 'Marble Run', icon: './assets/icon' } };\n",
    "assets/icon.png": await picture(512),
  });
  expect(started.err).not.toContain("nothing names the program's icon");
  expect(isDrawn(root, "assets/icon.png")).toBe(true);
});

test("what an installer knows a program by is each client's own, wherever an installer says it", async () => {
  const guid = "7d7b1c2e-7b0e-4b8f-9f6c-0e5e2c8c7a11";
  const upper = guid.toUpperCase().replace("7D7B", "8E8C");
  const files = {
    "setup.iss": `[Setup]\nAppId={{${upper}}\nAppName=Crates\n`,
    "wix/Product.wxs": `<Wix><Product Id="*" Name="Crates" UpgradeCode="${guid}" /></Wix>\n`,
    "build.gradle.kts": `compose.desktop {\n  windows {\n    upgradeUuid = "${guid}"\n  }\n}\n`,
    "other.json": '{ "upgradeCode": "00000000-0000-0000-0000-000000000000" }\n', // nobody's
  };
  const { root } = aroundFiles({
    ...files,
    "package.json": '{ "name": "crates", "productName": "Crates", "version": "1.4.2", "main": "main.js" }\n',
    "main.js": "",
    "icon.png": await picture(64),
  });
  const { code, err } = oxalis(root, "audit");
  expect([code, err]).toEqual([1, expect.stringContaining(upper)]);
  expect(err).not.toContain("00000000-");
  settle(root);
  const own = Object.keys(files)
    .filter((file) => !file.endsWith(".json"))
    .map((file) => /[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/i.exec(made(root, file))?.[0]);
  expect([new Set(own).size, own.includes(guid) || own.includes(upper)]).toEqual([1, false]);
  expect(made(root, "setup.iss")).toContain(`AppId={{${own[0]}}\n`);
  expect(oxalis(root, "audit").err).not.toMatch(new RegExp(`${guid}|${upper}`, "i"));
});

test("the version that an installer says is each client's; one that is not the app's stays, and is told", async () => {
  const { root, started } = aroundFiles({
    "setup.iss": '#define MyAppVersion "1.4.2"\n\n[Setup]\nAppVerName=Crates 1.4.2\nVersionInfoVersion=1.4.2.0\n',
    "old.iss": '#define MyAppVersion "0.9"\n[Setup]\nAppVersion={#MyAppVersion}\nMinVersion=10.0\n',
    "crates.nsi": '!define PRODUCT_VERSION "1.4.2"\nVIProductVersion "1.4.2.0"\n!define NSIS_MIN "3.0"\n',
    "Product.wxs": '<Wix>\n<Product Id="*"\n  Version="1.4.2">\n<Package InstallerVersion="200" /></Product></Wix>\n',
    "vendor/redist.nsi": '!define PRODUCT_VERSION "14.2"\n',
    "package.json": '{ "name": "crates", "productName": "Crates", "version": "1.4.2", "main": "main.js" }\n',
    "main.js": "",
    "icon.png": await picture(64),
  });
  expect(made(root, "setup.iss")).toMatch(
    /MyAppVersion "2.5.1"[\s\S]*AppVerName=.* 2.5.1\nVersionInfoVersion=2.5.1.0\n/,
  );
  expect(made(root, "crates.nsi")).toBe(
    '!define PRODUCT_VERSION "2.5.1"\nVIProductVersion "2.5.1.0"\n!define NSIS_MIN "3.0"\n',
  );
  expect(made(root, "Product.wxs")).toMatch(/Version="2.5.1">\n<Package InstallerVersion="200"/);
  expect(started.err.match(/version \S+ is said here/g)).toEqual(["version 0.9 is said here"]);
  expect(made(root, "old.iss")).toContain('"0.9"');
});

test("a template of which nothing says a name is called clean only when somebody gave one", async () => {
  const { root, started } = aroundFiles({
    "index.html":
      '<!DOCTYPE html>\n<html>\n<head><link rel="icon" href="i.png"></head>\n<body>Marble Run</body></html>\n',
    "i.png": await picture(64),
  });
  expect(started.err).toContain("No file of the template says what it is called");
  expect(oxalis(root, "audit")).toMatchObject({ code: 1, err: expect.stringContaining("[name-unknown]") });
  writeFileSync(join(root, "template.yaml"), "names: [Marble Run]\n");
  const { err } = oxalis(root, "audit");
  expect(err).toContain('"Marble Run"');
  expect(err).not.toContain("name-unknown");
});

test("a part's version is not the program's, which is said number by number", () => {
  const numbers = "set(CRATES_VERSION_MAJOR 0)\nset(CRATES_VERSION_MINOR 5)\nset(CRATES_VERSION_PATCH 6)\n";
  const { root } = aroundFiles({
    "CMakeLists.txt": `project(crates)\n${numbers}`,
    "crates.desktop": "[Desktop Entry]\nType=Application\nName=Crates\nExec=crates\n",
    "tools/shp/configure.ac": "AC_INIT(shp, 0.69, ada@example.org)\n",
    "tools/own/meson.build": "project('crates', version: '0.5.6')\n",
  });
  expect(made(root, "CMakeLists.txt")).toContain("MAJOR 2)\nset(CRATES_VERSION_MINOR 5)\nset(CRATES_VERSION_PATCH 1)");
  expect(made(root, "tools/shp/configure.ac")).toContain("0.69");
  expect(made(root, "tools/own/meson.build")).toContain("2.5.1");
});

test.each([
  ["pyproject.toml", '[tool.briefcase]\nproject_name = "Marble Run"\n', "made by a command: make them, and keep them"],
  ["build.settings", "settings =\n{\n}\n", "Oxalis knows none of its places"],
  ["AppScope/app.json5", "{ app: {} }\n", "an app for HarmonyOS"],
  ["manifest.json", '{ "manifest_version": 3, "name": "Marble Run" }\n', "an add-on of a browser"],
])("what is none of the apps that Oxalis knows is told as what it is: %s", (name, text, says) => {
  const root = temporaryFolder();
  mkdirSync(dirname(join(root, "app", name)), { recursive: true });
  writeFileSync(join(root, "app", name), text);
  const { code, err } = oxalis(root, "init", "--template", "app", "--agency", "Quayside");
  expect([code, err]).toEqual([1, expect.stringContaining(`${name}: `)]);
  expect(err).toContain(says);
});
