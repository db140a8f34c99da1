import { cpSync, existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Browser } from "playwright-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { entry, itemsOf, parseOpenStep, textOf } from "../../src/core/formats/splice/formats/openstep.ts";
import { openChromium } from "../support/chromium.ts";
import { contents, oxalis, putDrawn, temporaryFolder } from "../support/oxalis.ts";
import { serve } from "../support/site.ts";
import { hasTool, tool } from "../support/tools.ts";

/** What each client's app must be called on a device; from the briefs, by hand. */
const expected = [
  { key: "3-acre", id: "example.n3acre.n3acregreens", label: "3 Acre", name: "3 Acre Greens" },
  {
    key: "brennans-bothy",
    id: "example.brennans.brennansbothybox",
    label: "Bóthy Box",
    name: "Brennán's Bóthy Box",
  },
  {
    key: "ferme-duclos",
    id: "example.fermeduclos.lafermeduclos",
    label: "Duclos",
    name: "La Ferme Duclos",
    english: "Duclos Farm Boxes",
  },
  {
    key: "high-hedges",
    id: "example.highhedges.highhedgesfarm",
    label: "High Hedges",
    name: "High Hedges Farm",
  },
  {
    key: "orchard-lane",
    id: "example.orchardlane.orchardlaneboxes",
    label: "Orchard Lane",
    name: "Orchard Lane Boxes",
  },
  { key: "root-and-leaf", id: "example.rootandleaf.rootandleaf", label: "Root & Leaf", name: "Root & Leaf" },
  { key: "saltmarsh", id: "example.saltmarsh.saltmarshroots", label: "Saltmarsh", name: "Saltmarsh Roots" },
  { key: "zelena-griadka", id: "example.griadka.zelenahriadka", label: "Грядка", name: "Зелена Грядка" },
];

const demo = join(temporaryFolder(), "demo");
const variant = (key: string, ...path: string[]) => join(demo, "variants", key, ...path);

beforeAll(() => {
  expect(oxalis(".", "demo", demo).code).toBe(0);
  putDrawn(demo);
  const ran = oxalis(demo, "generate");
  expect(ran.err).not.toContain("error");
  expect(ran.code).toBe(0);
});

test("every client of the demo is generated, and the audit finds nothing", () => {
  const made = readdirSync(join(demo, "variants")).sort();
  expect(made.filter((name) => !name.startsWith("builds."))).toEqual(expected.map(({ key }) => key));
  const { code, out } = oxalis(demo, "audit");
  expect(out).toContain("8 variants audited: all whole, nothing of the template's identity left.");
  expect(code).toBe(0);
});

test("a byte changed in a file that came from the template is seen among many variants, as in one", () => {
  const file = variant("saltmarsh", "android/settings.gradle.kts");
  const before = readFileSync(file, "utf8");
  writeFileSync(file, before.replace(/.$/s, "#"));
  const told = (...keys: string[]) => {
    const { clients } = JSON.parse(oxalis(demo, "audit", "--json", ...keys).out) as {
      clients: { client: string; problems: { code: string }[] }[];
    };
    return clients.flatMap(({ client, problems }) => problems.map(({ code }) => `${client} ${code}`));
  };
  expect(told()).toEqual(["saltmarsh output-changed"]);
  expect(told("saltmarsh")).toEqual(told());
  writeFileSync(file, before);
});

