import { deflateSync, gzipSync } from "node:zlib";
import { zipSync } from "fflate";
import { expect, test } from "vitest";
import { foldedText } from "../../../src/core/proving/audit/search/folded.ts";
import { searchFor } from "../../../src/core/proving/audit/search/search.ts";

const place = { file: "template", line: 1, column: 1, text: "" };
const terms = [
  { kind: "name" as const, text: "Plain Crate", place },
  { kind: "identifier" as const, text: "com.crate.shop", place },
];
const nobody = { values: {}, names: { further: {} }, answers: {} };
const search = searchFor({ terms, namespaces: [], shells: new Map() }, [], nobody);
const found = (path: string, bytes: Uint8Array | string) =>
  search.inFile(path, typeof bytes === "string" ? Buffer.from(bytes) : bytes, path).residue.length;

const utf16be = (text: string) => Buffer.from(text, "utf16le").swap16();
const noise = Buffer.from([0, 1, 2, 3, 0xff, 0xfe, 7]);

/** A PNG of no picture: one chunk after another. */
function png(type: string, data: Buffer): Buffer {
  const size = Buffer.alloc(4);
  size.writeUInt32BE(data.length);
  return Buffer.concat([Buffer.from("89504e470d0a1a0a", "hex"), size, Buffer.from(type), data, Buffer.alloc(4)]);
}

/** A tape archive of one file (POSIX, ustar). */
function tape(name: string, text: string): Buffer {
  const head = Buffer.alloc(512);
  head.write(name, 0);
  head.write(text.length.toString(8).padStart(11, "0"), 124);
  const body = Buffer.alloc(512);
  body.write(text);
  return Buffer.concat([head, body, Buffer.alloc(1024)]);
}

test.each<[what: string, path: string, content: Buffer | string]>([
  ["as it is", "a.json", '{ "a": "Welcome to Plain Crate" }'],
  ["JSON's escapes", "a.json", '{ "a": "Welcome to \\u0050lain \\u0043rate now" }'],
  ["JavaScript's escapes", "a.js", 'const title = "\\x50lain Crate for you";'],
  ["JavaScript's long escapes", "a.js", 'const title = "\\u{50}lain Crate for you";'],
  ["escapes of Apple's texts", "a.strings", '"a" = "\\U0050lain Crate";'],
  ["numbers of HTML", "a.html", "<p>&#80;lain &#67;rate</p>"],
  ["hexadecimal numbers of HTML", "a.html", "<p>&#x50;lain &#X43;rate</p>"],
  ["a blank by its name", "a.html", "<p>Plain&nbsp;Crate</p>"],
  ["another blank by its name", "a.html", "<p>Plain&ensp;Crate</p>"],
  ["an address", "a.html", '<a href="mailto:x@y.example?subject=Plain%20Crate">x</a>'],
  ["an address with plus signs", "a.html", '<a href="https://y.example/?q=Plain+Crate">x</a>'],
  ["an identifier in an address", "a.html", '<a href="https://y.example/?id=com%2Ecrate%2Eshop">x</a>'],
  ["tags between the words", "a.html", "<h1>Plain <b>Crate</b></h1>"],
  ["tags within a word", "a.html", "<h1>Pl<i>ain</i> Crate</h1>"],
  ["a line's break", "a.html", "<h1>Plain<br>Crate</h1>"],
  ["soft hyphens", "a.html", "<p>Plain Cra\u00adte</p>"],
  ["soft hyphens by their name", "a.html", "<p>Plain Cra&shy;te</p>"],
  ["marks of no width", "a.xml", "<a>Pla\u200bin\u200d Crate</a>"],
  ["a word joiner", "a.txt", "Plain\u2060 Crate"],
  ["full width", "a.txt", "\uff30\uff4c\uff41\uff49\uff4e Crate"],
  ["accents", "a.txt", "Pl\u00e0in Cr\u0061\u0301te"],
  ["blanks of other widths", "a.txt", "Plain\u2003Crate"],
  ["a file's name", "web/Plain%20Crate.pdf", noise],
  ["16 bits without a mark", "en.lproj/Localizable.strings", Buffer.from('"a" = "Plain Crate";', "utf16le")],
  ["16 bits at an odd place", "a.bin", Buffer.concat([noise, Buffer.from("Plain Crate", "utf16le")])],
  [
    "16 bits, the large end first",
    "a.bin",
    Buffer.concat([noise.subarray(1), utf16be("Plain Crate"), Buffer.alloc(4)]),
  ],
  ["a binary property list", "a.plist", Buffer.concat([Buffer.from("bplist00\0"), utf16be("Plain Crate."), noise])],
  [
    "a picture's packed text",
    "a.png",
    png("zTXt", Buffer.concat([Buffer.from("Title\0\0"), deflateSync("Plain Crate")])),
  ],
  [
    "a picture's packed text of any language",
    "a.png",
    png("iTXt", Buffer.concat([Buffer.from("Title\0\x01\0en\0\0"), deflateSync("Plain Crate")])),
  ],
  ["a picture's plain text", "a.png", png("tEXt", Buffer.from("Title\0Plain Crate"))],
  [
    "the end of a sound",
    "a.mp3",
    Buffer.concat([noise, Buffer.alloc(60_000, 0x55), Buffer.from("TAGPlain Crate".padEnd(128, "\0"))]),
  ],
  ["an archive", "a.jar", Buffer.from(zipSync({ "a.txt": Buffer.from("Plain Crate") }))],
  [
    "an archive behind a program",
    "a.exe",
    Buffer.concat([noise, Buffer.from(zipSync({ "a.txt": Buffer.from("Plain Crate") }))]),
  ],
  ["a packed file", "a.svgz", gzipSync("<svg>Plain Crate</svg>")],
  ["a packed tape", "a.tgz", gzipSync(tape("a.txt", "Plain Crate"))],
  ["the end of 30 MB", "a.dat", Buffer.concat([Buffer.alloc(30_000_000, 1), Buffer.from("Plain Crate")])],
  ["the end of a long text", "a.csv", Buffer.concat([Buffer.alloc(30_000_000, "x,y\n"), Buffer.from("Plain Crate\n")])],
])("%s hides nothing", (_, path, content) => {
  expect(found(path, content)).toBe(1);
});

