import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { expect, test } from "vitest";
import { againstProfile, isProfileOf, readProfile } from "../../../src/core/app/platforms/apple/profile.ts";
import { temporaryFolder } from "../../support/oxalis.ts";
import { hasTool, tool } from "../../support/tools.ts";

const list = (more: string) => `<?xml version="1.0"?><plist version="1.0"><dict>
<key>Name</key><string>Hill Store</string><key>UUID</key><string>0b1c</string>
<key>TeamIdentifier</key><array><string>AB12CD34EF</string></array>
<key>CreationDate</key><date>2026-01-02T03:04:05Z</date><key>ExpirationDate</key><date>2027-01-02T03:04:05Z</date>
<key>Entitlements</key><dict><key>application-identifier</key><string>AB12CD34EF.example.hill</string>
<key>get-task-allow</key><false/></dict>${more}</dict></plist>`;

/** A property list as openssl signs it. */
function signed(text: string, ...more: string[]): Buffer {
  const at = temporaryFolder();
  const [key, certificate, plain, out] = ["k", "c", "p", "o"].map((name) => join(at, name)) as [
    string,
    string,
    string,
    string,
  ];
  const kind = ["-x509", "-newkey", "rsa:2048", "-nodes", "-days", "30", "-subj", "/CN=Signing"];
  tool("openssl", ["req", ...kind, "-keyout", key, "-out", certificate]);
  writeFileSync(plain, text);
  const given = ["-signer", certificate, "-inkey", key, "-in", plain, "-out", out];
  tool("openssl", ["cms", "-sign", "-nodetach", "-binary", "-outform", "DER", ...given, ...more]);
  return readFileSync(out);
}

test.runIf(hasTool("openssl"))(
  "a profile is read as openssl signs it, whatever the length's form, and not where it was changed",
  async () => {
    const expected = {
      title: "Hill Store",
      team: "AB12CD34EF",
      identifier: "example.hill",
      until: "2027-01-02",
      platform: "ios",
    };
    for (const more of [[], ["-stream"], ["-md", "sha384"], ["-noattr"]])
      expect(await readProfile(signed(list(""), ...more)), more.join(" ")).toMatchObject({
        ...expected,
        kind: "store",
        signer: "CN=Signing",
      });
    const devices = "<key>ProvisionedDevices</key><array><string>a</string></array>";
    expect(await readProfile(signed(list(devices)))).toMatchObject({ kind: "testers", devices: 1 });
    expect(await readProfile(signed(list("<key>ProvisionsAllDevices</key><true/>")))).toMatchObject({
      kind: "everywhere",
    });
    const sound = signed(list(""));
    await fc.assert(
      fc.asyncProperty(fc.nat(sound.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const changed = Buffer.from(sound);
        changed.writeUInt8(changed.readUInt8(at) ^ by, at);
        const read = await readProfile(changed);
        // What is not signed (names of algorithms, the certificate beside it) may change; what the profile says may not.
        if (typeof read !== "string") expect(read).toMatchObject(expected);
      }),
      { numRuns: 150 },
    );
    for (const length of [0, 1, 40, sound.length - 1])
      expect(typeof (await readProfile(sound.subarray(0, length)))).toBe("string");
    // Deep, wide, or with a name that would change every object: no profile, and no fault.
    const deep = `<key>X</key>${"<array>".repeat(20_000)}${"</array>".repeat(20_000)}`;
    for (const more of [
      deep,
      `<key>X</key><array>${"<true/>".repeat(1_000_000)}</array>`,
      "<key>__proto__</key><string>x</string>",
    ])
      expect(await readProfile(signed(list(more)))).toBe("no-profile");
  },
);

test("entitlements are held against a profile's by what it grants", () => {
  const profile = (entitlements: Record<string, unknown>, platform: "ios" | "desktop" = "ios") => ({
    entitlements,
    platform,
  });
  const domains = "com.apple.developer.associated-domains";
  const groups = "com.apple.security.application-groups";
  const cases: [
    asked: Record<string, unknown>,
    granted: Record<string, unknown>,
    lacks: string[],
    exceeds: string[],
  ][] = [
    [{}, { "application-identifier": "X.y", "get-task-allow": false, "beta-reports-active": true }, [], []],
    [{ "aps-environment": "development" }, { "aps-environment": "production" }, [], []],
    [{ [domains]: ["applinks:a.example"] }, { [domains]: "*" }, [], []],
    [{ [groups]: ["group.a", "group.b"] }, { [groups]: ["group.a"] }, [groups], []],
    [{ [groups]: ["group.a"] }, { [groups]: ["group.*"] }, [], []],
    [{ [groups]: ["$(PREFIX).a"] }, { [groups]: [] }, [], []],
    [{ "keychain-access-groups": ["$(AppIdentifierPrefix)x"] }, {}, [], []],
    [{}, { "com.apple.developer.healthkit": true }, [], ["com.apple.developer.healthkit"]],
  ];
  for (const [asked, granted, lacks, exceeds] of cases)
    expect(againstProfile(asked, profile(granted)), JSON.stringify(asked)).toEqual({ lacks, exceeds });
  // On a Mac the sandbox's own need no profile.
  const sandbox = { "com.apple.security.app-sandbox": true, "com.apple.security.network.client": true };
  expect(againstProfile(sandbox, profile({}, "desktop"))).toEqual({ lacks: [], exceeds: [] });
  expect(isProfileOf("example.*", "example.hill")).toBe(true);
  expect(isProfileOf("example.hil", "example.hill")).toBe(false);
});
