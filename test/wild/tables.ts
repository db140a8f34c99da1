import type { Values } from "./clients.ts";
import { anyColor, type Change, type Table } from "./expect.ts";
import {
  androidMade,
  androidNames,
  attribute,
  groovySigning,
  kotlinSigning,
  pageHead,
  signed,
  startLinks,
  themeColors,
  xcodeNames,
  xml,
} from "./shared-tables.ts";

const res = "android/app/src/main/res";

/** An application ID, a version and a build number in a Groovy script, and the line that signs. */
const groovy = (id: string, last: string, { id: own, version, build }: Values): Change[] => [
  [`applicationId "${id}"`, `applicationId "${own}"`],
  ["versionCode 1\n", `versionCode ${build}\n`],
  ['versionName "1.0"', `versionName "${version}"`],
  [last, last + groovySigning],
];

/** Settings that each configuration of a target repeats. */
const project = (id: string, { id: own, version, build }: Values, versions = 2): Change[] => [
  [`PRODUCT_BUNDLE_IDENTIFIER = ${id};`, `PRODUCT_BUNDLE_IDENTIFIER = ${own};`, 2],
  ["MARKETING_VERSION = 1.0;", `MARKETING_VERSION = ${version};`, versions],
  ["CURRENT_PROJECT_VERSION = 1;", `CURRENT_PROJECT_VERSION = ${build};`, 2],
];

/** Entries of an icon set that names no pictures: each gets one, behind its size. */
const named = (entries: readonly (readonly [idiom: string, scale: string, size: string, file: string])[]): Change[] =>
  entries.map(([idiom, scale, size, file]) => {
    const entry = `"idiom" : "${idiom}",\n      "scale" : "${scale}",\n      "size" : "${size}"\n`;
    return [entry, `${entry.trimEnd()},\n      "filename" : "${file}"\n`];
  });

const phoneSet = named([
  ["iphone", "2x", "20x20", "icon-iphone-20-2x.png"],
  ["iphone", "3x", "20x20", "icon-iphone-20-3x.png"],
  ["iphone", "2x", "29x29", "icon-iphone-29-2x.png"],
  ["iphone", "3x", "29x29", "icon-iphone-29-3x.png"],
  ["iphone", "2x", "40x40", "icon-iphone-40-2x.png"],
  ["iphone", "3x", "40x40", "icon-iphone-40-3x.png"],
  ["iphone", "2x", "60x60", "icon-iphone-60-2x.png"],
  ["iphone", "3x", "60x60", "icon-iphone-60-3x.png"],
  ["ios-marketing", "1x", "1024x1024", "icon-ios-marketing-1024-1x.png"],
]);

/** Where iOS names in languages are made known to a project: objects, the app's group, its resources, its regions. */
const referenced = (
  path: string,
  at: readonly [objects: string, group: string, region: string, resources: string],
): Change[] => {
  const [objects, group, region, resources] = at;
  const ids = {
    ru: "64DAF92D706CFF0FEBEFCEF8",
    de: "0B8175620A5F8B93B0AA190D",
    he: "3E8F95F3BBA5EA2DD2517A4B",
  };
  const variant = "7714C487171BF6382BE4AB3B /* InfoPlist.strings */";
  const build = "F13E8BDAAB6971F93F3714E0 /* InfoPlist.strings in Resources */";
  const each = Object.entries(ids);
  const references = each.map(
    ([tag, id]) =>
      `\t\t${id} /* ${tag} */ = {isa = PBXFileReference; lastKnownFileType = text.plist.strings; name = ` +
      `${tag}; path = ${path}${tag}.lproj/InfoPlist.strings; sourceTree = "<group>"; };\n`,
  );
  const members = each.map(([tag, id]) => `\t\t\t\t${id} /* ${tag} */,\n`).join("");
  const made =
    `${references.join("")}\t\t${variant} = {\n\t\t\tisa = PBXVariantGroup;\n\t\t\tchildren = (\n` +
    `${members}\t\t\t);\n\t\t\tname = InfoPlist.strings;\n\t\t\tsourceTree = "<group>";\n\t\t};\n` +
    `\t\t${build} = {isa = PBXBuildFile; fileRef = ${variant}; };\n`;
  return [
    [objects, objects + made],
    [group, `${group}\t\t\t\t${variant},\n`],
    [resources, `${resources}\t\t\t\t${build},\n`],
    ["developmentRegion = en;", "developmentRegion = ru;"],
    [region, `${region}${["ru", "de", "he"].map((tag) => `\t\t\t\t${tag},\n`).join("")}`],
  ];
};

/** The dark and the tinted form of an icon that was one picture for all, behind its entry. */
const appearances = (before: string): Change => {
  const entry = (value: string) => `,
    {
      "appearances": [
        {
          "appearance": "luminosity",
          "value": "${value}"
        }
      ],
      "filename": "icon-universal-${value}.png",
      "idiom": "universal",
      "platform": "ios",
      "size": "1024x1024"
    }`;
  return [before, before + entry("dark") + entry("tinted")];
};

const reactProject = "ios/TideTable.xcodeproj/project.pbxproj";

export const bareJavaScript: Table = {
  changed: (client) => ({
    "app.json": [['"displayName": "TideTable"', `"displayName": "${client.label}"`]],
    "android/app/build.gradle": groovy("com.tidetable", "        implementation jscFlavor\n    }\n}\n", client),
    [`${res}/values/strings.xml`]: [[">TideTable<", `>${client.label}<`]],
    "ios/TideTable/Info.plist": [
      [
        "<key>CFBundleDisplayName</key>\n\t<string>TideTable<",
        `<key>CFBundleDisplayName</key>\n\t<string>${client.label}<`,
      ],
    ],
    "ios/TideTable/LaunchScreen.storyboard": [['text="TideTable"', `text="${attribute(client.name)}"`]],
    "ios/TideTable/Images.xcassets/AppIcon.appiconset/Contents.json": phoneSet,
    [reactProject]: project('"org.reactjs.native.example.$(PRODUCT_NAME:rfc1034identifier)"', client),
  }),
  drawn: [`${res}/mipmap-*/*.png`],
  made: [...androidMade("android", res), "ios/TideTable/Images.xcassets/AppIcon.appiconset/icon-*.png"],
  inLanguages: {
    made: [...androidNames(res), ...xcodeNames("ios/TideTable")],
    changed: {
      [reactProject]: referenced("TideTable/", [
        "\tobjects = {\n",
        "\t\t13B07FAE1A68108700A75B9A /* TideTable */ = {\n\t\t\tisa = PBXGroup;\n\t\t\tchildren = (\n",
        "\t\t\tknownRegions = (\n",
        "\t\t13B07F8E1A680F5B00A75B9A /* Resources */ = {\n\t\t\tisa = PBXResourcesBuildPhase;\n" +
          "\t\t\tbuildActionMask = 2147483647;\n\t\t\tfiles = (\n",
      ]),
      "ios/TideTable/Info.plist": [["<string>en</string>", "<string>ru</string>"]],
    },
  },
  stays: [
    ["app.json", '"name": "TideTable"'],
    ["package.json", '"name": "TideTable"'],
    ["android/app/src/main/java/com/tidetable/MainActivity.kt", 'getMainComponentName(): String = "TideTable"'],
    ["ios/TideTable/AppDelegate.swift", 'withModuleName: "TideTable"'],
    ["android/app/build.gradle", 'namespace "com.tidetable"'],
    ["ios/Podfile", "target 'TideTable' do"],
    ["android/app/build.gradle", "storeFile file('debug.keystore')"],
  ],
};

