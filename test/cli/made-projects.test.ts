import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { follow } from "../support/advice.ts";
import { aroundFiles } from "../support/around-files.ts";
import { oxalis } from "../support/oxalis.ts";

/** Apps whose native projects a build makes, or that are built without any. */

const picture = (side: number) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8" width="${side}" height="${side}">
      <path fill="#fff" d="M0 0h8v8H0z"/><circle cx="4" cy="4" r="3" fill="#247"/><path fill="#fd4" d="M2 4h2v3H2z"/></svg>`,
    ),
  )
    .removeAlpha()
    .png()
    .toBuffer();

const set = async (folder: string, images: readonly object[]) => ({
  [`${folder}/AppIcon.appiconset/Contents.json`]: `${JSON.stringify({ images, info: { version: 1, author: "xcode" } })}\n`,
  [`${folder}/AppIcon.appiconset/icon.png`]: await picture(1024),
});
const marketing = { filename: "icon.png", idiom: "universal", platform: "ios", size: "1024x1024" };

const list = (values: string) =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<plist version="1.0">\n<dict>\n${values}</dict>\n</plist>\n`;

const made = (root: string, file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
const pixels = async (root: string, file: string) => (await sharp(join(root, "variants/kelp", file)).metadata()).width;
const before = (root: string) => join(root, "app");
const isDrawn = (root: string, picture: string) =>
  !readFileSync(join(root, "variants/kelp", picture)).equals(readFileSync(join(before(root), picture)));

/** What the audit still says once its lines are followed to the letter. */
function settled(root: string): string {
  follow(root, JSON.parse(oxalis(root, "audit", "--json").out).causes);
  expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
  return oxalis(root, "audit").err;
}

test("a description from which an Xcode project is made is the client's, with what the app brings along", async () => {
  const { root } = aroundFiles({
    "project.yml": `name: MarbleRun
settings:
  base:
    MARKETING_VERSION: 1.10
    DEVELOPMENT_TEAM: A1B2C3D4E5
targets:
  MarbleRun:
    type: application
    platform: iOS
    sources: [App]
    info:
      path: App/Info.plist
      properties:
        CFBundleDisplayName: Marble Run
        CFBundleShortVersionString: $(MARKETING_VERSION)
        NSCameraUsageDescription: Marble Run takes pictures of marbles.
    settings:
      PRODUCT_BUNDLE_IDENTIFIER: com.tinwhistle.marblerun
      CURRENT_PROJECT_VERSION: 14
    dependencies:
      - target: Widget
  Widget:
    type: app-extension
    platform: iOS
    settings:
      base:
        PRODUCT_BUNDLE_IDENTIFIER: com.tinwhistle.marblerun.widget
`,
    "App/App.swift": '@main struct MarbleRunApp: App { var body: some Scene { Text("Come to Marble Run") } }\n',
    ...(await set("App/Assets.xcassets", [marketing])),
  });
  const project = made(root, "project.yml");
  expect(project).toContain("name: MarbleRun\n");
  expect(project).toContain("MARKETING_VERSION: 2.5.1\n");
  expect(project).toContain('CFBundleDisplayName: "Kelp"\n        CFBundleShortVersionString: $(MARKETING_VERSION)');
  expect(project).toContain('PRODUCT_BUNDLE_IDENTIFIER: "example.kelp.kelpandohara"\n      CURRENT_PROJECT_VERSION: 1');
  expect(project).toContain('PRODUCT_BUNDLE_IDENTIFIER: "example.kelp.kelpandohara.widget"');
  expect(isDrawn(root, "App/Assets.xcassets/AppIcon.appiconset/icon.png")).toBe(true);
  const left = settled(root);
  expect(left.match(/^error/gm)).toHaveLength(1);
  expect(left).toContain('"A1B2C3D4E5", which is the template\'s');
  expect(made(root, "App/App.swift")).toContain("struct MarbleRunApp");
});

test("an app in Java that is compiled for iOS is the client's; one picture for several sizes has the largest", async () => {
  const { root } = aroundFiles({
    "robovm.properties":
      "app.version=1.4.2\napp.id=com.tinwhistle.marble\napp.mainclass=com.tinwhistle.marble.Launcher\n" +
      "app.executable=Launcher\napp.build=14\napp.name=Marble Run\n",
    "robovm.xml": "<config>\n  <os>ios</os>\n  <iosInfoPList>Info.plist.xml</iosInfoPList>\n</config>\n",
    "Info.plist.xml": list(
      `<key>CFBundleDisplayName</key>\n<string>\${app.name}</string>\n<key>CFBundlePackageType</key>\n` +
        "<string>APPL</string>\n<key>LSRequiresIPhoneOS</key>\n<true/>\n",
    ),
    ...(await set("data/Media.xcassets", [
      { filename: "icon.png", idiom: "iphone", scale: "2x", size: "60x60" },
      { filename: "icon.png", idiom: "ios-marketing", scale: "1x", size: "1024x1024" },
    ])),
  });
  expect(made(root, "robovm.properties")).toBe(
    "app.version=2.5.1\napp.id=example.kelp.kelpandohara\napp.mainclass=com.tinwhistle.marble.Launcher\n" +
      "app.executable=Launcher\napp.build=1\napp.name=Kelp\n",
  );
  expect(await pixels(root, "data/Media.xcassets/AppIcon.appiconset/icon.png")).toBe(1024);
  expect(settled(root)).toBe("");
});

test.each([
  ["lists its files", '<Project ToolsVersion="4.0">', "<TargetFrameworkVersion>v13.0</TargetFrameworkVersion>"],
  ["takes all of its folder", '<Project Sdk="Microsoft.NET.Sdk">', "<TargetFramework>net8.0-android</TargetFramework>"],
])("a project of .NET for telephones that %s is the client's", async (how, opens, target) => {
  const isOpen = how !== "lists its files";
  const { root, started } = aroundFiles({
    "Crates.Android/Crates.Android.csproj": `${opens}\n<PropertyGroup>\n<OutputType>Exe</OutputType>
<AndroidApplication>True</AndroidApplication>\n${target}\n</PropertyGroup>\n</Project>\n`,
    "Crates.Android/Properties/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android"
  package="org.crates.app" android:versionCode="4" android:versionName="1.4">
  <application android:label="@string/name" android:icon="@mipmap/icon" />\n</manifest>\n`,
    "Crates.Android/MainActivity.cs": `[Activity(Label = "Plain Crates", Icon = "@mipmap/icon", MainLauncher = true)]
public class MainActivity { }\n[Activity(Label = "Settings")]\npublic class Other { }\n`,
    "Crates.Android/Resources/values/strings.xml": '<resources><string name="name">Plain Crates</string></resources>\n',
    "Crates.Android/Resources/mipmap-hdpi/icon.png": await picture(72),
    "Crates.iOS/Crates.iOS.csproj": `${opens}\n<PropertyGroup><OutputType>Exe</OutputType>
${isOpen ? "<TargetFramework>net8.0-ios</TargetFramework>" : "<!-- {FEACFBD2-3405-455C-9665-78FE426C6842} -->"}
</PropertyGroup>\n</Project>\n`,
    "Crates.iOS/Info.plist": list(
      "<key>CFBundleDisplayName</key>\n<string>Plain Crates</string>\n<key>CFBundleIdentifier</key>\n" +
        "<string>org.crates.app</string>\n<key>CFBundleVersion</key>\n<string>4</string>\n" +
        "<key>XSAppIconAssets</key>\n<string>Assets.xcassets/AppIcon.appiconset</string>\n" +
        "<key>LSRequiresIPhoneOS</key>\n<true/>\n",
    ),
    ...(await set("Crates.iOS/Assets.xcassets", [marketing])),
  });
  expect(started.err).toBe("");
  expect(made(root, "Crates.Android/Properties/AndroidManifest.xml")).toMatch(
    /package="example.kelp.kelpandohara" android:versionCode="1" android:versionName="2.5.1"/,
  );
  const activities = made(root, "Crates.Android/MainActivity.cs");
  expect(activities).toMatch(
    /\[Activity\(Label = "Kelp", Icon = "@mipmap\/icon", MainLauncher = true\)\][\s\S]*"Settings"/,
  );
  expect(made(root, "Crates.Android/Resources/values/strings.xml")).toContain(">Kelp<");
  expect(made(root, "Crates.iOS/Info.plist")).toMatch(/>Kelp<[\s\S]*>example.kelp.kelpandohara<[\s\S]*>1</);
  for (const file of [
    "Crates.Android/Resources/mipmap-hdpi/icon.png",
    "Crates.iOS/Assets.xcassets/AppIcon.appiconset/icon.png",
  ])
    expect([file, isDrawn(root, file)]).toEqual([file, true]);
  // Nothing is put beside what a project lists.
  const files = readdirSync(join(root, "variants/kelp"), { recursive: true, encoding: "utf8" });
  expect(files.some((file) => file.includes("mipmap-anydpi"))).toBe(isOpen);
  expect(files.some((file) => file.includes("icon-universal-dark"))).toBe(isOpen);
  expect(settled(root)).toBe("");
});

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
    expect([isDrawn(root, file), await pixels(root, file)]).toEqual([true, side]);
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

test("a package in Swift that is an app is the client's", async () => {
  const { root } = aroundFiles({
    "Run.swiftpm/Package.swift": `import AppleProductTypes
let package = Package(
    name: "MarbleRun",
    products: [
        .iOSApplication(
            name: "Marble Run",
            targets: ["AppModule"],
            bundleIdentifier: "com.tinwhistle.run",
            displayVersion: "1.4.2",
            bundleVersion: "14",
            capabilities: [.camera(purposeString: "Marble Run takes pictures of marbles.")]
        )
    ],
    targets: [.executableTarget(name: "AppModule", path: ".")]
)
`,
    ...(await set("Run.swiftpm/Assets.xcassets", [marketing])),
  });
  expect(made(root, "Run.swiftpm/Package.swift")).toMatch(
    /name: "MarbleRun",[\s\S]*name: "Kelp",\n +targets: \["AppModule"\],\n +bundleIdentifier: "example.kelp.kelpandohara"/,
  );
  expect(made(root, "Run.swiftpm/Package.swift")).toMatch(/displayVersion: "2.5.1",\n +bundleVersion: "1"/);
  expect(isDrawn(root, "Run.swiftpm/Assets.xcassets/AppIcon.appiconset/icon.png")).toBe(true);
  settled(root);
  expect(made(root, "Run.swiftpm/Package.swift")).toContain("Kelp & O\\'Hara takes pictures of marbles.");
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
