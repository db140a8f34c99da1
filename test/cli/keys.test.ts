import { spawnSync } from "node:child_process";
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { openKeyStore } from "../../src/core/ground/certificates/key-store.ts";
import { secretOf } from "../../src/core/ground/values/secret.ts";
import { edit, endOf, oxalis, program, startWith, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { windowsProgram } from "../support/packages.ts";
import { hasTool, tool } from "../support/tools.ts";
import { keyed, makeCheap, passPhrase, typed, withCheapVault, withVault } from "../support/vault.ts";

const storePassword = "as-it-came-92";

const filesBelow = (folder: string) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile())
    .map((each) => join(each.parentPath, each.name));

type Three = [string, string, string];

const keysIn = (folder: string, ...more: string[]) => {
  const { clients } = JSON.parse(keyed(folder, ["keys", ...more, "--json"]).out);
  // When it was proven is the vault's to say, and not every test's.
  for (const { keys } of clients) for (const each of keys) delete each.proven;
  return clients as {
    client: string;
    keys: { role: string; sha256?: string; sha1?: string; proven?: string; problems: { code: string }[] }[];
  }[];
};

describe("keys", () => {
  const { folder, vault } = withVault(["3-acre", "saltmarsh"]);

  test("are made where they are missing, each for its client and role, and never over what is there", async () => {
    expect(oxalis(folder, "keys", "make").err).toContain("passphrase-missing");
    expect(keyed(folder, ["keys", "make", "--dry-run"]).out).toContain("4 keys would be made.");
    expect(readdirSync(join(vault, ".."))).toEqual([]);
    expect(keyed(folder, ["keys", "make"], { OXALIS_PASSPHRASE: "short" }).err).toContain("passphrase-weak");
    const { code, out, err } = keyed(folder, ["keys", "make"]);
    expect([code, err]).toEqual([0, ""]);
    expect(out).toContain("4 keys made.");
    expect(readdirSync(join(vault, "saltmarsh"))).toEqual([
      "saltmarsh-android-upload.p12.age",
      "saltmarsh-android-upload.password.age",
      "saltmarsh-windows-package.p12.age",
      "saltmarsh-windows-package.password.age",
    ]);
    for (const file of filesBelow(vault).filter((each) => !each.includes(".oxalis")))
      expect([file, statSync(file).mode & 0o777]).toEqual([file, 0o600]);
    await makeCheap(vault);
    const before = keysIn(folder);
    expect(keyed(folder, ["keys", "make"]).out).toContain("Nothing is missing.");
    expect(keysIn(folder)).toEqual(before);
    expect(keyed(folder, ["keys", "prove"])).toMatchObject({
      code: 0,
      out: expect.stringMatching(/(proven[\s\S]*){4}4 keys of 2 clients\./),
    });
  });

  test.runIf(hasTool("age") && hasTool("keytool") && hasTool("openssl"))(
    "open by age, keytool and openssl, with the fingerprints that are told",
    async () => {
      const at = temporaryFolder();
      const [identity, store] = [join(at, "identity"), join(at, "own.p12")];
      expect(typed("age", "-d", "-o", identity, join(vault, "vault-key.age")).status).toBe(0);
      const [acre] = keysIn(folder, "3-acre");
      for (const [role, name] of [
        ["android-upload", "CN=Three Acre Growers Ltd"],
        ["windows-package", "CN=Three Acre Growers Ltd"],
      ] as const) {
        const file = join(vault, `3-acre/3-acre-${role}`);
        tool("age", ["-d", "-i", identity, "-o", store, `${file}.p12.age`]);
        const password = tool("age", ["-d", "-i", identity, `${file}.password.age`]).toString();
        expect(Buffer.from(password, "base64url")).toHaveLength(32);
        const listed = tool("keytool", ["-list", "-v", "-keystore", store, "-storepass", password]).toString();
        expect(listed).toContain(`Owner: ${name}`);
        expect(listed).toContain("3072-bit RSA key");
        expect(listed).toContain(`SHA256: ${acre?.keys.find((each) => each.role === role)?.sha256}`);
        const shown = tool("openssl", ["pkcs12", "-in", store, "-passin", `pass:${password}`, "-nodes"]).toString();
        expect(shown).toContain("BEGIN PRIVATE KEY");
        // What signs for Windows takes the store as it is, and verifies what it has signed by it.
        if (role === "windows-package" && hasTool("osslsigncode")) {
          const [own, program, out] = ["own.pem", "app.exe", "signed.exe"].map((each) => join(at, each)) as Three;
          writeFileSync(own, tool("openssl", ["pkcs12", "-in", store, "-passin", `pass:${password}`, "-nokeys"]));
          writeFileSync(program, windowsProgram());
          const by = ["-pkcs12", store, "-pass", password, "-h", "sha256"];
          tool("osslsigncode", ["sign", ...by, "-in", program, "-out", out]);
          expect(`${tool("osslsigncode", ["verify", "-CAfile", own, "-in", out])}`).toContain("Succeeded");
        }
        rmSync(store);
      }
      // And the other way round: what age locks, Oxalis opens.
      const key = join(vault, "vault-key.age");
      rmSync(key);
      expect(typed("age", "-p", "-o", key, identity).status).toBe(0);
      expect(keyed(folder, ["keys", "prove"]).code).toBe(0);
      await makeCheap(vault);
    },
  );

  test("tell nothing secret: not in files, outputs or the list of processes", async () => {
    const own = [...filesBelow(folder), ...filesBelow(vault)];
    for (const file of own) {
      const text = readFileSync(file).toString("latin1");
      for (const secret of [passPhrase, "PRIVATE KEY", "AGE-SECRET-KEY"])
        expect([file, text.includes(secret)]).toEqual([file, false]);
    }
    const running = startWith({ OXALIS_PASSPHRASE: passPhrase }, folder, "keys", "prove", "--json");
    let told = "";
    for (const stream of [running.stdout, running.stderr]) stream.on("data", (part) => (told += part));
    const ended = endOf(running);
    let listed = "";
    while (running.exitCode === null) {
      listed += readFileSync(`/proc/${running.pid}/cmdline`).toString();
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    expect(await ended).toBe(0);
    for (const text of [listed, told]) expect(text).not.toMatch(/heron|PRIVATE KEY|AGE-SECRET/);
    const shown = typed("node", program, "keys", "prove", "-C", folder);
    expect([shown.status, shown.stdout]).toEqual([
      0,
      expect.stringMatching(/^Pass phrase of the vault: [\s\S]*4 keys of 2/),
    ]);
    expect(shown.stdout).not.toContain("heron");
  });

  test("that are lost, changed by a byte, exchanged or another vault's are found, each told apart", () => {
    const codes = (prepare: (own: string, home: string) => void) => {
      const [own, home] = [join(temporaryFolder(), "vault"), temporaryFolder()];
      cpSync(vault, own, { recursive: true });
      cpSync(folder, home, { recursive: true });
      prepare(own, home);
      const { out, code } = keyed(home, ["keys", "prove", "--json"], { OXALIS_VAULT: own });
      const all = JSON.parse(out).clients.flatMap(
        ({ client, keys }: { client: string; keys: { role: string; problems: { code: string }[] }[] }) =>
          keys.flatMap(({ role, problems }) => problems.map((each) => `${client} ${role}: ${each.code}`)),
      );
      return [code, ...all];
    };
    const upload = "saltmarsh/saltmarsh-android-upload.p12.age";
    expect(codes((own) => rmSync(join(own, upload)))).toEqual([1, "saltmarsh android-upload: key-lost"]);
    expect(
      codes((own) => {
        const bytes = readFileSync(join(own, upload));
        bytes.writeUInt8(bytes.readUInt8(bytes.length - 9) ^ 1, bytes.length - 9);
        writeFileSync(join(own, upload), bytes);
      }),
    ).toEqual([1, "saltmarsh android-upload: key-changed"]);
    expect(
      codes((own) => {
        for (const end of ["p12", "password"])
          cpSync(
            join(own, `3-acre/3-acre-android-upload.${end}.age`),
            join(own, `saltmarsh/saltmarsh-android-upload.${end}.age`),
          );
      }),
    ).toEqual([1, "saltmarsh android-upload: key-changed"]);
    const record = (home: string, key: string) => join(home, `clients/${key}/history/key-android-upload.json`);
    expect(
      codes((_, home) => {
        const text = readFileSync(record(home, "saltmarsh"), "utf8").replace(
          /"vault": "age1...../,
          '"vault": "age1qqqqq',
        );
        writeFileSync(record(home, "saltmarsh"), text);
      }),
    ).toEqual([1, "saltmarsh android-upload: vault-other"]);
    // Two clients with one key: both are told, without the vault too.
    const home = temporaryFolder();
    cpSync(folder, home, { recursive: true });
    cpSync(record(folder, "3-acre"), record(home, "saltmarsh"));
    expect(keyed(home, ["keys"]).err).toMatch(
      /in 2 clients: .*\[key-shared\]\s+3-acre .*saltmarsh's too[\s\S]*saltmarsh .*3-acre's too/,
    );
    expect(oxalis(home, "check").err).toContain("Its upload key is 3-acre's too");
    expect(keyed(folder, ["keys", "prove"], { OXALIS_PASSPHRASE: "heron kettle anvil mos" })).toMatchObject({
      code: 1,
      err: expect.stringContaining("The vault does not open by this pass phrase."),
    });
  });

  test("go into one locked file and come back from it, into a workspace that has none", () => {
    const [home, own, file] = [
      workspaceWith(["3-acre", "saltmarsh"]),
      join(temporaryFolder(), "v"),
      join(temporaryFolder(), "keys.zip.age"),
    ];
    expect(keyed(folder, ["keys", "export", file]).out).toContain("4 keys");
    expect(keyed(home, ["keys", "restore", file], { OXALIS_VAULT: own }).code).toBe(0);
    expect(keyed(home, ["keys", "prove"], { OXALIS_VAULT: own })).toMatchObject({ code: 0, err: "" });
    expect(keysIn(home)).toEqual(keysIn(folder));
    expect(keyed(home, ["keys", "restore", file], { OXALIS_VAULT: own }).err).toContain(
      "a vault is restored where there is none",
    );
    const bytes = readFileSync(file);
    writeFileSync(file, bytes.subarray(0, bytes.length - 40));
    expect(keyed(home, ["keys", "restore", file], { OXALIS_VAULT: join(own, "../w") }).err).toContain(
      "does not open by this pass phrase",
    );
  });

  test("are told before they end, by the day that the clock says", () => {
    const on = (day: string) => ({ SOURCE_DATE_EPOCH: String(Date.parse(day) / 1000) });
    const record = join(folder, "clients/3-acre/history/key-windows-package.json");
    const until = JSON.parse(readFileSync(record, "utf8")).until as string;
    const daysBefore = (days: number) => new Date(Date.parse(until) - days * 86_400_000).toISOString().slice(0, 10);
    expect(keyed(folder, ["keys", "3-acre"], on(daysBefore(61))).err).toBe("");
    expect(keyed(folder, ["keys", "3-acre", "--within", "61"], on(daysBefore(61))).err).toContain(`ends on ${until}`);
    expect(keyed(folder, ["keys", "3-acre"], on(daysBefore(60)))).toMatchObject({
      code: 0,
      err: expect.stringContaining(`ends on ${until}`),
    });
    expect(keyed(folder, ["keys", "3-acre"], on(daysBefore(-1)))).toMatchObject({
      code: 1,
      err: expect.stringContaining(`has ended on ${until}`),
    });
    expect(keyed(folder, ["keys", "3-acre"], on("2020-01-01")).err).toMatch(/begins on/);
  });
});

describe.runIf(hasTool("keytool") && hasTool("openssl"))("a key that somebody has", async () => {
  const { folder, vault } = await withCheapVault(["3-acre", "saltmarsh"]);
  const made = temporaryFolder();
  const store = (name: string, ...more: string[]) => {
    const file = join(made, name);
    const usual = ["-genkeypair", "-alias", "upload", "-storepass", storePassword, "-keystore", file];
    tool("keytool", [...usual, ...["-keyalg", "RSA", "-keysize", "2048", "-validity", "10000"], ...more]);
    return file;
  };
  const adopt = (file: string, ...more: string[]) =>
    keyed(folder, ["keys", "adopt", file, ...more], { OXALIS_STORE_PASSWORD: storePassword });

  test("is looked into, found to be one client's, kept as it came, and known the next time", () => {
    const file = store("anything.p12", "-dname", "CN=Saltmarsh Roots");
    const listed = tool("keytool", ["-list", "-v", "-keystore", file, "-storepass", storePassword]).toString();
    const sha256 = /SHA256: (\S+)/.exec(listed)?.[1] ?? "";
    const { out, code } = adopt(file);
    expect([code, out]).toEqual([0, expect.stringMatching(/^adopted {2}saltmarsh {2}upload key, RSA 2048\n/)]);
    expect(out).toContain(`SHA-256      ${sha256}`);
    expect(adopt(file).out).toMatch(/^known {2}saltmarsh/);
    expect(keyed(folder, ["keys", "prove", "saltmarsh"])).toMatchObject({
      code: 0,
      out: expect.stringContaining("proven"),
    });
    expect(adopt(file, "--client", "3-acre").err).toContain("is a key of saltmarsh, not of 3-acre");
    // Another one in its place is refused with what is lost, and taken where that is named; what was there stays.
    const other = store("other.p12", "-dname", "CN=Saltmarsh Roots");
    expect(adopt(other)).toMatchObject({ code: 1, err: expect.stringMatching(/key-in-use[\s\S]*--instead-of/) });
    expect(adopt(other, "--instead-of", sha256.slice(0, 11)).out).toMatch(/^adopted/);
    expect(readdirSync(join(vault, "saltmarsh")).filter((each) => each.endsWith(".p12.age"))).toHaveLength(2);
    expect(keyed(folder, ["keys", "prove", "saltmarsh"]).code).toBe(0);
  });

  test("is refused where it would not do, does not open, or nobody can tell whose it is", () => {
    expect(adopt(store("brief.p12", "-dname", "CN=3 Acre Greens", "-validity", "90")).err).toMatch(
      /ends on .*beyond 2033-10-22/,
    );
    expect(adopt(store("nobody.p12", "-dname", "CN=Somebody")).err).toContain("nobody.p12 names no client.");
    const both = store("two.p12", "-dname", "CN=3 Acre Greens");
    store("two.p12", "-dname", "CN=3 Acre Greens", "-alias", "second");
    expect(adopt(both)).toMatchObject({ code: 1, err: expect.stringContaining('--alias, one of "upload", "second"') });
    expect(adopt(store("j.jceks", "-dname", "CN=3 Acre Greens", "-storetype", "JCEKS")).err).toContain("(JCEKS)");
    expect(keyed(folder, ["keys", "adopt", both], { OXALIS_STORE_PASSWORD: "wrong" }).err).toContain(
      "does not open by this password",
    );
    writeFileSync(join(made, "noise.p12"), Buffer.alloc(4000, 7));
    expect(adopt(join(made, "noise.p12"), "--client", "3-acre").err).toContain("is no key store");
    const curve = tool("openssl", ["genpkey", "-algorithm", "EC", "-pkeyopt", "ec_paramgen_curve:P-384"]);
    writeFileSync(join(made, "p384.pem"), curve);
    expect(adopt(join(made, "p384.pem"), "--client", "3-acre").err).toContain(
      "a key for messages or programs is EC P-256",
    );
    expect(readdirSync(vault)).not.toContain("3-acre");
    // One of the form before JDK 9 is taken, and kept in the present one.
    const older = store("older.jks", "-dname", "CN=3 Acre Greens", "-storetype", "JKS");
    expect(adopt(older).out).toMatch(/^adopted {2}3-acre {2}upload key, RSA 2048/);
    expect(readdirSync(join(vault, "3-acre"))).toContain("3-acre-android-upload.p12.age");
    expect(keyed(folder, ["keys", "prove", "3-acre"]).code).toBe(0);
  });

  test("opens as keytool and openssl write it, with old ciphers and new, of RSA and of EC", async () => {
    const [key, certificate] = [join(made, "k.pem"), join(made, "c.pem")];
    const request = (...kind: string[]) =>
      tool("openssl", [
        "req",
        "-x509",
        "-nodes",
        "-days",
        "9000",
        "-subj",
        "/CN=Hill",
        "-keyout",
        key,
        "-out",
        certificate,
        "-newkey",
        ...kind,
      ]);
    const opened = async (file: string) => {
      const found = await openKeyStore(readFileSync(file), secretOf(storePassword));
      return typeof found === "string" ? found : found.map(({ alias }) => alias);
    };
    const packed = (name: string, ...more: string[]) => {
      const out = join(made, name);
      tool("openssl", [
        "pkcs12",
        "-export",
        "-inkey",
        key,
        "-in",
        certificate,
        "-name",
        "hill",
        "-out",
        out,
        "-passout",
        `pass:${storePassword}`,
        ...more,
      ]);
      return out;
    };
    request("rsa:2048");
    expect(await opened(packed("new.p12"))).toEqual(["hill"]);
    expect(await opened(packed("legacy.p12", "-legacy"))).toEqual(["hill"]);
    expect(
      await opened(packed("triple.p12", "-keypbe", "PBE-SHA1-3DES", "-certpbe", "PBE-SHA1-3DES", "-macalg", "sha1")),
    ).toEqual(["hill"]);
    request("ec", "-pkeyopt", "ec_paramgen_curve:P-256");
    expect(await opened(packed("curve.p12"))).toEqual(["hill"]);
    expect(await opened(store("jdk-ec.p12", "-dname", "CN=Hill", "-keyalg", "EC", "-keysize", "256"))).toEqual([
      "upload",
    ]);
    expect(await opened(store("jdk8.p12", "-dname", "CN=Hill", "-J-Dkeystore.pkcs12.legacy"))).toEqual(["upload"]);
  });
});

test("a client that has errors gets no key, and it is told why: nothing is said to be complete", () => {
  const { folder } = withVault(["3-acre"]);
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace(/^ {2}brand: .*$/m, '  brand: "#12"'));
  const { code, out, err } = keyed(folder, ["keys", "make"]);
  expect([code, out, err]).toEqual([1, "No key is made.\n", expect.stringContaining("color-invalid")]);
});

