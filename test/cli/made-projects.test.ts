import { readdirSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { aroundFiles } from "../support/around-files.ts";
import { iconSet, isDrawn, made, picture, settled, widthOf } from "../support/made.ts";

const list = (values: string) =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<plist version="1.0">\n<dict>\n${values}</dict>\n</plist>\n`;

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
    ...(await iconSet("App/Assets.xcassets")),
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
    ...(await iconSet("data/Media.xcassets", [
      { filename: "icon.png", idiom: "iphone", scale: "2x", size: "60x60" },
      { filename: "icon.png", idiom: "ios-marketing", scale: "1x", size: "1024x1024" },
    ])),
  });
  expect(made(root, "robovm.properties")).toBe(
    "app.version=2.5.1\napp.id=example.kelp.kelpandohara\napp.mainclass=com.tinwhistle.marble.Launcher\n" +
      "app.executable=Launcher\napp.build=1\napp.name=Kelp\n",
  );
  expect(await widthOf(root, "data/Media.xcassets/AppIcon.appiconset/icon.png")).toBe(1024);
  expect(settled(root)).toBe("");
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
    ...(await iconSet("Run.swiftpm/Assets.xcassets")),
  });
  expect(made(root, "Run.swiftpm/Package.swift")).toMatch(
    /name: "MarbleRun",[\s\S]*name: "Kelp",\n +targets: \["AppModule"\],\n +bundleIdentifier: "example.kelp.kelpandohara"/,
  );
  expect(made(root, "Run.swiftpm/Package.swift")).toMatch(/displayVersion: "2.5.1",\n +bundleVersion: "1"/);
  expect(isDrawn(root, "Run.swiftpm/Assets.xcassets/AppIcon.appiconset/icon.png")).toBe(true);
  settled(root);
  expect(made(root, "Run.swiftpm/Package.swift")).toContain("Kelp & O\\'Hara takes pictures of marbles.");
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
    ...(await iconSet("Crates.iOS/Assets.xcassets")),
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