describe.each(expected)("$key", ({ key, id, label, name, english }) => {
  const framework = "/usr/share/android-framework-res/framework-res.apk";

  test.runIf(hasTool("aapt2") && hasTool(framework))("links with aapt2 under its own ID and label", () => {
    const work = temporaryFolder();
    const res = join(work, "res");
    cpSync(variant(key, "android/app/src/main/res"), res, {
      recursive: true,
      filter: (source) => !/values-v(3[1-9]|[4-9]\d)/.test(source), // the framework at hand is of API 29
    });
    const gradle = readFileSync(variant(key, "android/app/build.gradle.kts"), "utf8");
    const setting = (named: string) => new RegExp(`${named} = "?([^"\\s]+)`).exec(gradle)?.[1] ?? "";
    const manifest = readFileSync(variant(key, "android/app/src/main/AndroidManifest.xml"), "utf8");
    const merged = manifest
      .replace("<manifest ", `<manifest package="${setting("namespace")}" `)
      .replace(/\$\{applicationId\}/g, setting("applicationId"));
    writeFileSync(join(work, "AndroidManifest.xml"), merged);
    tool("aapt2", ["compile", "--dir", res, "-o", join(work, "res.zip")]);
    tool("aapt2", [
      ...["link", "-I", framework, "--manifest", join(work, "AndroidManifest.xml"), "-o", join(work, "app.apk")],
      ...["--rename-manifest-package", setting("applicationId")],
      ...["--min-sdk-version", setting("minSdk"), "--target-sdk-version", "29"],
      ...["--version-code", setting("versionCode"), "--version-name", setting("versionName")],
      join(work, "res.zip"),
    ]);
    const badging = tool("aapt2", ["dump", "badging", join(work, "app.apk")]);
    expect(badging).toContain(`package: name='${id}' versionCode='1' versionName='1.0.0'`);
    expect(badging).toContain(`application-label:'${label}'`);
    if (english) {
      expect(badging).toContain("application-label-ar:'مزرعة دوكلو'");
      expect(badging).toContain("application-label-en:'Duclos Farm'");
    }
    expect(badging).toMatch(/application-icon-640:'res\/mipmap-anydpi-v26\/crate_lid\.xml'/);
  });

  test.runIf(hasTool("plistutil"))("has property lists that parse, with its own names", () => {
    const binary = join(temporaryFolder(), "binary.plist");
    const ask = (file: string, name: string) => {
      tool("plistutil", ["-i", variant(key, "ios", file), "-f", "bin", "-o", binary]);
      const back = tool("plistutil", ["-i", binary, "-f", "xml", "-o", "-"]);
      const path = `string(//key[.='${name}']/following-sibling::string[1])`;
      return tool("xmllint", ["--nonet", "--xpath", path, "-"], back).trimEnd();
    };
    expect(ask("Storefront/Info.plist", "CFBundleDisplayName")).toBe(label);
    expect(ask("Storefront/Info.plist", "CFBundleURLName")).toBe(id);
    expect(ask("NotificationService/Info.plist", "CFBundleDisplayName")).toBe(label);
    expect(ask("Storefront/Storefront.entitlements", "aps-environment")).toBe("development");
    const entitlements = readFileSync(variant(key, "ios/Storefront/Storefront.entitlements"), "utf8");
    expect(entitlements).toContain(`<string>group.${id}.orders</string>`);
    const project = readFileSync(variant(key, "ios/Storefront.xcodeproj/project.pbxproj"), "utf8");
    const bundles = [...project.matchAll(/PRODUCT_BUNDLE_IDENTIFIER = "?([^";]+)"?;/g)].map((match) => match[1]);
    expect(bundles).toEqual([id, id, `${id}.notification-service`, `${id}.notification-service`]);
  });

  test.runIf(hasTool("xmllint"))("has XML that is well-formed, with its name where Windows shows it", () => {
    const xml = [...contents(variant(key)).keys()].filter((file) =>
      /\.(xml|plist|storyboard|resw|appxmanifest|svg)$/.test(file),
    );
    expect(xml.length).toBeGreaterThan(10);
    tool("xmllint", ["--noout", "--nonet", ...xml.map((file) => variant(key, file))]);
    // This client wants no Windows, and its variant has none.
    const isForWindows = key !== "zelena-griadka";
    expect(existsSync(variant(key, "windows"))).toBe(isForWindows);
    if (!isForWindows) return;
    const ask = (file: string, path: string) => tool("xmllint", ["--xpath", path, variant(key, file)]).trimEnd();
    expect(
      ask("windows/Package.appxmanifest", "string(//*[local-name()='Properties']/*[local-name()='DisplayName'])"),
    ).toBe(name);
    expect(ask("windows/Package.appxmanifest", "string(//*[local-name()='Identity']/@Name)")).toBe(id);
    expect(ask("windows/Strings/en/Resources.resw", "string(//data[@name='ShopSign']/value)")).toBe(english ?? name);
  });

  test.runIf(hasTool("pngcheck"))("has only sound PNGs", () => {
    const pictures = [...contents(variant(key)).keys()].filter((file) => file.endsWith(".png"));
    expect(pictures.length).toBeGreaterThan(100);
    tool("pngcheck", ["-q", ...pictures.map((file) => variant(key, file))]);
  });
});