export const bareJavaScriptFlavours: Table = {
  ...bareJavaScript,
  changed: (client) => ({
    ...bareJavaScript.changed(client),
    "ios/TideTable/Images.xcassets/AppIconDebug.appiconset/Contents.json": phoneSet,
  }),
  made: [...(bareJavaScript.made ?? []), "ios/TideTable/Images.xcassets/AppIconDebug.appiconset/icon-*.png"],
  stays: [
    ...bareJavaScript.stays,
    ["android/app/build.gradle", 'applicationIdSuffix ".trial"'],
    ["android/app/build.gradle", 'resValue "string", "build_label", "Trial"'],
    [reactProject, "ASSETCATALOG_COMPILER_APPICON_NAME = AppIconDebug;"],
  ],
};

export const managed: Table = {
  changed: ({ label, version, id, ground }) => ({
    "app.json": [
      ['"name": "Tide Table"', `"name": "${label}"`],
      ['"version": "1.0.0"', `"version": "${version}"`],
      ['"scheme": "tidetable"', `"scheme": "${id}"`],
      ['"supportsTablet": true\n', `"supportsTablet": true,\n      "bundleIdentifier": "${id}"\n`],
      ['"backgroundColor": "#E6F4FE"', `"backgroundColor": "${ground}"`],
      ['"predictiveBackGestureEnabled": false\n', `"predictiveBackGestureEnabled": false,\n      "package": "${id}"\n`],
      ['"backgroundColor": "#ffffff"', `"backgroundColor": "${ground}"`],
    ],
  }),
  drawn: ["assets/images/*.png"],
  stays: [
    ["app.json", '"slug": "tide-table"'],
    ["package.json", '"name": "tide-table"'],
  ],
};

const layers = "assets/expo.icon/icon.json";

export const managedLayers: Table = {
  changed: (client) => ({
    "app.json": [
      ['"name": "TideTable"', `"name": "${client.label}"`],
      ['"version": "1.0.0"', `"version": "${client.version}"`],
      ['"scheme": "tidetable"', `"scheme": "${client.id}"`],
      ['"icon": "./assets/expo.icon"\n', `"icon": "./assets/expo.icon",\n      "bundleIdentifier": "${client.id}"\n`],
      ['"backgroundColor": "#E6F4FE"', `"backgroundColor": "${client.ground}"`],
      [
        '"predictiveBackGestureEnabled": false\n',
        `"predictiveBackGestureEnabled": false,\n      "package": "${client.id}"\n`,
      ],
      ['"backgroundColor": "#208AEF"', `"backgroundColor": "${client.ground}"`],
    ],
    [layers]: [
      ['"fill" : {\n    "automatic-gradient" : "extended-srgb:0.00000,0.47843,1.00000,1.00000"', layeredFill(client)],
      [
        `"image-name" : "expo-symbol 2.svg",
          "name" : "expo-symbol 2",
          "position" : {
            "scale" : 1,
            "translation-in-points" : [
              1.1008400065293245e-05,
              -16.046875
            ]
          }
        },
        {
          "image-name" : "grid.png",
          "name" : "grid"
        }
      ],
      "shadow" : {
        "kind" : "neutral",
        "opacity" : 0.5
      },
      "translucency" : {
        "enabled" : true,
        "value" : 0.5
      }
    }`,
        '"image-name" : "mark.png",\n          "name" : "mark"\n        }\n      ]\n    }',
      ],
    ],
  }),
  drawn: ["assets/images/{icon,splash-icon,favicon,android-icon-*}.png"],
  gone: ["assets/expo.icon/Assets/{expo-symbol 2.svg,grid.png}"],
  made: ["assets/expo.icon/Assets/mark.png"],
  stays: [
    ["app.json", '"slug": "tide-table"'],
    ["package.json", '"name": "tide-table"'],
  ],
  // What its own pages show: the framework's badges and logos, and its colour.
  asks: [
    "residue-color src/components/animated-icon.tsx",
    "residue-picture assets/images/expo-badge-white.png assets/images/expo-badge.png " +
      "assets/images/expo-logo.png assets/images/logo-glow.png assets/images/react-logo.png " +
      "assets/images/react-logo@2x.png assets/images/react-logo@3x.png",
  ],
};

export const managedCode: Table = {
  changed: ({ label, version, id, ground }) => ({
    "app.config.ts": [
      ['name: "Tide Table"', `name: "${label}"`],
      ['version: "1.0.0"', `version: "${version}"`],
      ['scheme: "tidetable"', `scheme: "${id}"`],
      ['bundleIdentifier: "example.quayside.tidetable"', `bundleIdentifier: "${id}"`],
      ['package: "example.quayside.tidetable"', `package: "${id}"`],
      ['backgroundColor: "#E6F4FE"', `backgroundColor: "${ground}"`],
    ],
  }),
  drawn: ["assets/{icon,favicon,android-icon-foreground,android-icon-background,android-icon-monochrome}.png"],
  stays: [
    ["app.config.ts", 'slug: "tide-table"'],
    ["app.config.ts", 'userInterfaceStyle: "light"'],
  ],
  // The starter ships it, and this configuration does not name it.
  asks: ["residue-picture assets/splash-icon.png"],
};

const managedProject = "ios/TideTable.xcodeproj/project.pbxproj";

