import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { crc32, deflateRawSync, inflateRawSync } from "node:zlib";
import fc from "fast-check";
import { unzipSync, zipSync } from "fflate";
import { build } from "plist";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { readPackage } from "../../../src/core/app/packages/read.ts";
import { readablePng } from "../../../src/core/formats/packages/apple-png.ts";
import { readAssetCatalog } from "../../../src/core/formats/packages/asset-catalog.ts";
import { saidIn } from "../../../src/core/formats/packages/said.ts";
import { segmentAlignment } from "../../../src/core/formats/programs/elf.ts";
import { readCodeSignature } from "../../../src/core/formats/programs/mach-o.ts";
import { certificateFacts } from "../../../src/core/ground/certificates/certificate.ts";
import {
  appleProgram,
  asParts,
  folderOf,
  framework,
  macList,
  signedForWindows,
  signedInstaller,
  signingPair,
  windowsPackage,
  windowsProgram,
} from "../../support/packages.ts";
import { hasTool, tool } from "../../support/tools.ts";
import { unpacked } from "../../wild/packages.ts";

const dot = (color: string) =>
  sharp({ create: { width: 48, height: 48, channels: 3, background: color } })
    .png()
    .toBuffer();

/** An Android app with an icon of two layers, a name that stands for another, and two languages. */
async function androidApp(...more: string[]): Promise<string> {
  const layers = `<adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
    <background android:drawable="@color/ground"/><foreground android:drawable="@mipmap/front"/></adaptive-icon>`;
  const at = folderOf({
    "res/values/s.xml": `<resources><string name="hill">Hill</string><string name="n">@string/hill</string>
      <color name="ground">#204060</color></resources>`,
    "res/values-de/s.xml": '<resources><string name="n">Hügel</string></resources>',
    "res/mipmap-mdpi/sign.png": await dot("#204060"),
    "res/mipmap-mdpi/front.png": await dot("#ffcc00"),
    "res/mipmap-anydpi-v26/sign.xml": layers,
    "AndroidManifest.xml": `<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="example.hill">
      <application android:label="@string/n" android:icon="@mipmap/sign"/></manifest>`,
  });
  tool("aapt2", ["compile", "--dir", join(at, "res"), "-o", join(at, "res.zip")]);
  const given = ["--version-code", "7", "--version-name", "1.2.0", "--min-sdk-version", "24", ...more];
  const [manifest, out] = [join(at, "AndroidManifest.xml"), join(at, "out.apk")];
  tool("aapt2", ["link", "-I", framework, "--manifest", manifest, ...given, "-o", out, join(at, "res.zip")]);
  return out;
}

/** A bundle of one module, from a package in the form of messages. */
function bundleOf(file: string): Buffer {
  const { "AndroidManifest.xml": manifest = new Uint8Array(), ...rest } = unzipSync(readFileSync(file));
  const moved = Object.entries(rest).map(([name, bytes]) => [`base/${name}`, bytes]);
  return Buffer.from(zipSync({ ...Object.fromEntries(moved), "base/manifest/AndroidManifest.xml": manifest }));
}

const flipped = (bytes: Buffer, at: number): Buffer => {
  const changed = Buffer.from(bytes);
  changed.writeUInt8(changed.readUInt8(at) ^ 1, at);
  return changed;
};

const facts = async (bytes: Uint8Array) => (await readPackage(bytes))?.facts;

