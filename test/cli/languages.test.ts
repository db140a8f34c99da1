import { mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import sharp from "sharp";
import { expect, test } from "vitest";
import { parse, parseDocument } from "yaml";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { tool } from "../support/tools.ts";

const languages = ["da", "de", "fr", "it", "pt_BR"];

const catalog = (language: string) =>
  [
    "# Danske tekster til Plain Crate.",
    'msgid ""',
    'msgstr ""',
    `"Language: ${language}\\n"`,
    "",
    "#: src/window.cpp:12 PlainCrate",
    'msgctxt "Plain Crate|"',
    'msgid "Quit Plain Crate?"',
    `msgstr "(${language}) <b>Plain Crate</b>\\nPlain Crate: \\"Plain Crate\\""`,
    "",
    'msgid "See https://lists.example/Plain Crate or #Plain Crate"',
    'msgstr ""',
    "",
  ].join("\n");

const translation = (language: string) =>
  [
    '<?xml version="1.0" encoding="utf-8"?>',
    "<!DOCTYPE TS>",
    `<TS version="2.1" language="${language}">`,
    "<context>",
    "    <name>Plain Crate</name>",
    "    <message>",
    '        <location filename="../Plain Crate.ui" line="14"/>',
    "        <source>About Plain Crate</source>",
    "        <comment>Plain Crate as a word</comment>",
    `        <translation>${language}: Plain Crate &quot;Plain Crate&quot;</translation>`,
    "    </message>",
    "    <message>",
    "        <source>Changed outside Plain Crate.Do you want it?</source>",
    "        <translation></translation>",
    "    </message>",
    "</context>",
    "</TS>",
    "",
  ].join("\n");

/** A setting's value, where a script takes it. */
const taking = (name: string) => `\${${name}}`;

const entry = (lines: readonly string[]) => ["[Desktop Entry]", "Type=Application", ...lines, ""].join("\n");

const list = (identifier: string, name: string) =>
  `<plist version="1.0"><dict><key>CFBundleIdentifier</key><string>${identifier}</string><key>CFBundleName</key>` +
  `<string>${name}</string><key>CFBundlePackageType</key><string>APPL</string></dict></plist>\n`;

/** A program for desktops in many languages, with further entries beside its own. */
async function program(): Promise<string> {
  const folder = workspaceWith(["3-acre"]);
  const at = (file: string) => join(folder, "template", file);
  rmSync(join(folder, "template"), { recursive: true });
  const files: Record<string, string> = {
    "CMakeLists.txt": [
      'set (SERVICE_VERSION_MAJOR "22")\nset (SERVICE_VERSION_MINOR "12")\nset (SERVICE_VERSION_MICRO "3")',
      `set (SERVICE_VERSION "${["MAJOR", "MINOR", "MICRO"].map((part) => taking(`SERVICE_VERSION_${part}`)).join(".")}")`,
      `project(Crate VERSION ${taking("SERVICE_VERSION")} LANGUAGES CXX)\ninclude(cmake/CrateVersion.cmake)`,
      "add_executable(crate main.cpp)\n",
    ].join("\n"),
    "cmake/CrateVersion.cmake":
      'set(CRATE_MAJOR 4)\nset(CRATE_MINOR 12)\nset(CRATE_PATCH "3")\nset(CRATE_VERSION_STRING "4.12.3")\nset(ICE_MAJOR 9)\nset(ICE_MINOR 1)\n',
    "main.cpp": 'int main() { setWindowTitle(tr("Quit Plain Crate?")); }\n',
    "crate.desktop": entry(["Name=Plain Crate", "Name[de]=Plain Crate", "Exec=crate %F", "Icon=crate"]),
    "crate-client.desktop": entry(["Name=Plain Crate (client)", "Name[de]=Kunde von Plain Crate", "Exec=crate-client"]),
    "crate-settings.desktop": entry(["Name=Text Editor Settings", "Exec=crate --settings"]),
    "crate-import.desktop": entry(["Name=Import", "Exec=crate-import", "OnlyShowIn=X-Crate;"]),
    "punnet.desktop": entry(["Name=Punnet", "Exec=punnet"]),
    "po/crate.pot": catalog(""),
    ...Object.fromEntries(languages.map((each) => [`po/${each}.po`, catalog(each)])),
    ...Object.fromEntries(languages.map((each) => [`translations/crate_${each}.ts`, translation(each)])),
  };
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(at(file)), { recursive: true });
    writeFileSync(at(file), text);
  }
  mkdirSync(at("pics/crate.iconset"), { recursive: true });
  for (const [name, side] of [
    ["icon_16x16", 16],
    ["icon_16x16@2x", 32],
    ["icon_128x128", 128],
  ] as const)
    await sharp({ create: { width: side, height: side, channels: 4, background: "#335577" } })
      .png()
      .toFile(at(`pics/crate.iconset/${name}.png`));
  symlinkSync("not-fetched/import.sh", at("import.sh"));
  writeFileSync(join(folder, "template.yaml"), "{}\n");
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[desktop]"));
  return folder;
}