export const managedNative: Table = {
  changed: (client) => ({
    "app.json": [
      ['"name": "TideTable"', `"name": "${client.label}"`],
      ['"version": "1.0.0"', `"version": "${client.version}"`],
    ],
    "android/app/build.gradle": groovy(
      "example.quayside.tidetable",
      "        implementation jscFlavor\n    }\n}\n",
      client,
    ),
    [`${res}/values/strings.xml`]: [[">TideTable<", `>${client.label}<`]],
    "ios/TideTable/Info.plist": [
      [
        "<dict>\n\t<key>CADisable",
        `<dict>\n\t<key>CFBundleDisplayName</key>\n\t<string>${client.label}</string>\n\t<key>CADisable`,
      ],
      ["<string>1.0</string>", `<string>${client.version}</string>`],
      ["<string>1</string>", `<string>${client.build}</string>`],
    ],
    "ios/TideTable/Images.xcassets/AppIcon.appiconset/Contents.json": [
      ['"size" : "1024x1024"\n', '"size" : "1024x1024",\n      "filename" : "icon-universal.png"\n'],
      appearances('"filename" : "icon-universal.png"\n    }'),
    ],
    [managedProject]: project("example.quayside.tidetable", client),
  }),
  drawn: [`${res}/drawable-*/splashscreen_logo.png`],
  gone: [`${res}/mipmap-*/*.webp`],
  made: [
    ...androidMade("android", res),
    `${res}/mipmap-*/ic_launcher{,_round}.png`,
    "ios/TideTable/Images.xcassets/AppIcon.appiconset/icon-universal{,-dark,-tinted}.png",
  ],
  inLanguages: {
    made: [...androidNames(res), ...xcodeNames("ios/TideTable")],
    changed: {
      [managedProject]: referenced("TideTable/", [
        "\tobjects = {\n",
        "\t\t13B07FAE1A68108700A75B9A /* TideTable */ = {\n\t\t\tisa = PBXGroup;\n\t\t\tchildren = (\n",
        "\t\t\tknownRegions = (\n",
        "\t\t13B07F8E1A680F5B00A75B9A /* Resources */ = {\n\t\t\tisa = PBXResourcesBuildPhase;\n" +
          "\t\t\tbuildActionMask = 2147483647;\n\t\t\tfiles = (\n",
      ]),
    },
  },
  stays: [
    ["android/app/build.gradle", 'namespace "example.quayside.tidetable"'],
    ["package.json", '"name": "expo-template-bare-minimum"'],
    ["ios/Podfile", "target 'TideTable' do"],
  ],
};

const wrappedProject = "ios/App/App.xcodeproj/project.pbxproj";

export const wrapperCode: Table = {
  changed: (client) => ({
    "capacitor.config.ts": [
      ["appId: 'example.quayside.tidetable'", `appId: '${client.id}'`],
      ["appName: 'Tide Table'", `appName: '${client.name.replace("'", "\\'")}'`],
    ],
    "www/index.html": [
      ["<title>Tide Table</title>", `<title>${xml(client.name)}</title>`],
      ...(client.locale === "en" ? [] : ([['<html lang="en">', `<html lang="${client.locale}">`]] as Change[])),
    ],
    "android/app/build.gradle": groovy(
      "example.quayside.tidetable",
      'logger.info("google-services.json not found, google-services plugin not applied. Push Notifications ' +
        "won't work\")\n}\n",
      client,
    ),
    [`${res}/values/strings.xml`]: [
      [">Tide Table<", `>${client.label}<`, 2],
      [">example.quayside.tidetable<", `>${client.id}<`, 2],
    ],
    [`${res}/values/ic_launcher_background.xml`]: [["#FFFFFF", client.ground]],
    [`${res}/mipmap-anydpi-v26/ic_launcher.xml`]: [
      [
        '<foreground android:drawable="@mipmap/ic_launcher_foreground"/>',
        '<foreground android:drawable="@mipmap/ic_launcher_foreground"/>\n    <monochrome ' +
          'android:drawable="@mipmap/ic_launcher_stencil"/>',
      ],
    ],
    "ios/App/App/Info.plist": [["<string>Tide Table</string>", `<string>${xml(client.label)}</string>`]],
    "ios/App/App/Assets.xcassets/AppIcon.appiconset/Contents.json": [appearances('"size" : "1024x1024"\n    }')],
    [wrappedProject]: project("example.quayside.tidetable", client),
  }),
  drawn: [
    `${res}/mipmap-*/*.png`,
    `${res}/drawable-land-*/splash.png`,
    "ios/App/App/Assets.xcassets/{AppIcon.appiconset,Splash.imageset}/*.png",
  ],
  gone: [`${res}/drawable/splash.png`, `${res}/drawable-port-*/splash.png`, "android/app/build/.npmkeep"],
  made: [
    ...signed("android"),
    `${res}/drawable-{mdpi,hdpi,xhdpi,xxhdpi,xxxhdpi}/splash.png`,
    `${res}/mipmap-*/ic_launcher_stencil.png`,
    "ios/App/App/Assets.xcassets/AppIcon.appiconset/icon-universal-{dark,tinted}.png",
  ],
  inLanguages: {
    made: [...androidNames(res), ...xcodeNames("ios/App/App")],
    changed: {
      [wrappedProject]: referenced("", [
        "\tobjects = {\n",
        "\t\t504EC3061FED79650016851F /* App */ = {\n\t\t\tisa = PBXGroup;\n\t\t\tchildren = (\n",
        "\t\t\tknownRegions = (\n",
        "\t\t504EC3021FED79650016851F /* Resources */ = {\n\t\t\tisa = PBXResourcesBuildPhase;\n" +
          "\t\t\tbuildActionMask = 2147483647;\n\t\t\tfiles = (\n",
      ]),
      "ios/App/App/Info.plist": [["<string>en</string>", "<string>ru</string>"]],
    },
  },
  stays: [
    ["android/app/build.gradle", 'namespace = "example.quayside.tidetable"'],
    ["android/app/src/main/java/example/quayside/tidetable/MainActivity.java", "package example.quayside.tidetable;"],
    ["package.json", '"name": "tide-table"'],
    ["ios/App/App/Info.plist", "<string>$(EXECUTABLE_NAME)</string>"],
  ],
};

export const wrapperXml: Table = {
  changed: (client) => ({
    "config.xml": [
      ['id="example.quayside.tidetable"', `id="${client.id}"`],
      ['version="1.0.0"', `version="${client.version}"`],
      ["<name>Tide Table</name>", `<name>${xml(client.name)}</name>`],
      ['email="dev@cordova.apache.org"', `email="${client.email}"`],
      ['href="https://cordova.apache.org">', `href="https://${client.domain}">`],
      ["        Apache Cordova Team\n", `        ${xml(client.owner)}\n`],
    ],
    "package.json": [['"displayName": "Tide Table"', `"displayName": "${client.label}"`]],
    "www/index.html": [
      ["<title>Hello World</title>", `<title>${xml(client.name)}</title>`],
      ["<html>", `<html lang="${client.locale}">`],
    ],
  }),
  drawn: [],
  stays: [["package.json", '"name": "example.quayside.tidetable"']],
  asks: [
    // A package's author is seen by nobody but developers, and is the same as the app's own.
    "residue-owner package.json",
    // The page shows the framework's logo.
    "residue-picture www/img/logo.png",
  ],
};

const wrapperRes = "app/src/main/res";

