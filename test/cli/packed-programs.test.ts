import { expect, test } from "vitest";
import { aroundFiles } from "../support/around-files.ts";
import { isDrawn, made, picture, settled, widthOf } from "../support/made.ts";
import { oxalis } from "../support/oxalis.ts";

test("what a server's pages are wrapped with is the client's, its icons by the settings' own names", async () => {
  const { root } = aroundFiles({
    "mobile-config.js": `App.info({
  id: 'com.tinwhistle.marble',
  name: 'Marble Run',
  author: 'Tinwhistle Games',
  email: 'help@tinwhistle.example',
  website: 'https://tinwhistle.example',
  version: '1.4.2',
});

App.icons({
  'app_store': 'resources/1024.png',
  'android_mdpi': 'resources/48.png',
});
`,
    "package.json": '{ "name": "marble", "private": true }\n',
    "resources/1024.png": await picture(1024),
    "resources/48.png": await picture(48),
    "client/main.html": "<head>\n  <title>Marble Run</title>\n</head>\n",
  });
  expect(made(root, "mobile-config.js")).toContain(`App.info({
  id: 'example.kelp.kelpandohara',
  name: 'Kelp',
  author: 'Kelp & O\\'Hara Ltd',
  email: 'hello@kelp.example',
  website: 'https://kelp.example',
  version: '2.5.1',
});`);
  for (const [file, side] of [
    ["resources/1024.png", 1024],
    ["resources/48.png", 48],
  ] as const)
    expect([isDrawn(root, file), await widthOf(root, file)]).toEqual([true, side]);
  expect(settled(root)).toBe("");
  expect(made(root, "client/main.html")).toContain("<title>Kelp &amp; O");
});

test("an app within an office's programs, or packed by a service, is the client's; what they gave is told", async () => {
  const office = aroundFiles({
    "pack/manifest.json": `{
  "manifestVersion": "1.17", "version": "1.4.2", "id": "7d7b1c2e-7b0e-4b8f-9f6c-0e5e2c8c7a11",
  "developer": { "name": "Tinwhistle Games", "websiteUrl": "https://tinwhistle.example" },
  "name": { "short": "Marble Run", "full": "Marble Run for Teams" },
  "icons": { "color": "color.png", "outline": "outline.png" }, "accentColor": "#24507A",
  "staticTabs": [{ "entityId": "home", "contentUrl": "https://tinwhistle.example/tab" }],
  "validDomains": ["tinwhistle.example"],
  "webApplicationInfo": { "id": "1c2e7d7b-7b0e-4b8f-9f6c-0e5e2c8c7a11" }
}
`,
    "pack/color.png": await picture(192),
    "pack/outline.png": await picture(32),
  });
  expect(office.started.err).toContain("1c2e7d7b-7b0e-4b8f-9f6c-0e5e2c8c7a11 is given to one app by the directory");
  const manifest = JSON.parse(made(office.root, "pack/manifest.json"));
  expect(manifest).toMatchObject({
    ...{ version: "2.5.1", validDomains: ["kelp.example"], accentColor: "#1f5d4c" },
    name: { short: "Kelp", full: "Kelp for Teams" },
    developer: { name: "Kelp & O'Hara Ltd", websiteUrl: "https://kelp.example" },
    staticTabs: [{ contentUrl: "https://kelp.example/tab" }],
  });
  expect(manifest.id).not.toContain("7d7b1c2e");
  for (const file of ["pack/color.png", "pack/outline.png"]) expect(isDrawn(office.root, file)).toBe(true);
  expect(oxalis(office.root, "audit").err).toBe("");

  const { root, started } = aroundFiles({
    "manifest.json": `{ "name": "Marble Run", "appid": "__UNI__A1B2C3D", "versionName": "1.4.2", "versionCode": "14",
  "app-plus": { "distribute": { "android": { "packagename": "com.tinwhistle.run" }, "ios": { "appid": "com.tinwhistle.run" },
    "icons": { "android": { "hdpi": "static/72.png" } } } }, "h5": { "title": "Marble Run" } }\n`,
    "static/72.png": await picture(72),
  });
  expect(started.err).toContain("__UNI__A1B2C3D is given to one app by the service that packs it");
  expect(JSON.parse(made(root, "manifest.json"))).toMatchObject({
    ...{ name: "Kelp", versionName: "2.5.1", versionCode: "1", h5: { title: "Kelp & O'Hara" } },
    "app-plus": { distribute: { android: { packagename: "example.kelp.kelpandohara" } } },
  });
  expect(isDrawn(root, "static/72.png")).toBe(true);
  expect(oxalis(root, "audit").err).toBe("");
});

