import { spawnSync } from "node:child_process";
import { cpSync, existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { strToU8, zipSync } from "fflate";
import { expect, test } from "vitest";
import { secretOf } from "../../src/core/ground/values/secret.ts";
import { lockWith } from "../../src/core/ground/vault/age.ts";
import { newAuthority } from "../../src/stand-ins/authority/authority.ts";
import { contents, edit, endOf, program, startWith, temporaryFolder } from "../support/oxalis.ts";
import { keyed, passPhrase, withCheapVault, withVault } from "../support/vault.ts";

const team = "AB12CD34EF";

test("a run that is killed while it accepts leaves what was or what is to be; two at once accept a thing once", async () => {
  const { folder, vault } = await withCheapVault(["saltmarsh"]);
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => `${text}\nsigning:\n  team: ${team}\n`);
  expect(keyed(folder, ["keys", "request"]).code).toBe(0);
  const request = readFileSync(join(folder, "requests/saltmarsh-apple-distribution.certSigningRequest"), "utf8");
  const authority = await newAuthority(() => new Date());
  const made = await authority.certify({ request, role: "apple-distribution", team, owner: "Saltmarsh", days: 300 });
  const file = join(folder, "own.cer");
  writeFileSync(file, "certificate" in made ? made.certificate : "");
  const start = (home: string, own: string) => {
    const env = { OXALIS_PASSPHRASE: passPhrase, OXALIS_VAULT: own };
    const running = startWith(env, home, "keys", "accept", file);
    return { running, ended: endOf(running) };
  };
  const copied = () => {
    const [home, own] = [join(temporaryFolder(), "home"), join(temporaryFolder(), "vault")];
    cpSync(folder, home, { recursive: true });
    cpSync(vault, own, { recursive: true });
    return [home, own] as const;
  };
  for (const after of [300, 500, 700]) {
    const [home, own] = copied();
    const { running, ended } = start(home, own);
    await new Promise((resolve) => setTimeout(resolve, after));
    running.kill("SIGKILL");
    await ended;
    // Whichever it is, the next one ends it, and what there is then is whole.
    const again = keyed(home, ["keys", "accept", file], { OXALIS_VAULT: own });
    expect(again.code === 0 || again.err.includes("answers no request that is open here")).toBe(true);
    expect(keyed(home, ["keys", "prove"], { OXALIS_VAULT: own })).toMatchObject({
      code: 0,
      out: expect.stringContaining("1 key and 0 profiles of 1 client"),
    });
  }
  const [home, own] = copied();
  const both = await Promise.all([start(home, own).ended, start(home, own).ended]);
  expect(both.sort()).toEqual([0, 1]);
  expect(keyed(home, ["keys", "prove"], { OXALIS_VAULT: own }).code).toBe(0);
  // What waited for its certificate is there no longer.
  expect(readdirSync(join(own, "saltmarsh")).sort()).toEqual([
    "saltmarsh-apple-distribution.p12.age",
    "saltmarsh-apple-distribution.password.age",
  ]);
  // Another agency's vault has none of it.
  const other = await withCheapVault(["saltmarsh"]);
  expect(keyed(other.folder, ["keys", "make"]).code).toBe(0);
  expect(keyed(home, ["keys", "prove"], { OXALIS_VAULT: other.vault }).err).toContain("vault-other");
});

/** Runs what a shell says where a folder is mounted to be read, by a user who could write there otherwise. */
const asReadOnly = (folder: string, command: string) =>
  spawnSync(
    "unshare",
    ["-rm", "sh", "-c", `mount --bind ${folder} ${folder} && mount -o remount,bind,ro ${folder} && ${command}`],
    {
      encoding: "utf8",
      env: { ...process.env, OXALIS_PASSPHRASE: passPhrase },
    },
  );

test.skipIf(asReadOnly(temporaryFolder(), "true").status !== 0)(
  "a vault that can only be read is proven and exported; nothing is made for it, or recorded",
  async () => {
    const { folder, vault } = await withCheapVault(["saltmarsh"]);
    expect(keyed(folder, ["keys", "make"]).code).toBe(0);
    const archive = join(temporaryFolder(), "keys.zip.age");
    const run = (...args: string[]) => asReadOnly(vault, `cd ${folder} && node ${program} ${args.join(" ")}`);
    expect(run("keys", "prove")).toMatchObject({ status: 0 });
    expect(run("keys", "export", archive)).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/keys\.zip\.age/),
    });
    const restored = join(temporaryFolder(), "vault");
    expect(keyed(folder, ["keys", "restore", archive], { OXALIS_VAULT: restored }).code).toBe(0);
    expect(keyed(folder, ["keys", "prove"], { OXALIS_VAULT: restored }).code).toBe(0);
    const before = contents(folder);
    edit(folder, "clients/saltmarsh/brief.yaml", (text) => `${text}\nsigning:\n  team: ${team}\n`);
    expect(run("keys", "request")).toMatchObject({ status: 1, stderr: expect.stringContaining("write-failed") });
    expect([...contents(folder).keys()].filter((file) => !before.has(file))).toEqual([]);
  },
);

test("an archive of keys that leads outside, holds too much, or is no archive is refused, and leaves nothing", async () => {
  const { folder } = withVault(["saltmarsh"]);
  const archive = join(temporaryFolder(), "keys.zip.age");
  const restore = async (content: Uint8Array) => {
    const own = join(temporaryFolder(), "vault");
    writeFileSync(archive, await lockWith(secretOf(passPhrase), content));
    const { code, err } = keyed(folder, ["keys", "restore", archive], { OXALIS_VAULT: own });
    const left = existsSync(own) ? readdirSync(own).filter((each) => each !== ".oxalis") : [];
    return { code, err, left };
  };
  const outside = zipSync({
    "vault/../../escaped.txt": strToU8("x"),
    "workspace/clients/saltmarsh/brief.yaml": strToU8("app: {}"),
    "workspace/../oxalis.yaml": strToU8("x"),
  });
  const before = readFileSync(join(folder, "clients/saltmarsh/brief.yaml"), "utf8");
  expect((await restore(outside)).left).toEqual([]);
  expect(readFileSync(join(folder, "clients/saltmarsh/brief.yaml"), "utf8")).toBe(before);
  expect(existsSync(join(folder, "../escaped.txt"))).toBe(false);
  expect(await restore(strToU8("no archive"))).toMatchObject({
    code: 1,
    left: [],
    err: expect.stringContaining("key-unreadable"),
  });
});