export const wrapperAndroid: Table = {
  changed: (client) => ({
    "app/build.gradle": [
      // The value is the namespace's as well, which stays: the identifier alone is made the client's own.
      ["applicationId cordovaConfig.PACKAGE_NAMESPACE", `applicationId "${client.id}"`],
      [
        "    apply plugin: 'com.google.gms.google-services'\n}\n",
        `    apply plugin: 'com.google.gms.google-services'\n}\n${groovySigning}`,
      ],
    ],
    "app/src/main/AndroidManifest.xml": [
      ['android:versionName="1.0"', `android:versionName="${client.version}"`],
      ['android:versionCode="1"', `android:versionCode="${client.build}"`],
      [
        'android:icon="@mipmap/ic_launcher"',
        'android:icon="@mipmap/ic_launcher"\n        android:roundIcon="@mipmap/ic_launcher_round"',
      ],
    ],
    [`${wrapperRes}/values/cdv_strings.xml`]: [[">Tide Table<", `>${client.label}<`]],
    [`${wrapperRes}/values/cdv_colors.xml`]: [["#FAF8FF", client.ground]],
    [`${wrapperRes}/values-night/cdv_colors.xml`]: [["#121318", anyColor]],
    [`${wrapperRes}/xml/config.xml`]: [
      ['id="org.apache.cordova.hellocordova"', `id="${client.id}"`],
      ['version="1.0.0"', `version="${client.version}"`],
      ["<name>Hello Cordova</name>", `<name>${xml(client.name)}</name>`],
      ['email="dev@cordova.apache.org"', `email="${client.email}"`],
      ['href="https://cordova.apache.org">', `href="https://${client.domain}">`],
      ["        Apache Cordova Team\n", `        ${xml(client.owner)}\n`],
    ],
  }),
  drawn: [`${wrapperRes}/mipmap-*/ic_launcher.png`],
  gone: [
    `${wrapperRes}/drawable/ic_cdv_splashscreen.xml`,
    `${wrapperRes}/mipmap-ldpi/ic_launcher.png`,
    `${wrapperRes}/mipmap-*-v26/*.png`,
  ],
  made: [
    ...signed(""),
    `${wrapperRes}/drawable-*/ic_cdv_splashscreen.png`,
    `${wrapperRes}/mipmap-*/ic_launcher_{background,foreground,monochrome,round}.png`,
    `${wrapperRes}/mipmap-anydpi-v26/ic_launcher_round.xml`,
  ],
  inLanguages: { made: androidNames(wrapperRes) },
  stays: [
    ["cdv-gradle-config.json", '"PACKAGE_NAMESPACE": "example.quayside.tidetable"'],
    ["app/build.gradle", "namespace = cordovaConfig.PACKAGE_NAMESPACE"],
    ["CordovaLib/cordova.gradle", "cdv-gradle-config-defaults.json"],
    [`${wrapperRes}/values/cdv_strings.xml`, "@string/app_name"],
    ["app/src/main/AndroidManifest.xml", `\${applicationId}.cdv.core.file.provider`],
  ],
};

export const bundledPage: Table = {
  changed: (client) => ({
    "index.html": [
      [
        "<title>tide-table</title>",
        `<title>${xml(client.name)}</title>${pageHead(client, "\n    ", "/icons/touch.png")}` +
          startLinks("\n    ", "/icons/"),
      ],
      ...(client.locale === "en" ? [] : ([['<html lang="en">', `<html lang="${client.locale}">`]] as Change[])),
    ],
    "vite.config.ts": [
      ['name: "Tide Table"', `name: "${client.name}"`],
      ['short_name: "Tides"', `short_name: "${client.label}"`],
      ['theme_color: "#1f6f8b"', `theme_color: "${client.brand}"`],
    ],
  }),
  drawn: ["public/favicon.svg", "public/pwa-*.png"],
  made: ["public/icons/{touch,start-*}.png"],
  stays: [
    ["package.json", '"name": "tide-table"'],
    ["vite.config.ts", 'registerType: "autoUpdate"'],
  ],
};

export const pageFramework: Table = {
  changed: (client) => ({
    "app/layout.tsx": [['title: "Create Next App"', `title: "${client.name}"`]],
  }),
  drawn: ["app/favicon.ico"],
  stays: [["app/layout.tsx", 'lang="en"']],
  // The description is a text of the template's own.
  asks: ["residue-name app/layout.tsx"],
};

export const desktopShell: Table = {
  changed: (client) => ({
    "electron-builder.yml": [
      ["appId: example.quayside.tidetable", `appId: "${client.id}"`],
      ["productName: Tide Table", `productName: "${client.name}"`],
      ["maintainer: electronjs.org", `maintainer: "${client.owner}"`],
      ["url: https://example.com/auto-updates", `url: "https://${client.domain}/auto-updates"`],
    ],
    "package.json": [
      ['"version": "1.0.0"', `"version": "${client.version}"`],
      ['"author": "example.com"', `"author": "${client.owner}"`],
      ['"homepage": "https://electron-vite.org"', `"homepage": "https://${client.domain}"`],
    ],
    "src/main/index.ts": [["setAppUserModelId('com.electron')", `setAppUserModelId('${client.id}')`]],
    "src/renderer/index.html": [
      ["<html>", `<html lang="${client.locale}">`],
      ["<title>Electron</title>", `<title>${xml(client.name)}</title>`],
    ],
  }),
  drawn: ["build/icon.{icns,ico,png}", "resources/icon.png"],
  stays: [
    ["package.json", '"name": "tide-table"'],
    ["electron-builder.yml", "executableName: tide-table"],
    ["electron-builder.yml", `artifactName: \${name}-\${version}.\${ext}`],
    ["src/main/index.ts", "from 'electron'"],
  ],
  // The page links the framework's documentation.
  asks: ["residue-address src/renderer/index.html"],
};

const images = "windows/TideTable.Package/Images";
const tiles = (role: string) => [100, 125, 150, 200, 400].map((scale) => `${role}.scale-${scale}`);
const targets = [16, 20, 24, 30, 32, 36, 40, 48, 60, 64, 72, 80, 96, 256].flatMap((side) =>
  ["", "_altform-unplated", "_altform-lightunplated"].map((form) => `Square44x44Logo.targetsize-${side}${form}`),
);
const packed = [
  ...tiles("StoreLogo"),
  ...tiles("Square150x150Logo"),
  ...tiles("Square44x44Logo"),
  ...targets,
  ...tiles("Wide310x150Logo"),
  ...tiles("SplashScreen"),
];
const listedBefore = [
  "SplashScreen.scale-200",
  "Square150x150Logo.scale-200",
  "Square44x44Logo.scale-200",
  "Square44x44Logo.targetsize-24_altform-unplated",
  "Wide310x150Logo.scale-200",
];
const item = (name: string, end: string) => `${end}    <Content Include="Images\\${name}.png" />`;