/** Follows what an audit says, to the letter: every entry goes into template.yaml. */
function follow(folder: string, told: string): { list: string; entry: Record<string, unknown> }[] {
  const path = join(folder, "template.yaml");
  const notes = parseDocument(readFileSync(path, "utf8"));
  const taken: { list: string; entry: Record<string, unknown> }[] = [];
  for (const part of told.split(/in template\.yaml[^\n]*:\n/).slice(1)) {
    const lines = part.split("\n");
    const end = lines.findIndex((line) => !line.startsWith(" ".repeat(13)));
    for (const [list, entries] of Object.entries(parse(lines.slice(0, end).join("\n"))))
      for (const entry of entries as Record<string, unknown>[]) {
        if (!notes.has(list)) notes.set(list, notes.createNode([]));
        notes.addIn([list], entry);
        taken.push({ list, entry });
      }
  }
  writeFileSync(path, notes.toString());
  return taken;
}

test("what many languages say is filled by one entry, where people read it; what texts are asked for by stays", async () => {
  const folder = await program();
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  const { err } = oxalis(folder, "audit", "--verbose");
  const taken = follow(folder, err);
  const many = taken.filter(({ entry }) => "files" in entry).map(({ entry }) => entry);
  expect(many).toEqual([
    { files: "po/*.po", text: "Plain Crate", with: "{app.name}" },
    { files: "translations/*.ts", text: "Plain Crate", with: "{app.name}" },
  ]);
  // No further entry for any of their files.
  expect(taken.filter(({ entry }) => /\.(po|ts)$/.test(String(entry.file)))).toEqual([]);
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
  const read = (file: string) => readFileSync(join(folder, "variants/3-acre", file), "utf8");
  expect(read("po/de.po").split("\n")).toEqual([
    "# Danske tekster til Plain Crate.",
    'msgid ""',
    'msgstr ""',
    '"Language: de\\n"',
    "",
    "#: src/window.cpp:12 PlainCrate",
    'msgctxt "Plain Crate|"',
    'msgid "Quit 3 Acre Greens?"',
    'msgstr "(de) <b>3 Acre Greens</b>\\n3 Acre Greens: \\"3 Acre Greens\\""',
    "",
    'msgid "See https://lists.example/Plain Crate or #Plain Crate"',
    'msgstr ""',
    "",
  ]);
  const made = read("translations/crate_fr.ts");
  expect(made).toContain("<name>Plain Crate</name>");
  expect(made).toContain("<source>About 3 Acre Greens</source>");
  expect(made).toContain("<source>Changed outside 3 Acre Greens.Do you want it?</source>");
  expect(made).toContain("<comment>Plain Crate as a word</comment>");
  expect(made).toContain("<translation>fr: 3 Acre Greens &quot;3 Acre Greens&quot;</translation>");
  for (const each of languages) {
    tool("xmllint", ["--noout", join(folder, `variants/3-acre/translations/crate_${each}.ts`)]);
  }
  // What is left is asked about: an address, a channel.
  const after = oxalis(folder, "audit", "--verbose").err.match(/^ {3}\S+:\d+:\d+ .*$/gm) ?? [];
  expect(after.filter((line) => /\.(po|ts):/.test(line)).length).toBe(2 * languages.length);
  expect(after.filter((line) => /translations\/|msgctxt|\.pot:/.test(line))).toEqual([]);
});