test("a vault that would be committed, a pass phrase from a descriptor, a run that is killed", async () => {
  const { folder, vault } = withVault(["3-acre"]);
  tool("git", ["init", "-q", folder]);
  const inside = { OXALIS_VAULT: join(folder, "keys") };
  expect(keyed(folder, ["keys", "make"], inside).err).toContain("vault-committed");
  expect(keyed(folder, ["check"], inside).err).toContain("vault-committed");
  writeFileSync(join(folder, ".gitignore"), "keys/\n");
  expect(keyed(folder, ["check"], inside).err).not.toContain("vault-committed");
  // Killed while it makes and keeps: whatever is there then is whole, and the next run ends what it began.
  const locked = () => (existsSync(vault) ? filesBelow(vault).filter((each) => /\.age$/.test(each)).length : 0);
  for (const files of [1, 2, 4]) {
    const running = startWith({ OXALIS_PASSPHRASE: passPhrase }, folder, "keys", "make");
    while (running.exitCode === null && locked() < files) await new Promise((resolve) => setTimeout(resolve, 5));
    running.kill("SIGKILL");
    await endOf(running);
  }
  const typedIn = spawnSync(
    "sh",
    ["-c", `printf '%s\\n' '${passPhrase}' | node ${program} keys make --passphrase-fd 0`],
    {
      cwd: folder,
      encoding: "utf8",
    },
  );
  expect([typedIn.status, typedIn.stderr]).toEqual([0, ""]);
  expect(keyed(folder, ["keys", "prove"])).toMatchObject({
    code: 0,
    err: "",
    out: expect.stringContaining("2 keys of 1 client."),
  });
  expect(locked()).toBe(5);
});

