import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { aroundFiles } from "../support/around-files.ts";
import { iconSet, isDrawn, made, picture, settled } from "../support/made.ts";
import { oxalis } from "../support/oxalis.ts";

/** The property list of an app for telephones whose project a build makes. */
const list = (keys: string) => `<?xml version="1.0" encoding="UTF-8"?>
<plist version="1.0">
<dict>
	<key>CFBundleDisplayName</key>
	<string>Marble Run</string>
	<key>CFBundleIdentifier</key>
	<string>\${MACOSX_BUNDLE_GUI_IDENTIFIER}</string>
	<key>CFBundlePackageType</key>
	<string>APPL</string>
	<key>NSCameraUsageDescription</key>
	<string>Marble Run takes pictures of marbles.</string>
	${keys}
</dict>
</plist>
`;

const translation = `<?xml version="1.0" encoding="utf-8"?>
<TS version="2.1" language="de_DE">
<context>
    <name>Main</name>
    <message>
        <source>About &amp;Marble Run</source>
        <translation>Über &amp;Marble Run</translation>
    </message>
</context>
</TS>
`;

test("one script of CMake makes an app for telephones and desktops: each is the client's", async () => {
  const { root, started } = aroundFiles({
    "CMakeLists.txt": `cmake_minimum_required(VERSION 3.21)
project(marblerun VERSION 1.4.2 LANGUAGES CXX)
qt_add_executable(marblerun main.cpp)
qt_add_qml_module(marblerun URI MarbleRun VERSION 1.0 QML_FILES Main.qml)
set_target_properties(marblerun PROPERTIES
    MACOSX_BUNDLE_BUNDLE_NAME "Marble Run" # above its menu
    MACOSX_BUNDLE_GUI_IDENTIFIER com.tinwhistle.marblerun
    MACOSX_BUNDLE_BUNDLE_VERSION 14
    MACOSX_BUNDLE_SHORT_VERSION_STRING 1.4.2
    MACOSX_BUNDLE_ICON_FILE marblerun.icns
    MACOSX_BUNDLE_INFO_PLIST "\${CMAKE_CURRENT_SOURCE_DIR}/ios/Info.plist"
    QT_ANDROID_PACKAGE_SOURCE_DIR "\${CMAKE_CURRENT_SOURCE_DIR}/android"
    QT_ANDROID_VERSION_CODE 14
    XCODE_ATTRIBUTE_DEVELOPMENT_TEAM "A1B2C3D4E5")
set_property(TARGET marblerun PROPERTY XCODE_ATTRIBUTE_PRODUCT_BUNDLE_IDENTIFIER "com.tinwhistle.marblerun")
`,
    "main.cpp": `int main(int argc, char **argv)
{
    QGuiApplication app(argc, argv);
    app.setOrganizationDomain("tinwhistle.com");
    app.setApplicationName(QStringLiteral("Marble Run"));
    app.setApplicationVersion("1.4.2");
    engine.loadFromModule("MarbleRun", "Main");
}
`,
    "Main.qml":
      'import QtQuick\nWindow {\n  title: qsTr("Marble Run")\n  Text { text: qsTr("Come to Marble Run") }\n}\n',
    "android/AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android"
    package="com.tinwhistle.marblerun" android:versionCode="-- %%INSERT_VERSION_CODE%% --">
    <application android:label="Marble Run" android:icon="@drawable/icon">
        <activity android:name="org.qtproject.qt.android.bindings.QtActivity"><intent-filter>
            <action android:name="android.intent.action.MAIN"/>
            <category android:name="android.intent.category.LAUNCHER"/>
        </intent-filter></activity>
    </application>
</manifest>
`,
    "android/build.gradle": `apply plugin: qtGradlePluginType
android {
    sourceSets {
        main {
            manifest.srcFile 'AndroidManifest.xml'
            res.srcDirs = [qtAndroidDir + '/res', 'res']
       }
    }
    defaultConfig {
        minSdkVersion qtMinSdkVersion
    }
}
`,
    "android/res/drawable-hdpi/icon.png": await picture(72),
    "ios/Info.plist": list("<key>UILaunchStoryboardName</key>\n\t<string>Launch</string>"),
    ...(await iconSet("ios/Assets.xcassets")),
  });
  expect(started.err).toContain("iOS: no storyboard named Launch");
  expect(made(root, "CMakeLists.txt")).toBe(
    readFileSync(join(root, "app/CMakeLists.txt"), "utf8")
      .replace("VERSION 1.4.2 LANG", "VERSION 2.5.1 LANG")
      .replace('"Marble Run"', '"Kelp & O\'Hara"')
      .replace("IDENTIFIER com.tinwhistle.marblerun", 'IDENTIFIER "example.kelp.kelpandohara"')
      .replace('"com.tinwhistle.marblerun"', '"example.kelp.kelpandohara"')
      .replace("STRING 1.4.2", 'STRING "2.5.1"')
      .replace("BUNDLE_VERSION 14", 'BUNDLE_VERSION "1"')
      .replace("VERSION_CODE 14", 'VERSION_CODE "1"'),
  );
  expect(made(root, "main.cpp")).toContain('setApplicationVersion("2.5.1")');
  expect(made(root, "android/AndroidManifest.xml")).toMatch(/versionCode="1"[\s\S]*android:label="Kelp"/);
  expect(made(root, "android/build.gradle")).toContain('applicationId = "example.kelp.kelpandohara"');
  expect(made(root, "ios/Info.plist")).toContain("<string>Kelp</string>");
  for (const file of ["android/res/drawable-hdpi/icon.png", "ios/Assets.xcassets/AppIcon.appiconset/icon.png"])
    expect([file, isDrawn(root, file)]).toEqual([file, true]);
  const left = settled(root);
  expect(left.match(/^(error|warning)/gm)).toHaveLength(1);
  expect(left).toContain('"A1B2C3D4E5", which is the template\'s'); // it is the client's to give
  expect(made(root, "Main.qml")).toMatch(/title: qsTr\("Kelp & O\\'Hara"\)[\s\S]*"Come to Kelp & O\\'Hara"/);
  expect(made(root, "main.cpp")).toContain('loadFromModule("MarbleRun", "Main")');
});

test("so does a project of qmake; in a menu's text, a name's own sign is written twice", async () => {
  const { root, started } = aroundFiles({
    "marble.pro": `TEMPLATE = app
TARGET = marblerun
VERSION = 1.4.2
QMAKE_TARGET_COMPANY = Tinwhistle Games
QMAKE_TARGET_PRODUCT = "Marble Run" # in Explorer
win32:QMAKE_TARGET_DESCRIPTION = Marble Run
QMAKE_TARGET_BUNDLE_PREFIX = com.tinwhistle
TRANSLATIONS += de.ts
macx: ICON = marblerun.icns
ios: QMAKE_INFO_PLIST = ios/Info.plist
`,
    "main.cpp": `#include <QAction>
static const char *page = "https://tinwhistle.com/";
void Main::menu() { help->addAction(tr("About &Marble Run")); }
`,
    "de.ts": translation,
    "ios/Info.plist": list("<key>LSRequiresIPhoneOS</key>\n\t<true/>"),
    ...(await iconSet("ios/Assets.xcassets")),
  });
  expect(started.err).toContain("the Mac's identifier begins as the client's, and ends in the target's name");
  expect(made(root, "marble.pro")).toContain(`TARGET = marblerun
VERSION = 2.5.1
QMAKE_TARGET_COMPANY = "Kelp & O'Hara Ltd"
QMAKE_TARGET_PRODUCT = "Kelp & O'Hara" # in Explorer
win32:QMAKE_TARGET_DESCRIPTION = "Kelp & O'Hara"
QMAKE_TARGET_BUNDLE_PREFIX = "example.kelp"
`);
  expect(isDrawn(root, "ios/Assets.xcassets/AppIcon.appiconset/icon.png")).toBe(true);
  expect(oxalis(root, "audit").err).toContain('"tinwhistle.com"');
  expect(settled(root)).toBe("");
  expect(made(root, "main.cpp")).toContain('tr("About &Kelp && O\\\'Hara")');
  expect(made(root, "de.ts")).toMatch(
    />About &amp;Kelp &amp;&amp; O&#39;Hara<[\s\S]*>Über &amp;Kelp &amp;&amp; O&#39;Hara</,
  );
});

test("a project of nothing but quotes, and a header that takes itself in, are looked through to their end", () => {
  const { started } = aroundFiles({
    "marble.pro": `QMAKE_TARGET_PRODUCT = ${'"'.repeat(50_000)}\n`,
    "win/marble.rc": '#include "marble.h"\n1 VERSIONINFO\nBEGIN\n  VALUE "FileVersion", VERSION\nEND\n',
    "win/marble.h": '#include "marble.h"\n#define VERSION VERSION\n',
  });
  expect(started.err).toContain("the program's version is worked out where it cannot be followed");
});
