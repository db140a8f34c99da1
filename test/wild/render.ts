import {
  chmodSync,
  cpSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { dirname, join, relative } from "node:path";
import { unpackArchive, unpacked } from "./packages.ts";

/** Words that a generator puts others for, in texts and in names of files. */
type Replacements = Readonly<Record<string, string>>;

const isBinary = (file: string): boolean => /\.(png|webp|ico|icns|jar|keystore|ttf|pdf|jpe?g|gz)$/i.test(file);

const replaced = (text: string, by: Replacements): string =>
  Object.entries(by).reduce((at, [from, to]) => at.replaceAll(from, to), text);

/** Copies a template's folder as its generator does, with other words in texts and names. */
function copyAs(from: string, into: string, by: Replacements = {}): void {
  for (const entry of readdirSync(from, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue;
    const source = join(entry.parentPath, entry.name);
    const target = join(into, replaced(relative(from, source), by));
    mkdirSync(dirname(target), { recursive: true });
    if (isBinary(source)) cpSync(source, target);
    else rewrite(source, target, (text) => replaced(text, by));
    chmodSync(target, statSync(source).mode);
  }
}

/** Changes a text in whichever encoding it is; resource scripts are UTF-16. */
function rewrite(source: string, target: string, by: (text: string) => string): void {
  const bytes = readFileSync(source);
  const encoding = bytes[0] === 0xff && bytes[1] === 0xfe ? "utf16le" : "utf8";
  writeFileSync(target, by(bytes.toString(encoding)), encoding);
}

const write = (into: string, file: string, text: string): void => {
  mkdirSync(dirname(join(into, file)), { recursive: true });
  writeFileSync(join(into, file), text);
};

const change = (into: string, file: string, by: (text: string) => string): void => {
  const before = readFileSync(join(into, file), "utf8");
  const after = by(before);
  if (after === before) throw new Error(`nothing to change in ${file}`);
  writeFileSync(join(into, file), after);
};

/** A bare JavaScript mobile app, as its generator names it: one word for the project, the entry and the label. */
export function bareJavaScript(into: string): void {
  copyAs(join(unpacked("@react-native-community/template"), "template"), into, {
    "Hello App Display Name": "TideTable",
    HelloWorld: "TideTable",
    helloworld: "tidetable",
    _gitignore: ".gitignore",
    _eslintrc: ".eslintrc",
    _prettierrc: ".prettierrc",
    _watchmanconfig: ".watchmanconfig",
    _bundle: ".bundle",
    "_xcode.env": ".xcode.env",
  });
}

/** The same with two flavours, and an icon set a configuration. */
export function bareJavaScriptFlavours(into: string): void {
  bareJavaScript(into);
  change(into, "android/app/build.gradle", (text) =>
    text.replace(
      "    signingConfigs {",
      `    flavorDimensions "stage"
    productFlavors {
        trial {
            dimension "stage"
            applicationIdSuffix ".trial"
            resValue "string", "build_label", "Trial"
        }
        full {
            dimension "stage"
        }
    }
    signingConfigs {`,
    ),
  );
  const catalog = "ios/TideTable/Images.xcassets";
  cpSync(join(into, catalog, "AppIcon.appiconset"), join(into, catalog, "AppIconDebug.appiconset"), {
    recursive: true,
  });
  change(into, "ios/TideTable.xcodeproj/project.pbxproj", (text) =>
    text.replace("ASSETCATALOG_COMPILER_APPICON_NAME = AppIcon;", "ASSETCATALOG_COMPILER_APPICON_NAME = AppIconDebug;"),
  );
}

/** A managed JavaScript app, configured in app.json alone. */
export function managed(into: string): void {
  copyAs(unpacked("expo-template-tabs"), into, { _vscode: ".vscode" });
  renameSync(join(into, "gitignore"), join(into, ".gitignore"));
  rmSync(join(into, "LICENSE"));
  change(into, "app.json", (text) =>
    text
      .replace(/"name": "[^"]*"/, '"name": "Tide Table"')
      .replace(/"slug": "[^"]*"/, '"slug": "tide-table"')
      .replace(/"scheme": "[^"]*"/, '"scheme": "tidetable"'),
  );
  change(into, "package.json", (text) => text.replace('"name": "expo-template-tabs"', '"name": "tide-table"'));
}

/** The same with an icon in layers, and pictures of its own that no configuration names. */
export function managedLayers(into: string): void {
  copyAs(unpacked("expo-template-default"), into, { _vscode: ".vscode", HelloWorld: "TideTable" });
  renameSync(join(into, "gitignore"), join(into, ".gitignore"));
  rmSync(join(into, "LICENSE"));
  change(into, "app.json", (text) =>
    text
      .replace('"slug": "expo-template-default"', '"slug": "tide-table"')
      .replace('"scheme": "helloworld"', '"scheme": "tidetable"'),
  );
  change(into, "package.json", (text) => text.replace('"name": "expo-template-default"', '"name": "tide-table"'));
}

/** The same, configured in code. */
export function managedCode(into: string): void {
  copyAs(unpacked("expo-template-blank-typescript"), into);
  renameSync(join(into, "gitignore"), join(into, ".gitignore"));
  rmSync(join(into, "LICENSE"));
  rmSync(join(into, "app.json"));
  change(into, "package.json", (text) =>
    text.replace('"name": "expo-template-blank-typescript"', '"name": "tide-table"'),
  );
  write(
    into,
    "app.config.ts",
    `import type { ExpoConfig } from "expo/config";

const config: ExpoConfig = {
  name: "Tide Table",
  slug: "tide-table",
  version: "1.0.0",
  orientation: "portrait",
  icon: "./assets/icon.png",
  userInterfaceStyle: "light",
  scheme: "tidetable",
  ios: { supportsTablet: true, bundleIdentifier: "example.quayside.tidetable" },
  android: {
    package: "example.quayside.tidetable",
    adaptiveIcon: {
      backgroundColor: "#E6F4FE",
      foregroundImage: "./assets/android-icon-foreground.png",
      backgroundImage: "./assets/android-icon-background.png",
      monochromeImage: "./assets/android-icon-monochrome.png",
    },
  },
  web: { favicon: "./assets/favicon.png" },
};

export default config;
`,
  );
}

/** A managed JavaScript app with its native folders beside it. */
export function managedNative(into: string): void {
  copyAs(unpacked("expo-template-bare-minimum"), into, {
    "com.helloworld": "example.quayside.tidetable",
    "com/helloworld": "example/quayside/tidetable",
    "org.name.HelloWorld": "example.quayside.tidetable",
    "Hello App Display Name": "TideTable",
    HelloWorld: "TideTable",
    helloworld: "tidetable",
  });
  for (const file of ["gitignore", "android/gitignore", "ios/gitignore"])
    renameSync(join(into, file), join(into, file.replace("gitignore", ".gitignore")));
  rmSync(join(into, "LICENSE"));
}

/** A wrapper around a page, configured in TypeScript, with its Android and iOS projects. */
export function wrapperCode(into: string): void {
  const assets = join(unpacked("@capacitor/cli"), "assets");
  unpackArchive(join(assets, "android-template.tar.gz"), join(into, "android"));
  unpackArchive(join(assets, "ios-spm-template.tar.gz"), join(into, "ios"));
  write(
    into,
    "capacitor.config.ts",
    `import type { CapacitorConfig } from '@capacitor/cli';

const config: CapacitorConfig = {
  appId: 'example.quayside.tidetable',
  appName: 'Tide Table',
  webDir: 'www'
};

export default config;
`,
  );
  write(into, "package.json", '{\n  "name": "tide-table",\n  "version": "1.0.0",\n  "private": true\n}\n');
  write(
    into,
    "www/index.html",
    '<!DOCTYPE html>\n<html lang="en">\n  <head>\n    <meta charset="utf-8">\n    <title>Tide ' +
      'Table</title>\n  </head>\n  <body>\n    <h1 id="head">When the water comes</h1>\n  </body>\n' +
      "</html>\n",
  );
  // What the generator edits when it adds the projects: names and identifiers, and the activity's folder.
  const java = "android/app/src/main/java";
  cpSync(join(into, java, "com/getcapacitor/myapp"), join(into, java, "example/quayside/tidetable"), {
    recursive: true,
  });
  rmSync(join(into, java, "com"), { recursive: true });
  change(into, `${java}/example/quayside/tidetable/MainActivity.java`, (text) =>
    text.replace("package com.getcapacitor.myapp", "package example.quayside.tidetable"),
  );
  change(into, "android/app/build.gradle", (text) =>
    text
      .replaceAll("com.getcapacitor.myapp", "example.quayside.tidetable")
      .replaceAll("com.getcapacitor.app", "example.quayside.tidetable"),
  );
  change(into, "android/app/src/main/res/values/strings.xml", (text) =>
    text
      .replaceAll("com.getcapacitor.myapp", "example.quayside.tidetable")
      .replaceAll("com.getcapacitor.app", "example.quayside.tidetable")
      .replaceAll(">My App<", ">Tide Table<"),
  );
  change(into, "ios/App/App.xcodeproj/project.pbxproj", (text) =>
    text.replaceAll("com.getcapacitor.App", "example.quayside.tidetable"),
  );
  change(into, "ios/App/App/Info.plist", (text) => text.replaceAll("My App", "Tide Table"));
}

/** A wrapper around a page, configured in XML. */
export function wrapperXml(into: string): void {
  copyAs(join(unpacked("cordova-app-hello-world"), "template_src"), into);
  renameSync(join(into, "gitignore"), join(into, ".gitignore"));
  for (const file of ["config.xml", "package.json"])
    change(into, file, (text) =>
      text
        .replaceAll("org.apache.cordova.hellocordova", "example.quayside.tidetable")
        .replaceAll("Hello Cordova", "Tide Table"),
    );
}

/** The Android project that such a wrapper makes, kept and opened by hand. */
export function wrapperAndroid(into: string): void {
  const from = unpacked("cordova-android");
  const project = join(from, "templates/project");
  copyAs(join(project, "app"), join(into, "app"));
  for (const file of ["build.gradle", "repositories.gradle"]) cpSync(join(project, file), join(into, file));
  copyAs(join(project, "tools"), join(into, "tools"));
  copyAs(join(project, "res"), join(into, "app/src/main/res"), { __NAME__: "Tide Table" });
  copyAs(join(project, "assets"), join(into, "app/src/main/assets"));
  write(
    into,
    "app/src/main/AndroidManifest.xml",
    readFileSync(join(project, "AndroidManifest.xml"), "utf8").replace("__ACTIVITY__", "MainActivity"),
  );
  write(
    into,
    "app/src/main/java/example/quayside/tidetable/MainActivity.java",
    readFileSync(join(project, "Activity.java"), "utf8")
      .replaceAll("__ID__", "example.quayside.tidetable")
      .replaceAll("__ACTIVITY__", "MainActivity"),
  );
  copyAs(join(from, "framework"), join(into, "CordovaLib"));
  const config = join(into, "cdv-gradle-config.json");
  renameSync(join(into, "CordovaLib/cdv-gradle-config-defaults.json"), config);
  const settings = JSON.parse(readFileSync(config, "utf8"));
  writeFileSync(
    config,
    `${JSON.stringify({ ...settings, PACKAGE_NAMESPACE: "example.quayside.tidetable" }, null, 2)}\n`,
  );
  write(into, "settings.gradle", 'apply from: "cordova.gradle"\ninclude ":"\ninclude ":CordovaLib"\ninclude ":app"\n');
}

/** An installable page whose web manifest the bundler's configuration makes. */
export function bundledPage(into: string): void {
  copyAs(join(unpacked("create-vite"), "template-vanilla-ts"), into, { _gitignore: ".gitignore" });
  change(into, "package.json", (text) => text.replace('"vite-typescript-starter"', '"tide-table"'));
  change(into, "index.html", (text) => text.replace(/<title>.*<\/title>/, "<title>tide-table</title>"));
  write(
    into,
    "vite.config.ts",
    `import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

export default defineConfig({
  plugins: [
    VitePWA({
      registerType: "autoUpdate",
      manifest: {
        name: "Tide Table",
        short_name: "Tides",
        description: "When the water comes",
        theme_color: "#1f6f8b",
        icons: [
          { src: "pwa-192x192.png", sizes: "192x192", type: "image/png" },
          { src: "pwa-512x512.png", sizes: "512x512", type: "image/png", purpose: "any" },
        ],
      },
    }),
  ],
});
`,
  );
  const icon = readFileSync(join(unpacked("expo-template-tabs"), "assets/images/icon.png"));
  for (const side of [192, 512]) writeFileSync(join(into, `public/pwa-${side}x${side}.png`), icon);
}

/** A page framework whose head is made in code. */
export function pageFramework(into: string): void {
  copyAs(join(unpacked("create-next-app"), "dist/templates/app/ts"), into, {
    gitignore: ".gitignore",
    "README-template": "README",
  });
  write(into, "package.json", '{\n  "name": "tide-table",\n  "version": "0.1.0",\n  "private": true\n}\n');
}

/** A desktop shell around a page. */
export function desktopShell(into: string): void {
  const from = join(unpacked("@quick-start/create-electron"), "template");
  copyAs(join(from, "base"), into, { _gitignore: ".gitignore" });
  copyAs(join(from, "vanilla-ts"), into);
  change(into, "electron-builder.yml", (text) =>
    text
      .replace("appId: com.electron.app", "appId: example.quayside.tidetable")
      .replace("productName: app", "productName: Tide Table")
      .replace("executableName: app", "executableName: tide-table"),
  );
  change(into, "package.json", (text) => text.replace('"name": "vanilla-ts"', '"name": "tide-table"'));
}

const guid = "7b1c6b0e-5f0a-4d53-9a55-0c1b6f3c2a10";

/** A Windows app in C++, with its package project. */
export function windowsCpp(into: string): void {
  copyAs(join(unpacked("react-native-windows"), "templates/cpp-app"), into, {
    MyApp: "TideTable",
    _gitignore: ".gitignore",
    NuGet_Config: "NuGet.config",
  });
  rmSync(join(into, "template.config.js"));
  const values: Replacements = {
    name: "TideTable",
    namespace: "TideTable",
    namespaceCpp: "TideTable",
    mainComponentName: "TideTable",
    currentUser: "harbour",
    projectGuidLower: `{${guid}}`,
    projectGuidUpper: `{${guid.toUpperCase()}}`,
    packageGuidLower: `{${guid.replace("7b", "8c")}}`,
    packageGuidUpper: `{${guid.replace("7b", "8c").toUpperCase()}}`,
    rnwVersion: "0.82.5",
    rnwPathFromProjectRoot: "node_modules\\react-native-windows",
  };
  for (const entry of readdirSync(into, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || isBinary(entry.name)) continue;
    const path = join(entry.parentPath, entry.name);
    rewrite(path, path, (text) =>
      text
        .replace(/\{\{#(\w+)\}\}[\s\S]*?\{\{\/\1\}\}\r?\n?/g, "")
        .replace(/\{\{\^(\w+)\}\}([\s\S]*?)\{\{\/\1\}\}/g, "$2")
        .replace(/\{\{\{?\s*&?\s*(\w+)\s*\}?\}\}/g, (_, key: string) => values[key] ?? ""),
    );
  }
}

/** An Xcode project with an app for the Mac beside one for the telephone, whose files are elsewhere. */
export function macAndPhone(into: string): void {
  const macos = "local-cli/generator-macos/templates/macos";
  copyAs(join(unpacked("react-native-macos"), macos), join(into, "macos"), {
    HelloWorld: "TideTable",
    _gitignore: ".gitignore",
  });
}

/** An Xcode project with apps for telephone, television and watch, beside libraries and tests. */
export function phoneTelevisionWatch(into: string): void {
  const source = unpacked("appium-webdriveragent");
  for (const folder of [
    "Configurations",
    "PrivateHeaders",
    "WebDriverAgent.xcodeproj",
    "WebDriverAgentLib",
    "WebDriverAgentRunner",
    "WebDriverAgentTests",
  ])
    copyAs(join(source, folder), join(into, folder));
}

/** A native Android app in Java, with Groovy scripts, whose parts have labels of their own. */
export function androidGroovy(into: string): void {
  const source = unpacked("io.appium.settings");
  for (const each of ["app", "gradle"]) copyAs(join(source, each), join(into, each));
  for (const file of ["build.gradle", "settings.gradle", "gradle.properties", "gradlew", "gradlew.bat"])
    cpSync(join(source, file), join(into, file));
}

/** Native Android in Kotlin: an app and a library, a version catalog, and an application ID that a property says. */
export function androidKotlin(into: string): void {
  copyAs(join(unpacked("appium-espresso-driver"), "espresso-server"), into);
  rmSync(join(into, "buildSrc/.gradle"), { recursive: true });
  rmSync(join(into, "buildSrc/build"), { recursive: true });
  rmSync(join(into, "app/build"), { recursive: true });
}

/** Native resources of a JavaScript app, whose projects are made at each build. */
export function nativeResources(into: string): void {
  copyAs(unpacked("@nativescript/template-blank-ts"), into);
  change(into, "package.json", (text) =>
    text.replace('"@nativescript/template-blank-ts"', '"tide-table"').replace('"Blank"', '"Tide Table"'),
  );
}

const fixtures = join(import.meta.dirname, "../fixtures/templates");

/** The widespread layout of apps in Dart, which is in no registry: every platform beside the others. */
export function dartLayout(into: string): void {
  copyAs(join(fixtures, "dart-layout"), into);
}

/** An Xcode project with apps for telephone, Mac and watch, a widget and a clip; it too is in no registry. */
export function xcodeMany(into: string): void {
  copyAs(join(fixtures, "xcode-many"), into);
}

/** Native Android: modules, a version catalog and Kotlin scripts. */
export function gradleCatalog(into: string): void {
  copyAs(join(fixtures, "gradle-catalog"), into);
}

/** Native Android: two apps, flavours, properties and Groovy scripts. */
export function gradleFlavours(into: string): void {
  copyAs(join(fixtures, "gradle-flavours"), into);
}
