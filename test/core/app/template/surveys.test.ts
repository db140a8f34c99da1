import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { surveyTemplate } from "../../../../src/core/app/survey/template.ts";
import type { PartSurvey } from "../../../../src/core/app/template/found.ts";
import { openFolder } from "../../../../src/core/ground/files/reading/folder.ts";
import { brandPlacesAmong } from "../../../../src/core/proving/audit/brand-places.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";

function survey(files: Record<string, string>, wanted?: string): PartSurvey {
  const root = temporaryFolder();
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), text);
  }
  const [part] = surveyTemplate(openFolder(root), (kind) => kind === wanted);
  if (!part) throw new Error("no part");
  return part;
}

test("an icon that all telephones share is none that lacks; where nothing names one, each of them is told", () => {
  const root = temporaryFolder();
  const told = (icon: object) => {
    const settings = { name: "Shed", slug: "shed", ...icon, ios: { bundleIdentifier: "org.shed" } };
    const expo = { ...settings, android: { package: "org.shed" } };
    writeFileSync(join(root, "app.json"), JSON.stringify({ expo }));
    writeFileSync(join(root, "icon.png"), "png");
    return surveyTemplate(openFolder(root), () => false).map(
      ({ platform, gaps }) => `${platform} ${gaps.filter(({ message }) => message.includes("icon;")).length}`,
    );
  };
  expect([told({ icon: "./icon.png" }), told({})]).toEqual([
    ["android 0", "ios 0"],
    ["android 1", "ios 1"],
  ]);
});

const held = (part: PartSurvey) =>
  part.fills
    .filter(({ optional }) => !optional)
    .map(({ holds, site, before = "", after = "" }) => `${holds} ${site.file} ${before}|${site.value}|${after}`);

test("Android: a Groovy script at the top, a literal label, a bitmap icon, a plain start screen, no round icon", () => {
  const part = survey({
    "build.gradle":
      "android {\n namespace 'org.shed'\n defaultConfig { applicationId 'org.shed.app'\n versionCode 7 }\n}\n",
    "src/main/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android">
      <application android:label="Shed" android:icon="@drawable/logo" android:theme="@style/App.Main"/></manifest>`,
    "src/main/res/drawable/logo.xml": "<vector/>",
    "src/main/res/drawable-hdpi/logo.png": "png",
    "src/main/res/values/s.xml": `<resources><style name="App">
      <item name="android:windowBackground">@color/sky</item></style>
      <style name="App.Main"><item name="colorPrimary">#FF102030</item></style>
      <color name="sky">@color/blue</color><color name="blue">#00f</color></resources>`,
    "src/main/res/values-night/s.xml": '<resources><color name="blue">#003</color></resources>',
  });
  expect(part.platform).toBe("android");
  expect(part.namespace).toBe("org.shed");
  expect(held(part)).toEqual([
    "identifiers.android build.gradle |org.shed.app|",
    "build build.gradle |7|",
    "app.label src/main/AndroidManifest.xml |Shed|",
    "colors.brand src/main/res/values/s.xml |#FF102030|",
    "colors.startDark src/main/res/values-night/s.xml |#003|",
    "colors.start src/main/res/values/s.xml |#00f|",
    // The line that applies a client's signing.
    "key build.gradle ||",
  ]);
  expect(part.pictures.map((each) => each.path)).toContain("src/main/res/drawable-xxxhdpi/logo.png");
  expect(part.brandFiles).toEqual(["src/main/res/drawable-hdpi/logo.png", "src/main/res/drawable/logo.xml"]);
  expect(part.missing.map((each) => each.kind)).toEqual(["adaptive-icon", "round-icon"]);
});

