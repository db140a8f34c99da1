import { cpSync, mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { around, expectClean, fixtures, text } from "../support/around.ts";
import { contents, oxalis, temporaryFolder } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

const id = "example.brennan.brennansbothyandsons";

test("Gradle with a version catalog, a placeholder for the label, looks in a library, a TV banner", () => {
  const { root, variant, said } = around(
    "gradle-catalog",
    `fill:
  - file: app/build.gradle.kts
    text: '"maps.quayside.example"'
    with: '"maps.{domain}"'
`,
  );
  expectClean(root);
  expect(text(variant, "app/build.gradle.kts")).toContain('"mapsHost" to "maps.brennan.example"');
  expect(text(variant, "gradle/libs.versions.toml")).toBe(
    text(join(fixtures, "gradle-catalog"), "gradle/libs.versions.toml")
      .replace("example.quayside.tidetable", id)
      .replace("'4.2.0'", '"2.5.1"')
      .replace('"118"', '"57"'),
  );
  expect(text(variant, "app/build.gradle.kts")).toContain('"appLabel" to "Bothy \\$1",');
  expect(text(variant, "design/src/main/res/values/quay.xml")).toContain('name="slate">#0b2a21<');
  expect(text(variant, "app/src/main/res/values-night/night_colors.xml")).toMatch(/name="slate">#[0-9a-f]{6}</);
  const made = [...contents(variant).keys()];
  expect(made).toContain("app/src/main/res/drawable-xhdpi/shop_sign.png");
  expect(made).toContain("store/google-play/tv-banner.en.png");
  expect(made).not.toContain("app/src/main/res/drawable/shop_sign.xml");
  expect(made).toContain("app/src/main/res/mipmap-anydpi-v26/gauge_round.xml");
  expect(said).toContain("None: a one-coloured layer for themed icons");
  expect(oxalis(root, "generate", "-q").code).toBe(0);
});

describe.runIf(hasTool("aapt2"))("what is added to an Android app", () => {
  test.each(["gradle-catalog", "gradle-flavours"])("%s: aapt2 compiles and links its resources", (template) => {
    const { variant } = around(template);
    const module = template === "gradle-catalog" ? "app" : "phone";
    const folders = template === "gradle-catalog" ? ["app", "design"] : ["phone"];
    const packed = folders.map((each) => {
      const zip = join(variant, `../${each}.zip`);
      tool("aapt2", ["compile", "--dir", join(variant, each, "src/main/res"), "-o", zip]);
      return zip;
    });
    const manifest = join(variant, "../manifest.xml");
    const filled = text(variant, `${module}/src/main/AndroidManifest.xml`)
      .replace("<manifest", '<manifest package="x.y"')
      .replaceAll(/\$\{(\w+)\}/g, (_, key) => (key === "appIcon" ? "@drawable/gauge" : "x.y"))
      .replace("@string/harbour_name", "label");
    writeFileSync(manifest, filled);
    const framework = "/usr/share/android-framework-res/framework-res.apk";
    const out = join(variant, "../linked.apk");
    tool("aapt2", ["link", "-I", framework, "--manifest", manifest, "-o", out, ...packed, "--auto-add-overlay"]);
    const shown = tool("aapt2", ["dump", "resources", out]);
    expect(shown).toContain("gauge_round");
    expect(shown).toContain("gauge_stencil");
  });
});

test("Gradle with flavours, values in properties and the root script, labels that the build writes, a watch", () => {
  const { root, variant } = around("gradle-flavours");
  expectClean(root);
  expect(text(variant, "build.gradle")).toContain(`harbourId = '${id}'`);
  expect(text(variant, "gradle.properties")).toContain("HARBOUR_CODE=57\nharbour.version=2.5.1");
  const phone = text(variant, "phone/build.gradle");
  expect(phone).toContain(`applicationId '${id}.islands'`);
  expect(phone).toContain("applicationIdSuffix '.south'");
  expect(phone).toContain("resValue 'string', 'harbour_name', 'Bothy $1'");
  expect(phone).toContain('resValue "string", "harbour_name", "Bothy \\$1"');
  expect(text(variant, "watch/build.gradle")).toContain("versionName '2.5.1'");
  expect(text(variant, "watch/src/main/AndroidManifest.xml")).toContain('android:label="Bothy $1"');
  expect(text(variant, "phone/src/islands/res/values/colours.xml")).toContain("#ff0b2a21");
});

test("Xcode with configuration files, an extension, names in two languages, one icon, a storyboard", () => {
  const { root, variant } = around(
    "xcode-config",
    'fill:\n  - file: Config/Shared.xcconfig\n    at: TIDES_SITE\n    with: "https://{domain}"\n',
  );
  expectClean(root);
  const template = text(join(fixtures, "xcode-config"), "Config/Shared.xcconfig");
  expect(text(variant, "Config/Shared.xcconfig")).toBe(
    template
      .replace("example.quayside.tidetable", id)
      .replace("= Tide Table", "= Bothy $1")
      .replace("quayside.example\nMARK", "brennan.example\nMARK")
      .replace("4.2.0", "2.5.1")
      .replace("118", "57"),
  );
  expect(text(variant, "Config/Widget.xcconfig")).toContain("$(TIDES_ID).widget");
  expect(text(variant, "Tides/de.lproj/InfoPlist.strings")).toContain('CFBundleDisplayName = "Bothy $1";');
  expect(text(variant, "Tides/Info.plist")).toContain("<string>$(TIDES_TITLE)</string>");
  expect(text(variant, "Tides/Info.plist")).toContain(`<string>${id}.link</string>`);
  const icons = JSON.parse(text(variant, "Tides/Assets.xcassets/Gauge.appiconset/Contents.json")).images;
  expect(icons.map((each: { filename: string }) => each.filename)).toEqual([
    "gauge.png",
    "icon-universal-dark.png",
    "icon-universal-tinted.png",
  ]);
  const [light, dark] = JSON.parse(text(variant, "Tides/Assets.xcassets/Deck.colorset/Contents.json")).colors;
  expect(light.color.components).toMatchObject({ red: "0x0B", green: "0x2A", blue: "0x21" });
  expect(dark.appearances).toEqual([{ appearance: "luminosity", value: "dark" }]);
  if (hasTool("plistutil")) tool("plistutil", ["-i", join(variant, "Widget/Info.plist"), "-o", "/dev/null"]);
});

test("Xcode with a generated property list, a variable in the identifier, a string catalog, no display name", () => {
  const { root, variant, said } = around("xcode-settings");
  expectClean(root);
  const project = text(variant, "app/Tides.xcodeproj/project.pbxproj");
  expect(project).toContain(`PRODUCT_BUNDLE_IDENTIFIER = ${id};`);
  expect(project).toContain(`PRODUCT_BUNDLE_IDENTIFIER = ${id}.tests;`);
  expect(project).toContain('INFOPLIST_KEY_CFBundleDisplayName = "Bothy $1";');
  const catalog = JSON.parse(text(variant, "app/Tides/InfoPlist.xcstrings"));
  expect(catalog.strings.CFBundleName.localizations.de.stringUnit.value).toBe("Bothy $1");
  expect(said).toContain("None: a display name of its own");
});

test("a cross-platform project: its own settings, and native folders below android/ and ios/", () => {
  const kept = ["android/settings.gradle", "ios/**", "app.json", "package.json"];
  const notes =
    "allow:\n" +
    `${kept.map((file) => `  - { file: "${file}", text: "Tide Table", reason: the code's own name }\n`).join("")}`;
  const { root, variant, said } = around("cross-platform", notes);
  expectClean(root);
  expect(JSON.parse(text(variant, "app.json"))).toEqual({
    name: "TideTable",
    displayName: "Bothy $1",
    version: "2.5.1",
    ids: { bundleIdentifier: id, package: id },
  });
  expect(JSON.parse(text(variant, "package.json"))).toMatchObject({
    name: "tide-table",
    displayName: "Bothy $1",
  });
  expect(text(variant, "android/app/build.gradle")).toContain('namespace "example.quayside.tidetable"');
  expect(text(variant, "ios/TideTable/Info.plist")).toContain(
    "<key>CFBundleDisplayName</key>\n\t<string>Bothy $1</string>",
  );
  // What else says its name, code asks for by it.
  expect(said).not.toContain("yours to decide");
});

test("a Windows manifest of the earlier namespaces", () => {
  const { root, variant } = around("windows-earlier");
  expectClean(root);
  expect(text(variant, "Package.appxmanifest")).toContain('Description="Brennan&#39;s &#34;Bothy&#34; &amp; Sons"');
  const made = [...contents(variant).keys()];
  expect(made).toContain("Assets/SmallLogo.scale-200.png");
  expect(made).toContain("Assets/Tile70.scale-100.png");
  expect(made).not.toContain("Assets/Wide.scale-140.png");
});

test("a bundled web app: what it serves from public/, links that a bundler completes, start pictures", () => {
  const notes = "allow: [{ file: package.json, text: Tide Table, reason: the code's own name }]";
  const { root, variant } = around("web-bundled", notes);
  expectClean(root);
  const page = text(variant, "index.html");
  expect(page).not.toContain("old-start");
  expect(page).toContain('href="/icons/start-1290x2796.png"');
  const made = [...contents(variant).keys()];
  expect(made).toContain("public/icons/start-1290x2796.png");
  expect(made).not.toContain("public/icons/old-start.png");
  expect(text(variant, "public/icons/gauge.svg")).toContain('fill="#0b2a21"');
  expect(JSON.parse(text(variant, "public/manifest.json")).icons).toHaveLength(5);
});

test("a static page that is no installable app yet becomes one, as far as the template wants", () => {
  const { root, variant } = around(
    "web-static",
    "missing: { start-pictures: leave }\nallow: [{ file: index.html, text: Tide Table, reason: a sentence }]",
  );
  expectClean(root);
  const page = text(variant, "index.html");
  expect(page).toContain('<link rel="manifest" href="app.webmanifest">');
  expect(page).toContain('<meta name="theme-color" content="#1f5d4c">');
  expect(page).toContain('<h1 id="name">Brennan\'s "Bothy" &amp; Sons</h1>');
  expect(page).not.toContain("startup-image");
  const manifest = JSON.parse(text(variant, "app.webmanifest"));
  expect(manifest).toMatchObject({
    name: 'Brennan\'s "Bothy" & Sons',
    short_name: "Bothy $1",
    display: "standalone",
  });
  const made = [...contents(variant).keys()];
  for (const { src } of manifest.icons) expect(made).toContain(src);
});

test("files that are not what their names say keep no survey from going on", () => {
  const root = temporaryFolder();
  cpSync(join(fixtures, "web-static"), join(root, "app"), { recursive: true });
  writeFileSync(join(root, "app/old.html"), Buffer.from("<title>caf\xe9</title>", "latin1"));
  writeFileSync(join(root, "app/data.json"), "not: json");
  writeFileSync(join(root, "app/bytes.json"), Buffer.from([0, 159, 146, 150]));
  const { code, out } = oxalis(root, "init", "--template", "app");
  expect([code, out]).toEqual([0, expect.stringContaining("Tide Table")]);
});

test("init refuses a second workspace, a folder without an app, and a binary property list; nothing is written", () => {
  const root = temporaryFolder();
  mkdirSync(join(root, "empty"));
  expect(oxalis(root, "init", "--template", "empty")).toMatchObject({
    code: 1,
    err: expect.stringContaining("template-empty"),
  });
  expect(oxalis(root, "init", "--template", "nowhere")).toMatchObject({
    code: 1,
    err: expect.stringContaining("is not there"),
  });
  cpSync(join(fixtures, "xcode-config"), join(root, "app"), { recursive: true });
  writeFileSync(join(root, "app/Widget/Info.plist"), Buffer.from("bplist00\xd1\x01\x02", "latin1"));
  const binary = oxalis(root, "init", "--template", "app");
  expect([binary.code, binary.err]).toEqual([1, expect.stringContaining("plutil -convert xml1")]);
  expect([...contents(root).keys()].filter((file) => file.endsWith("oxalis.yaml"))).toEqual([]);
});
