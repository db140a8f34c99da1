import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { zipSync } from "fflate";
import { build } from "plist";
import { expect, test } from "vitest";
import { examples } from "../../src/cli/rows/examples.ts";
import { rows } from "../../src/cli/rows/table.ts";
import { keyStoreBytes } from "../../src/core/ground/certificates/key-store.ts";
import { newKey, selfSigned } from "../../src/core/ground/certificates/self-signed.ts";
import { secretOf } from "../../src/core/ground/values/secret.ts";
import { newAuthority } from "../../src/stand-ins/authority/authority.ts";
import { edit, oxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { cheapVault, passPhrase } from "../support/vault.ts";

/** Words of a line, as a shell takes them apart. */
const wordsOf = (line: string): string[] =>
  [...line.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, plain]) => quoted ?? plain ?? "");

test("every example in --help does what it says", async () => {
  const folder = workspaceWith(["saltmarsh"]);
  // Of two platforms: what is looked at here are the calls.
  edit(folder, "oxalis.yaml", (text) => text.replace("[android, ios, windows, web]", "[android, ios]"));
  edit(folder, "oxalis.yaml", (text) => `${text}\ngroups: { coast: {} }\n`);
  edit(folder, "template.yaml", (text) => text.replace(/ {2}- file: (web|windows).*\n.*\n.*\n/g, ""));
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => `groups: [coast]\n${text.replace(/^groups:.*\n/m, "")}`);
  cpSync(join(folder, "template"), join(folder, "shared-app"), { recursive: true });
  mkdirSync(join(folder, "logos"));
  oxalis(folder, "export", "roster.csv");
  oxalis(folder, "export", "boxes.csv", "--collection", "boxes");
  writeFileSync(join(folder, "unused.txt"), "");
  const people = ["Ada Field", "Bo Marsh"].map((name) => `${name},${name.split(" ")[0]?.toLowerCase()}@field.example`);
  writeFileSync(join(folder, "people.csv"), `name,address\n${people.join("\n")}\n`);
  oxalis(folder, "testers", "import", "people.csv");
  const list = build({
    CFBundleIdentifier: "example.somebody",
    CFBundleShortVersionString: "1.0",
    CFBundleVersion: "1",
  });
  writeFileSync(join(folder, "saltmarsh.ipa"), zipSync({ "Payload/Shop.app/Info.plist": Buffer.from(list) }));
  const key = await newKey({ rsa: 2048 });
  const subject = [{ shortName: "CN", value: "Saltmarsh Roots" }];
  const certificate = await selfSigned(key, { subject, from: "2026-11-01", until: "2056-11-01" });
  const store = await keyStoreBytes({ alias: "upload", key, certificate }, secretOf("as it came"));
  for (const file of ["saltmarsh-upload.p12", "old.p12"]) writeFileSync(join(folder, file), store);
  const vault = join(temporaryFolder(), "vault");
  await cheapVault(vault);
  Object.assign(process.env, {
    OXALIS_VAULT: vault,
    OXALIS_PASSPHRASE: passPhrase,
    OXALIS_STORE_PASSWORD: "as it came",
    OXALIS_HAND_OVER_PASSPHRASE: "words for who leaves",
  });
  const [team, app] = ["AB12CD34EF", "example.saltmarsh.saltmarshroots"];
  const authority = await newAuthority(() => new Date());
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => `${text}\nsigning:\n  team: ${team}\n`);
  const prepare = async (name: string) => {
    if (name === "keys accept") {
      const request = readFileSync(join(folder, "requests/saltmarsh-apple-distribution.certSigningRequest"), "utf8");
      const made = await authority.certify({ request, role: "apple-distribution", team, owner: "Saltmarsh", days: 90 });
      const own = "certificate" in made ? made.certificate : "";
      writeFileSync(join(folder, "distribution.cer"), own);
      const certificates = [own];
      const entitlements = {
        "aps-environment": "production",
        "com.apple.security.application-groups": [`group.${app}.orders`],
      };
      const profile = { title: "Saltmarsh Store", identifier: app, team, kind: "store", platform: "ios" } as const;
      writeFileSync(
        join(folder, "saltmarsh.mobileprovision"),
        await authority.provision({ ...profile, certificates, devices: [], entitlements, days: 90 }),
      );
    }
    if (name !== "keys adopt" && name !== "keys restore") return;
    if (name === "keys restore") rmSync(vault, { recursive: true });
    // What was made is not to be in the way of what is adopted.
    else rmSync(join(folder, "clients/saltmarsh/history/key-android-upload.json"));
  };
  for (const name of Object.keys(rows) as (keyof typeof rows)[]) {
    await prepare(name);
    const told = oxalis(folder, ...name.split(" "), "--help");
    expect(told.out).toContain(`Examples:\n  oxalis ${examples[name][0]}`);
    expect(oxalis(folder, "help", ...name.split(" "))).toEqual(told);
    // They serve until they are ended: other tests ask them.
    if (name === "stand-in" || name === "serve-contents") continue;
    for (const example of examples[name]) {
      const { code, err } = oxalis(folder, ...wordsOf(example));
      // What it breaks is said, and not done.
      const usual = name === "rename-identifier" ? 1 : name === "wait" ? 1 : 0;
      expect([example, code, code === usual ? "" : err]).toEqual([example, usual, ""]);
    }
  }
});