test("Android: what a build takes by name is filled where its environment says it", () => {
  const files = {
    "build.gradle": `android {\n namespace 'org.shed'\n defaultConfig { applicationId 'org.shed.app'
      versionName project.env.get("VERSION_NAME")\n versionCode project.env.get("VERSION_CODE").toInteger() }\n}\n`,
    "src/main/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android">
      <application android:label="@string/APP_TITLE"/></manifest>`,
  };
  const told = (part: PartSurvey) => part.gaps.filter(({ message }) => /label|version/.test(message)).length;
  const given = survey({
    ...files,
    ".env.production": "APP_TITLE=Shed\nVERSION_NAME=1.2.0\n",
    "env/prod.json": '{ "public": { "VERSION_CODE": "7", "APP_TITLE": "$NAME" } }',
    "src/notes.json": '{ "VERSION_NAME": "1.0" }',
  });
  expect(held(given).filter((each) => !each.includes("build.gradle"))).toEqual([
    "version .env.production |1.2.0|",
    "build env/prod.json |7|",
    "app.label .env.production |Shed|",
  ]);
  expect([told(given), told(survey(files))]).toEqual([0, 3]);
});

test("televisions and headsets: icons in layers, the mark in front on nothing, the ground at the back; the top shelf", () => {
  const shelf = "App/A.xcassets/Sign & Shelf.brandassets";
  const layers = (names: string[], ending: string) =>
    JSON.stringify({ layers: names.map((name) => ({ filename: `${name}.${ending}` })) });
  const set = (idiom: string, ...images: [filename: string, scale: string][]) =>
    JSON.stringify({ images: images.map(([filename, scale]) => ({ idiom, filename, scale })) });
  const part = survey({
    "App.xcodeproj/project.pbxproj": `{ objects = {
      P = { isa = PBXProject; targets = (T); };
      T = { isa = PBXNativeTarget; name = App; productType = "com.apple.product-type.application"; buildConfigurationList = L; };
      L = { isa = XCConfigurationList; buildConfigurations = (C); };
      C = { isa = XCBuildConfiguration; name = Release; buildSettings = {
        SDKROOT = appletvos; PRODUCT_BUNDLE_IDENTIFIER = org.shed.app; INFOPLIST_FILE = App/Info.plist;
        ASSETCATALOG_COMPILER_APPICON_NAME = "Sign & Shelf"; }; };
    }; }`,
    "App/Info.plist": "<plist><dict><key>CFBundleDisplayName</key><string>Shed</string></dict></plist>",
    [`${shelf}/Contents.json`]: JSON.stringify({
      assets: [
        { size: "1280x768", idiom: "tv", filename: "Store.imagestack", role: "primary-app-icon" },
        { size: "400x240", idiom: "tv", filename: "Home.imagestack", role: "primary-app-icon" },
        { size: "2320x720", idiom: "tv", filename: "Wide.imageset", role: "top-shelf-image-wide" },
      ],
    }),
    [`${shelf}/Store.imagestack/Contents.json`]: layers(["Front", "Back"], "imagestacklayer"),
    [`${shelf}/Store.imagestack/Front.imagestacklayer/Content.imageset/Contents.json`]: set("tv", ["f.png", "1x"]),
    [`${shelf}/Store.imagestack/Back.imagestacklayer/Content.imageset/Contents.json`]: set("tv", ["b.png", "1x"]),
    [`${shelf}/Home.imagestack/Contents.json`]: layers(["Front", "Middle", "Back"], "imagestacklayer"),
    ...Object.fromEntries(
      ["Front", "Middle", "Back"].map((name) => [
        `${shelf}/Home.imagestack/${name}.imagestacklayer/Content.imageset/Contents.json`,
        set("tv", ["one.png", "1x"], ["two.png", "2x"]),
      ]),
    ),
    [`${shelf}/Wide.imageset/Contents.json`]: set("tv", ["wide.png", "1x"], ["wide-2.png", "2x"]),
    [`${shelf}/Wide.imageset/wide.png`]: "png",
    "App/A.xcassets/Head.solidimagestack/Contents.json": layers(["Front", "Back"], "solidimagestacklayer"),
    "App/A.xcassets/Head.solidimagestack/Front.solidimagestacklayer/Content.imageset/Contents.json": set("vision", [
      "v.png",
      "2x",
    ]),
    "App/A.xcassets/Head.solidimagestack/Back.solidimagestacklayer/Content.imageset/Contents.json": set("vision", [
      "v.png",
      "2x",
    ]),
  });
  const told = part.pictures.map(
    ({ slot, path }) =>
      `${path
        .replace("App/A.xcassets/", "")
        .replace(`${shelf.split("/")[2]}/`, "")
        .replace("/Content.imageset", "")} ` +
      `${slot.width}x${slot.height} ${slot.from} on ${slot.ground.kind}, alpha ${slot.alpha}`,
  );
  expect(told.sort()).toEqual([
    "Head.solidimagestack/Back.solidimagestacklayer/v.png 1024x1024 ground on full, alpha none",
    "Head.solidimagestack/Front.solidimagestacklayer/v.png 1024x1024 mark on none, alpha kept",
    "Home.imagestack/Back.imagestacklayer/one.png 400x240 ground on full, alpha none",
    "Home.imagestack/Back.imagestacklayer/two.png 800x480 ground on full, alpha none",
    "Home.imagestack/Front.imagestacklayer/one.png 400x240 mark on none, alpha kept",
    "Home.imagestack/Front.imagestacklayer/two.png 800x480 mark on none, alpha kept",
    "Home.imagestack/Middle.imagestacklayer/one.png 400x240 ground on none, alpha kept",
    "Home.imagestack/Middle.imagestacklayer/two.png 800x480 ground on none, alpha kept",
    "Store.imagestack/Back.imagestacklayer/b.png 1280x768 ground on full, alpha none",
    "Store.imagestack/Front.imagestacklayer/f.png 1280x768 mark on none, alpha kept",
    "Wide.imageset/wide-2.png 4640x1440 wide on full, alpha none",
    "Wide.imageset/wide.png 2320x720 wide on full, alpha none",
  ]);
  expect(part.brandFiles).toContain(`${shelf}/Wide.imageset/wide.png`);
  expect(part.gaps.map(({ message }) => message).join()).not.toContain("icon");
});

test("several projects side by side: what has the app's identifier is the app, for another device; another app is told", () => {
  const project = (folder: string, id: string, script = "") => ({
    [`${folder}/settings.gradle`]: "include ':app'\n",
    [`${folder}/app/build.gradle`]: `android {\n  defaultConfig { applicationId '${id}' }\n${script}}\n`,
    [`${folder}/app/src/main/AndroidManifest.xml`]:
      '<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application android:label="Shed"/></manifest>',
  });
  const part = survey({
    ...project("counter", "org.other"),
    ...project("examples/demo", "org.example"),
    ...project("phone", "org.shed", "  productFlavors { trial { applicationId 'org.shed.trial' } }\n"),
    ...project("wear", "org.shed"),
    ...project("tv", "org.shed.tv"),
  });
  expect(part.folder).toBe("phone");
  expect(held(part).filter((each) => each.startsWith("identifiers."))).toEqual([
    "identifiers.android phone/app/build.gradle |org.shed|",
    "identifiers.android phone/app/build.gradle |org.shed.trial|.trial",
    "identifiers.android tv/app/build.gradle |org.shed.tv|.tv",
    "identifiers.android wear/app/build.gradle |org.shed|",
  ]);
  const told = part.gaps.map(({ message }) => message).filter((message) => message.includes("of its own"));
  expect(told).toEqual([
    "Android: counter/app makes an app of its own, org.other, beside phone/app; nothing in it is replaced.",
  ]);
});

test("flavours keep what tells them from the name, before it or behind it; a longer name is no flavour", () => {
  const strings = (name: string) => `<resources><string name="app_name">${name}</string></resources>`;
  const part = survey({
    "build.gradle": "android { defaultConfig { applicationId 'org.shed.app' } }\n",
    "src/main/AndroidManifest.xml":
      '<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application android:label="@string/app_name"/></manifest>',
    "src/main/res/values/strings.xml": strings("Shed"),
    "src/dev/res/values/strings.xml": strings("Shed Dev"),
    "src/stg/res/values/strings.xml": strings("[STG] Shed"),
    "src/qa/res/values/strings.xml": strings("Shed (QA)"),
    "src/tv/res/values/strings.xml": strings("Shed TV"),
  });
  expect(held(part).filter((each) => each.startsWith("app.label"))).toEqual([
    "app.label src/dev/res/values/strings.xml |Shed Dev| Dev",
    "app.label src/main/res/values/strings.xml |Shed|",
    "app.label src/qa/res/values/strings.xml |Shed (QA)| (QA)",
    "app.label src/stg/res/values/strings.xml [STG] |[STG] Shed|",
    "app.label src/tv/res/values/strings.xml |Shed TV|",
  ]);
  expect([...part.names].sort()).toEqual(["Shed", "Shed TV"]);
});

test("Android: notifications, a plate under the start icon, branding, start pictures in both turns, night", () => {
  const res = "src/main/res";
  const part = survey({
    "build.gradle.kts": 'android { defaultConfig { applicationId = "org.shed.app" } }',
    "src/main/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android">
      <application android:label="Shed" android:icon="@mipmap/i" android:theme="@style/T"><meta-data
      android:name="push.default_notification_icon" android:resource="@drawable/bell"/></application></manifest>`,
    [`${res}/mipmap-hdpi/i.png`]: "png",
    [`${res}/drawable-hdpi/bell.png`]: "png",
    [`${res}/drawable-hdpi/poster.png`]: "png",
    [`${res}/drawable-land-hdpi/poster.png`]: "png",
    [`${res}/drawable-hdpi/spot.png`]: "png",
    [`${res}/drawable-night-hdpi/spot.png`]: "png",
    [`${res}/drawable-hdpi/foot.png`]: "png",
    [`${res}/values/t.xml`]:
      '<resources><style name="T"><item name="android:windowBackground">@drawable/poster</item></style></resources>',
    [`${res}/values-v31/t.xml`]: `<resources><style name="T">
      <item name="android:windowSplashScreenAnimatedIcon">@drawable/spot</item>
      <item name="android:windowSplashScreenIconBackgroundColor">#123456</item>
      <item name="android:windowSplashScreenBrandingImage">@drawable/foot</item></style></resources>`,
  });
  const at = (path: string) =>
    part.pictures
      .filter((each) => each.path === `${res}/${path}`)
      .map(({ slot }) => `${slot.role} ${slot.width}x${slot.height}`);
  expect(at("drawable-xhdpi/bell.png")).toEqual(["notification 48x48"]);
  expect(at("drawable-xhdpi/poster.png")).toEqual(["start-full-port 720x1280"]);
  expect(at("drawable-land-xhdpi/poster.png")).toEqual(["start-full-land 1280x720"]);
  expect(at("drawable-xhdpi/spot.png")).toEqual(["start-mark-plate 480x480"]);
  expect(at("drawable-night-xhdpi/spot.png")).toEqual(["start-mark-plate 480x480"]);
  expect(at("drawable-xhdpi/foot.png")).toEqual(["start-branding 400x160"]);
  expect(held(part)).toContain(`colors.ground ${res}/values-v31/t.xml |#123456|`);
});