test("an entry for many files that reaches none is told with its line; a place of its own goes before it", async () => {
  const folder = await program();
  const notes = [
    "fill:",
    '  - { file: po/de.po, text: "(de) <b>Plain Crate</b>", with: "(de) <b>{app.label}</b>" }',
    '  - { files: "po/*.po", text: Plain Crate, with: "{app.name}" }',
  ];
  writeFileSync(join(folder, "template.yaml"), `${notes.join("\n")}\n`);
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  const read = readFileSync(join(folder, "variants/3-acre/po/de.po"), "utf8");
  expect(read).toContain('msgid "Quit 3 Acre Greens?"');
  expect(read).not.toContain("<b>3 Acre Greens</b>");
  writeFileSync(
    join(folder, "template.yaml"),
    `${notes.join("\n")}\n  - { files: "po/*.po", text: Punnet, with: "{app.name}" }\n`,
  );
  const { code, err } = oxalis(folder, "generate");
  expect(code).toBe(1);
  expect(err).toMatch(/"Punnet" is read in none of the files that "po\/\*\.po" means\.\s+\[fill-not-found\]/);
  expect(err).toContain("template.yaml:4:");
});

test("of several entries the app's is the client's, and others keep what tells them apart", async () => {
  const folder = await program();
  const { err } = oxalis(folder, "generate");
  const read = (file: string) => readFileSync(join(folder, "variants/3-acre", file), "utf8");
  const names = (file: string) => read(file).match(/^Name.*$/gm);
  expect(names("crate.desktop")).toEqual(["Name=3 Acre Greens", "Name[de]=3 Acre Greens"]);
  expect(names("crate-client.desktop")).toEqual(["Name=3 Acre Greens (client)", "Name[de]=Kunde von 3 Acre Greens"]);
  expect(names("crate-settings.desktop")).toEqual(["Name=Text Editor Settings"]);
  expect(names("crate-import.desktop")).toEqual(["Name=Import"]);
  // Another program has a name that nobody here can tell.
  expect(names("punnet.desktop")).toEqual(["Name=Punnet"]);
  expect(err).toMatch(/another program is called "Punnet", and keeps that name\.\s+\[template-gap\]/);
  expect(err).toContain("template/punnet.desktop:3:6");
  const left = oxalis(folder, "audit", "--verbose").err;
  expect(left).toContain('"Punnet"');
  expect(left).not.toMatch(/^error.*"(Import|Text Editor Settings)"/m);
});

test("a version that is said number by number is the client's; a set for an icon is drawn; a link to nothing is a gap", async () => {
  const folder = await program();
  const { code, err } = oxalis(folder, "generate");
  expect(code).toBe(0);
  const made = join(folder, "variants/3-acre");
  const [major, minor, patch] = ["2", "0", "1"];
  edit(folder, "clients/3-acre/brief.yaml", (text) => `${text.replace(/^version:.*\n/m, "")}version: 2.0.1\n`);
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  expect(readFileSync(join(made, "cmake/CrateVersion.cmake"), "utf8").split("\n")).toEqual([
    `set(CRATE_MAJOR ${major})`,
    `set(CRATE_MINOR ${minor})`,
    `set(CRATE_PATCH "${patch}")`,
    `set(CRATE_VERSION_STRING "${major}.${minor}.${patch}")`,
    "set(ICE_MAJOR 9)",
    "set(ICE_MINOR 1)",
    "",
  ]);
  expect(readFileSync(join(made, "CMakeLists.txt"), "utf8").split("\n").slice(0, 3)).toEqual([
    `set (SERVICE_VERSION_MAJOR "${major}")`,
    `set (SERVICE_VERSION_MINOR "${minor}")`,
    `set (SERVICE_VERSION_MICRO "${patch}")`,
  ]);
  expect(err).not.toContain("no version");
  for (const [name, side] of [
    ["icon_16x16@2x", 32],
    ["icon_128x128", 128],
  ] as const) {
    const picture = sharp(join(made, `pics/crate.iconset/${name}.png`));
    expect(await picture.metadata()).toMatchObject({ width: side, height: side });
    const { entropy } = await picture.stats();
    expect(entropy).toBeGreaterThan(0);
  }
  expect(err).toMatch(/template\/import\.sh is a link to something that is not there\.\s+\[file-missing\]/);
  writeFileSync(join(folder, "template.yaml"), "leave: [import.sh]\n");
  expect(oxalis(folder, "generate").err).not.toContain("import.sh");
});

