import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { openFolder } from "../../../src/core/ground/files/reading/folder.ts";
import { gatherIdentity } from "../../../src/core/proving/audit/identity/gather.ts";
import { searchFor } from "../../../src/core/proving/audit/search/search.ts";
import { temporaryFolder } from "../../support/oxalis.ts";

function folderOf(files: Readonly<Record<string, string>>) {
  const root = temporaryFolder();
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), text);
  }
  return openFolder(root, "template");
}

const nobody = { values: {}, names: { further: {} }, answers: {} };

/** Kinds of files that name an app, with what each says of it, by the format's own documentation. */
test.each<[file: string, text: string, terms: string[]]>([
  [
    "data/app.desktop",
    "[Desktop Entry]\nName=Fernhollow\nName[de]=Farnmulde\nExec=fernhollow %U\n",
    ["Fernhollow", "Farnmulde"],
  ],
  [
    "app.entitlements",
    '<?xml version="1.0"?><plist version="1.0"><dict><key>com.apple.application-identifier</key>' +
      "<string>A1B2C3D4E5.org.fern.hollow</string></dict></plist>",
    ["A1B2C3D4E5"],
  ],
  [
    "about.cmake",
    'set(APPLICATION_NAME Fernhollow)\nset(APP_ID "org.fern.hollow")\n',
    ["Fernhollow", "org.fern.hollow"],
  ],
  [
    "mac/en.lproj/InfoPlist.strings",
    'NSHumanReadableCopyright = "© 2002-2009 by the Fern people";',
    ["the Fern people"],
  ],
  ["win/crate.rc", 'VALUE "LegalCopyright", "Copyright (C) 2005-2020 by F.H. Hollow"\n', ["F.H. Hollow"]],
  // A plug-in's own name, and who wrote it, are no app's.
  [
    "libCrateReader.json",
    '{"KPlugin":{"Authors":[{"Name":"Bea Slat","Email":"bea@slats.example"}],"Name":"Slats"}}',
    [],
  ],
  ["setup.iss", "[Setup]\nAppCopyright=Copyright (C) 1998-2010 Fern Works\n", ["Fern Works"]],
  // What stands for what is put in, or is brought along, names nothing.
  ["fern.iss", "[Setup]\nAppName=Fernhollow @fern.version@\nAppPublisher=__OWNER__\n", ["Fernhollow"]],
  [
    "Old.csproj",
    "<Project><BootstrapperPackage><ProductName>Microsoft .NET Framework 4</ProductName></BootstrapperPackage></Project>",
    [],
  ],
  [
    "mac/Info.plist",
    '<?xml version="1.0"?><plist version="1.0"><dict><key>CFBundleIdentifier</key><string>FERN_BUNDLE_ID</string></dict></plist>',
    [],
  ],
  ["build.gradle", "plugins {\n  id 'org.fern.packer' version '3.0.1'\n}\n", []],
  [
    "fern.pro",
    "QMAKE_TARGET_PRODUCT = Fernhollow\nQMAKE_TARGET_BUNDLE_PREFIX = org.fern\n",
    ["Fernhollow", "org.fern"],
  ],
  [
    "src/main.cpp",
    'SDL_Window *window = SDL_CreateWindow("Fernhollow", 0, 0, 640, 480, 0);\nglfwCreateWindow(640, 480, "Hollow", NULL);\n',
    ["Fernhollow", "Hollow"],
  ],
  [
    "Fern.swiftpm/Package.swift",
    'let package = Package(name: "fern", products: [.iOSApplication(name: "Fernhollow", teamIdentifier: "A1B2C3D4E5")])\n',
    ["Fernhollow", "A1B2C3D4E5"],
  ],
  [
    "Hollow.swiftpm/Package.swift",
    '.iOSApplication(\n  name: "Fernhollow",\n  targets: ["AppModule"],\n  bundleIdentifier: "org.fern.hollow"\n)\n',
    ["Fernhollow", "org.fern.hollow"],
  ],
  [
    "Cargo.toml",
    '[package]\nname = "fern"\n\n[package.metadata.bundle]\nname = "Fernhollow"\nidentifier = "org.fern.hollow"\n',
    ["Fernhollow", "org.fern.hollow"],
  ],
  [
    "manifest.xml",
    '<OfficeApp><ProviderName>Fern Works</ProviderName><DisplayName DefaultValue="Fernhollow"/></OfficeApp>',
    ["Fern Works", "Fernhollow"],
  ],
  [
    "tiapp.xml",
    '<ti:app xmlns:ti="http://ti.example"><id>org.fern.hollow</id><name>Fernhollow</name><publisher>Fern Works</publisher></ti:app>',
    ["org.fern.hollow", "Fernhollow", "Fern Works"],
  ],
  [
    "Fern.csproj",
    "<Project><PropertyGroup><UseMaui>true</UseMaui><ApplicationTitle>Fernhollow</ApplicationTitle>" +
      "<ApplicationId>org.fern.hollow</ApplicationId><Company>Fern Works</Company></PropertyGroup></Project>",
    ["Fernhollow", "org.fern.hollow", "Fern Works"],
  ],
  [
    "data/shop.desktop",
    "[Desktop Entry]\nName=Fernhollow\nActions=New;\n\n[Desktop Action New]\nName=New window\n",
    ["Fernhollow"],
  ],
  ["data/app.desktop.in.in", "[Desktop Entry]\nName=Fernhollow\nExec=@bindir@/fh\n", ["Fernhollow"]],
  [
    "data/org.fern.Hollow.metainfo.xml.in",
    "<component><id>org.fern.Hollow.desktop</id><name>Fernhollow</name><developer_name>Fern Works</developer_name></component>",
    ["org.fern.Hollow", "Fernhollow", "Fern Works"],
  ],
  [
    "mac/Info.plist.in",
    '<?xml version="1.0"?><plist version="1.0"><dict><key>CFBundleName</key><string>Fernhollow</string>' +
      "<key>CFBundleIdentifier</key><string>org.fern.hollow</string></dict></plist>",
    ["Fernhollow", "org.fern.hollow"],
  ],
  [
    "setup/app.wxs",
    '<Wix><Product Name="Fernhollow" Manufacturer="Fern Works"><Shortcut Name="Fernhollow" /></Product></Wix>',
    ["Fernhollow", "Fern Works"],
  ],
  [
    "setup/app.nsi",
    '!define PRODUCT_NAME "Fernhollow"\n!define COMPANY_NAME "Fern Works"\nName "Fernhollow"\n',
    ["Fernhollow", "Fern Works"],
  ],
  [
    "setup/app.iss",
    '#define MyAppName "Fernhollow"\n#define MyAppPublisher "Fern Works"\n[Setup]\nAppName={#MyAppName}\n',
    ["Fernhollow", "Fern Works"],
  ],
  [
    "CMakeLists.txt",
    'project(fh)\nset(CPACK_PACKAGE_NAME "Fernhollow")\nset(CPACK_PACKAGE_VENDOR "Fern Works")\n' +
      "set_target_properties(fh PROPERTIES MACOSX_BUNDLE_GUI_IDENTIFIER org.fern.hollow\n  MACOSX_BUNDLE_BUNDLE_NAME Fernhollow)\n",
    ["Fernhollow", "Fern Works", "org.fern.hollow"],
  ],
  [
    "src/main.cpp",
    'QCoreApplication::setApplicationName("Fernhollow");\napp.setOrganizationDomain(QStringLiteral("fern.example"));\n',
    ["Fernhollow", "fern.example"],
  ],
  ["src/main.py", "app.setApplicationDisplayName(self.tr('Fernhollow'))\n", ["Fernhollow"]],
  [
    "tv/appinfo.json",
    '{ "id": "org.fern.hollow", "title": "Fernhollow TV", "vendor": "Fern Works" }',
    ["org.fern.hollow", "Fernhollow TV", "Fernhollow", "Fern Works"],
  ],
  [
    "tizen/config.xml",
    '<widget id="http://fern.example/hollow"><tizen:application id="AbCdEfGhIj.Fernhollow" package="AbCdEfGhIj"/><name>Fernhollow</name></widget>',
    ["AbCdEfGhIj.Fernhollow", "Fernhollow"],
  ],
  [
    "package.json",
    '{ "name": "fernhollow", "main": "main.js", "devDependencies": { "electron": "30.0.0" } }',
    ["fernhollow"],
  ],
  [".env", "VITE_APP_TITLE=Fernhollow\nAPI=https://api.example\n", ["Fernhollow"]],
  [".env.production", 'APP_DISPLAY_NAME="Fernhollow"\n', ["Fernhollow"]],
])("%s says who an app is, and what of it is left is found there", (file, text, expected) => {
  const folder = folderOf({ [file]: text });
  const identity = gatherIdentity(folder, [file], []);
  const terms = identity.terms.map((term) => term.text);
  for (const term of expected) expect(terms).toContain(term);
  const { residue } = searchFor(identity, [], nobody).inFile(file, folder.bytes(file), file);
  const found = new Set(residue.map((each) => each.text));
  // Of two terms in one place the longer is told.
  const whole = expected.filter((term) => !expected.some((other) => other !== term && other.includes(term)));
  for (const term of whole) expect([...found]).toContain(term);
});