test("Android: a start screen of layers: a repeated texture, a picture over all of it, a mark in its middle", () => {
  const res = "src/main/res";
  const layer = (picture: string, how: string) => `<item><bitmap android:src="@drawable/${picture}" ${how}/></item>`;
  const part = survey({
    "build.gradle": "android { defaultConfig { applicationId 'org.shed.app' } }",
    "src/main/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android">
      <application android:label="Shed" android:theme="@style/T"/></manifest>`,
    [`${res}/values/t.xml`]:
      '<resources><style name="T"><item name="android:windowBackground">@drawable/layers</item></style></resources>',
    [`${res}/drawable/layers.xml`]: `<layer-list xmlns:android="http://schemas.android.com/apk/res/android">
      ${layer("grain", 'android:tileMode="repeat"')}${layer("view", 'android:gravity="fill"')}
      ${layer("logo", 'android:gravity="center"')}</layer-list>`,
    ...Object.fromEntries(["grain", "view", "logo"].map((name) => [`${res}/drawable-xxhdpi/${name}.png`, "png"])),
  });
  const drawn = Object.fromEntries(
    part.pictures
      .filter(({ path }) => path.includes("/drawable-xxhdpi/"))
      .map(({ path, slot }) => [path.split("/").at(-1), `${slot.role} ${slot.width}x${slot.height}`]),
  );
  expect(drawn).toEqual({
    "grain.png": "start-texture 144x144",
    "view.png": "start-full-port 960x1600",
    "logo.png": "start-mark 864x864",
  });
});

test("Android: parts with labels of their own keep them, but for the app's name in them", () => {
  const part = survey({
    "build.gradle": "android { defaultConfig { applicationId 'org.shed.app' } }",
    "src/main/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android">
      <application android:label="@string/name"><activity android:label="@string/start"><intent-filter>
      <category android:name="android.intent.category.LAUNCHER"/></intent-filter></activity>
      <activity android:label="@string/settings"/><service android:label="Shed reads aloud"/></application></manifest>`,
    "src/main/res/values/s.xml": `<resources><string name="name">Shed</string><string name="start">The Shed</string>
      <string name="settings">Settings</string></resources>`,
  });
  expect(held(part).filter((each) => each.startsWith("app."))).toEqual([
    "app.label src/main/res/values/s.xml |Shed|",
    "app.label src/main/res/values/s.xml |The Shed|",
    "app.name src/main/AndroidManifest.xml |Shed reads aloud| reads aloud",
  ]);
});