test("what a program takes along is no part of it: libraries, their pages and versions, tests, who drew its pictures", async () => {
  const folder = await program();
  const put = (file: string, text: string) => {
    mkdirSync(dirname(join(folder, "template", file)), { recursive: true });
    writeFileSync(join(folder, "template", file), text);
  };
  put("src/libs/editor/LICENSE", "Permission is hereby granted");
  put("src/libs/editor/index.html", "<html><head><title>Pencil</title></head></html>");
  put("themes/chat/index.html", "<html><head><title>Bubbles</title></head></html>");
  put(
    "chm/crate-chm.metainfo.xml",
    '<component type="addon"><id>crate-chm</id><name>CHM Lists</name><developer_name>Bea</developer_name></component>\n',
  );
  put("iris/iris.pro", "TEMPLATE = lib\nVERSION = 9.9.9\n");
  put("guitest/Info.plist", list("example.crate.guitest", "Test Crate"));
  put("iconset/icondef.xml", "<icondef><author email='ann@drawn.example'>Ann</author></icondef>");
  put("bin/ask", '#!/bin/sh\necho "Plain Crate"\nzenity --info --title="Plain Crate says"\n');
  const { code, err } = oxalis(folder, "generate");
  expect([code, err]).toEqual([0, expect.not.stringContaining("Web:")]);
  const same = (file: string) =>
    readFileSync(join(folder, "variants/3-acre", file), "utf8") ===
    readFileSync(join(folder, "template", file), "utf8");
  const others = ["src/libs/editor/index.html", "themes/chat/index.html", "iris/iris.pro", "guitest/Info.plist"];
  for (const file of [...others, "chm/crate-chm.metainfo.xml"]) expect([file, same(file)]).toEqual([file, true]);
  const { err: left } = oxalis(folder, "audit", "--verbose");
  expect(left).not.toMatch(/"(Pencil|Bubbles|CHM Lists|Bea|Test Crate|example\.crate\.guitest|ann@drawn\.example)"/);
  // A script's own words are nobody's but where it shows a window.
  expect(left.match(/^ {3}bin\/ask:.*$/gm)).toEqual([expect.stringContaining("bin/ask:3:")]);
});

test("a frame that a build makes a Mac's bundle of is the client's, but for protocols; a built one stays as it is", async () => {
  const folder = await program();
  const put = (file: string, text: string) => {
    mkdirSync(dirname(join(folder, "template", file)), { recursive: true });
    writeFileSync(join(folder, "template", file), text);
  };
  const schemes = ["crate", "rtp", "dvd"].map((each) => `<string>${each}</string>`).join("");
  const opens = `<key>CFBundleURLTypes</key><array><dict><key>CFBundleURLSchemes</key><array>${schemes}</array></dict></array>`;
  const text = list("org.crate.Crate", "Crate").replace("</dict></plist>", `${opens}</dict></plist>`);
  put("mac/Crate.app/Contents/Info.plist", text);
  put("mac/Crate.app/Contents/MacOS/.gitkeep", "");
  put("old/Crate.app/Contents/Info.plist", text);
  put("old/Crate.app/Contents/MacOS/Crate", "program");
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  const read = (file: string) => readFileSync(join(folder, "variants/3-acre", file), "utf8");
  const made = read("mac/Crate.app/Contents/Info.plist");
  expect(made).toContain("<string>example.n3acre.n3acregreens</string>");
  expect(made).toContain("<array><string>example.n3acre.n3acregreens</string><string>rtp</string><string>dvd</string>");
  expect(made).toContain("<key>CFBundleName</key><string>3 Acre</string>");
  expect(read("old/Crate.app/Contents/Info.plist")).toBe(text);
});
