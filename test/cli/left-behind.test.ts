import { chmodSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { aroundFiles } from "../support/around-files.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";
import { unpacked } from "../wild/packages.ts";

/** A workspace whose template is these files alone, for desktops. */
async function desktop(files: Readonly<Record<string, string>>, clients: readonly string[]): Promise<string> {
  const folder = workspaceWith(clients);
  rmSync(join(folder, "template"), { recursive: true });
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, "template", file)), { recursive: true });
    writeFileSync(join(folder, "template", file), text);
  }
  await sharp({ create: { width: 512, height: 512, channels: 4, background: "#335577" } })
    .png()
    .toFile(join(folder, "template/icon.png"));
  writeFileSync(join(folder, "template.yaml"), "names: [Plain Crate]\n");
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[desktop]"));
  return folder;
}

const shell = {
  "package.json": JSON.stringify({
    name: "crate",
    version: "1.0.0",
    main: "main.js",
    devDependencies: { electron: "30.0.0" },
  }),
  "main.js": "",
};

test("installers of two clients' apps do not remove each other: each has a GUID of its own, the same each time", async () => {
  const guid = "9d6c0bb2-3f58-4d61-9f4e-0f7f2f5a2f00";
  const settings = { appId: "com.crate.desk", productName: "Plain Crate", icon: "icon.png", nsis: { guid } };
  const folder = await desktop({ ...shell, "electron-builder.json": JSON.stringify(settings, null, 2) }, [
    "3-acre",
    "ferme-duclos",
  ]);
  const guids = () =>
    ["3-acre", "ferme-duclos"].map((key) => {
      const { nsis } = JSON.parse(readFileSync(join(folder, "variants", key, "electron-builder.json"), "utf8"));
      return nsis.guid;
    });
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  const [first, second] = guids();
  for (const each of [first, second])
    expect(each).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set([first, second, guid]).size).toBe(3);
  rmSync(join(folder, "variants"), { recursive: true });
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  expect(guids()).toEqual([first, second]);
});

test.each([
  ['    resConfigs("en", "xxhdpi")\n', ["fr, ar"]],
  ['    androidResources { localeFilters += listOf("en", "fr-rFR", "ar") }\n', []],
  ["    minSdk = 24\n", []],
])("a build that keeps some languages alone tells which of a client's it drops: %s", (line, dropped) => {
  const folder = workspaceWith(["ferme-duclos"]);
  edit(folder, "template/android/app/build.gradle.kts", (text) =>
    text.replace("defaultConfig {\n", `defaultConfig {\n${line} `),
  );
  const { clients } = JSON.parse(oxalis(folder, "check", "--json").out);
  const told = clients[0].problems.filter(({ code }: { code: string }) => code === "language-dropped");
  expect(told.map(({ message }: { message: string }) => /texts in (.+?) are/.exec(message)?.[1])).toEqual(dropped);
  if (dropped.length > 0) expect(told[0].place.file).toBe("template/android/app/build.gradle.kts");
});

test("an image set of SVGs has SVGs of the client's; one of a form that nobody draws keeps its picture, and is told", () => {
  const folder = workspaceWith(["3-acre"]);
  const set = "ios/Storefront/Stall.xcassets/OpeningMark.imageset";
  const inSet = (name: string) => join(folder, "template", set, name);
  for (const name of readdirSync(inSet("."))) rmSync(inSet(name));
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="120" height="120"><circle cx="60" cy="60" r="50" fill="#a00"/></svg>';
  const files = ["one.svg", "two.svg", "three.svg"];
  for (const name of files) writeFileSync(inSet(name), svg);
  const images = files.map((filename, at) => ({ idiom: "universal", scale: `${at + 1}x`, filename }));
  const list = (all: readonly object[]) =>
    writeFileSync(inSet("Contents.json"), JSON.stringify({ images: all, info: { version: 1, author: "xcode" } }));
  list(images);
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  const made = (name: string) => readFileSync(join(folder, "variants/3-acre", set, name), "utf8");
  for (const name of files) {
    expect(made(name)).toContain("<svg");
    expect(made(name)).not.toBe(svg);
  }
  expect(oxalis(folder, "audit").code).toBe(0);
  writeFileSync(inSet("old.pdf"), "%PDF-1.4\n");
  list([...images.slice(0, 2), { idiom: "universal", scale: "3x", filename: "old.pdf" }]);
  rmSync(inSet("three.svg"));
  expect(oxalis(folder, "check").err).toContain("old.pdf is of a form that nobody here draws");
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  expect(made("old.pdf")).toContain("%PDF");
});