test("iOS: a listed icon set, keys in build settings, a launch screen dictionary, entries that name no file", () => {
  const settings =
    "{ PRODUCT_BUNDLE_IDENTIFIER = org.shed.app; ASSETCATALOG_COMPILER_APPICON_NAME = Badge; " +
    `INFOPLIST_FILE = "App/Info.plist"; INFOPLIST_KEY_CFBundleDisplayName = "The Shed"; }`;
  const images = [
    { idiom: "iphone", size: "60x60", scale: "3x", filename: "big.png" },
    { idiom: "ipad", size: "83.5x83.5", scale: "2x" },
    { idiom: "ios-marketing", size: "1024x1024", scale: "1x", filename: "shop.png" },
    { idiom: "watch", size: "24x24", scale: "2x" },
  ];
  const part = survey({
    "App.xcodeproj/project.pbxproj": `{ objects = {
      P = { isa = PBXProject; targets = ( T ); buildConfigurationList = N; };
      T = { isa = PBXNativeTarget; name = App; productType = "com.apple.product-type.application";
        buildConfigurationList = L; };
      L = { buildConfigurations = ( C ); }; C = { buildSettings = ${settings}; name = Release; }; }; }`,
    "App/Info.plist": `<plist version="1.0"><dict>
      <key>UILaunchScreen</key><dict><key>UIImageName</key><string>Hello</string>
      <key>UIColorName</key><string>Dawn</string></dict>
      <key>Keychain</key><string>$(AppIdentifierPrefix)org.shed.app</string></dict></plist>`,
    "App/A.xcassets/Badge.appiconset/Contents.json": JSON.stringify({ images }),
    "App/A.xcassets/Hello.imageset/Contents.json": '{"images":[{"filename":"h@2x.png","scale":"2x"}]}',
    "App/A.xcassets/Dawn.colorset/Contents.json":
      '{"colors":[{"color":{"components":{"red":"12","green":"0x0A","blue":"0.5","alpha":"1"}}}]}',
  });
  expect(part.pictures.map(({ path, slot }) => `${path} ${slot.width}`)).toEqual([
    "App/A.xcassets/Badge.appiconset/big.png 180",
    "App/A.xcassets/Badge.appiconset/icon-ipad-83.5-2x.png 167",
    "App/A.xcassets/Badge.appiconset/shop.png 1024",
    "App/A.xcassets/Badge.appiconset/icon-watch-24-2x.png 48",
    "App/A.xcassets/Hello.imageset/h@2x.png 320",
  ]);
  const fills = held(part);
  expect(fills).toContain("app.label App.xcodeproj/project.pbxproj |The Shed|");
  expect(fills).toContain("identifiers.ios App/Info.plist $(AppIdentifierPrefix)|$(AppIdentifierPrefix)org.shed.app|");
  expect(fills.filter((each) => each.startsWith("colors.start"))).toHaveLength(4);
});

