import { createHash } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { unzipSync, zipSync } from "fflate";
import { build, buildBinary } from "plist";
import { describe, expect, test } from "vitest";
import { readPackage as openPackage } from "../../../src/core/app/packages/read.ts";
import { newAuthority } from "../../../src/stand-ins/authority/authority.ts";
import { temporaryFolder } from "../../support/oxalis.ts";
import { hasTool, tool } from "../../support/tools.ts";

const framework = "/usr/share/android-framework-res/framework-res.apk";

/** An Android package that aapt2 links, with names in three languages. */
function linked(...more: string[]): string {
  const at = temporaryFolder();
  for (const [folder, name] of [
    ["values", "Hill &amp; Farm"],
    ["values-de", "Hügel"],
    ["values-pt-rBR", "Colina"],
    ["values-b+fil", "Burol"],
  ] as const) {
    mkdirSync(join(at, "res", folder), { recursive: true });
    writeFileSync(join(at, "res", folder, "s.xml"), `<resources><string name="n">${name}</string></resources>`);
  }
  writeFileSync(
    join(at, "AndroidManifest.xml"),
    `<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="example.hill.farm">
      <uses-permission android:name="android.permission.CAMERA"/>
      <application android:label="@string/n"><activity android:name="A" android:exported="true"><intent-filter>
        <action android:name="android.intent.action.VIEW"/><data android:scheme="hill"/>
      </intent-filter></activity></application></manifest>`,
  );
  const [resources, out] = [join(at, "res.zip"), join(at, "out.apk")];
  tool("aapt2", ["compile", "--dir", join(at, "res"), "-o", resources]);
  const given = [
    "--version-code",
    "41",
    "--version-name",
    "2.3.4",
    "--min-sdk-version",
    "24",
    "--target-sdk-version",
    "29",
  ];
  tool("aapt2", [
    "link",
    "-I",
    framework,
    "--manifest",
    join(at, "AndroidManifest.xml"),
    ...given,
    ...more,
    "-o",
    out,
    resources,
  ]);
  return out;
}

const readPackage = async (bytes: Uint8Array) => (await openPackage(bytes))?.facts;
const read = (file: string) => readPackage(readFileSync(file));

describe.runIf(hasTool("aapt2"))("an Android package", () => {
  test("says what aapt2 says of it: identifier, version, names by language, permissions, systems", async () => {
    const file = linked();
    const badging = tool("aapt2", ["dump", "badging", file]);
    const said = (form: RegExp) => form.exec(badging)?.[1];
    expect(await read(file)).toMatchObject({
      kind: "apk",
      identifier: said(/name='([^']+)'/),
      version: said(/versionName='([^']+)'/),
      build: said(/versionCode='([^']+)'/),
      minimum: said(/sdkVersion:'(\d+)'/),
      target: said(/targetSdkVersion:'(\d+)'/),
      permissions: [said(/uses-permission: name='([^']+)'/)],
      labels: {
        "": said(/application-label:'([^']+)'/),
        de: said(/application-label-de:'([^']+)'/),
        "pt-BR": said(/application-label-pt-BR:'([^']+)'/),
        fil: said(/application-label-fil:'([^']+)'/),
      },
      schemes: ["hill"],
      isDebuggable: false,
    });
    expect(await read(linked("--debug-mode"))).toMatchObject({ isDebuggable: true });
    const sparse = await read(linked("--enable-sparse-encoding"));
    expect(sparse?.labels).toMatchObject({ "": "Hill & Farm", de: "Hügel" });
  });

  test("as a bundle has its manifest is read too", async () => {
    const file = linked("--proto-format");
    const manifest = unzipSync(readFileSync(file))["AndroidManifest.xml"] ?? new Uint8Array();
    expect(await readPackage(zipSync({ "base/manifest/AndroidManifest.xml": manifest }))).toMatchObject({
      kind: "aab",
      identifier: "example.hill.farm",
      version: "2.3.4",
      build: "41",
      permissions: ["android.permission.CAMERA"],
      schemes: ["hill"],
    });
  });

  test.runIf(hasTool("apksigner") && hasTool("keytool"))(
    "names the signer that apksigner names, by each scheme",
    async () => {
      const file = linked();
      const store = join(temporaryFolder(), "k.p12");
      const names = ["-alias", "k", "-storepass", "hill farm", "-dname", "CN=Hill", "-keystore", store];
      tool("keytool", ["-genkeypair", ...names, "-keyalg", "RSA", "-keysize", "2048", "-validity", "9000"]);
      expect((await read(file))?.signer).toBeUndefined();
      for (const scheme of ["3", "2", "1"]) {
        const given = ["1", "2", "3"].flatMap((each) => [`--v${each}-signing-enabled`, String(each === scheme)]);
        tool("apksigner", [
          "sign",
          "--ks",
          store,
          "--ks-pass",
          "pass:hill farm",
          "--min-sdk-version",
          "24",
          ...given,
          file,
        ]);
        const certificates = tool("apksigner", [
          "verify",
          "--print-certs",
          "--min-sdk-version",
          scheme === "3" ? "28" : "24",
          file,
        ]);
        const sum = /SHA-256 digest: ([0-9a-f]{64})/.exec(certificates)?.[1]?.toUpperCase() ?? "none";
        expect([scheme, (await read(file))?.signer]).toEqual([
          scheme,
          { subject: "CN=Hill", sha256: sum.replace(/..(?=.)/g, "$&:"), by: expect.any(String), holds: true },
        ]);
      }
    },
  );

  test("that is cut short or changed anywhere is read or refused, and never followed", async () => {
    const whole = readFileSync(linked());
    await fc.assert(
      fc.asyncProperty(
        fc.nat(whole.length),
        fc.nat(whole.length - 1),
        fc.integer({ min: 1, max: 255 }),
        async (cut, at, by) => {
          const changed = Buffer.from(whole);
          changed.writeUInt8(changed.readUInt8(at) ^ by, at);
          await readPackage(changed);
          await readPackage(whole.subarray(0, cut));
        },
      ),
      { numRuns: 300 },
    );
    // What is changed within the manifest itself, where no sum of the archive would tell.
    const files = unzipSync(readFileSync(linked()));
    const [manifest, table] = ["AndroidManifest.xml", "resources.arsc"].map((each) =>
      Buffer.from(files[each] ?? []),
    ) as [Buffer, Buffer];
    await fc.assert(
      fc.asyncProperty(
        fc.nat(manifest.length - 1),
        fc.nat(table.length - 1),
        fc.nat(255),
        async (first, second, to) => {
          const [m, t] = [Buffer.from(manifest), Buffer.from(table)];
          m.writeUInt8(to, first);
          t.writeUInt8(to, second);
          await readPackage(zipSync({ "AndroidManifest.xml": m, "resources.arsc": t }, { level: 0 }));
        },
      ),
      { numRuns: 300 },
    );
  });
});