const square = (side: number) =>
  sharp({ create: { width: side, height: side, channels: 4, background: "#335577" } })
    .png()
    .toBuffer();

test("an add-in of an office program is a client's by name, owner, address and a GUID of its own; others' addresses stay", async () => {
  const manifest = readFileSync(
    join(unpacked("generator-office"), "generators/app/templates/hosts/word/manifest.xml"),
    "utf8",
  );
  const { root } = aroundFiles({
    "manifest.xml": manifest
      .replace("<%= projectId %>", "b2f6a7de-2c1c-4f60-9d4c-5a3a8cf0a001")
      .replace("<%= projectDisplayName %>", "Ledger Helper")
      .replace("[Provider name]", "Ledger Works")
      .replaceAll("localhost:3000", "ledger.works.example"),
    "assets/icon-32.png": await square(32),
    "assets/icon-80.png": await square(80),
  });
  const made = readFileSync(join(root, "variants/kelp/manifest.xml"), "utf8");
  const value = (form: RegExp) => form.exec(made)?.[1];
  expect(value(/<Id>(.*)<\/Id>/)).toMatch(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/);
  expect(value(/<Id>(.*)<\/Id>/)).not.toBe("b2f6a7de-2c1c-4f60-9d4c-5a3a8cf0a001");
  expect(value(/<ProviderName>(.*)<\/ProviderName>/)).toBe("Kelp &amp; O'Hara Ltd");
  expect(value(/<DisplayName DefaultValue="(.*)" ?\/>/)).toMatch(/^Kelp &amp; O(&#39;|')Hara$/);
  expect(made).not.toContain("ledger.works.example");
  expect(made.match(/https:\/\/kelp\.example\//g)?.length).toBe(manifest.match(/localhost:3000/g)?.length);
  expect(made).toContain("https://go.microsoft.com/fwlink/?LinkId=276812");
  const drawn = readFileSync(join(root, "variants/kelp/assets/icon-80.png"));
  expect([(await sharp(drawn).metadata()).width, drawn.equals(await square(80))]).toEqual([80, false]);
  expect(oxalis(root, "audit")).toMatchObject({ code: 0 });
});

test("an app of a television is one by its id, title and pictures; its identifier is no path of a page", async () => {
  const about = {
    id: "com.works.ledger",
    title: "Ledger",
    vendor: "Ledger Works",
    version: "1.0.0",
    main: "index.html",
  };
  const files = {
    "appinfo.json": JSON.stringify(
      { ...about, icon: "icon.png", largeIcon: "large.png", splashBackground: "splash.png" },
      null,
      2,
    ),
    "index.html": "<!doctype html><html><head><title>Ledger</title></head><body></body></html>",
    "about.txt": "com.works.ledger",
    "icon.png": await square(80),
    "large.png": await square(130),
    "splash.png": await sharp({ create: { width: 1920, height: 1080, channels: 3, background: "#335577" } })
      .png()
      .toBuffer(),
  };
  const { root } = aroundFiles(files);
  const made = JSON.parse(readFileSync(join(root, "variants/kelp/appinfo.json"), "utf8"));
  expect(made).toMatchObject({ id: "example.kelp.kelpandohara", title: "Kelp & O'Hara", vendor: "Kelp & O'Hara Ltd" });
  expect(made.version).toBe("2.5.1");
  const sizes = await Promise.all(
    ["icon", "large", "splash"].map(async (name) => {
      const bytes = readFileSync(join(root, `variants/kelp/${name}.png`));
      const { width, height } = await sharp(bytes).metadata();
      return [width, height, bytes.equals(files[`${name}.png` as keyof typeof files] as Buffer)];
    }),
  );
  expect(sizes).toEqual([
    [80, 80, false],
    [130, 130, false],
    [1920, 1080, false],
  ]);
  const audited = oxalis(root, "audit").err;
  expect(audited).toContain("about.txt");
  expect(audited).not.toContain("{identifiers.web}");
});

test("an app whose native projects are made at each build from one description has the client's name in it", () => {
  const { root } = aroundFiles({
    "tiapp.xml": `<?xml version="1.0"?>\n<ti:app xmlns:ti="http://ti.works.example"><id>com.works.ledger</id><name>Ledger</name>
      <version>1.0</version><publisher>Ledger Works</publisher><copyright>2012 by Ledger Works</copyright>
      <modules><module><id>com.other.maker</id></module></modules></ti:app>`,
    "Resources/app.js": "Ti.UI.createWindow();\n",
  });
  const made = readFileSync(join(root, "variants/kelp/tiapp.xml"), "utf8");
  expect(made).toContain("<id>example.kelp.kelpandohara</id><name>Kelp &amp; O'Hara</name>");
  expect(made).toContain("<version>2.5.1</version><publisher>Kelp &amp; O'Hara Ltd</publisher>");
  expect(made).toContain("<module><id>com.other.maker</id></module>");
  expect(oxalis(root, "audit")).toMatchObject({ code: 0 });
});

test("a page in a shell that a script packs is a program for desktops, by the name in its project's own file", () => {
  const project = { name: "ledger-desk", productName: "Ledger", main: "main.js", author: { name: "Ledger Works" } };
  const { root } = aroundFiles({
    "package.json": JSON.stringify({ ...project, version: "0.1.0", devDependencies: { "electron-packager": "6.0.2" } }),
    "main.js": "const label = 'About Ledger';\n",
    "app/app.html": "<!doctype html><html><head><title>Ledger</title></head><body></body></html>",
  });
  const made = JSON.parse(readFileSync(join(root, "variants/kelp/package.json"), "utf8"));
  expect([made.productName, made.name, made.author.name]).toEqual([
    "Kelp & O'Hara",
    "ledger-desk",
    "Kelp & O'Hara Ltd",
  ]);
  const { code, err } = oxalis(root, "audit");
  expect([code, err]).toEqual([1, expect.stringContaining("'About {app.name}'")]);
  expect(err).toContain("app/app.html");
});

test("one project for several systems gives the client's name, identifier and pictures; names of its code stay", () => {
  const mark =
    '<svg width="456" height="456" viewBox="0 0 456 456" xmlns="http://www.w3.org/2000/svg"><path fill="#512bd4" d="M9 9h300v99z"/></svg>';
  const { root } = aroundFiles({
    "Ledger.csproj": `<Project Sdk="Microsoft.NET.Sdk">
  <PropertyGroup>
    <RootNamespace>Ledger</RootNamespace>
    <UseMaui>true</UseMaui>
    <ApplicationTitle>Ledger</ApplicationTitle>
    <ApplicationId>com.works.ledger</ApplicationId>
    <ApplicationDisplayVersion>1.0</ApplicationDisplayVersion>
    <ApplicationVersion>1</ApplicationVersion>
  </PropertyGroup>
  <ItemGroup>
    <MauiIcon Include="Art\\Icon\\back.svg" ForegroundFile="Art\\Icon\\front.svg" Color="#512BD4" />
    <MauiSplashScreen Include="Art\\start.svg" Color="#512BD4" BaseSize="128,128" />
  </ItemGroup>
</Project>
`,
    "Art/Icon/back.svg": mark,
    "Art/Icon/front.svg": mark,
    "Art/start.svg": mark,
    "App.xaml.cs": "namespace Ledger;\npublic partial class App : Application { }\n",
    "Shell.xaml":
      '<Shell\n    x:Class="Ledger.Shell"\n    xmlns:local="clr-namespace:Ledger"\n    Title="Ledger">\n</Shell>\n',
  });
  const made = (file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
  const project = made("Ledger.csproj");
  for (const said of [
    "<ApplicationTitle>Kelp</ApplicationTitle>",
    "<ApplicationId>example.kelp.kelpandohara</ApplicationId>",
    "<ApplicationDisplayVersion>2.5.1</ApplicationDisplayVersion>",
    "<RootNamespace>Ledger</RootNamespace>",
  ])
    expect(project).toContain(said);
  expect(project).not.toMatch(/#512bd4/i);
  for (const file of ["Icon/back", "Icon/front", "start"]) expect(made(`Art/${file}.svg`)).not.toContain("#512bd4");
  const { code, err } = oxalis(root, "audit");
  expect([code, [...err.matchAll(/^ {3}(\S+:\d+:\d+)/gm)].map(([, place]) => place)]).toEqual([
    1,
    ["variants/kelp/Shell.xaml:4:12"],
  ]);
});

test("who keeps a package is the client, by name and address", async () => {
  const settings = {
    appId: "com.crate.desk",
    productName: "Plain Crate",
    icon: "icon.png",
    linux: { maintainer: "Crate Works <mail@crate.example>" },
  };
  const folder = await desktop({ ...shell, "electron-builder.json": JSON.stringify(settings, null, 2) }, ["3-acre"]);
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  const { linux } = JSON.parse(readFileSync(join(folder, "variants/3-acre/electron-builder.json"), "utf8"));
  expect(linux.maintainer).toBe("Three Acre Growers Ltd <crew@3acre.example>");
});

test("an app of a television that is known by an address has the client's; what only its maker gives out is told", () => {
  const { root } = aroundFiles({
    "config.xml": `<?xml version="1.0" encoding="UTF-8"?>
<widget xmlns="http://www.w3.org/ns/widgets" xmlns:tizen="http://tizen.org/ns/widgets" id="http://ledger.works.example/Ledger" version="1.0.0">
  <tizen:application id="Ab12Cd34Ef.Ledger" package="Ab12Cd34Ef" required_version="2.3"/>
  <content src="index.html"/><name>Ledger</name></widget>`,
    "index.html": "<!doctype html><html><head><title>Ledger</title></head><body></body></html>",
  });
  const made = readFileSync(join(root, "variants/kelp/config.xml"), "utf8");
  expect(made).toContain('id="http://kelp.example/Ledger" version="2.5.1"');
  expect(made).toContain("<name>Kelp &amp; O'Hara</name>");
  const { code, err } = oxalis(root, "audit");
  expect([code, err]).toEqual([1, expect.stringContaining("Ab12Cd34Ef")]);
});

test("a program for Linux is a client's by its entry, by what software centres show, and by its icon; its code's names stay", async () => {
  const entry =
    "[Desktop Entry]\nType=Application\nName=Ledger\nName[de]=Kassenbuch\nComment=Keeps books\nExec=ledger %U\nIcon=works.Ledger\nActions=new;\n" +
    "\n[Desktop Action new]\nName=New book\nExec=ledger --new\n";
  const about =
    '<?xml version="1.0"?><component type="desktop-application"><id>works.Ledger</id><name>Ledger</name>' +
    '<name xml:lang="de">Kassenbuch</name><developer id="works"><name>Ledger Works</name></developer>' +
    '<url type="homepage">https://ledger.works.example/</url><url type="bugtracker">https://bugs.others.example/</url></component>';
  const bundle =
    '<?xml version="1.0"?><plist version="1.0"><dict><key>CFBundlePackageType</key><string>APPL</string>' +
    "<key>CFBundleName</key><string>Ledger</string><key>CFBundleIdentifier</key><string>works.Ledger</string>" +
    "<key>CFBundleShortVersionString</key><string>@VERSION@</string><key>CFBundleVersion</key><string>14</string>" +
    "<key>CFBundleIconFile</key><string>ledger</string></dict></plist>";
  const { root, started } = aroundFiles({
    "meson.build": "project('ledger', 'c',\n  version: '1.1.0')\nexecutable('ledger', 'main.c')\n",
    "CMakeLists.txt": "cmake_minimum_required(VERSION 3.9)\nproject(ledger\n  VERSION 1.1.0.4\n  LANGUAGES C)\n",
    "mac/Info.plist.in": bundle,
    "art/ledger.icns": "icns",
    "data/works.Ledger.desktop.in": entry,
    "data/works.Ledger.metainfo.xml.in": about,
    "data/icons/hicolor/48x48/apps/works.Ledger.png": await square(48),
    "main.c": '#include "ledger.h"\nint main(void) { return ledger_run("works.Ledger"); }\n',
    NEWS: "Ledger 1.1: Ledger opens faster.\n",
    "po/de.po": '# Ledger Works\n#: main.c:1\nmsgid "Keeps books"\nmsgstr "Führt Bücher"\n',
    "external/other/other.desktop": "[Desktop Entry]\nType=Application\nName=Other\n",
  });
  expect(started.out).toContain("Desktop");
  const read = (file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
  const made = read("data/works.Ledger.desktop.in");
  expect(made.match(/^Name.*$/gm)).toEqual(["Name=Kelp & O'Hara", "Name[de]=Kelp & O'Hara", "Name=New book"]);
  expect(made).toContain("Exec=ledger %U\nIcon=works.Ledger\n");
  const shown = read("data/works.Ledger.metainfo.xml.in");
  expect(shown.match(/<name[^>]*>[^<]*/g)).toEqual([
    "<name>Kelp &amp; O'Hara",
    '<name xml:lang="de">Kelp &amp; O\'Hara',
    "<name>Kelp &amp; O'Hara Ltd",
  ]);
  expect(shown).toContain("https://kelp.example/</url>");
  expect(shown).toContain("https://bugs.others.example/");
  expect(read("external/other/other.desktop")).toContain("Name=Other");
  const icon = readFileSync(join(root, "variants/kelp/data/icons/hicolor/48x48/apps/works.Ledger.png"));
  expect([(await sharp(icon).metadata()).width, icon.equals(await square(48))]).toEqual([48, false]);
  // Its version is where its builds say one, with as many parts; its bundle for a Mac is the client's.
  expect(read("meson.build")).toContain("version: '2.5.1')");
  expect(read("CMakeLists.txt")).toContain("VERSION 3.9)\nproject(ledger\n  VERSION 2.5.1.0\n");
  expect(read("mac/Info.plist.in").match(/(?<=<string>)[^<]+/g)).toEqual([
    "APPL",
    "Kelp",
    "example.kelp.kelpandohara",
    "@VERSION@",
    "1",
    "ledger",
  ]);
  expect(read("art/ledger.icns").length).toBeGreaterThan(1000);
  // News of the project and what translators note are in no program.
  const { code, err } = oxalis(root, "audit");
  expect(err).not.toMatch(/NEWS|de\.po/);
  expect([code, err]).toEqual([1, expect.stringContaining("works.Ledger")]);
});

const takes = (name: string) => `\${${name}}`;

test("what a build's scripts set is the client's, and what takes it from there follows; names of targets stay", () => {
  const { root, started } = aroundFiles({
    "CMakeLists.txt": `set(APP_NAME tides)\ninclude(about.cmake)\nadd_executable(${takes("APP_NAME")} main.cpp)\n`,
    "about.cmake":
      'set(APPLICATION_NAME Tides)\nset( APPLICATION_VENDOR "Tide Works" CACHE STRING "who" )\n' +
      'set(APPLICATION_ID "works.tide.tides")\nset(APPLICATION_URL "https://www.tide.example")\nset(OTHER "Tide Works")\n',
    "win/app.rc.in":
      `1 ICON "app.ico"\n1 VERSIONINFO\nBEGIN\n VALUE "CompanyName", "${takes("APPLICATION_VENDOR")}"\n` +
      ' VALUE "FileDescription", "Tides\\0"\nEND\n',
    "main.cpp": 'int main() { open("sip", "magnet"); setWindowTitle("Tides ahead"); }\n',
  });
  const read = (file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
  expect(read("about.cmake").split("\n")).toEqual([
    `set(APPLICATION_NAME "Kelp & O'Hara")`,
    `set( APPLICATION_VENDOR "Kelp & O'Hara Ltd" CACHE STRING "who" )`,
    'set(APPLICATION_ID "example.kelp.kelpandohara")',
    'set(APPLICATION_URL "https://kelp.example")',
    'set(OTHER "Tide Works")',
    "",
  ]);
  expect(read("CMakeLists.txt")).toContain("set(APP_NAME tides)");
  expect(read("win/app.rc.in").match(/(?<=, ").*(?="$)/gm)).toEqual([takes("APPLICATION_VENDOR"), "Kelp & O'Hara"]);
  expect(started.err).toContain("no version that a build script says as a number");
  const { err } = oxalis(root, "audit");
  expect(err).toContain('"Tides ahead"');
  expect(err).toContain('set(OTHER "Tide Works")');
  expect(err).not.toMatch(/"(sip|magnet)":/);
});

test("a name that a build writes from elsewhere is one gap with its line; all else of the app is made", () => {
  const folder = workspaceWith(["3-acre"]);
  edit(folder, "template/android/app/src/main/AndroidManifest.xml", (text) =>
    text.replace(/android:label="@string\/\w+"/, 'android:label="@string/written_by_the_build"'),
  );
  expect(oxalis(folder, "generate")).toMatchObject({ code: 0 });
  const { err } = oxalis(folder, "check");
  expect(err).toContain("the label @string/written_by_the_build is nowhere in the template's resources.");
  expect(err).toMatch(/AndroidManifest\.xml:\d+:\d+/);
  const made = readFileSync(join(folder, "variants/3-acre/android/app/build.gradle.kts"), "utf8");
  expect(made).toContain("example.n3acre.n3acregreens");
});

test("a program of the template that can no longer be run is told, and is made anew as one", () => {
  const { root } = aroundFiles({
    "index.html": "<!doctype html><html><head><title>Ledger</title></head><body></body></html>",
    "wrap.sh": "#!/bin/sh\n",
  });
  chmodSync(join(root, "app/wrap.sh"), 0o755);
  expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
  const own = join(root, "variants/kelp/wrap.sh");
  expect(oxalis(root, "audit").err).not.toContain("wrap.sh");
  chmodSync(own, 0o644);
  expect(oxalis(root, "audit").err).toContain("variants/kelp/wrap.sh can no longer be run.");
  rmSync(own);
  expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
  expect([statSync(own).mode & 0o100, oxalis(root, "audit").err.includes("wrap.sh")]).toEqual([0o100, false]);
});

test("a game engine's project is a client's by its name, its icon, and by what it is exported with for each platform", async () => {
  const { root } = aroundFiles({
    "project.godot": 'config_version=5\n\n[application]\n\nconfig/name="Harbour Run"\nconfig/icon="res://icon.png"\n',
    "icon.png": await square(128),
    "export_presets.cfg": [
      '[preset.0]\n\nname="Android"\nplatform="Android"\nexport_path="build/harbour-run.apk"\n',
      '[preset.0.options]\n\nversion/code=12\nversion/name="0.4.1"\npackage/unique_name="org.works.run"\npackage/name="Harbour Run"\n',
      '[preset.1]\n\nname="Windows"\nplatform="Windows Desktop"\n',
      '[preset.1.options]\n\napplication/product_name="Harbour Run"\napplication/company_name="Run \\"Works\\""\n',
    ].join("\n"),
    "main.tscn": '[gd_scene format=3]\n\n[node name="Title" type="Label"]\ntext = "Harbour Run"\n',
  });
  const read = (file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
  expect(read("project.godot")).toContain(`config/name="Kelp & O'Hara"\n`);
  const made = read("export_presets.cfg");
  expect(made).toMatch(/version\/code=1\nversion\/name="2.5.1"\npackage\/unique_name="example.kelp.\w+"\n/);
  expect(made).toContain(`product_name="Kelp & O'Hara"\napplication/company_name="Kelp & O'Hara Ltd"\n`);
  const icon = readFileSync(join(root, "variants/kelp/icon.png"));
  expect([(await sharp(icon).metadata()).width, icon.equals(await square(128))]).toEqual([128, false]);
  // What a scene says is found by the audit, with the line that settles it.
  const { code, err } = oxalis(root, "audit");
  expect([code, err]).toEqual([1, expect.stringContaining("main.tscn:4:9")]);
  expect(err).not.toMatch(/^\s+export_presets/m);
});

test.each([
  [
    "a program in Go behind it",
    "wails.json",
    {
      ...{ name: "harbour-run", outputfilename: "harbour-run" },
      info: { companyName: "Works", productName: "Harbour Run", productVersion: "0.4.1" },
    },
    ['"name": "harbour-run"', `"productName": "Kelp & O'Hara"`, '"productVersion": "2.5.1"'],
    "build/appicon.png",
  ],
  [
    "a small server behind it",
    "shell.config.json",
    {
      ...{ applicationId: "org.works.run", version: "0.4.1" },
      modes: { window: { title: "Harbour Run", icon: "/build/appicon.png" } },
    },
    ['"version": "2.5.1"', `"title": "Kelp & O'Hara"`, '"applicationId": "example.kelp.'],
    "build/appicon.png",
  ],
] as const)("a page in a window with %s is a program for desktops", async (_, file, settings, has, picture) => {
  const { root } = aroundFiles({
    [file]: JSON.stringify(settings, null, 2),
    [picture]: await square(256),
    "index.html": '<!doctype html><html lang="en"><head><title>Harbour Run</title></head><body></body></html>\n',
  });
  const made = readFileSync(join(root, "variants/kelp", file), "utf8");
  for (const each of has) expect(made).toContain(each);
  const drawn = readFileSync(join(root, "variants/kelp", picture));
  expect([(await sharp(drawn).metadata()).width, drawn.equals(await square(256))]).toEqual([256, false]);
  expect(oxalis(root, "audit")).toMatchObject({ code: 0 });
});

test("a packed page's own manifest is the client's, with the pictures that it names from the top", async () => {
  const manifest = {
    ...{ name: "Harbour Run", launch_path: "/index.html", icons: { "56": "/icons/56.png" } },
    ...{ developer: { name: "Works", url: "https://works.example" }, version: "0.4.1", theme_color: "#1d6177" },
    locales: { "en-US": { name: "Harbour Run" } },
  };
  const { root } = aroundFiles({
    "manifest.webapp": JSON.stringify(manifest, null, 2),
    "icons/56.png": await square(56),
    "index.html": '<!doctype html><html lang="en"><head><title>Harbour Run</title></head><body></body></html>\n',
  });
  const made = JSON.parse(readFileSync(join(root, "variants/kelp/manifest.webapp"), "utf8"));
  expect(made).toMatchObject({ name: "Kelp", version: "2.5.1", locales: { "en-US": { name: "Kelp" } } });
  expect(made.developer).toEqual({ name: "Kelp & O'Hara Ltd", url: "https://kelp.example" });
  const drawn = readFileSync(join(root, "variants/kelp/icons/56.png"));
  expect([(await sharp(drawn).metadata()).width, drawn.equals(await square(56))]).toEqual([56, false]);
});

test("a program of .NET is a client's by its project, its assembly, its windows and its icon; a second one by its own words", async () => {
  const project = (more: string) =>
    `<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup>\n<OutputType>WinExe</OutputType>${more}</PropertyGroup></Project>\n`;
  const { root } = aroundFiles({
    "App/App.csproj": project("<Product>Harbour Run</Product><Company>Works</Company><Version>0.4.1</Version>"),
    "App/MainWindow.xaml": '<Window x:Class="Run.MainWindow" Title="Harbour Run" Width="400"/>\n',
    "Updater/Updater.vbproj": project("<ApplicationIcon>run.ico</ApplicationIcon>"),
    "Updater/run.ico": await square(64),
    "Updater/My Project/AssemblyInfo.vb":
      '<Assembly: AssemblyTitle("Harbour Run Updater")>\n<Assembly: AssemblyCompany("The ""Works""")>\n<Assembly: AssemblyFileVersion("0.4.*")>\n',
    "Updater/Main.Designer.vb": '      Me.Text = "Harbour Run Updater"\n',
    "help/index.html":
      "<!doctype html><html><head><title>Help</title></head><body><p>How it is used.</p></body></html>",
  });
  const made = (file: string) => readFileSync(join(root, "variants/kelp", file), "utf8");
  const product = ["--xpath", "string(//Product)", join(root, "variants/kelp/App/App.csproj")];
  if (hasTool("xmllint")) expect(tool("xmllint", product).trim()).toBe("Kelp & O'Hara");
  expect(made("App/App.csproj")).toContain("<Company>Kelp &amp; O'Hara Ltd</Company><Version>2.5.1</Version>");
  expect(made("App/MainWindow.xaml")).toContain('Title="Kelp &amp; O');
  expect(made("Updater/My Project/AssemblyInfo.vb")).toBe(
    `<Assembly: AssemblyTitle("Kelp & O'Hara Updater")>\n<Assembly: AssemblyCompany("Kelp & O'Hara Ltd")>\n<Assembly: AssemblyFileVersion("0.4.*")>\n`,
  );
  expect(made("Updater/Main.Designer.vb")).toContain(`"Kelp & O'Hara Updater"`);
  expect(readFileSync(join(root, "variants/kelp/Updater/run.ico")).equals(await square(64))).toBe(false);
  // What help is made from is no page of its own.
  expect(made("help/index.html")).not.toContain("manifest");
});

test("settings for many platforms are a client's, with what each system's tools give left to be asked about", () => {
  const json = (value: object) => JSON.stringify(value, null, 2);
  const { root } = aroundFiles({
    "appConfigs/crate/build.json": json({ id: "crate", common: { id: "org.works.run", title: "Harbour Run" } }),
    "appConfigs/base/build.json": json({
      ...{ id: "base", common: { backgroundColor: "#112233" } },
      platforms: {
        android: {},
        ios: { teamID: "AB12CD34EF" },
        tizen: { package: "Ab12Cd34Ef", appName: "HarbourRun" },
      },
    }),
    "package.json": '{ "name": "harbour-run" }\n',
    "tools.config.ts": 'export default {\n  packageName: "org.works.run",\n  bundleIdentifier: "org.works.run",\n};\n',
  });
  const made = (file: string) => readFileSync(join(root, "variants/kelp/appConfigs", file), "utf8");
  expect(JSON.parse(made("crate/build.json")).common).toEqual({
    ...{ id: expect.stringMatching(/^example\.kelp\.\w+$/), title: "Kelp & O'Hara" },
  });
  expect(JSON.parse(made("base/build.json")).common).not.toEqual({ backgroundColor: "#112233" });
  const { code, err } = oxalis(root, "audit");
  expect([code, err]).toEqual([1, expect.stringContaining("The platform's own tools give it")]);
  // Each of two systems' identifiers is named by the setting that it is given to.
  expect(err).toMatch(/text: 'packageName: "org.works.run"'\s+times: 1\s+with: 'packageName: "\{identifiers.base\}"'/);
  expect(err).toMatch(/text: 'bundleIdentifier: "org.works.run"'\s+times: 1\s+with: '.*"\{identifiers.ios\}"'/);
});

test("what a program in Python is packed with is a client's: an identifier of a domain and a name, and pictures", async () => {
  const { root } = aroundFiles({
    "buildozer.spec": [
      ...["[app]", "# Title", "title = Harbour Run", "package.name = run", "package.domain = org.works"],
      ...["version = 0.4.1", "icon.filename = %(source.dir)s/data/icon.png", "android.numeric_version = 12", ""],
    ].join("\n"),
    "data/icon.png": await square(512),
    "main.py": 'print("started")\n',
  });
  const made = readFileSync(join(root, "variants/kelp/buildozer.spec"), "utf8");
  expect(made.split("\n")).toEqual([
    ...["[app]", "# Title", "title = Kelp", expect.stringMatching(/^package\.name = \w+$/)],
    ...["package.domain = example.kelp", "version = 2.5.1", "icon.filename = %(source.dir)s/data/icon.png"],
    ...["android.numeric_version = 1", ""],
  ]);
  const drawn = readFileSync(join(root, "variants/kelp/data/icon.png"));
  expect(drawn.equals(await square(512))).toBe(false);
  expect(oxalis(root, "audit")).toMatchObject({ code: 0 });
});