test("Windows: values in place, logos in a folder of their own, no wide tile", () => {
  const part = survey({
    "p/Package.appxmanifest": `<Package xmlns:uap="u"><Identity Name="Org.Shed" Publisher="CN=Shed" Version="1.2.3.0"/>
      <Properties><DisplayName>Shed</DisplayName><Logo>Img\\store.png</Logo></Properties><Applications><Application>
      <uap:VisualElements DisplayName="Shed" BackgroundColor="transparent"
        Square150x150Logo="Img\\m.png" Square44x44Logo="Img\\s.png"/>
      </Application></Applications></Package>`,
    "p/Img/m.scale-200.png": "png",
    "p/Img/m.png": "png",
    "p/Img/market.png": "png",
  });
  expect(held(part)).toContain("colors.ground p/Package.appxmanifest |transparent|");
  expect(part.brandFiles).toEqual(["p/Img/m.png", "p/Img/m.scale-200.png"]);
  expect(part.pictures.map((each) => each.path)).toContain("p/Img/s.targetsize-24_altform-lightunplated.png");
  expect(part.gaps.map((each) => each.message)).toContain("Windows: the manifest names no Wide310x150Logo.");
});

test("Web: what is added to a page that lies in a folder of its own lies beside it, as it is linked", () => {
  const root = temporaryFolder();
  mkdirSync(join(root, "src"));
  writeFileSync(join(root, "src/index.html"), "<!doctype html><html><head><title>Shed</title></head></html>");
  const [part] = surveyTemplate(openFolder(root), () => true);
  const links = part?.fills.map(({ opens = "" }) => opens).join("") ?? "";
  expect(links).toContain('<link rel="manifest" href="app.webmanifest">');
  expect(links).toContain('<link rel="apple-touch-icon" href="icons/touch.png">');
  expect(part?.added.map(({ path }) => path)).toEqual(["src/app.webmanifest"]);
  expect(part?.pictures.filter(({ path }) => !path.startsWith("src/icons/"))).toEqual([]);
});