test.each<[file: string, text: string]>([
  ["package.json", '{ "name": "fernhollow", "dependencies": { "react": "19.0.0" } }'],
  ["package.json", '{ "name": "fernhollow", "productName": "Hollow", "devDependencies": { "electron": "30.0.0" } }'],
  ["ios/Resources/help.html", "<title>Fernhollow</title><p>wkWebView</p>"],
  ["core/Cargo.toml", '[package]\nname = "fernhollow"\n'],
  ["src/log.cpp", 'setObjectName("Fernhollow");\n'],
])("of %s, %s is nobody's name", (file, text) => {
  const terms = gatherIdentity(folderOf({ [file]: text }), [file], []).terms.map((term) => term.text.toLowerCase());
  expect(terms).not.toContain("fernhollow");
});

test.each([
  ["a component's name for its developers", "src/Card.js", 'Fern.Card.displayName = "Fernhollow";\n'],
  ["a feature of an installer", "setup/app.wxs", '<Wix><Feature Title="Fernhollow" /></Wix>'],
  ["the title of an example's page", "lib/examples/card/index.html", "<title>Fernhollow</title>"],
])("%s is nobody's name", (_, file, text) => {
  expect(gatherIdentity(folderOf({ [file]: text }), [file], []).terms).toEqual([]);
});