export const windowsCpp: Table = {
  changed: (client) => {
    const end = "\r\n";
    const last = item("Wide310x150Logo.scale-200", end);
    const added = packed.filter((name) => !listedBefore.includes(name)).map((name) => item(name, end));
    return {
      "windows/TideTable.Package/Package.appxmanifest": [
        ['    Name="TideTable"', `    Name="${client.id}"`],
        ['Publisher="CN=harbour"', `Publisher="CN=${attribute(client.owner)}"`],
        ['Version="1.0.0.0"', `Version="${client.version.split(".").slice(0, 2).join(".")}.${client.build}.0"`],
        ["<DisplayName>TideTable<", `<DisplayName>${xml(client.name)}<`],
        ["<PublisherDisplayName>harbour<", `<PublisherDisplayName>${xml(client.owner)}<`],
        ['DisplayName="TideTable"', `DisplayName="${attribute(client.name)}"`],
        ['Description="TideTable"', `Description="${attribute(client.name)}"`],
        ['BackgroundColor="transparent"', `BackgroundColor="${client.ground}"`],
      ],
      "windows/TideTable.Package/TideTable.Package.wapproj": [
        [item("LockScreenLogo.scale-200", end), ""],
        [item("StoreLogo", end), ""],
        [last, last + added.join("")],
      ],
      "windows/TideTable/TideTable.cpp": [['appWindow.Title(L"TideTable")', `appWindow.Title(L"${client.name}")`]],
    };
  },
  drawn: [`${images}/*.png`, "windows/TideTable/*.ico"],
  gone: [`${images}/LockScreenLogo.scale-200.png`, `${images}/StoreLogo.png`],
  made: [...packed.map((name) => `${images}/${name}.png`), "store/microsoft-store/{tile,box,poster}.png"],
  stays: [
    ["windows/TideTable/TideTable.cpp", 'viewOptions.ComponentName(L"TideTable")'],
    ["windows/TideTable.Package/TideTable.Package.wapproj", "..\\TideTable\\TideTable.vcxproj"],
    ["windows/TideTable.sln", '"TideTable.Package"'],
  ],
};

const mac = "macos/TideTable-macOS";

export const macAndPhone: Table = {
  changed: (client) => ({
    [`${mac}/Assets.xcassets/AppIcon.appiconset/Contents.json`]: named(
      [16, 32, 128, 256, 512].flatMap((points) =>
        ["1x", "2x"].map((scale) => ["mac", scale, `${points}x${points}`, `icon-mac-${points}-${scale}.png`] as const),
      ),
    ),
    [`${mac}/Base.lproj/Main.storyboard`]: [
      ['title="TideTable"', `title="${attribute(client.name)}"`, 2],
      ["About TideTable", `About ${attribute(client.name)}`],
      ["Hide TideTable", `Hide ${attribute(client.name)}`],
      ["Quit TideTable", `Quit ${attribute(client.name)}`],
      ["TideTable Help", `${attribute(client.name)} Help`],
    ],
    [`${mac}/Info.plist`]: [
      [
        "<dict>\n\t<key>CFBundleDevelopmentRegion",
        `<dict>\n\t<key>CFBundleDisplayName</key>\n\t<string>${xml(client.label)}</string>\n` +
          "\t<key>CFBundleDevelopmentRegion",
      ],
      [
        "<key>CFBundleName</key>\n\t<string>$(PRODUCT_NAME)<",
        `<key>CFBundleName</key>\n\t<string>${xml(client.label)}<`,
      ],
      ["<string>1.0</string>", `<string>${client.version}</string>`],
      ["<string>1</string>", `<string>${client.build}</string>`],
    ],
    "macos/TideTable.xcodeproj/project.pbxproj": [
      // The telephone's target has its files elsewhere, and goes with the Mac's.
      [
        'PRODUCT_BUNDLE_IDENTIFIER = "org.reactjs.native.$(PRODUCT_NAME:rfc1034identifier)";',
        `PRODUCT_BUNDLE_IDENTIFIER = ${client.id};`,
        4,
      ],
      ["CURRENT_PROJECT_VERSION = 1;", `CURRENT_PROJECT_VERSION = ${client.build};`, 4],
    ],
  }),
  drawn: [],
  made: [`${mac}/Assets.xcassets/AppIcon.appiconset/icon-mac-*.png`],
  stays: [
    [`${mac}/AppDelegate.mm`, 'self.moduleName = @"TideTable"'],
    ["macos/TideTable.xcodeproj/project.pbxproj", 'name = "TideTable-macOS";'],
    ["macos/TideTable.xcodeproj/project.pbxproj", 'INFOPLIST_FILE = "TideTable-iOS/Info.plist";'],
  ],
};

const plistName = (label: string): Change[] => [["<string>Tides</string>", `<string>${xml(label)}</string>`]];

/** The dark and the tinted form behind the one entry of a set that has pictures. */
const manySet: Change[] = [appearances('"filename": "tide-0.png"\n    }')];

export const xcodeMany: Table = {
  changed: (client) => ({
    "Phone/Info.plist": [
      ...plistName(client.label),
      ["<string>quaytides<", `<string>${client.id}<`],
      ["<string>example.quayside.tides.refresh<", `<string>${client.id}.refresh<`],
      ["<string>Tides reads the marks", `<string>${xml(client.name)} reads the marks`],
    ],
    "Phone/Phone.entitlements": [
      ["applinks:tides.quayside.example", `applinks:${client.domain}`],
      ["group.example.quayside.tides", `group.${client.id}`],
    ],
    // What the list and the entitlements say, code says as well: one side alone would break it.
    "Phone/Refresh.swift": [
      ['"example.quayside.tides.refresh"', `"${client.id}.refresh"`],
      ['"group.example.quayside.tides"', `"group.${client.id}"`],
    ],
    "Phone/AppIcon.icon/icon.json": [
      ['"fill": {\n    "solid": "srgb:0.98000,0.94000,0.89000,1.00000"', layeredFill(client)],
      ['"groups": [', '"groups" : ['],
      ['"layers": [', '"layers" : ['],
      [
        `"image-name": "tide.png",
          "name": "tide",
          "position": {
            "scale": 1.2,
            "translation-in-points": [
              0,
              0
            ]
          }`,
        '"image-name" : "mark.png",\n          "name" : "mark"',
      ],
      ['"supported-platforms": {', '"supported-platforms" : {'],
    ],
    "Phone/Assets.xcassets/AppIcon.appiconset/Contents.json": manySet,
    "Phone/Assets.xcassets/AppIconDebug.appiconset/Contents.json": manySet,
    "Clip/Assets.xcassets/AppIcon.appiconset/Contents.json": manySet,
    "Clip/Info.plist": plistName(client.label),
    "Mac/Info.plist": plistName(client.label),
    "Widget/Info.plist": plistName(client.label),
    "Watch/Info.plist": [...plistName(client.label), ["<string>example.quayside.tides<", `<string>${client.id}<`]],
    "Tides.xcodeproj/project.pbxproj": [
      ["MARKETING_VERSION = 4.2.0;", `MARKETING_VERSION = ${client.version};`, 2],
      ["CURRENT_PROJECT_VERSION = 118;", `CURRENT_PROJECT_VERSION = ${client.build};`, 2],
      ["= example.quayside.tides;", `= ${client.id};`, 4],
      ["= example.quayside.tides.watchkitapp;", `= ${client.id}.watchkitapp;`, 2],
      ["= example.quayside.tides.widget;", `= ${client.id}.widget;`, 2],
      ["= example.quayside.tides.Clip;", `= ${client.id}.Clip;`, 2],
    ],
  }),
  drawn: ["{Phone,Mac,Watch,Clip}/Assets.xcassets/*.appiconset/tide-*.png"],
  gone: ["Phone/AppIcon.icon/Assets/tide.png"],
  made: [
    "Phone/AppIcon.icon/Assets/mark.png",
    "{Phone,Clip}/Assets.xcassets/*.appiconset/icon-universal-{dark,tinted}.png",
  ],
  inLanguages: {
    made: xcodeNames("Phone"),
    changed: {
      "Tides.xcodeproj/project.pbxproj": [
        ...referenced("", [
          "\tobjects = {\n",
          "\t\tG1 = { isa = PBXGroup; children = (",
          "knownRegions = (",
          "\t\tR0 = { isa = PBXResourcesBuildPhase; files = (",
        ]).map(([from, to]): Change => [from, from.endsWith("(") ? to.replace("(\t", "(\n\t").trimEnd() : to]),
      ],
    },
  },
  stays: [
    ["Phone/Refresh.swift", 'let module = "Tides"'],
    ["Tides.xcodeproj/project.pbxproj", 'name = "Tides Watch"; productName = "Tides Watch"'],
    ["Tides.xcodeproj/project.pbxproj", 'PROVISIONING_PROFILE_SPECIFIER = "Quayside Watch";'],
    ["Watch/Assets.xcassets/AppIcon.appiconset/Contents.json", '"idiom": "car"'],
    ["Phone/Info.plist", "<string>$(EXECUTABLE_NAME)</string>"],
  ],
  // Neither brief says whose signature the app carries.
  asks: ["residue-owner Tides.xcodeproj/project.pbxproj"],
};