test("names in further languages stand in each platform's own form, and the project knows its new files", () => {
  const read = (path: string) => readFileSync(variant("ferme-duclos", path), "utf8");
  expect(read("ios/Storefront/ar.lproj/InfoPlist.strings")).toBe('CFBundleDisplayName = "مزرعة دوكلو";\n');
  const objects = entry(
    parseOpenStep({ file: "p", text: read("ios/Storefront.xcodeproj/project.pbxproj") }),
    "objects",
  );
  const all = objects?.kind === "group" ? [...objects.entries] : [];
  const where = (key: string, value: string) => all.filter(([, node]) => textOf(entry(node, key)) === value);
  // The first language has a place of its own too, or its people would see the English name.
  expect(read("ios/Storefront/fr.lproj/InfoPlist.strings")).toBe('CFBundleDisplayName = "Duclos";\n');
  const files = ["fr", "ar"].flatMap((tag) => where("path", `${tag}.lproj/InfoPlist.strings`).map(([id]) => id));
  const [variantGroup] = where("isa", "PBXVariantGroup");
  expect(itemsOf(entry(variantGroup?.[1], "children")).map(textOf)).toEqual([...files, expect.any(String)]);
  const built = where("fileRef", variantGroup?.[0] ?? "").map(([id]) => id);
  expect(
    where("isa", "PBXResourcesBuildPhase").flatMap(([, node]) => itemsOf(entry(node, "files")).map(textOf)),
  ).toEqual(expect.arrayContaining(built));
  expect(built).toHaveLength(1);
  expect(where("path", "Storefront").flatMap(([, node]) => itemsOf(entry(node, "children")).map(textOf))).toContain(
    variantGroup?.[0],
  );
  expect(where("isa", "PBXProject").flatMap(([, node]) => itemsOf(entry(node, "knownRegions")).map(textOf))).toEqual([
    "fr",
    "ar",
    "en",
    "Base",
  ]);
  expect(read("windows/Strings/ar/Resources.resw")).toContain("<value>مزرعة دوكلو</value>");
  expect(read("windows/Package.appxmanifest")).toContain(
    '<Resource Language="fr" />\r\n    <Resource Language="en" />\r\n    <Resource Language="ar" />',
  );
  // Whoever speaks none of them sees the main one's texts.
  expect(read("windows/Storefront.csproj")).toContain("<DefaultLanguage>fr</DefaultLanguage>");
  // A page has one manifest, and cannot choose among several.
  expect(existsSync(variant("ferme-duclos", "web/shop.ar.webmanifest"))).toBe(false);
});

test("a banner is drawn once more for each language in which the name is another one", () => {
  const banners = ["fr", "en", "ar"].map((language) =>
    readFileSync(variant("ferme-duclos", `store/google-play/feature-graphic.${language}.png`)),
  );
  expect(new Set(banners.map((bytes) => bytes.toString("base64"))).size).toBe(3);
  for (const png of banners) expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([1024, 500]);
});

describe.runIf(hasTool("chromium"))("in Chromium", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await openChromium();
  });
  afterAll(() => browser?.close());

  test.each(expected)("$key: the page loads, and its web manifest has no errors", async ({ key, name, label }) => {
    const server = await serve(variant(key, "web"));
    const page = await browser.newPage();
    const failed: string[] = [];
    page.on("requestfailed", (request) => failed.push(request.url()));
    page.on("response", (response) => response.status() >= 400 && failed.push(response.url()));
    await page.goto(server.address);
    expect(await page.title()).toBe(name);
    expect(await page.textContent("#shop-name")).toBe(name);
    expect(await page.locator("article").count()).toBe(3);
    const session = await page.context().newCDPSession(page);
    const { errors, data } = await session.send("Page.getAppManifest");
    expect(errors).toEqual([]);
    const { short_name, icons } = JSON.parse(data ?? "{}");
    expect(short_name).toBe(label);
    for (const { src, sizes } of icons)
      expect([sizes, await sizeOf(page, `${server.address}/${src}`)]).toEqual([sizes, sizes]);
    const { installabilityErrors } = await session.send("Page.getInstallabilityErrors");
    expect(installabilityErrors.map((each) => each.errorId).filter((each) => each !== "in-incognito")).toEqual([]);
    expect(failed).toEqual([]);
    await page.close();
    server.close();
  });

  test("the proof page shows every client, alone and without a network", async () => {
    expect(oxalis(demo, "proof").code).toBe(0);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const asked: string[] = [];
    page.on("request", (request) => asked.push(request.url()));
    await page.goto(`file://${join(demo, "variants/proof.html")}`);
    expect(await page.locator("article.sheet h2").allTextContents()).toEqual(
      expected.map((each) => each.name).sort(new Intl.Collator("en").compare),
    );
    expect(asked.filter((url) => !url.startsWith("data:") && !url.endsWith("/proof.html"))).toEqual([]);
    const blank = await page.locator(".sheet .pic").evaluateAll(
      (pictures) =>
        pictures.filter((each) => {
          const { backgroundImage, width } = (globalThis as unknown as BrowserWindow).getComputedStyle(each);
          return backgroundImage === "none" || Number.parseFloat(width) === 0;
        }).length,
    );
    expect(blank).toBe(0);
    expect(
      await page.evaluate(() => (globalThis as unknown as BrowserWindow).document.documentElement.scrollWidth),
    ).toBe(1280);
    await page.close();
  });
});

interface BrowserWindow {
  getComputedStyle(element: unknown): { backgroundImage: string; width: string };
  document: { documentElement: { scrollWidth: number } };
}

async function sizeOf(page: Awaited<ReturnType<Browser["newPage"]>>, url: string): Promise<string> {
  return page.evaluate(async (address) => {
    const picture = new (
      globalThis as unknown as {
        Image: new () => {
          src: string;
          decode(): Promise<void>;
          naturalWidth: number;
          naturalHeight: number;
        };
      }
    ).Image();
    picture.src = address;
    await picture.decode();
    return `${picture.naturalWidth}x${picture.naturalHeight}`;
  }, url);
}