test("what a manifest labels an app with names it, whatever that text is called", () => {
  const files = {
    "app/src/main/AndroidManifest.xml":
      '<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application android:label="@string/lid">' +
      '<activity android:name=".Help" android:label="@string/help"/></application></manifest>',
    "app/src/main/res/values/texts.xml":
      '<resources><string name="lid">Fernhollow</string><string name="help">Help for all</string></resources>',
  };
  const { terms } = gatherIdentity(folderOf(files), Object.keys(files), []);
  expect(terms.map(({ kind, text }) => [kind, text])).toEqual([["name", "Fernhollow"]]);
});

test("of two ways to write a name, the one that people read is told", () => {
  const files = {
    "CMakeLists.txt": 'set(CPACK_PACKAGE_NAME "fernhollow")\n',
    "a.desktop": "[Desktop Entry]\nName=FernHollow\n",
  };
  const { terms } = gatherIdentity(folderOf(files), Object.keys(files), []);
  expect(terms.map(({ text }) => text)).toEqual(["FernHollow"]);
});

test.each([
  ["nothing says another", {}, '{ "name": "fernhollow" }', "alone"],
  [
    "what packs it takes it",
    { "forge.config.js": "module.exports = { packagerConfig: { name: pkg.name } };" },
    "",
    "taken",
  ],
  [
    "what packs it says another",
    { "forge.config.js": 'module.exports = { packagerConfig: { name: "Fern" } };' },
    "",
    undefined,
  ],
  ["the package says another", {}, ', "productName": "Fern"', undefined],
])("a shell's program is called by its package where %s", (_, others, more, expected) => {
  const own = `{ "name": "fernhollow", "main": "main.js", "devDependencies": { "electron": "30.0.0" }${more.startsWith(",") ? more : ""} }`;
  const files = { "package.json": own, ...others };
  const folder = folderOf(files as Record<string, string>);
  const identity = gatherIdentity(folder, Object.keys(files), []);
  expect(identity.shells.get("package.json")).toBe(expected);
  const isFound = (text: string) =>
    searchFor(identity, [], nobody)
      .inFile("package.json", Buffer.from(text), "package.json")
      .residue.some((each) => each.text === "fernhollow");
  expect(isFound(own)).toBe(expected !== undefined);
  // Where a variant's package says what the program is called, its own name is code's again; not where that is taken.
  const named = own.replace(" }", ', "productName": "Kelp" }').replace("} }", '}, "productName": "Kelp" }');
  if (expected) expect(isFound(named)).toBe(expected === "taken");
});
