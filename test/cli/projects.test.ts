import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { describe, expect, test } from "vitest";
import { aroundFiles } from "../support/around-files.ts";
import { isDrawn, made, picture, settle } from "../support/made.ts";
import { oxalis, temporaryFolder } from "../support/oxalis.ts";

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

test("a folder of resources beside the usual one takes nothing from that", async () => {
  const { root } = aroundFiles({
    "app/build.gradle": [
      "apply plugin: 'com.android.application'\nandroid {\n  defaultConfig {\n    applicationId 'org.crates.app'\n  }",
      "  sourceSets {\n    main {\n      res.srcDirs += 'more/res'\n    }\n  }\n}\n",
    ].join("\n"),
    "app/src/main/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android">
  <application android:label="@string/lid" android:icon="@mipmap/lid"/>\n</manifest>\n`,
    "app/src/main/res/mipmap-hdpi/lid.png": await picture(72),
    "app/src/main/res/values/texts.xml": '<resources><string name="lid">Plain Crate</string></resources>\n',
    "app/more/res/values/help.xml": '<resources><string name="help">Plain Crate helps</string></resources>\n',
  });
  expect(made(root, "app/src/main/res/values/texts.xml")).toContain(">Kelp<");
  expect(isDrawn(root, "app/src/main/res/mipmap-hdpi/lid.png")).toBe(true);
  expect(made(root, "app/more/res/values/help.xml")).toContain("Kelp");
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