test("Web: links from the root and up the tree, icons that the manifest lists and those it does not", () => {
  const part = survey({
    "site/shop/index.html": `<!doctype html><title>Shed</title><link rel="manifest" href="../app.json">
      <link rel="shortcut icon" href="/fav.png" sizes="64x64">
      <link rel="icon" href="https://elsewhere.example/x.png">`,
    "site/app.json":
      '{"name":"Shed","icons":[{"src":"i/a.png","sizes":"144x144"},{"src":"i/b.svg","purpose":"maskable"}]}',
  });
  const paths = part.pictures.map(
    ({ path, slot, container }) => `${path} ${slot.role} ${slot.width}${container ? ` ${container}` : ""}`,
  );
  expect(paths).toEqual([
    "site/i/a.png any 144",
    "site/i/b.svg maskable 512 svg",
    "site/i/app-any-192.png any 192",
    "site/i/app-any-512.png any 512",
    "site/i/app-maskable-192.png maskable 192",
    "site/i/app-monochrome-512.png monochrome 512",
    "site/shop/fav.png favicon 64",
  ]);
  expect(part.missing.map((each) => each.kind)).toEqual(["dark-theme-color", "theme-color", "touch-icon"]);
});

test("where a brand stands: pictures called by a size or as an icon, not signs for buttons", () => {
  const brand = ["icons/Icon-192.png", "build/icons/256x256.png", "icons/128x128@2x.png", "icon/app-mono.svg"];
  const others = ["assets/icons/back@2x.png", "src/icons/language.svg", "icons/check2.png", "icons/bell.png"];
  expect(brandPlacesAmong([...brand, ...others])).toEqual(brand);
  const buttons = ["add", "find", "cut", "undo"].map((name) => `toolbar/${name}.ico`);
  const icons = ["toolbar/app.ico", "win/reader.ico", "win/document.ico"];
  expect(brandPlacesAmong([...buttons, ...icons])).toEqual(icons);
});