test("a program in Rust is the client's by what its packers take; what its crates are called stays", async () => {
  const { root } = aroundFiles({
    "Cargo.toml": `[package]
name = "marble-run"
version = "1.4.2"

[package.metadata.bundle]
name = "Marble Run"
identifier = "com.tinwhistle.run"

[package.metadata.winres]
ProductName = "Marble Run"

[dependencies]
eframe = "0.24"
`,
    "src/main.rs": 'fn main() { eframe::run_native("Marble Run", options()); }\n',
  });
  expect(made(root, "Cargo.toml")).toBe(`[package]
name = "marble-run"
version = "2.5.1"

[package.metadata.bundle]
name = "Kelp & O'Hara"
identifier = "example.kelp.kelpandohara"

[package.metadata.winres]
ProductName = "Kelp & O'Hara"

[dependencies]
eframe = "0.24"
`);
  const left = settled(root);
  expect(left.match(/^error/gm)).toHaveLength(1);
  expect(left).toMatch(/run_native\("Marble Run"[\s\S]*Do people see it\?/); // nobody knows what a function does with it
});

test("a program that Gradle packs is the client's; no plug-in of the build is taken for it", async () => {
  const { root } = aroundFiles({
    "build.gradle.kts": `plugins {
    id("org.openjfx.javafxplugin") version "0.1.0"
}
version = "1.4.2"
compose.desktop {
    application {
        mainClass = "com.tinwhistle.MainKt"
        nativeDistributions {
            packageName = "Marble Run"
            packageVersion = "1.4.2"
            vendor = "Tinwhistle Games"
            macOS {
                bundleID = "com.tinwhistle.run"
                iconFile.set(project.file("icons/app.png"))
            }
            windows {
                upgradeUuid = "7d7b1c2e-7b0e-4b8f-9f6c-0e5e2c8c7a11"
            }
        }
    }
}
`,
    "packed/build.gradle": `plugins {
    id 'org.beryx.jlink' version '3.0.1'
}
jlink {
    jpackage {
        imageName = 'Marble Run'
        installerOptions = ['--win-menu-group', 'Marble Run', '--vendor', 'Tinwhistle Games']
    }
}
`,
    "src/main/kotlin/Main.kt": 'fun main() = application { Window(title = "Marble Run") { } }\n',
    "icons/app.png": await picture(512),
  });
  const script = made(root, "build.gradle.kts");
  expect(script).toContain('id("org.openjfx.javafxplugin") version "0.1.0"\n}\nversion = "2.5.1"');
  expect(script).toMatch(
    /packageName = "Kelp & O'Hara"\n +packageVersion = "2.5.1"\n +vendor = "Kelp & O'Hara Ltd"[\s\S]*"example.kelp.kelpandohara"/,
  );
  expect(script).not.toContain("7d7b1c2e");
  expect(made(root, "packed/build.gradle")).toContain(
    "installerOptions = ['--win-menu-group', 'Kelp & O\\'Hara', '--vendor', 'Kelp & O\\'Hara Ltd']",
  );
  expect(isDrawn(root, "icons/app.png")).toBe(true);
  expect(settled(root)).toBe("");
  expect(made(root, "build.gradle.kts")).toContain('id("org.openjfx.javafxplugin")');
});