describe.runIf(hasTool("aapt2"))("an Android app", () => {
  test("is called the same, and has the same icon, as a package and as a bundle", async () => {
    const [installed, bundled] = [
      await readPackage(readFileSync(await androidApp())),
      await readPackage(bundleOf(await androidApp("--proto-format"))),
    ];
    expect(installed?.facts.labels).toEqual({ "": "Hill", de: "Hügel" });
    expect(bundled?.facts).toMatchObject({ kind: "aab", labels: { "": "Hill", de: "Hügel" } });
    const names = (opened: typeof installed) =>
      [...(opened?.icons.keys() ?? [])].map((each) => each.replace(/^.*\//, ""));
    expect(names(installed).sort()).toEqual(["front.png", "sign.png"]);
    expect(names(bundled).sort()).toEqual(["front.png", "sign.png"]);
  });

  test.runIf(hasTool("apksigner"))(
    "that is changed after it was signed is told, by each scheme and kind of key",
    async () => {
      for (const kind of ["rsa", "ec"] as const) {
        const pair = asParts(signingPair(kind));
        for (const scheme of ["1", "2", "3"]) {
          const file = await androidApp();
          const schemes = ["1", "2", "3"].flatMap((each) => [`--v${each}-signing-enabled`, String(each === scheme)]);
          tool("apksigner", ["sign", ...pair, ...schemes, file]);
          const signed = readFileSync(file);
          const at = signed.indexOf("res/mipmap-mdpi") + 80;
          const said = [(await facts(signed))?.signer?.holds, (await facts(flipped(signed, at)))?.signer?.holds];
          expect([kind, scheme, ...said]).toEqual([kind, scheme, true, false]);
        }
      }
    },
  );

  test.runIf(hasTool("zipalign"))("is told where systems cannot install it", async () => {
    const file = await androidApp("--target-sdk-version", "35");
    const aligned = file.replace("out.apk", "aligned.apk");
    tool("zipalign", ["-f", "4", file, aligned]);
    expect((await facts(readFileSync(aligned)))?.unfit).toEqual([]);
    const files = unzipSync(readFileSync(file));
    const packed = (level: 0 | 9, more: Record<string, Uint8Array> = {}) =>
      facts(zipSync({ ...more, ...files }, { level }));
    expect((await packed(9))?.unfit).toEqual([expect.stringContaining("resources.arsc packed")]);
    const odd = { "assets/a.txt": Buffer.from("odd") };
    expect((await packed(0, odd))?.unfit).toEqual([expect.stringContaining("not aligned")]);
  });

  test("whose libraries want pages of 4 KiB cannot go to the store: as readelf says of them", async () => {
    const folder = "node_modules/@img";
    const found = readdirSync(folder, { recursive: true, encoding: "utf8" }).find((each) =>
      /\.node$|\.so(\.\d+)*$/.test(each),
    );
    const library = readFileSync(join(folder, found ?? ""));
    const loaded = tool("readelf", ["-lW", join(folder, found ?? "")]).match(/^ +LOAD.*(0x\w+)$/gm) ?? [];
    const least = Math.min(...loaded.map((line) => Number(line.trim().split(/\s+/).at(-1))));
    expect(segmentAlignment(library)).toBe(least);
    expect(least).toBe(4096);
    const bundle = unzipSync(bundleOf(await androidApp("--proto-format", "--target-sdk-version", "35")));
    const told = await facts(zipSync({ ...bundle, "base/lib/x86_64/liba.so": library }));
    expect(told?.unfit).toEqual([expect.stringContaining("pages of 4 KiB")]);
    const older = unzipSync(bundleOf(await androidApp("--proto-format", "--target-sdk-version", "34")));
    expect((await facts(zipSync({ ...older, "base/lib/x86_64/liba.so": library })))?.unfit).toEqual([]);
  });

  test("says what its compiled parts say: texts of resources, and of code but for its own names", async () => {
    const bundle = unzipSync(bundleOf(await androidApp("--proto-format")));
    expect(saidIn("base/resources.pb", bundle["base/resources.pb"] ?? new Uint8Array())?.split("\n")).toEqual(
      expect.arrayContaining(["Hill", "Hügel"]),
    );
    const manifest = bundle["base/manifest/AndroidManifest.xml"] ?? new Uint8Array();
    expect(saidIn("base/manifest/AndroidManifest.xml", manifest)).toContain('package="example.hill"');
    const texts = ["Welcome to Hill", "Lexample/hill/Main;", "Main.kt", "VIL", "example.hill"];
    expect(saidIn("classes.dex", codeOf(texts))).toBe("Welcome to Hill\nexample.hill");
  });
});

/** Compiled code with nothing but texts, as the Dalvik executable format describes them. */
function codeOf(texts: readonly string[]): Buffer {
  const header = Buffer.alloc(112);
  header.write("dex\n035\0", 0, "latin1");
  header.writeUInt32LE(texts.length, 56);
  header.writeUInt32LE(header.length, 60);
  const places = Buffer.alloc(texts.length * 4);
  const data: Buffer[] = [];
  let at = header.length + places.length;
  for (const [index, text] of texts.entries()) {
    places.writeUInt32LE(at, index * 4);
    const said = Buffer.concat([Buffer.from([text.length]), Buffer.from(`${text}\0`)]);
    data.push(said);
    at += said.length;
  }
  return Buffer.concat([header, places, ...data]);
}

/** Versions before 2.6 sign programs alone. */
const signsPackages =
  hasTool("osslsigncode") && /osslsigncode (2\.[6-9]|2\.\d\d|[3-9])/.test(tool("osslsigncode", ["--version"]));

describe.runIf(hasTool("osslsigncode"))("what is signed for Windows", () => {
  test("a program says who made it and who signed it; one that is changed is told", async () => {
    const pair = signingPair();
    const plain = windowsProgram();
    expect(await facts(plain)).toMatchObject({
      ...{ kind: "program", labels: { "": "Hill" }, version: "1.2.0.0", publisher: "Hill Ltd" },
    });
    expect((await facts(plain))?.signer).toBeUndefined();
    const signed = signedForWindows(plain, "exe", pair);
    expect((await facts(signed))?.signer).toMatchObject({ subject: "CN=Hill", holds: true });
    expect((await facts(flipped(signed, 400)))?.signer).toMatchObject({ holds: false });
  });

  test.runIf(signsPackages)("a package is held against its lists, and these against its signature", async () => {
    const signed = signedForWindows(windowsPackage(), "msix", signingPair());
    expect(await facts(signed)).toMatchObject({ identifier: "Hill.Farm", odd: [], signer: { holds: true } });
    // Whoever changes a file changes the list of its sums, and that is signed.
    const files = unzipSync(signed);
    const changed = Buffer.from(files["AppxManifest.xml"] ?? [])
      .toString()
      .replace("1.2.7.0", "1.2.8.0");
    const sum = createHash("sha256").update(changed).digest("base64");
    const map = Buffer.from(files["AppxBlockMap.xml"] ?? [])
      .toString()
      .replace(/Hash="[^"]+"\/>/, `Hash="${sum}"/>`);
    const forged = { ...files, "AppxManifest.xml": Buffer.from(changed), "AppxBlockMap.xml": Buffer.from(map) };
    expect(await facts(zipSync(forged))).toMatchObject({ odd: [], signer: { holds: false } });
  });
});

/** A catalog of few bytes whose pages lie one over the other: each has 60,000 entries, and there are 140,000. */
function overlaid(): Buffer {
  const [pages, entries] = [140_000, 60_000];
  const page = 12 + 8 * entries;
  const names = ["KEYFORMAT", "FACETKEYS"];
  const index = 64;
  const body = index + 4 + 8 * (pages + 2);
  const listed = body + 32;
  const data = Buffer.alloc(listed + 64 + 8 * pages + page);
  data.write("BOMStore");
  data.writeUInt32BE(index, 16);
  data.writeUInt32BE(listed, 24);
  data.writeUInt32BE(pages + 2, index);
  const block = (number: number, at: number, length: number) => {
    data.writeUInt32BE(at, index + 4 + 8 * number);
    data.writeUInt32BE(length, index + 8 + 8 * number);
  };
  // Each page begins eight bytes behind the last one: what follows it is what the next one begins with.
  const first = data.length - page - 8 * pages;
  for (let at = 0; at < pages; at++) {
    const start = first + 8 * at;
    data.writeUInt16BE(1, start);
    data.writeUInt16BE(entries, start + 2);
    data.writeUInt32BE(2 + ((at + 1) % pages), start + 4);
    block(2 + at, start, page);
  }
  data.write("tree", body);
  data.writeUInt32BE(2, body + 8);
  block(0, body + 16, 12);
  block(1, body, 16);
  data.writeUInt32BE(names.length, listed);
  let at = listed + 4;
  for (const [number, name] of names.entries()) {
    data.writeUInt32BE(number, at);
    data.writeUInt8(name.length, at + 4);
    data.write(name, at + 5);
    at += 5 + name.length;
  }
  return data;
}

describe("an app of Apple's systems", () => {
  test("says what its code is signed to be allowed, and by whom; whatever of it is changed is told", async () => {
    const pair = signingPair();
    const list = macList();
    const sums = build({
      files2: { "strings.txt": { hash2: createHash("sha256").update("hello").digest() } },
    } as never);
    const program = appleProgram({ "get-task-allow": true, "aps-environment": "production" }, pair, {
      ...{ list, resources: sums },
    });
    const app = (more: Record<string, Uint8Array> = {}) => {
      const files = {
        ...{ "Info.plist": Buffer.from(list), Hill: program, "strings.txt": Buffer.from("hello") },
        ...{ "_CodeSignature/CodeResources": Buffer.from(sums), "Assets.car": Buffer.from("BOMStore"), ...more },
      };
      return facts(
        zipSync(Object.fromEntries(Object.entries(files).map(([name, each]) => [`Payload/Hill.app/${name}`, each]))),
      );
    };
    expect(await app()).toMatchObject({
      ...{ kind: "ipa", identifier: "example.hill", isDebuggable: true, closed: ["Payload/Hill.app/Assets.car"] },
      ...{ entitlements: { "aps-environment": "production" }, signer: { subject: "CN=Hill", holds: true } },
    });
    expect((await app({ Hill: flipped(program, 5000) }))?.signer?.holds).toBe(false);
    expect((await app({ "strings.txt": Buffer.from("hullo") }))?.signer?.holds).toBe(false);
    expect((await app({ "Info.plist": Buffer.from(macList({ CFBundleVersion: "8" })) }))?.signer?.holds).toBe(false);
  });

  test("says what its compiled catalog of assets holds, whoever compiled it; an icon that is not in it is told", async () => {
    const catalog = readFileSync(
      join(unpacked("cordova-plugin-document-scanner"), "src/ios/IRLDocumentScanner.framework/Assets.car"),
    );
    const named = [
      ...["763-arrow-up_white", "795-gauge-selected", "810-document-2-selected", "822-photo-2"],
      ...["822-photo-2-selected", "856-lightning-bolt", "856-lightning-bolt-selected", "873-magic-wand"],
    ];
    const read = readAssetCatalog(catalog);
    expect(read?.assets).toEqual(named);
    expect(read?.pictures).toHaveLength(48);
    expect(read?.pictures.filter(({ file }) => file.startsWith("763"))[0]).toEqual({
      ...{ asset: "763-arrow-up_white", file: "763-arrow-up_white.png", width: 14, height: 14, scale: 1 },
    });
    const app = (icon: string) =>
      facts(
        zipSync({
          "Payload/Hill.app/Info.plist": Buffer.from(macList({ CFBundleIconName: icon })),
          "Payload/Hill.app/Assets.car": catalog,
        }),
      );
    const closed = ["Payload/Hill.app/Assets.car: the pixels of its 48 pictures"];
    expect(await app("822-photo-2")).toMatchObject({
      ...{ closed, unfit: [], catalog: { assets: 8, pictures: 48, icon: expect.arrayContaining(["28 × 22"]) } },
    });
    expect((await app("AppIcon"))?.unfit).toEqual([
      "names AppIcon as its icon, which its catalog of assets does not have",
    ]);
    expect(readAssetCatalog(overlaid())).toBeUndefined();
    // Damaged, it is one that cannot be read, or less of one.
    for (let at = 0; at < catalog.length; at += 199) {
      readAssetCatalog(flipped(catalog, at));
      readAssetCatalog(catalog.subarray(0, at));
    }
  });

  test("for several processors, which nobody here has made, is as it was signed until it is changed", async () => {
    const library = readFileSync(join(unpacked("fsevents"), "fsevents.node"));
    const app = (program: Buffer) =>
      facts(
        zipSync({ "Hill.app/Contents/Info.plist": Buffer.from(macList()), "Hill.app/Contents/MacOS/Hill": program }),
      );
    const entitlements = (await app(library))?.entitlements;
    // It is signed by nobody: it says so by having no signer, and its pages are as they were sealed.
    expect([entitlements, (await app(library))?.signer]).toEqual([{}, undefined]);
    expect((await readCodeSignature(library))?.holds).toBe(true);
    const last = library.length - 60_000;
    expect((await readCodeSignature(flipped(library, last)))?.holds).toBe(false);
  });

  test("for the Mac is read from an archive, and from an installer that holds one", async () => {
    const widget = macList({ CFBundleIdentifier: "example.hill.widget" });
    const root = folderOf({
      "Applications/Hill.app/Contents/Info.plist": macList({ LSMinimumSystemVersion: "13.0" }),
      "Applications/Hill.app/Contents/PlugIns/W.appex/Contents/Info.plist": widget,
    });
    const at = folderOf({ PackageInfo: "<pkg-info/>" });
    tool("bsdtar", ["--format", "odc", "-czf", join(at, "Payload"), "-C", root, "."]);
    tool("bsdtar", ["--format", "xar", "-cf", join(at, "hill.pkg"), "-C", at, "PackageInfo", "Payload"]);
    tool("bsdtar", ["--format", "zip", "-cf", join(at, "hill.zip"), "-C", join(root, "Applications"), "Hill.app"]);
    const parts = [{ identifier: "example.hill.widget", version: "1.2.0", build: "7" }];
    const said = { identifier: "example.hill", labels: { "": "Hill" }, minimum: "13.0", parts };
    expect(await facts(readFileSync(join(at, "hill.pkg")))).toMatchObject({ ...said, kind: "installer" });
    expect(await facts(readFileSync(join(at, "hill.zip")))).toMatchObject({ ...said, kind: "mac", ticket: false });
    const [list, ticket] = ["Info.plist", "CodeResources"].map((name) => `Hill.app/Contents/${name}`);
    const stapled = { [list ?? ""]: Buffer.from(macList()), [ticket ?? ""]: Buffer.from("t") };
    expect(await facts(zipSync(stapled))).toMatchObject({ kind: "mac", ticket: true });
    const signed = signedInstaller(readFileSync(join(at, "hill.pkg")), signingPair());
    expect((await facts(signed))?.signer).toMatchObject({ by: "the installer's signature", holds: true });
    // In the table lie the sums of all files: whichever is another, the table is another too.
    expect((await facts(flipped(signed, signed.length - 1)))?.signer?.holds).toBe(false);
    const other = signedInstaller(readFileSync(join(at, "hill.pkg")), signingPair());
    const exchanged = Buffer.concat([signed.subarray(0, signed.length - 256), other.subarray(other.length - 256)]);
    expect((await facts(exchanged))?.signer?.holds).toBe(false);
  });

  test("has pictures that its tools have rewritten: they are read as what they show", async () => {
    const pixels = Buffer.from(
      Array.from({ length: 30 * 20 * 4 }, (_, at) => (at % 4 === 3 ? 255 - (at % 7) * 20 : (at * 37) % 256)),
    );
    const plain = await sharp(pixels, { raw: { width: 30, height: 20, channels: 4 } })
      .png()
      .toBuffer();
    const back = readablePng(rewritten(pixels, 30, 20));
    const shown = await sharp(back).ensureAlpha().raw().toBuffer();
    const off = shown.reduce((most, value, at) => Math.max(most, Math.abs(value - (pixels[at] ?? 0))), 0);
    // Colours that were multiplied by their opacity come back but for rounding.
    expect(off).toBeLessThanOrEqual(2);
    expect(readablePng(plain)).toBeUndefined();
  });
});

/** A picture as Apple's tools write it: no header, blue before red, multiplied by its opacity, the filter of averages. */
function rewritten(pixels: Buffer, width: number, height: number): Buffer {
  const rows: Buffer[] = [];
  let above = Buffer.alloc(width * 4);
  for (let y = 0; y < height; y++) {
    const own = Buffer.alloc(width * 4);
    for (let x = 0; x < width; x++) {
      const [red, green, blue, alpha] = [...pixels.subarray((y * width + x) * 4)] as [number, number, number, number];
      own.set([...[blue, green, red].map((each) => Math.round((each * alpha) / 255)), alpha], x * 4);
    }
    const line = own.map((value, at) => value - (((at >= 4 ? (own[at - 4] ?? 0) : 0) + (above[at] ?? 0)) >> 1));
    rows.push(Buffer.from([3]), Buffer.from(line));
    above = own;
  }
  const header = Buffer.from([0, 0, 0, width, 0, 0, 0, height, 8, 6, 0, 0, 0]);
  const chunk = (type: string, data: Buffer) => {
    const size = Buffer.alloc(4);
    size.writeUInt32BE(data.length);
    const sum = Buffer.alloc(4);
    sum.writeUInt32BE(crc32(Buffer.concat([Buffer.from(type), data])));
    return Buffer.concat([size, Buffer.from(type), data, sum]);
  };
  const [mark, packed] = [Buffer.from("89504e470d0a1a0a", "hex"), deflateRawSync(Buffer.concat(rows))];
  expect(inflateRawSync(packed).length).toBe((width * 4 + 1) * height);
  return Buffer.concat([
    ...[mark, chunk("CgBI", Buffer.from([0x50, 0, 0x20, 6])), chunk("IHDR", header)],
    ...[chunk("IDAT", packed), chunk("IEND", Buffer.alloc(0))],
  ]);
}

test("a Windows bundle is what its packages are, and each has to be what the bundle says", async () => {
  const manifestOf = (version: string, more = "") =>
    Buffer.from(`<Package xmlns="http://schemas.microsoft.com/appx/manifest/foundation/windows10">
    <Identity Name="Hill.Farm" Publisher="CN=Hill" Version="${version}"/><Properties><DisplayName>Hill</DisplayName></Properties>${more}</Package>`);
  const visual =
    '<Applications><Application><VisualElements Square44x44Logo="Assets\\s.png"/></Application></Applications>';
  const inner = (version: string) =>
    zipSync({
      "AppxManifest.xml": manifestOf(version, visual),
      "Assets/s.png": Buffer.from("p"),
      "a.pdb": Buffer.from("s"),
    });
  const bundle = (version: string, more: Record<string, Uint8Array> = {}) =>
    zipSync({
      "AppxMetadata/AppxBundleManifest.xml": Buffer.from(`<Bundle xmlns="http://schemas.microsoft.com/appx/2013/bundle">
      <Identity Name="Hill.Farm" Publisher="CN=Hill" Version="1.2.7.0"/><Packages>
      <Package Type="application" Version="1.2.7.0" Architecture="x64" FileName="x64.msix"/>
      <Package Type="resource" Version="1.2.7.0" ResourceId="de" FileName="de.msix"/></Packages></Bundle>`),
      "x64.msix": inner(version),
      "de.msix": zipSync({ "AppxManifest.xml": manifestOf("1.2.7.0"), "de.txt": Buffer.from("Hügel") }),
      ...more,
    });
  const opened = await readPackage(bundle("1.2.7.0"));
  expect(opened?.facts).toMatchObject({
    ...{
      kind: "msixbundle",
      identifier: "Hill.Farm",
      version: "1.2.7.0",
      publisher: "CN=Hill",
      labels: { "": "Hill" },
    },
    ...{ symbols: ["a.pdb"], odd: [], closed: [] },
  });
  expect([...(opened?.icons.keys() ?? [])]).toEqual(["x64.msix/Assets/s.png"]);
  // Whoever looks for what is left of a template looks into all of them.
  const { files } = opened?.files.readAll(() => true, 1_000_000) ?? { files: {} as Record<string, Uint8Array> };
  expect(Buffer.from(files["de.msix/de.txt"] ?? "").toString()).toBe("Hügel");
  expect((await readPackage(bundle("1.2.8.0")))?.facts.odd).toEqual([
    "x64.msix (another name, publisher or version than the bundle says)",
  ]);
  expect((await readPackage(bundle("1.2.7.0", { "arm64.msix": Buffer.from("no archive") })))?.facts.closed).toEqual([
    "arm64.msix",
  ]);
  const sent = await readPackage(zipSync({ "a.msixbundle": bundle("1.2.7.0"), "x64.appxsym": Buffer.from("s") }));
  expect([sent?.facts.kind, sent?.facts.symbols]).toEqual(["msixbundle", ["a.pdb", "x64.appxsym"]]);
});

describe("an archive", () => {
  const entry =
    "[Desktop Entry]\nName=Hill\nName[de]=Hügel\nIcon=hill\nMimeType=x-scheme-handler/hill;\n[Desktop Action A]\nName=New\n";

  test("for Debian is read however it is packed; of one that claims too much to be unpacked it is said so", async () => {
    const at = folderOf({
      "tree/DEBIAN/control":
        "Package: hill\nVersion: 1.2.0-1\nArchitecture: all\nMaintainer: Hill <a@hill.example>\nDescription: x\n",
      "tree/usr/share/applications/hill.desktop": entry,
      "tree/usr/share/icons/hicolor/48x48/apps/hill.png": await dot("#204060"),
    });
    const made = (packing: string) => {
      const file = join(at, `${packing}.deb`);
      tool("dpkg-deb", [`-Z${packing}`, "--root-owner-group", "--build", join(at, "tree"), file]);
      return readPackage(readFileSync(file));
    };
    for (const packing of ["gzip", "xz", "zstd"]) {
      const opened = await made(packing);
      expect([packing, opened?.facts]).toMatchObject([
        packing,
        { kind: "debian", labels: { "": "Hill", de: "Hügel" }, version: "1.2.0-1", schemes: ["hill"], closed: [] },
      ]);
      expect([...(opened?.icons.keys() ?? [])]).toEqual(["data/usr/share/icons/hicolor/48x48/apps/hill.png"]);
    }
    // A window of gigabytes, as a header may claim it.
    const zstd = readFileSync(join(at, "zstd.deb"));
    const from = zstd.indexOf(Buffer.from("28b52ffd", "hex"));
    zstd.writeUInt8(zstd.readUInt8(from + 4) & ~0x20, from + 4);
    zstd.writeUInt8(0xf8, from + 5);
    expect((await readPackage(zstd))?.facts.closed).toContain("control.tar.zst");
  });

  test("of a page is read with what it links, and names of any length", async () => {
    const deep = `a/${"long/".repeat(30)}x.txt`;
    const at = folderOf({
      "site/index.html": '<link rel="manifest" href="/app.webmanifest"><link rel="icon" href="i.png">',
      "site/app.webmanifest": JSON.stringify({
        id: "/hill",
        name: "Hill",
        icons: [{ src: "i.png" }, { src: "gone.png" }],
      }),
      "site/i.png": await dot("#204060"),
      [`site/${deep}`]: "x",
    });
    for (const [name, given] of [
      ["a.tar.gz", ["-z"]],
      ["a.tar", []],
      ["pax.tar", ["--format=posix"]],
    ] as const) {
      tool("tar", ["cf", join(at, name), ...given, "-C", join(at, "site"), "."]);
      const opened = await readPackage(readFileSync(join(at, name)));
      expect(opened?.facts).toMatchObject({ kind: "web", identifier: "/hill", labels: { "": "Hill" }, odd: [] });
      expect([...(opened?.icons.keys() ?? [])]).toEqual(["i.png"]);
      expect(opened?.files.names).toContain(deep);
    }
  });

  test("that is cut short or changed anywhere is read or refused, and never followed", async () => {
    const at = folderOf({ "d/hill.desktop": entry, "d/Payload": "x" });
    tool("bsdtar", ["--format", "xar", "-cf", join(at, "x.pkg"), "-C", join(at, "d"), "."]);
    tool("tar", ["cf", join(at, "x.tar"), "-C", join(at, "d"), "."]);
    const seeds = [
      readFileSync(join(at, "x.pkg")),
      readFileSync(join(at, "x.tar")),
      windowsProgram(),
      windowsPackage(),
    ];
    if (hasTool("openssl")) seeds.push(appleProgram({}, signingPair(), { list: "", resources: "" }));
    await fc.assert(
      fc.asyncProperty(fc.nat(seeds.length - 1), fc.nat(), fc.nat(), fc.nat(255), async (which, cut, place, to) => {
        const seed = seeds[which] ?? Buffer.alloc(0);
        const changed = Buffer.from(seed);
        changed.writeUInt8(to, place % seed.length);
        await readPackage(changed);
        await readPackage(seed.subarray(0, cut % seed.length));
        await readPackage(
          zipSync({ "Payload/Hill.app/Info.plist": Buffer.from(macList()), "Payload/Hill.app/Hill": changed }),
        );
      }),
      { numRuns: 200 },
    );
  });

  test.runIf(hasTool("openssl"))("whose signer's certificate is changed anywhere has none, or another one", () => {
    const { certificate } = signingPair();
    const der = Buffer.from(readFileSync(certificate, "utf8").replace(/-----.*-----|\n/g, ""), "base64");
    const read = new Map<string, number>();
    for (let at = 0; at < der.length; at++)
      for (const to of [0, 255]) {
        const changed = Buffer.from(der);
        changed[at] = to;
        const found = certificateFacts(changed);
        const is = found === undefined ? "none" : found.sha256 === certificateFacts(der)?.sha256 ? "same" : "other";
        read.set(is, (read.get(is) ?? 0) + (changed.equals(der) ? 0 : 1));
      }
    expect(read.get("same")).toBe(0);
    expect(Math.min(read.get("none") ?? 0, read.get("other") ?? 0)).toBeGreaterThan(50);
  });

  test("that leads back into itself, or names one text again and again, comes to an end", async () => {
    const program = windowsProgram();
    // The root of its resources: as many entries as can be said, each of which is the root again.
    const root = program.indexOf(".rsrc") === -1 ? 0 : program.readUInt32LE(program.indexOf(".rsrc") + 20);
    const entries = Buffer.alloc(65_535 * 8);
    for (let at = 0; at < entries.length; at += 8) {
      entries.writeUInt32LE(16, at);
      entries.writeUInt32LE(0x80000000, at + 4);
    }
    const endless = Buffer.concat([program.subarray(0, root + 16), entries]);
    endless.writeUInt16LE(0, root + 12);
    endless.writeUInt16LE(65_535, root + 14);
    expect([root > 0, (await facts(endless))?.kind]).toEqual([true, "program"]);
    const [count, text] = [200_000, Buffer.from(`\u0001${"hill ".repeat(20_000)}\0`)];
    const header = Buffer.alloc(112 + count * 4);
    header.write("dex\n035\0", 0, "latin1");
    header.writeUInt32LE(count, 56);
    header.writeUInt32LE(112, 60);
    for (let index = 0; index < count; index++) header.writeUInt32LE(header.length, 112 + index * 4);
    const whole = Buffer.concat([header, text]);
    expect(saidIn("classes.dex", whole)?.length).toBeLessThan(2 * whole.length);
  });
});
