import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { basename, join } from "node:path";
import { unzipSync } from "fflate";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { edit, startOxalis, temporaryFolder } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";
import { keyed, typedAs, withCheapVault } from "../support/vault.ts";

const team = "AB12CD34EF";
const otherTeam = "ZZ12CD34EF";
const app = "example.saltmarsh.saltmarshroots";

let authority: ReturnType<typeof startOxalis>;
let address = "";
beforeAll(async () => {
  authority = startOxalis(temporaryFolder(), "stand-in", "authority", "--port", "0", "--json");
  const [told] = (await new Promise((resolve) => authority.stdout.once("data", (part) => resolve([String(part)])))) as [
    string,
  ];
  address = JSON.parse(told).address;
});
afterAll(() => {
  authority.kill();
});

const made = temporaryFolder();
async function ask(path: string, body: object): Promise<{ status: number; bytes: Buffer }> {
  const answer = await fetch(`${address}${path}`, {
    method: "POST",
    headers: { "content-type": "application/json", connection: "close" },
    body: JSON.stringify(body),
  });
  return { status: answer.status, bytes: Buffer.from(await answer.arrayBuffer()) };
}
async function file(name: string, path: string, body: object): Promise<string> {
  const { status, bytes } = await ask(path, body);
  expect([status, status === 200 ? "" : bytes.toString()]).toEqual([200, ""]);
  writeFileSync(join(made, name), bytes);
  return join(made, name);
}
const certificate = (name: string, request: string, more: object = {}) =>
  file(name, "/certificates", { request, role: "apple-distribution", team, owner: "Saltmarsh Growers CIC", ...more });
const profile = (name: string, more: object) =>
  file(`${name}.mobileprovision`, "/profiles", { title: name, identifier: app, team, kind: "store", ...more });

const pemOf = () => readFileSync(join(made, "right.cer"), "utf8");
const signed = (own: string) => `${own}\nsigning:\n  team: ${team}\n`;