test.each([
  ["a.html", "<p>Plain</p><p>Crate</p>"],
  ["a.html", "<p>Plainly &amp; Crated</p>"],
  ["a.json", '{ "a": "Plane Crate", "b": "\\u0050lane" }'],
  ["a.txt", "Explain Crates"],
  ["a.js", "// \\u0050lain Crate\nconst a = 1;"],
  ["a.txt", "com.crate.shopping"],
  ["a.html", "<!-- see\n  Plain&nbsp;Crate\n-->"],
])("%s: %s is not the template's", (path, text) => {
  expect(found(path, text)).toBe(0);
});

test("what is seen otherwise is told with its line, once; a client's own name is none, however it is written", () => {
  const text = '{\n  "a": "x",\n  "b": "\\u0050lain Crate and Plain\\u0020Crate"\n}';
  const { residue } = search.inFile("a.json", Buffer.from(text), "a.json");
  expect(residue.map(({ problem }) => [problem.code, problem.place?.line, problem.message])).toEqual([
    ["residue-name", 3, '"Plain Crate", which is the template\'s, is left in a.json, written otherwise.'],
  ]);
  const value = { value: "The Plain Crate & Co", trail: [] } as never;
  const own = searchFor({ terms, namespaces: [], shells: new Map() }, [], { ...nobody, values: { "app.name": value } });
  const written = "<p>The Plain&nbsp;Crate &amp; Co</p>";
  expect(own.inFile("a.html", Buffer.from(written), "a.html").residue).toEqual([]);
});

test("where a text stands is told as it is written, however much of it is undone before", () => {
  for (const [text, written] of [
    ["a \\u0041\\u0042 Plain Crate", 15],
    ["&#65;&amp;&nbsp; Plain Crate", 17],
    ["%41%42 Plain Crate", 7],
    ["\uff21\u00ad\u200b Plain Crate", 4],
    ["Plain Crate \\u0041", 0],
  ] as const) {
    const folded = foldedText(text);
    expect(folded?.text).toContain("Plain Crate");
    expect(folded?.at(folded.text.indexOf("Plain Crate"))).toBe(written);
    expect(folded?.at(folded.text.length)).toBe(text.length);
  }
  // Tags are kept where addresses are looked for, and gone where words are.
  expect(foldedText("<b>a</b> &lt;", "withTags")?.text).toBe("<b>a</b> <");
  expect(foldedText("<b>a</b> &lt;", "withoutTags")?.text).toBe("a <");
  // What cannot be undone stays; a text with nothing of that kind is not looked at twice.
  expect(foldedText("%ff%fe &bogus; \\u{110000}x")).toBeUndefined();
  expect(foldedText("Plain Crate")).toBeUndefined();
});