const layeredFill = ({ ground }: Values): string => {
  const part = (at: number) => (Number.parseInt(ground.slice(at, at + 2), 16) / 255).toFixed(5);
  return `"fill" : {\n    "solid" : "srgb:${part(1)},${part(3)},${part(5)},1.00000"`;
};

const dartRes = "android/app/src/main/res";
const quote = (name: string) => name.replace("'", "\\'");

export const dartLayout: Table = {
  changed: (client) => ({
    "pubspec.yaml": [["version: 1.0.0+1", `version: ${client.version}+${client.build}`]],
    "lib/main.dart": [["title: 'Tide Table'", `title: '${quote(client.name)}'`]],
    "android/app/build.gradle.kts": [
      ['applicationId = "example.quayside.tide_table"', `applicationId = "${client.id}"`],
      ['    source = "../.."\n}\n', `    source = "../.."\n}\n${kotlinSigning}`],
    ],
    "android/app/src/main/AndroidManifest.xml": [
      ['android:label="tide_table"', `android:label="${client.label}"`],
      [
        'android:icon="@mipmap/ic_launcher"',
        'android:icon="@mipmap/ic_launcher"\n        android:roundIcon="@mipmap/ic_launcher_round"',
      ],
    ],
    "ios/Runner/Info.plist": [
      ["<string>Tide Table<", `<string>${xml(client.label)}<`],
      ["<string>tide_table<", `<string>${xml(client.label)}<`],
    ],
    "ios/Runner/Base.lproj/LaunchScreen.storyboard": [['red="1" green="1" blue="1"', shares(client)]],
    "ios/Runner.xcodeproj/project.pbxproj": [["example.quayside.tideTable", client.id]],
    "macos/Runner/Configs/AppInfo.xcconfig": [
      ["example.quayside.tideTable", client.id],
      ["© 2026 Quayside Works. All", `© ${new Date().getFullYear()} ${client.owner}. All`],
    ],
    "macos/Runner/Info.plist": [
      [
        "<dict>\n\t<key>CFBundleExecutable",
        `<dict>\n\t<key>CFBundleDisplayName</key>\n\t<string>${xml(client.label)}</string>\n\t<key>CFBundleExecutable`,
      ],
      ["<string>$(PRODUCT_NAME)<", `<string>${xml(client.label)}<`],
    ],
    "linux/CMakeLists.txt": [['APPLICATION_ID "example.quayside.tide_table"', `APPLICATION_ID "${client.id}"`]],
    "linux/runner/my_application.cc": [
      ['header_bar, "tide_table"', `header_bar, "${client.name}"`],
      ['window, "tide_table"', `window, "${client.name}"`],
    ],
    "windows/runner/main.cpp": [['window.Create(L"tide_table"', `window.Create(L"${client.name}"`]],
    "windows/runner/Runner.rc": [
      ['"CompanyName", "Quayside Works"', `"CompanyName", "${client.owner}"`],
      ['"FileDescription", "tide_table"', `"FileDescription", "${client.name}"`],
      ["2026 Quayside Works. All", `${new Date().getFullYear()} ${client.owner}. All`],
      ['"ProductName", "tide_table"', `"ProductName", "${client.name}"`],
    ],
    "web/index.html": [
      ["<html>", `<html lang="${client.locale}">`],
      ['title" content="tide_table"', `title" content="${attribute(client.label)}"`],
      [
        '<link rel="apple-touch-icon" href="icons/Icon-192.png">',
        `<link rel="apple-touch-icon" href="icons/Icon-192.png">${startLinks("\n  ", "icons/")}`,
      ],
      ["<title>tide_table</title>", `<title>${xml(client.name)}</title>${themeColors(client, "\n  ").join("")}`],
    ],
    "web/manifest.json": [
      ['"name": "tide_table"', `"name": "${client.name}"`],
      ['"short_name": "tide_table"', `"short_name": "${client.label}"`],
      ['"background_color": "#0175C2"', `"background_color": "${client.ground}"`],
      ['"theme_color": "#0175C2"', `"theme_color": "${client.brand}"`],
      ['"purpose": "maskable" }\n', `"purpose": "maskable" }${manifestIcons("\n        ")}\n`],
    ],
  }),
  drawn: [
    `${dartRes}/mipmap-*/ic_launcher.png`,
    "{ios,macos}/Runner/Assets.xcassets/AppIcon.appiconset/*.png",
    "ios/Runner/Assets.xcassets/LaunchImage.imageset/*.png",
    "web/{favicon,icons/Icon-*}.png",
    "windows/runner/resources/app_icon.ico",
  ],
  made: [
    ...androidMade("android", dartRes),
    `${dartRes}/mipmap-*/ic_launcher_round.png`,
    "web/icons/app-{maskable,monochrome}-512.png",
    "web/icons/start-*.png",
  ],
  inLanguages: {
    made: xcodeNames("ios/Runner"),
    changed: {
      "ios/Runner.xcodeproj/project.pbxproj": [
        ["developmentRegion = en;", "developmentRegion = ru;"],
        ["knownRegions = (", "knownRegions = (\n\t\t\t\tru,\n\t\t\t\tde,\n\t\t\t\the,"],
      ],
    },
  },
  stays: [
    ["pubspec.yaml", "name: tide_table"],
    ["lib/main.dart", "package:tide_table/water.dart"],
    ["android/app/build.gradle.kts", 'namespace = "example.quayside.tide_table"'],
    ["macos/Runner/Configs/AppInfo.xcconfig", "PRODUCT_NAME = tide_table"],
    ["linux/CMakeLists.txt", 'BINARY_NAME "tide_table"'],
    ["windows/runner/Runner.rc", '"InternalName", "tide_table"'],
    ["windows/CMakeLists.txt", "project(tide_table LANGUAGES CXX)"],
  ],
};