describe("what an authority makes", async () => {
  const { folder, vault } = await withCheapVault(["3-acre", "high-hedges", "saltmarsh"]);
  for (const client of ["saltmarsh", "high-hedges"]) edit(folder, `clients/${client}/brief.yaml`, signed);
  const requestFile = join(folder, "requests/high-hedges-apple-distribution.certSigningRequest");
  const pem = () => readFileSync(requestFile, "utf8");

  test("is asked for once for a team, by a request that openssl verifies; its key stays in the vault", () => {
    const { code, out } = keyed(folder, ["keys", "request"]);
    expect([code, out]).toEqual([
      0,
      expect.stringMatching(/^asked {2}high-hedges {2}distribution certificate: [^\n]+\n/),
    ]);
    expect(readdirSync(join(folder, "requests"))).toEqual([basename(requestFile)]);
    if (hasTool("openssl")) {
      const told = tool("openssl", ["req", "-verify", "-noout", "-text", "-in", requestFile]).toString();
      expect(told).toContain("Public-Key: (2048 bit)");
    }
    const before = pem();
    expect(before).not.toContain("PRIVATE");
    expect(readdirSync(join(vault, "high-hedges"))).toEqual(["high-hedges-apple-distribution.request.age"]);
    // One that is open is written again as it was, whichever of the team's clients asks.
    expect(keyed(folder, ["keys", "request", "saltmarsh"]).out).toContain("asked  high-hedges");
    expect(pem()).toBe(before);
    expect(keyed(folder, ["keys", "high-hedges"]).out).toContain("asked for on");
  });

  test("is taken where it answers a request, and refused where it is of another kind, team or key", async () => {
    const wrong = await certificate("wrong-kind.cer", pem(), { role: "apple-development" });
    const other = await certificate("wrong-team.cer", pem(), { team: otherTeam });
    const right = await certificate("right.cer", pem(), { days: 20 });
    const changed = join(made, "changed.mobileprovision");
    const sound = await profile("Sound", {});
    const bytes = readFileSync(sound);
    const at = bytes.indexOf("<key>Name</key>") + 4;
    bytes.writeUInt8(bytes.readUInt8(at) ^ 1, at);
    writeFileSync(changed, bytes);
    const foreign = await profile("Foreign", { identifier: "example.somebody.else" });
    const ofOthers = await profile("Others", { team: otherTeam });
    const all = [wrong, other, changed, foreign, ofOthers, join(folder, "oxalis.yaml")];
    const { code, out, err } = keyed(folder, ["keys", "accept", ...all, right]);
    expect([code, out]).toEqual([1, expect.stringMatching(/^accepted {2}high-hedges {2}distribution certificate\n/)]);
    expect(out.match(/^accepted/gm)).toHaveLength(1);
    for (const said of [
      "wrong-kind.cer is a development certificate; high-hedges has asked for a distribution certificate.",
      `wrong-team.cer is of the team ${otherTeam}; high-hedges's app is signed by ${team}.`,
      "changed.mobileprovision is not as it was signed.",
      "Foreign.mobileprovision is of example.somebody.else, and no client has an app of it.",
      `Others.mobileprovision is of the team ${otherTeam}; saltmarsh's app is signed by ${team}.`,
      "oxalis.yaml is neither a certificate nor a profile.",
    ])
      expect(err).toContain(said);
    expect(readdirSync(join(vault, "high-hedges"))).toEqual([
      "high-hedges-apple-distribution.p12.age",
      "high-hedges-apple-distribution.password.age",
    ]);
    expect(keyed(folder, ["keys", "accept", right]).err).toContain("answers no request that is open here");
    // The other client of the team has it too; what is wrong with it is told once, of the one that keeps it.
    const listed = keyed(folder, ["keys", "high-hedges", "saltmarsh"]);
    expect(listed.out).toMatch(/saltmarsh[\s\S]*distribution certificate .*not proven yet, with high-hedges/);
    expect(listed.err.match(/distribution certificate ends on/g)).toHaveLength(1);
    expect(keyed(folder, ["keys", "request"]).out).toContain("Nothing has to be asked for.");
    expect(keyed(folder, ["keys", "request", "saltmarsh", "--renew", "--dry-run"]).out).toMatch(
      /would ask {2}saltmarsh/,
    );
  });

  test("a profile is held against the app's own entitlements, the certificate and the kind, each told apart", async () => {
    const groups = { "com.apple.security.application-groups": [`group.${app}.orders`] };
    const whole = { "aps-environment": "production", ...groups };
    const findings = async (of: object) => {
      const taken = keyed(folder, ["keys", "accept", await profile("Tried", { certificates: [pemOf()], ...of })]);
      expect(taken.err).toBe("");
      const { clients } = JSON.parse(keyed(folder, ["keys", "saltmarsh", "--json"]).out);
      const own = clients[0].profiles.filter((each: { target?: string }) => each.target === undefined);
      return own.flatMap((each: { kind: string; problems: { code: string; message: string }[] }) =>
        each.problems.map(({ code, message }) => [
          code,
          /asks for ([^,]+), and|grants ([^,]+), which/.exec(message)?.slice(1).join("") ?? "",
        ]),
      );
    };
    expect(await findings({ entitlements: whole })).toEqual([]);
    expect(await findings({ entitlements: groups })).toEqual([["profile-lacks", "aps-environment"]]);
    expect(
      await findings({ entitlements: { ...whole, "com.apple.security.application-groups": ["group.other"] } }),
    ).toEqual([["profile-lacks", "com.apple.security.application-groups"]]);
    expect(await findings({ entitlements: { ...whole, "com.apple.developer.healthkit": true } })).toEqual([
      ["profile-exceeds", "com.apple.developer.healthkit"],
    ]);
    expect(await findings({ entitlements: whole, certificates: [] })).toEqual([["profile-unsigned", ""]]);
    expect(await findings({ entitlements: whole, days: 20 })).toEqual([["profile-ends", ""]]);
    expect(await findings({ entitlements: whole })).toEqual([]);
    // One of another kind is kept beside it, and is wrong only where the brief names it for the store.
    expect(await findings({ entitlements: whole, title: "Devices", kind: "testers", devices: ["a", "b"] })).toEqual([]);
    const brief = readFileSync(join(folder, "clients/saltmarsh/brief.yaml"), "utf8");
    edit(folder, "clients/saltmarsh/brief.yaml", (text) => `${text}  profile: Devices\n`);
    expect(keyed(folder, ["check", "saltmarsh"]).err).toMatch(
      /names the profile "Devices" of the app for the store; it is for named devices/,
    );
    writeFileSync(join(folder, "clients/saltmarsh/brief.yaml"), brief);
  });

  test("is named in the variant by itself, each target its own", async () => {
    await keyed(folder, [
      "keys",
      "accept",
      await profile("Notes", {
        identifier: `${app}.notification-service`,
        entitlements: {},
        certificates: [readFileSync(join(made, "right.cer"), "utf8")],
      }),
    ]);
    expect(keyed(folder, ["generate", "saltmarsh", "-q"])).toMatchObject({ code: 0 });
    const project = join(folder, "variants/saltmarsh/ios");
    const options = readFileSync(join(project, "ExportOptions.plist"), "utf8");
    expect(options).toMatch(new RegExp(`<key>${app}</key>\\s*<string>Tried</string>`));
    expect(options).toMatch(new RegExp(`<key>${app}.notification-service</key>\\s*<string>Notes</string>`));
    expect(options).toContain("<string>manual</string>");
    const settings = readFileSync(join(project, "Storefront.xcodeproj/project.pbxproj"), "utf8");
    expect([...settings.matchAll(/CODE_SIGN_STYLE = (\w+);/g)].map(([, style]) => style)).toContain("Manual");
    expect(settings).not.toContain("CODE_SIGN_STYLE = Automatic");
  });

  test("is proven with the keys, and goes with the client when it leaves; a team's certificate stays", () => {
    const proven = keyed(folder, ["keys", "prove"]);
    expect(proven.out).toContain("1 key and 3 profiles of 3 clients");
    expect(keyed(folder, ["keys", "saltmarsh"]).out).toMatch(/profile for the store .* proven on \d{4}-/);
    const sealed = join(
      vault,
      "saltmarsh",
      readdirSync(join(vault, "saltmarsh")).find((each) => /testers/.test(each)) ?? "",
    );
    const bytes = readFileSync(sealed);
    writeFileSync(sealed, bytes.subarray(0, bytes.length - 1));
    expect(keyed(folder, ["keys", "prove", "saltmarsh"]).err).toMatch(
      /"Devices", .*is not as it was kept\.\s+\[key-changed\]/,
    );
    writeFileSync(sealed, bytes);
    const theirs = "other words for them";
    const at = temporaryFolder();
    const archive = join(at, "out.zip.age");
    const handed = (phrase: string) =>
      keyed(folder, ["keys", "hand-over", "saltmarsh", "-o", archive], { OXALIS_HAND_OVER_PASSPHRASE: phrase });
    expect(handed("heron kettle anvil moss").err).toContain("passphrase-weak");
    expect(existsSync(archive)).toBe(false);
    expect(handed(theirs).out).toMatch(/not in it {2}distribution certificate: .* signs the apps of high-hedges too/);
    if (!hasTool("age")) return;
    expect(typedAs(theirs, "age", "-d", "-o", join(at, "out.zip"), archive).status).toBe(0);
    const files = unzipSync(readFileSync(join(at, "out.zip")));
    expect(Object.keys(files).filter((each) => each.endsWith(".mobileprovision"))).toHaveLength(3);
    const list = Buffer.from(files["keys.txt"] ?? []).toString();
    expect(list).toMatch(
      /What signs Saltmarsh Roots[\s\S]*iOS: profile "Tried", for the store[\s\S]*Not in this archive/,
    );
  });

  test.runIf(hasTool("openssl"))("stands under one root, as its description says", async () => {
    const root = join(made, "root.pem");
    writeFileSync(root, await (await fetch(`${address}/root`)).text());
    expect(
      tool("openssl", ["verify", "-ignore_critical", "-CAfile", root, join(made, "right.cer")]).toString(),
    ).toContain("OK");
    const list = tool("openssl", [
      "cms",
      "-verify",
      "-inform",
      "DER",
      "-in",
      join(made, "Notes.mobileprovision"),
      "-CAfile",
      root,
      "-purpose",
      "any",
    ]);
    expect(list.toString()).toContain("<string>Notes</string>");
    const { paths } = (await (await fetch(`${address}/description.json`)).json()) as {
      paths: Record<string, Record<string, { responses: Record<string, object> }>>;
    };
    expect(Object.keys(paths).sort()).toEqual(["/certificates", "/profiles", "/root"]);
    expect(await ask("/certificates", { request: "none", role: "apple-distribution", team, owner: "x" })).toMatchObject(
      { status: 400 },
    );
    expect((await ask("/profiles", { title: "x" })).bytes.toString()).toMatch(/^\{"wrong":"identifier: /);
  });

  test("a key that Apple gives out is taken with what its file is called", () => {
    if (!hasTool("openssl")) return;
    const key = join(made, "AuthKey_2X9R4HXF34.p8");
    writeFileSync(key, tool("openssl", ["genpkey", "-algorithm", "EC", "-pkeyopt", "ec_paramgen_curve:P-256"]));
    const adopt = (...more: string[]) => keyed(folder, ["keys", "adopt", key, "--client", "saltmarsh", ...more]);
    expect(adopt().err).toContain("may be a push key or an interface key");
    expect(adopt("--role", "apple-interface").err).toContain("--issuer");
    expect(adopt("--role", "apple-push", "--held-by", "Mara Lind", "--json").out).toMatch(
      /"keyId": "2X9R4HXF34"[\s\S]*"team": "AB12CD34EF"/,
    );
    expect(keyed(folder, ["keys", "prove", "saltmarsh"]).code).toBe(0);
  });
});