test("a site says of the app that opens its addresses what signs it: the client's, not the template's", async () => {
  const { folder } = await withCheapVault(["3-acre"]);
  const old = Array.from({ length: 32 }, () => "AB").join(":");
  const another = old.replaceAll("AB", "CD");
  const target = { namespace: "android_app", package_name: "example.lanternfield.plaincrate" };
  const site = JSON.stringify(
    [
      { relation: ["x"], target: { ...target, sha256_cert_fingerprints: [old, old.replace("AB", "AC")] } },
      { relation: ["x"], target: { ...target, package_name: "example.other", sha256_cert_fingerprints: [another] } },
    ],
    null,
    2,
  );
  const file = "web/.well-known/assetlinks.json";
  const thumbprint = (digits: string) => `<PackageCertificateThumbprint>${digits}</PackageCertificateThumbprint>`;
  const project = "windows/Storefront.csproj";
  edit(folder, `template/${project}`, (text) =>
    text.replace("</PropertyGroup>", `${thumbprint("AB".repeat(20))}</PropertyGroup>`),
  );
  mkdirSync(join(folder, "template/web/.well-known"));
  writeFileSync(join(folder, "template", file), site);
  const made = () => {
    expect(keyed(folder, ["generate", "-q"])).toMatchObject({ code: 0 });
    const all = JSON.parse(readFileSync(join(folder, "variants/3-acre", file), "utf8"));
    return all.map((each: { target: { sha256_cert_fingerprints: string[] } }) => each.target.sha256_cert_fingerprints);
  };
  expect(oxalis(folder, "check").err).toContain(`${file} keeps the template's fingerprints`);
  // Another app that it names may be the template's too: whose identifier goes there follows from who reads the file.
  const named = () => oxalis(folder, "audit").err;
  expect(made()).toEqual([[old, old.replace("AB", "AC")], [another]]);
  expect(named()).toContain('with: "{identifiers.android}"');
  // What is left of the template's is told by the audit.
  const audited = oxalis(folder, "audit");
  expect([audited.code, audited.err]).toEqual([
    1,
    expect.stringMatching(`"${old}", which is the template's[^]*upload key`),
  ]);
  keyed(folder, ["keys", "make"]);
  const upload = keysIn(folder)[0]?.keys.find(({ role }) => role === "android-upload")?.sha256;
  expect(made()).toEqual([[upload], [another]]);
  const own =
    keysIn(folder)[0]
      ?.keys.find(({ role }) => role === "windows-package")
      ?.sha1?.replaceAll(":", "") ?? "";
  expect(own).toHaveLength(40);
  expect(readFileSync(join(folder, "variants/3-acre", project), "utf8")).toContain(thumbprint(own));
  const store = Array.from({ length: 32 }, (_, at) => (16 + at).toString(16)).join(":");
  edit(folder, "clients/3-acre/brief.yaml", (text) => `${text}\nsigning:\n  appFingerprint: "${store}"\n`);
  expect(made()).toEqual([[store.toUpperCase(), upload], [another]]);
  expect(oxalis(folder, "check").err).not.toContain("keeps the template's fingerprints");
  expect(oxalis(folder, "audit").err).not.toContain(old);
});