const shares = ({ ground }: Values): string => {
  const part = (at: number) => Number((Number.parseInt(ground.slice(at, at + 2), 16) / 255).toFixed(3));
  return `red="${part(1)}" green="${part(3)}" blue="${part(5)}"`;
};

const manifestIcons = (line: string): string =>
  ["maskable", "monochrome"]
    .map(
      (purpose) =>
        `,${line}{ "src": "icons/app-${purpose}-512.png", "sizes": "512x512", "type": "image/png", ` +
        `"purpose": "${purpose}" }`,
    )
    .join("");

const gauge = (module: string, folder: string): string[] => [
  `${module}/src/main/res/${folder}-*/gauge{,_round,_stencil,_front}.png`,
  `${module}/src/main/res/${folder}-anydpi-v26/gauge{,_round}.xml`,
];
const roundGauge = (folder: string): string => `\n        android:roundIcon="@${folder}/gauge_round"`;

export const gradleCatalog: Table = {
  changed: (client) => ({
    "app/build.gradle.kts": [
      ['"appLabel" to "Tide Table"', `"appLabel" to "${client.label}"`],
      ['    implementation(project(":design"))\n}\n', `    implementation(project(":design"))\n}\n${kotlinSigning}`],
    ],
    "app/src/main/AndroidManifest.xml": [
      ['android:icon="@mipmap/gauge"', `android:icon="@mipmap/gauge"${roundGauge("mipmap")}`],
    ],
    "app/src/main/res/mipmap-anydpi-v26/gauge.xml": [
      [
        '"@drawable/gauge_front"/>',
        '"@drawable/gauge_front"/>\n    <monochrome android:drawable="@mipmap/gauge_stencil"/>',
      ],
    ],
    "design/src/main/res/values/quay.xml": [
      ["#2F4858", client.ground],
      ["#33658A", client.brand],
    ],
    "gradle/libs.versions.toml": [
      ["example.quayside.tidetable", client.id],
      ["'4.2.0'", `"${client.version}"`],
      ['"118"', `"${client.build}"`],
    ],
  }),
  drawn: ["app/src/main/res/mipmap-hdpi/gauge.png"],
  gone: ["app/src/main/res/drawable/{gauge_front,shop_sign}.xml"],
  made: [
    ...signed(""),
    ...gauge("app", "mipmap"),
    "store/google-play/tv-banner.{en,ru}.png",
    "app/src/main/res/drawable-*/{gauge_front,shop_sign}.png",
    "app/src/main/res/values-night/night_colors.xml",
  ],
  stays: [
    ["app/build.gradle.kts", 'namespace = "example.quayside.code"'],
    ["app/build.gradle.kts", 'applicationIdSuffix = ".debug"'],
    ["app/src/main/AndroidManifest.xml", `\${applicationId}.files`],
    ["settings.gradle.kts", 'rootProject.name = "harbour"'],
  ],
  // A host in a placeholder of the app's own.
  asks: ["residue-address app/build.gradle.kts"],
};

export const gradleFlavours: Table = {
  changed: (client) => ({
    "build.gradle": [["harbourId = 'example.quayside.tidetable'", `harbourId = '${client.id}'`]],
    "gradle.properties": [
      ["HARBOUR_CODE=118", `HARBOUR_CODE=${client.build}`],
      ["harbour.version=4.2.0", `harbour.version=${client.version}`],
    ],
    "phone/build.gradle": [
      ["'harbour_name', 'Tide Table'", `'harbour_name', '${client.label}'`],
      ['"harbour_name", "Tide Table"', `"harbour_name", "${client.label}"`, 2],
      ["applicationId 'example.quayside.tidetable.islands'", `applicationId '${client.id}.islands'`],
      ["        }\n    }\n}\n", `        }\n    }\n}\n${groovySigning}`],
    ],
    "phone/src/islands/res/values/colours.xml": [["#FF86BBD8", `#ff${client.ground.slice(1)}`]],
    "phone/src/main/res/values/colours.xml": [["#33658A", client.ground]],
    "phone/src/main/AndroidManifest.xml": [
      [`android:icon="\${appIcon}"`, `android:icon="\${appIcon}"${roundGauge("drawable")}`],
    ],
    "watch/build.gradle": [
      ["versionName '4.2.0'", `versionName '${client.version}'`],
      ["\n    }\n}\n", `\n    }\n}\n${groovySigning}`],
    ],
    "watch/src/main/AndroidManifest.xml": [
      ['android:icon="@drawable/gauge"', `android:icon="@drawable/gauge"${roundGauge("drawable")}`],
      ['android:label="Tide Table"', `android:label="${client.label}"`],
    ],
  }),
  drawn: ["{phone,watch}/src/main/res/drawable-hdpi/gauge.png"],
  made: [
    ...signed(""),
    ...gauge("phone", "drawable"),
    ...gauge("watch", "drawable"),
    "{phone,watch}/src/main/res/values/gauge_ground.xml",
    "phone/src/main/res/values-night/night_colors.xml",
  ],
  stays: [
    ["phone/build.gradle", "namespace 'example.quayside.code'"],
    ["phone/build.gradle", "applicationIdSuffix '.south'"],
    ["watch/build.gradle", `applicationId "\${harbourId}"`],
    ["phone/build.gradle", 'signIn: "harbour"'],
    ["settings.gradle", "rootProject.name = 'harbour'"],
  ],
};

const tests = "WebDriverAgentTests";
const agentProject = "WebDriverAgent.xcodeproj/project.pbxproj";

/** An app in a list that counts its own versions; nothing else in it is the client's. */
const counted = ({ version, build }: Values): Change[] => [
  ["<string>1.0</string>", `<string>${version}</string>`],
  ["<string>1</string>", `<string>${build}</string>`],
];

/** A display name, where a list had none. */
const shownAs = (label: string): Change => [
  "<dict>\n\t<key>CFBundleDevelopmentRegion",
  `<dict>\n\t<key>CFBundleDisplayName</key>\n\t<string>${xml(label)}</string>\n\t<key>CFBundleDevelopmentRegion`,
];

const speaksFirst: Change = ["<string>en</string>", "<string>ru</string>"];

