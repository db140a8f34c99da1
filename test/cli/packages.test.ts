import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { unzipSync, zipSync } from "fflate";
import { describe, expect, test } from "vitest";
import { withoutBuilds, withSteps } from "../support/builds.ts";
import { openChromium } from "../support/chromium.ts";
import { edit, endOf, oxalis, startOxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { serve } from "../support/site.ts";
import { hasTool, tool } from "../support/tools.ts";
import { keyed, withCheapVault } from "../support/vault.ts";

/** Programs that stand still for 63 seconds, as the system lists them. */
const running63 = (): string[] =>
  readdirSync("/proc").filter((each) => {
    try {
      return /^\d+$/.test(each) && readFileSync(`/proc/${each}/cmdline`, "utf8") === "sleep\0" + "63\0";
    } catch {
      return false;
    }
  });

const pack = "mkdir ../out && tar cf ../out/site-$BUILD.tar .";
const made = (folder: string, client: string) => readdirSync(join(folder, "builds", client, "store")).sort();
const states = (folder: string, ...args: string[]) => {
  const { builds, problems } = JSON.parse(oxalis(folder, "build", "--json", ...args).out) as {
    builds: { client: string; build: number; state: string; reason?: string }[];
    problems: { code: string; message: string }[];
  };
  const said = builds.map(({ client, build, state, reason = "" }) => `${client} ${build} ${state} ${reason}`.trim());
  return { said, codes: problems.map(({ code }) => code), messages: problems.map(({ message }) => message) };
};

describe("a build", () => {
  test("is made of what has changed since its last good one, each by a number that no other has", () => {
    const folder = withSteps(["3-acre", "saltmarsh"], [pack]);
    const bare = workspaceWith(["3-acre"]);
    edit(bare, "template.yaml", withoutBuilds);
    expect(oxalis(bare, "build")).toMatchObject({ code: 1, err: expect.stringContaining("[build-unknown]") });
    expect(states(folder, "--dry-run").said).toEqual(["3-acre 1 would never", "saltmarsh 1 would never"]);
    expect(existsSync(join(folder, "builds"))).toBe(false);
    expect(states(folder).said).toEqual(["3-acre 1 good never", "saltmarsh 1 good never"]);
    expect(readFileSync(join(folder, "builds/.gitignore"), "utf8")).toBe("*\n");
    const site = join(folder, "builds/3-acre/store/1.0.0+1/web/site-1.tar");
    expect(tool("tar", ["tf", site])).toContain("./index.html");
    expect(states(folder).said).toEqual(["3-acre 1 same", "saltmarsh 1 same"]);
    // What changes is built by the next number; what differs by its number alone is no change.
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("3 Acre Greens", "3 Acre Leaves"));
    expect(states(folder, "--dry-run").said).toEqual(["3-acre 2 would changed", "saltmarsh 1 same"]);
    expect(states(folder).said).toEqual(["3-acre 2 good changed", "saltmarsh 1 same"]);
    expect(states(folder).said).toEqual(["3-acre 2 same", "saltmarsh 1 same"]);
    expect(made(folder, "3-acre")).toEqual(["1.0.0+1", "1.0.0+2"]);
    expect(states(folder, "saltmarsh", "--again").said).toEqual(["saltmarsh 2 good asked"]);
    // A number that was taken meanwhile is used, and not passed over.
    expect(oxalis(folder, "release", "saltmarsh", "--minor", "--force").code).toBe(0);
    expect(states(folder, "saltmarsh").said).toEqual(["saltmarsh 3 good changed"]);
    expect(made(folder, "saltmarsh")).toContain("1.1.0+3");
    const listed = oxalis(folder, "builds");
    expect(listed.out).toMatch(
      /3-acre +store +Web +1\.0\.0 \(2\) +\d{4}-\d\d-\d\d +built +builds\/3-acre\/store\/1\.0\.0\+2/,
    );
    expect([listed.code, listed.out.match(/ built /g)?.length]).toEqual([0, 2]);
    expect(oxalis(folder, "board").out).toMatch(/ built\n[\s\S]*3-acre .* 1\.0\.0 \(2\)/);
    expect(oxalis(folder, "builds", "--all").out).toContain("5 builds.");
    expect(readdirSync(join(folder, ".oxalis/building/saltmarsh.store.web"))).not.toContain("variant");
  });

  test("that fails says why in a sentence, spends its number, and stops the others where it would stop them too", () => {
    const folder = withSteps(
      ["3-acre", "saltmarsh"],
      ['if [ "$CLIENT" = 3-acre ]; then echo "src/app.ts(4,2): error TS2304: Cannot find name x"; exit 1; fi', pack],
    );
    const first = states(folder);
    expect(first.said).toEqual(["3-acre 1 failed never"]);
    expect(first.messages).toEqual([
      "The code does not compile: Cannot find name x (TS2304) (src/app.ts:4).",
      "Not begun: what has stopped another client's build would stop it too.",
    ]);
    expect(readFileSync(join(folder, "builds/3-acre/store/1.0.0+1/web/build.log"), "utf8")).toContain("TS2304");
    edit(folder, "template.yaml", (text) => text.replace("src/app.ts(4,2): error TS2304: Cannot find name x", "no"));
    expect(oxalis(folder, "builds").out).toMatch(/failed +The code does not compile: Cannot find name x/);
    // A cause of one client's own stops nobody else.
    const second = states(folder);
    expect(second.said).toEqual(["3-acre 2 failed failed", "saltmarsh 1 good never"]);
    expect(second.messages[0]).toMatch(/^No \("if \[ .*" ended with 1\)\.$/);
    const missing = withSteps(["3-acre"], ["no-such-program-here --all"]);
    expect(states(missing).messages).toEqual(["no-such-program-here is not on this machine."]);
    const idle = withSteps(["3-acre"], ["true"]);
    expect(states(idle).messages).toEqual(["All steps have ended, and out/*.tar is not there."]);
    // One that asks for something gets nothing, and fails at once.
    const asking = withSteps(["3-acre"], ["read -r answer"]);
    expect(states(asking).said).toEqual(["3-acre 1 failed never"]);
  });

  test("that is broken off has spent its number; a second run of the same builds nothing meanwhile", async () => {
    const folder = withSteps(["3-acre"], ["touch ../../../../began; sleep 63", pack]);
    const running = startOxalis(folder, "build");
    const ended = endOf(running);
    while (!existsSync(join(folder, ".oxalis/began"))) await new Promise((resolve) => setTimeout(resolve, 100));
    expect(states(folder)).toMatchObject({ said: [], codes: ["build-running"] });
    expect(running63()).not.toEqual([]);
    running.kill("SIGTERM");
    await ended;
    // Nothing that it has started goes on.
    expect(running63()).toEqual([]);
    edit(folder, "template.yaml", (text) => text.replace("; sleep 63", ""));
    expect(states(folder).said).toEqual(["3-acre 2 good broken-off"]);
  });

  test("of another machine's waits with a sheet, and is taken in from there", () => {
    const other = process.platform === "linux" ? "mac" : "linux";
    const folder = withSteps(["3-acre"], [pack]);
    edit(folder, "template.yaml", (text) => text.replace("  web:\n    steps", `  web:\n    on: ${other}\n    steps`));
    const { code, out } = oxalis(folder, "build");
    expect([code, out]).toEqual([0, expect.stringContaining("waits for another machine")]);
    const sheet = readFileSync(join(folder, "builds/3-acre/store/1.0.0+1/web/by-hand.md"), "utf8");
    expect(sheet).toContain("CLIENT=3-acre STAGE=store VERSION=1.0.0 BUILD=1");
    expect(sheet).toContain(pack);
    const result = join(folder, "site.tar");
    writeFileSync(result, "built elsewhere");
    expect(oxalis(folder, "build", "--adopt", result).err).toContain("build-refused");
    expect(oxalis(folder, "build", "3-acre", "--platform", "web", "--adopt", result).code).toBe(0);
    expect(readFileSync(join(folder, "builds/3-acre/store/1.0.0+1/web/site.tar"), "utf8")).toBe("built elsewhere");
    expect(states(folder).said).toEqual(["3-acre 1 same"]);
    expect(oxalis(folder, "build", "--platform", "web", "--dry-run").code).toBe(0);
  });
});