test("iOS: an app that is called otherwise under a condition, or in a configuration, is the client's there too", () => {
  const configuration = (id: string, name: string, more: string) =>
    `${id} = { isa = XCBuildConfiguration; name = ${name}; buildSettings = { INFOPLIST_FILE = ` +
    `App/Info.plist; ${more} }; };`;
  const part = survey({
    "App.xcodeproj/project.pbxproj": `{ objects = {
      P = { isa = PBXProject; buildConfigurationList = L0; targets = (T); };
      T = { isa = PBXNativeTarget; name = App; productType = "com.apple.product-type.application";
        buildConfigurationList = L1; };
      L0 = { isa = XCConfigurationList; buildConfigurations = (); };
      L1 = { isa = XCConfigurationList; buildConfigurations = (D, R); };
      ${configuration(
        "D",
        "Debug",
        'PRODUCT_BUNDLE_IDENTIFIER = org.shed.app; "PRODUCT_BUNDLE_IDENTIFIER[sdk=iphoneos*]" = ' +
          '"sheds.device-v4";',
      )}
      ${configuration("R", "Release", "PRODUCT_BUNDLE_IDENTIFIER = com.other.app;")}
    }; rootObject = P; }`,
    "App/Info.plist":
      '<?xml version="1.0"?><plist version="1.0"><dict><key>CFBundleDisplayName</key><string>Shed</string>' +
      "</dict></plist>",
  });
  expect(
    held(part)
      .filter((each) => each.startsWith("identifiers."))
      .map((each) => each.split(" ").at(-1)),
  ).toEqual(["|org.shed.app|", "|sheds.device-v4|", "|com.other.app|"]);
});

test("iOS: icons by single sizes get the one that the store shows, and the list stays one", () => {
  const contents = JSON.stringify({ images: [{ idiom: "iphone", size: "60x60", scale: "3x" }], info: { version: 1 } });
  const file = "App/A.xcassets/Badge.appiconset/Contents.json";
  const part = survey(
    {
      "App.xcodeproj/project.pbxproj": `{ objects = {
      P = { isa = PBXProject; targets = ( T ); buildConfigurationList = N; };
      T = { isa = PBXNativeTarget; name = App; productType = "com.apple.product-type.application";
        buildConfigurationList = L; };
      L = { buildConfigurations = ( C ); }; C = { buildSettings = { PRODUCT_BUNDLE_IDENTIFIER = org.shed.app;
        ASSETCATALOG_COMPILER_APPICON_NAME = Badge; }; name = Release; }; }; }`,
      [file]: contents,
    },
    "marketing-icon",
  );
  expect(part.pictures.map(({ path, slot }) => `${path.split("/").at(-1)} ${slot.width}`)).toEqual([
    "icon-ios-marketing-1024.png 1024",
    "icon-iphone-60-3x.png 180",
  ]);
  const [added] = part.fills.filter(({ site, opens }) => site.file === file && opens !== undefined);
  const made = contents.slice(0, added?.site.start) + added?.opens + contents.slice(added?.site.end);
  expect(JSON.parse(made).images.at(-1)).toEqual({
    filename: "icon-ios-marketing-1024.png",
    idiom: "ios-marketing",
    scale: "1x",
    size: "1024x1024",
  });
});

test("Android: the store's icon that a studio has left beside the resources is drawn", () => {
  const part = survey({
    "app/build.gradle":
      "plugins { id 'com.android.application' }\nandroid { defaultConfig { applicationId 'org.shed.app' } }",
    "app/src/main/AndroidManifest.xml":
      `<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application ` +
      `android:label="Shed"/></manifest>`,
    "app/src/main/ic_launcher-playstore.png": "png",
    "app/src/main/res/playstore-icon.png": "png",
    "app/src/main/res/drawable/web.png": "png",
  });
  const drawn = part.pictures
    .filter(({ slot }) => slot.role === "store-icon")
    .map(({ path, slot }) => `${path} ${slot.width}`);
  expect(drawn).toEqual([
    "store/google-play/icon.png 512",
    "app/src/main/ic_launcher-playstore.png 512",
    "app/src/main/res/playstore-icon.png 512",
  ]);
});