export const phoneTelevisionWatch: Table = {
  changed: (client) => ({
    [`${tests}/IntegrationApp/Info.plist`]: [shownAs(client.label), ...counted(client)],
    [`${tests}/IntegrationApp_tvOS/Info.plist`]: [shownAs(client.label), ...counted(client)],
    [agentProject]: [
      ["= com.facebook.IntegrationApp;", `= ${client.id};`, 2],
      ["= com.facebook.IntegrationApp.tvOS;", `= ${client.id}.tvOS;`, 2],
      // A watch's app has no list of its own: the project says its versions, and what it is called.
      [
        `CURRENT_PROJECT_VERSION = 1;
				GENERATE_INFOPLIST_FILE = YES;
				INFOPLIST_KEY_UISupportedInterfaceOrientations = UIInterfaceOrientationPortrait;
				INFOPLIST_KEY_WKWatchOnly = YES;
				MARKETING_VERSION = 1.0;
				PRODUCT_BUNDLE_IDENTIFIER = com.facebook.wda.IntegrationApp.watchOS;`,
        `CURRENT_PROJECT_VERSION = ${client.build};
				GENERATE_INFOPLIST_FILE = YES;
				INFOPLIST_KEY_UISupportedInterfaceOrientations = UIInterfaceOrientationPortrait;
				INFOPLIST_KEY_WKWatchOnly = YES;
				MARKETING_VERSION = ${client.version};
				PRODUCT_BUNDLE_IDENTIFIER = ${client.id}.watchOS;`,
        2,
      ],
      [
        `buildSettings = {
				ALWAYS_EMBED_SWIFT_STANDARD_LIBRARIES = YES;
				ASSETCATALOG_COMPILER_APPICON_NAME = AppIcon;
				ASSETCATALOG_COMPILER_GENERATE_ASSET_SYMBOLS = NO;`,
        `buildSettings = {
				INFOPLIST_KEY_CFBundleDisplayName = ${client.label === "Kelp" ? client.label : `"${client.label}"`};
				ALWAYS_EMBED_SWIFT_STANDARD_LIBRARIES = YES;
				ASSETCATALOG_COMPILER_APPICON_NAME = AppIcon;
				ASSETCATALOG_COMPILER_GENERATE_ASSET_SYMBOLS = NO;`,
        2,
      ],
    ],
  }),
  drawn: [],
  inLanguages: {
    made: [`${tests}/IntegrationApp/{ru,he,de}.lproj/InfoPlist.strings`],
    changed: {
      [`${tests}/IntegrationApp/Info.plist`]: [speaksFirst],
      [`${tests}/IntegrationApp_tvOS/Info.plist`]: [speaksFirst],
      [agentProject]: [
        ["developmentRegion = en;", "developmentRegion = ru;"],
        ["\t\t\tknownRegions = (\n", "\t\t\tknownRegions = (\n\t\t\t\tru,\n\t\t\t\tde,\n\t\t\t\the,\n"],
      ],
    },
  },
  stays: [
    [agentProject, "PRODUCT_BUNDLE_IDENTIFIER = com.facebook.WebDriverAgentLib;"],
    [agentProject, "PRODUCT_BUNDLE_IDENTIFIER = com.facebook.IntegrationTests;"],
    [agentProject, "name = IntegrationApp_watchOS;"],
    ["WebDriverAgentLib/Info.plist", "<string>16.12.7</string>"],
    [`${tests}/UnitTests/Info.plist`, "<string>1.0</string>"],
    [`${tests}/IntegrationApp/Info.plist`, "<string>$(PRODUCT_NAME)</string>"],
  ],
  // The icon of what runs the tests: nobody installs it, but it looks like an app's.
  asks: ["residue-picture WebDriverAgentRunner/Assets.xcassets/AppIcon.appiconset/icon-1024.png"],
};

export const androidGroovy: Table = {
  changed: (client) => ({
    "app/build.gradle": [
      ['applicationId "io.appium.settings"', `applicationId "${client.id}"`],
      ["versionCode 45", `versionCode ${client.build}`],
      ['versionName "4.1.1"', `versionName "${client.version}"`],
      ['"settings_apk-debug.apk"\n    }\n}\n', `"settings_apk-debug.apk"\n    }\n}\n${groovySigning}`],
    ],
    "app/src/main/AndroidManifest.xml": [
      [
        'android:icon="@drawable/ic_launcher"',
        'android:icon="@drawable/ic_launcher"\n        android:roundIcon="@drawable/ic_launcher_round"',
      ],
    ],
    "app/src/main/res/values/strings.xml": [[">Appium Settings<", `>${xml(client.label)}<`]],
  }),
  drawn: ["app/src/main/res/drawable-*/ic_launcher.png"],
  // Telephones of that density are no more; the system takes the next.
  gone: ["app/src/main/res/drawable-ldpi/ic_launcher.png"],
  made: [
    ...signed(""),
    "app/src/main/res/drawable-{m,h,xh,xxh,xxxh}dpi/ic_launcher_{front,round,stencil}.png",
    "app/src/main/res/drawable-anydpi-v26/ic_launcher{,_round}.xml",
    "app/src/main/res/values/ic_launcher_ground.xml",
  ],
  inLanguages: { made: ["app/src/main/res/values-{ru,iw,de}/app_names.xml"] },
  stays: [
    // The namespace of its classes, and labels that say what a part does.
    ["app/src/main/AndroidManifest.xml", 'package="io.appium.settings"'],
    ["app/src/main/AndroidManifest.xml", 'android:label="Unlock"'],
    ["app/src/main/AndroidManifest.xml", 'android:label="Unicode IME"'],
  ],
  // Texts of its program, and the channel that the system lists its notifications under.
  asks: [
    "residue-identifier app/src/main/java/io/appium/settings/receivers/LocaleSettingReceiver.java",
    "residue-name app/src/main/java/io/appium/settings/helpers/NotificationHelpers.java " +
      "app/src/main/java/io/appium/settings/receivers/NotificationsReceiver.java " +
      "app/src/main/java/io/appium/settings/receivers/SmsReader.java",
  ],
};

export const androidKotlin: Table = {
  // Nothing labels it: the system shows its package.
  asks: ["name-unknown template.yaml"],
  changed: (client) => ({
    "app/build.gradle.kts": [
      ["versionCode = 1\n", `versionCode = ${client.build}\n`],
      ['versionName = "1.0"', `versionName = "${client.version}"`],
      ["this line)\n}\n", `this line)\n}\n${kotlinSigning}`],
    ],
    "gradle.properties": [["=io.appium.espressoserver", `=${client.id}`]],
  }),
  drawn: [],
  made: signed(""),
  stays: [
    ["app/build.gradle.kts", 'namespace = "io.appium.espressoserver"'],
    ["app/build.gradle.kts", 'testApplicationId = "io.appium.espressoserver.test"'],
    ["build.gradle.kts", 'group = "io.appium.espressoserver"'],
  ],
};