test("an iOS package is read in either form of its list, with its profile; one within it is not taken for it", async () => {
  const authority = await newAuthority(() => new Date());
  const list = {
    CFBundleIdentifier: "example.hill",
    CFBundleDisplayName: "Hill",
    CFBundleShortVersionString: "1.2.0",
    CFBundleVersion: "7",
    MinimumOSVersion: "15.0",
  };
  const profile = await authority.provision({
    ...{
      title: "Hill Store",
      identifier: "example.hill",
      team: "AB12CD34EF",
      kind: "store",
      platform: "ios",
      days: 90,
    },
    ...{ devices: [], certificates: [], entitlements: { "aps-environment": "production" } },
  });
  for (const form of [Buffer.from(build(list)), buildBinary(list)])
    expect(
      await readPackage(
        zipSync({
          "Payload/Hill.app/PlugIns/Widget.appex/Info.plist": Buffer.from(
            build({ ...list, CFBundleIdentifier: "example.hill.widget" }),
          ),
          "Payload/Hill.app/Info.plist": form,
          "Payload/Hill.app/embedded.mobileprovision": profile,
          "Payload/Hill.app/de.lproj/InfoPlist.strings": buildBinary({ CFBundleDisplayName: "Hügel" }),
        }),
      ),
    ).toMatchObject({
      ...{
        kind: "ipa",
        identifier: "example.hill",
        version: "1.2.0",
        build: "7",
        minimum: "15.0",
        isDebuggable: false,
      },
      labels: { "": "Hill", de: "Hügel" },
      profile: { title: "Hill Store", kind: "store", team: "AB12CD34EF" },
    });
});

test("a Windows package's files are held against its block map", async () => {
  const manifest = `<Package xmlns="http://schemas.microsoft.com/appx/manifest/foundation/windows10">
    <Identity Name="Hill.Farm" Publisher="CN=Hill" Version="1.2.7.0"/><Properties><DisplayName>Hill</DisplayName></Properties>
    <Capabilities><Capability Name="internetClient"/></Capabilities></Package>`;
  const picture = Buffer.alloc(150_000, 3);
  const blocks = (bytes: Buffer) =>
    Array.from({ length: Math.ceil(bytes.length / 65_536) }, (_, at) => {
      const hash = createHash("sha256")
        .update(bytes.subarray(at * 65_536, (at + 1) * 65_536))
        .digest("base64");
      return `<Block Hash="${hash}"/>`;
    }).join("");
  const map = `<BlockMap xmlns="http://schemas.microsoft.com/appx/2010/blockmap">
    <File Name="AppxManifest.xml" Size="1">${blocks(Buffer.from(manifest))}</File>
    <File Name="Assets\\a b.png" Size="150000">${blocks(picture)}</File></BlockMap>`;
  const packed = (asset: Buffer, more: Record<string, Buffer> = {}) =>
    readPackage(
      zipSync({
        "AppxManifest.xml": Buffer.from(manifest),
        "AppxBlockMap.xml": Buffer.from(map),
        "Assets/a%20b.png": asset,
        ...more,
      }),
    );
  expect(await packed(picture)).toMatchObject({
    ...{
      kind: "msix",
      identifier: "Hill.Farm",
      version: "1.2.7.0",
      publisher: "CN=Hill",
      permissions: ["internetClient"],
    },
    odd: [],
  });
  const changed = Buffer.from(picture);
  changed.writeUInt8(4, 140_000);
  expect((await packed(changed))?.odd).toEqual(["Assets/a%20b.png"]);
  expect((await packed(picture, { "extra.dll": Buffer.from("x") }))?.odd).toEqual(["extra.dll"]);
  expect((await packed(picture, { "../out.dll": Buffer.from("x") }))?.odd).toContain("../out.dll");
});

test("what is no package is none: texts, other archives, one that says it is larger than it is", async () => {
  expect(await readPackage(Buffer.from("hello"))).toBeUndefined();
  expect(await readPackage(zipSync({ "a.txt": Buffer.from("a") }))).toBeUndefined();
  const bomb = Buffer.from(zipSync({ "AndroidManifest.xml": Buffer.alloc(1000) }));
  // Its directory claims four gigabytes.
  const at = bomb.lastIndexOf(Buffer.from([0x50, 0x4b, 0x01, 0x02]));
  bomb.writeUInt32LE(0xfffffff0, at + 24);
  expect(await readPackage(bomb)).toBeUndefined();
});