test("what a build gives is looked into whatever its kind: a page of another client's, one twice as large, one nobody can open", () => {
  const folder = withSteps(["3-acre", "saltmarsh"], [pack]);
  expect(states(folder).codes).toEqual([]);
  const site = (client: string) => join(folder, `builds/${client}/store/1.0.0+1/web/site-1.tar`);
  expect(oxalis(folder, "inspect", site("3-acre"), site("saltmarsh")).out).toMatch(
    /identifier +\/3-acre-greens +\/saltmarsh\S*\n[\s\S]*\nclient +3-acre +saltmarsh/,
  );
  const builds = (from: string, also: string) =>
    edit(folder, "template.yaml", (text) => text.replace(from, `${from} && ${also}`));
  // The steps take what lies about: another client's page, under this one's number.
  builds("mkdir ../out", `cp ${site("saltmarsh")} ../out/site-$BUILD.tar || true`);
  edit(folder, "template.yaml", (text) => text.replace(" && tar cf", " || tar cf"));
  const swapped = states(folder, "3-acre");
  expect(swapped.said).toEqual([expect.stringMatching(/^3-acre 2 failed/)]);
  expect(swapped.messages.join("\n")).toMatch(/is \/saltmarsh\S*; 3-acre's is \/3-acre-greens/);
  expect(swapped.messages.join("\n")).toMatch(/The icon of site-2\.tar is none that was drawn for 3-acre/);
  const large = withSteps(["3-acre"], ["head -c 3000000 /dev/zero > big.bin", pack]);
  expect(states(large).codes).toEqual([]);
  edit(large, "template.yaml", (text) => text.replace("3000000", "9000000"));
  expect(states(large)).toMatchObject({ said: ["3-acre 2 good changed"], codes: ["package-size"] });
  const stray = withSteps(["3-acre"], ["echo '# x' >> ../../../../../clients/3-acre/brief.yaml", pack]);
  expect(states(stray).messages).toEqual(["While it was built, clients/3-acre/brief.yaml changed."]);
  const image = withSteps(["3-acre"], ["mkdir ../out && touch ../out/hill.dmg"]);
  edit(image, "template.yaml", (text) => text.replace("out/*.tar", "out/*.dmg"));
  expect(states(image)).toMatchObject({ messages: ["hill.dmg is a disk image, which only a Mac opens."] });
});

const android = `
  android:
    steps:
      - run: rm -r app/src/main/res/values-v31 && mkdir out && aapt2 compile --dir app/src/main/res -o out/res.zip
      - run: >-
          sed -e 's/[$]{applicationId}/'"$IDENTIFIER"'/' -e 's/<manifest /<manifest package="example.lanternfield" /'
          app/src/main/AndroidManifest.xml > out/AndroidManifest.xml && aapt2 link
          -I /usr/share/android-framework-res/framework-res.apk --manifest out/AndroidManifest.xml
          --rename-manifest-package "$IDENTIFIER" --version-code "$BUILD" --version-name "$VERSION" --target-sdk-version 36
          -o out/plain.apk out/res.zip && zipalign -f 4 out/plain.apk out/app.apk
      - run: echo "it opens by $SIGNING_STORE_PASSWORD" && test -f "$SIGNING_STORE" && echo "$SIGNING_STORE" > out/where
    gives: { install: android/out/app.apk, other: android/out/where }
`;

test.runIf(hasTool("aapt2"))(
  "a build gets the client's own key for its time alone, and nothing tells its password",
  async () => {
    const { folder } = await withCheapVault(["3-acre"]);
    edit(folder, "template.yaml", (text) => `${withoutBuilds(text)}\nbuilds:${android}`);
    expect(keyed(folder, ["keys", "make"]).code).toBe(0);
    const { code, out, err } = keyed(folder, ["build", "--platform", "android", "-v"]);
    expect([code, err]).toEqual([0, expect.stringContaining("it opens by •••")]);
    expect(out).toContain("to be installed");
    const at = join(folder, "builds/3-acre/store/1.0.0+1/android");
    const shown = tool("aapt2", ["dump", "badging", join(at, "app.apk")]);
    expect(shown).toMatch(/name='example\.n3acre\.n3acregreens' versionCode='1' versionName='1\.0\.0'/);
    expect(readFileSync(join(at, "build.log"), "utf8")).toContain("it opens by •••");
    expect(existsSync(readFileSync(join(at, "where"), "utf8").trim())).toBe(false);
    const record = JSON.parse(
      readFileSync(join(folder, "clients/3-acre/history/package-store-android-1.json"), "utf8"),
    );
    const key = JSON.parse(readFileSync(join(folder, "clients/3-acre/history/key-android-upload.json"), "utf8"));
    expect(record).toMatchObject({ state: "good", signer: key.sha256 });
    // What is in it is looked at by the audit's eyes: the template's words and pictures, and the client's own.
    const inspected = (name: string, more: Record<string, Uint8Array>) => {
      const kept = unzipSync(readFileSync(join(at, "app.apk")));
      writeFileSync(join(folder, "plain.apk"), zipSync({ ...kept, ...more }, { level: 0 }));
      tool("zipalign", ["-f", "4", join(folder, "plain.apk"), join(folder, name)]);
      return oxalis(folder, "inspect", name).err;
    };
    const own = readFileSync(join(folder, "template/android/app/src/main/res/drawable-mdpi/opening_mark.png"));
    const page = "<title>Order at Plain Crate</title>";
    expect(inspected("same.apk", {})).toBe("");
    const kept = inspected("kept.apk", { "assets/page.html": Buffer.from(page), "res/drawable/mark.png": own });
    expect(kept).toContain(
      '"Plain Crate", which is the template\'s, is in kept.apk: assets/page.html.  [package-left]',
    );
    expect(kept).toMatch(/In kept\.apk: res\/drawable\/mark\.png is the template's own .*opening_mark\.png/);
    const pictures = Object.keys(unzipSync(readFileSync(join(at, "app.apk")))).filter((name) => name.endsWith(".png"));
    const gone = Object.fromEntries(pictures.map((name) => [name, own.subarray(0, 100)]));
    expect(inspected("gone.apk", gone)).toContain("The icon of gone.apk is none that was drawn for 3-acre: res/");
    // Another key than signed the last one: the store would refuse what it signs.
    writeFileSync(
      join(folder, "clients/3-acre/history/package-store-android-1.json"),
      JSON.stringify({ ...record, signer: key.sha256.replace(/^../, "00").replace(/..$/, "00") }),
    );
    expect(keyed(folder, ["build", "--platform", "android", "--again"]).err).toMatch(
      /the last build was signed by 00:[\s\S]*\[key-in-use\]/,
    );
    // On a machine whose environment says what signs, no vault is opened.
    const server = { OXALIS_PASSPHRASE: "not the vault's", SIGNING_3_ACRE_STORE: join(folder, "oxalis.yaml") };
    writeFileSync(join(folder, "clients/3-acre/history/package-store-android-1.json"), JSON.stringify(record));
    const given = { ...server, SIGNING_3_ACRE_STORE_PASSWORD: "of the server" };
    edit(folder, "template.yaml", (text) => text.replaceAll("$SIGNING_STORE", "$SIGNING_3_ACRE_STORE"));
    const again = keyed(folder, ["build", "--platform", "android", "--again", "-v"], given);
    expect([again.code, again.err]).toEqual([0, expect.stringContaining("it opens by •••")]);
  },
);

test.runIf(["aapt2", "zipalign", "apksigner", "osslsigncode"].every(hasTool))(
  "the example's packages are real ones, signed by each client's own key; one fails for a reason of its own",
  async () => {
    const { folder, vault } = await withCheapVault(["3-acre", "zelena-griadka"]);
    expect(keyed(folder, ["keys", "make", "-q"]).code).toBe(0);
    const { code, err, out } = keyed(folder, ["build"]);
    expect([code, out]).toEqual([1, expect.stringContaining("7 builds: 4 built, 2 waiting, 1 failed.")]);
    expect(err).toMatch(/^error {2}zelena-griadka: The shop weighs \d+ kB, and 2000 kB are what the server takes \(/m);
    const at = join(folder, "builds/3-acre/store/1.0.0+1");
    const record = JSON.parse(readFileSync(join(folder, "clients/3-acre/history/key-windows-package.json"), "utf8"));
    const certificate = join(vault, "package.pem");
    const lines = record.certificate.match(/.{1,64}/g).join("\n");
    writeFileSync(certificate, `-----BEGIN CERTIFICATE-----\n${lines}\n-----END CERTIFICATE-----\n`);
    expect(tool("osslsigncode", ["verify", "-CAfile", certificate, "-in", join(at, "windows/shop.msix")])).toContain(
      "Signature verification: ok",
    );
    const packed = Buffer.from(
      unzipSync(readFileSync(join(at, "windows/shop.msix")))["AppxManifest.xml"] ?? [],
    ).toString();
    expect(packed).toContain('Publisher="CN=Three Acre Growers Ltd"');
    expect(packed).toContain('DisplayName="3 Acre Greens"');
    expect(tool("apksigner", ["verify", "--verbose", join(at, "android/shop.apk")])).toContain("Verifies");
    // What is to be unpacked on a server is the client's app there.
    const site = temporaryFolder();
    tool("tar", ["xzf", join(at, "web/site.tar.gz"), "-C", site]);
    const [served, browser] = [await serve(site), await openChromium()];
    const page = await browser.newPage();
    await page.goto(served.address, { waitUntil: "networkidle" });
    expect([await page.title(), await page.textContent("#shop-name")]).toEqual(["3 Acre Greens", "3 Acre Greens"]);
    const manifest = await (await page.request.get(`${served.address}/shop.webmanifest`)).json();
    expect([manifest.name, manifest.icons.length > 3]).toEqual(["3 Acre Greens", true]);
    for (const { src } of manifest.icons)
      expect((await page.request.get(`${served.address}/${src}`)).status()).toBe(200);
    await browser.close();
    served.close();
  },
);