test.each<[path: string, text: string]>([
  ["src/app.module.metadata.json", '[{"__symbolic":"module","metadata":{"PlainCrate":{"name":"Plain Crate"}}}]'],
  ["src/app.js.map", '{"version":3,"sourceRoot":"","sources":["app.ts"],"sourcesContent":["// Plain Crate"]}'],
  ["src/theme.scss", '@import "Plain Crate";'],
  ["Releasing.md", "How Plain Crate is released"],
  ["shop.pro", "TARGET = Plain Crate"],
  ["Shell.xaml", '    x:Class="Plain Crate"'],
  ["Shop.csproj", "    <RootNamespace>Plain Crate</RootNamespace>"],
  ["app/build.gradle", 'resValue "string", "build_config_package", "com.crate.shop"'],
  ["lanes/Buildfile", 'archive(scheme: "Plain Crate")'],
  ["src/Card.tsx", 'Card.displayName = "Plain Crate";'],
  ["rpm/plain-crate.spec", "Name: plain-crate"],
  ["pack/debian/changelog", "plain-crate (0.51.0-0) unstable; urgency=low"],
  ["man/plain-crate.1.in", ".B plain-crate"],
  ["CMakeLists.txt", "set (CPACK_PACKAGE_VERSION $\u007bplain_crate_VERSION})"],
  ["data/meson.build", "desktop = 'plain-crate.desktop'"],
  ["ui/main.ui", '<action name="plain_crate">'],
  ["ui/main.ui", '<interface domain="plain-crate">'],
  ["data/crate.gschema.xml", '<schemalist gettext-domain="plain-crate">'],
  ["data/crate.metainfo.xml.in", "<binary>plain-crate</binary>"],
  ["pack/crate.wxs", "<Component Id='C.PlainCrate.exe' Guid='*'>"],
  ["pack/crate.wxs", '<File Id="f" Name="PlainCrate.exe" Source="x">'],
  ["en.lproj/Main.strings", '/* Class = "NSMenuItem"; title = "Plain Crate"; */'],
  ["org.crate.Shop.json", '{ "command": "plain-crate" }'],
  ["bun.lock", '"name": "plain-crate",'],
  ["config.json", '{ "folder": "/ios/Plain-Crate/app" }'],
])("what compilers and other files go by is code's: %s", (path, text) => {
  expect(found(path, text)).toBe(0);
});

test("what people see in the same kinds of files is not", () => {
  expect(found("Shell.xaml", '    Title="Plain Crate"')).toBeGreaterThan(0);
  expect(found("Shop.csproj", "    <ApplicationTitle>Plain Crate</ApplicationTitle>")).toBeGreaterThan(0);
  expect(found("content/About.md", "Plain Crate brings boxes")).toBeGreaterThan(0);
  expect(found("shop.pro", "QMAKE_TARGET_PRODUCT = Plain Crate")).toBeGreaterThan(0);
  expect(found("src/theme.scss", '.a::before { content: "Plain Crate"; }')).toBeGreaterThan(0);
  expect(found("app/build.gradle", 'resValue "string", "about", "com.crate.shop"')).toBeGreaterThan(0);
  expect(found("rpm/plain-crate.spec", "Summary: Plain Crate brings boxes")).toBeGreaterThan(0);
  expect(found("pack/crate.wxs", "<Feature Id='f' Title='Plain Crate'>")).toBeGreaterThan(0);
  expect(found("en.lproj/Main.strings", '"a.title" = "Plain Crate";')).toBeGreaterThan(0);
  expect(found("ui/main.ui", "<string>About Plain Crate</string>")).toBeGreaterThan(0);
});
