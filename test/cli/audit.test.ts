import { createHash } from "node:crypto";
import { copyFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { zipSync } from "fflate";
import sharp from "sharp";
import { beforeEach, expect, test } from "vitest";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

let folder: string;
const inVariant = (path: string) => join(folder, "variants/3-acre", path);
const add = (path: string, content: string | Buffer) => {
  const target = join(folder, "template", path);
  mkdirSync(join(target, ".."), { recursive: true });
  writeFileSync(target, content);
};

beforeEach(() => {
  folder = workspaceWith(["3-acre"]);
});

/** Generates, audits, and gives the codes and messages found. */
function found(): {
  code: string;
  message: string;
  place?: { file: string; line: number; column: number };
}[] {
  expect(oxalis(folder, "generate").code).toBe(0);
  const { code, out } = oxalis(folder, "audit", "--json");
  const problems = JSON.parse(out).clients[0].problems;
  expect(code).toBe(problems.length > 0 ? 1 : 0);
  return problems;
}

test("a name that the survey could not know is found with its line, in any case and spacing", () => {
  add(
    "web/about.txt",
    "Welcome.\n\nThis is plain-crate, or PLAINCRATE, or Plain  Crate; a plaincrated thing is not.\n",
  );
  const problems = found();
  expect(problems.map((each) => each.code)).toEqual(["residue-name", "residue-name", "residue-name"]);
  expect(problems.map((each) => each.place?.column)).toEqual([9, 25, 40]);
  expect(problems[0]?.place).toMatchObject({ file: "variants/3-acre/web/about.txt", line: 3 });
});

test("an identifier left in code is found; the code's own namespace is not one", () => {
  edit(folder, "template/android/app/build.gradle.kts", (text) =>
    text.replace('namespace = "example.lanternfield.storefront"', 'namespace = "example.lanternfield.plaincrate"'),
  );
  add("android/app/src/main/java/Keys.kt", 'package example.lanternfield.plaincrate.keys\n\nval stall = "x"\n');
  expect(found()).toEqual([]);
  add("web/push.js", 'const topic = "example.lanternfield.plaincrate.news";\n');
  expect(found().map((each) => [each.code, each.place?.line])).toEqual([["residue-identifier", 1]]);
});

test("a name inside a picture's metadata, in a file's name and in 16-bit text is found", async () => {
  const picture = sharp({ create: { width: 8, height: 8, channels: 3, background: "#808080" } });
  add(
    "web/pictures/leaf.jpg",
    await picture
      .withExif({ IFD0: { Copyright: "Plain Crate" } })
      .jpeg()
      .toBuffer(),
  );
  add("web/plain_crate.txt", "nothing\n");
  add("windows/notes.bin", Buffer.from("\0Plain Crate", "utf16le"));
  expect(found().map((each) => each.code)).toEqual(["residue-name", "residue-name", "residue-name"]);
});

test("the template's picture is found as it is, and resized and re-encoded", async () => {
  const own = readFileSync(join(folder, "template/web/pictures/stamp-512.png"));
  add("web/pictures/old.png", own);
  add("web/pictures/small.jpg", await sharp(own).resize(150).jpeg({ quality: 70 }).toBuffer());
  copyFileSync(join(folder, "clients/3-acre/art/mark.svg"), join(folder, "template/web/pictures/three.svg"));
  const messages = found().map((each) => each.message);
  expect(messages).toEqual([
    "variants/3-acre/web/pictures/old.png is the template's own web/pictures/stamp-512.png.",
    expect.stringMatching(/small\.jpg looks like the template's own /),
  ]);
});

test("a client whose own name holds the template's is not accused", () => {
  edit(folder, "clients/3-acre/brief.yaml", (text) =>
    text.replace("name: 3 Acre Greens", "name: Plain Crate of Three"),
  );
  expect(found()).toEqual([]);
});

test("what is allowed in template.yaml passes, and is shown with its reason", () => {
  add("web/licence.txt", "Plain Crate\n");
  edit(
    folder,
    "template.yaml",
    (text) => `${text}\nallow:\n  - file: web/licence.txt\n    reason: the licence names the app it was given for\n`,
  );
  expect(found()).toEqual([]);
  const { err } = oxalis(folder, "audit", "--verbose");
  expect(err).toContain("allowed   the licence names the app it was given for");
});

test("disk, receipt and plan are held against each other", () => {
  expect(found()).toEqual([]);
  writeFileSync(inVariant("web/style.css"), "body { color: red }");
  writeFileSync(inVariant("web/extra.txt"), "by hand");
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("Three Acre Growers Ltd", "Acre Growers"));
  const { code, out, err } = oxalis(folder, "audit");
  expect(code).toBe(1);
  expect(out).toContain("1 variant audited: 1 with findings.");
  for (const problem of ["[output-changed]", "[output-stray]", "[out-of-date]"]) expect(err).toContain(problem);
});

test("a receipt that was changed with its file hides nothing: what is kept, written and filled is held against its sources", () => {
  expect(found()).toEqual([]);
  const sum = (text: string) => createHash("sha256").update(text).digest("hex");
  const files = ["web/app.js", "web/index.html"].filter((file) => existsSync(inVariant(file)));
  expect(files.length).toBeGreaterThan(0);
  for (const file of files) {
    const before = readFileSync(inVariant(file), "utf8");
    writeFileSync(inVariant(file), `${before}\n`);
    const receipt = readFileSync(inVariant(".receipt.json"), "utf8");
    expect(receipt).toContain(sum(before));
    writeFileSync(inVariant(".receipt.json"), receipt.replaceAll(sum(before), sum(`${before}\n`)));
  }
  const { problems } = JSON.parse(oxalis(folder, "audit", "--json").out).clients[0];
  expect(problems.map(({ code, message }: { code: string; message: string }) => [code, message])).toEqual(
    files.map((file) => ["output-changed", `variants/3-acre/${file} is not what it is made from.`]),
  );
});

test("a variant that was never generated is a finding", () => {
  const { code, err } = oxalis(folder, "audit");
  expect(code).toBe(1);
  expect(err).toContain("variants/3-acre is not there: the variant has not been generated.");
});

test("reports for build servers: findings with places, allowances with reasons, well-formed with any name", () => {
  edit(folder, "oxalis.yaml", (text) => text.replace(/^platforms:.*$/m, "platforms: [web]"));
  add("web/<a> & b.txt", "one\nPlain Crate\n");
  add("web/old.txt", "Plain Crate\n");
  edit(
    folder,
    "template.yaml",
    (text) => `${text}\nallow:\n  - file: web/old.txt\n    reason: kept "as it was" & dated\n`,
  );
  oxalis(folder, "generate");
  expect(oxalis(folder, "audit", "--report", "out/audit.sarif").code).toBe(1);
  const [run] = JSON.parse(readFileSync(join(folder, "out/audit.sarif"), "utf8")).runs;
  expect(run.tool.driver.rules.map((each: { id: string }) => each.id)).toEqual(["residue-name"]);
  expect(run.results).toMatchObject([
    {
      ruleId: "residue-name",
      level: "error",
      locations: [
        {
          physicalLocation: {
            artifactLocation: { uri: "variants/3-acre/web/%3Ca%3E%20&%20b.txt" },
            region: { startLine: 2, startColumn: 1 },
          },
        },
      ],
      suppressions: [],
    },
    { suppressions: [{ kind: "external", justification: 'kept "as it was" & dated' }] },
  ]);
  expect(oxalis(folder, "audit", "--report", "out/audit.xml").code).toBe(1);
  const count = (path: string) => tool("xmllint", ["--xpath", `count(${path})`, join(folder, "out/audit.xml")]).trim();
  if (hasTool("xmllint")) {
    expect(count("//testsuite[@name='3-acre'][@tests='2'][@failures='1'][@skipped='1']")).toBe("1");
    expect(count("//failure[@type='residue-name'][contains(@message, '<a> & b.txt:2:1')]")).toBe("1");
  }
  const { code, err } = oxalis(folder, "audit", "--report", "audit.txt");
  expect([code, err.includes("[report-unknown]")]).toEqual([1, true]);
});

test("a colour of the template's brand is found, with its opacity or without; a grey is nobody's", () => {
  add(
    "web/extra.css",
    ".a { color: #C4572B }\n.b { color: #ffc4572b; background: #c4572bff }\n.c { color: #c4572b9; border: #22262b }\n",
  );
  const problems = found();
  expect(problems.map((each) => [each.code, each.place?.line])).toEqual([
    ["residue-color", 1],
    ["residue-color", 2],
    ["residue-color", 2],
  ]);
});

test("what belongs to another client is found: its name in any case, not where it stands in its own", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  edit(folder, "clients/3-acre/brief.yaml", (brief) =>
    brief.replace("text: Leaves cut the same morning", "text: As good as SALTMARSH ROOTS"),
  );
  expect(oxalis(folder, "generate").code).toBe(0);
  const { code, err } = oxalis(folder, "audit");
  expect(code).toBe(1);
  expect(err).toContain(
    `"SALTMARSH ROOTS", which is saltmarsh's, is in variants/3-acre/web/boxes/boxes.json.  [residue-client]`,
  );
  expect(err).not.toContain("which is 3-acre's");
});

test("a picture that was drawn for another client, and one that looks like another's art, are found", async () => {
  const folder = workspaceWith(["3-acre", "root-and-leaf"]);
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
  const at = (path: string) => join(folder, path);
  const tile = "windows/Visuals/SideMedium.scale-200.png";
  copyFileSync(at(`variants/3-acre/${tile}`), at(`variants/root-and-leaf/${tile}`));
  const art = sharp(at("clients/root-and-leaf/art/mark.png")).flatten({ background: "#fff" });
  await art.resize(300).jpeg({ quality: 60 }).toFile(at("variants/3-acre/web/hero.jpg"));
  const { code, err } = oxalis(folder, "audit");
  expect(code).toBe(1);
  expect(err).toContain("in all 2 variants: Something of another client, 2 places  [residue-client]");
  expect(err).toContain(`variants/root-and-leaf/${tile} is a file of 3-acre.`);
  expect(err).toContain(
    "variants/3-acre/web/hero.jpg looks like clients/root-and-leaf/art/mark.png, a picture of root-and-leaf.",
  );
});

test("what names the template inside an archive, and a file that no list names, are found", () => {
  const folder = workspaceWith(["3-acre"]);
  const archive = zipSync({
    "texts/help.txt": Buffer.from("Write to Plain Crate"),
    "a/b.bin": new Uint8Array([0, 1, 2]),
  });
  writeFileSync(join(folder, "template/android/app/help.jar"), archive);
  writeFileSync(join(folder, "template/ios/Storefront/Stall.xcassets/CrateLid.appiconset/old.txt"), "x");
  expect(oxalis(folder, "generate").code).toBe(0);
  const { code, err } = oxalis(folder, "audit");
  expect(code).toBe(1);
  expect(err).toContain("android/app/help.jar, in texts/help.txt:1:10  Write to Plain Crate");
  expect(err).toContain(
    "CrateLid.appiconset/old.txt is in an asset whose Contents.json does not name it.  [place-wrong]",
  );
});

test("content of the template is told by file until somebody says that all apps have it in common", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  writeFileSync(
    join(folder, "template/web/news.json"),
    '[{ "title": "We moved", "text": "The yard is by the river now" }, { "title": "New hours", "text": "Until six" }]',
  );
  oxalis(folder, "generate");
  const audited = () => oxalis(folder, "audit");
  expect(audited()).toMatchObject({
    code: 0,
    out: expect.stringMatching(
      /\? web\/news\.json {2}2 entries, such as “We moved”\n[\s\S]*identity left; content of the template: 1 file, yours to decide\.\n$/,
    ),
  });
  const decide = (reason: string) =>
    edit(folder, "template.yaml", (text) => `${text}\nshared:\n  - file: web/*.json\n    reason: ${reason}\n`);
  decide("...");
  expect(audited()).toMatchObject({ code: 1, err: expect.stringContaining("expected  a reason in words") });
  edit(folder, "template.yaml", (text) => text.replace(/\nshared:[\s\S]*$/, ""));
  decide("news come from the agency, for all");
  oxalis(folder, "generate");
  expect(audited().out).toMatch(/^✓ 3-acre[\s\S]*content of the template: 1 file, kept as you said\.\n$/);
  expect(JSON.parse(oxalis(folder, "audit", "saltmarsh", "--json").out).clients[0].content).toEqual([
    {
      file: "web/news.json",
      kind: "list",
      says: "2 entries, such as “We moved”",
      reason: "news come from the agency, for all",
    },
  ]);
});

test("what lies beside the variants, and a folder that holds nothing, is told", () => {
  for (const stage of [[], ["--stage", "testers"]]) expect(oxalis(folder, "generate", ...stage).code).toBe(0);
  expect(oxalis(folder, "proof").code).toBe(0);
  const audited = (...args: string[]) => JSON.parse(oxalis(folder, "audit", "--json", ...args).out);
  const messages = (of: { message: string }[]) => of.map(({ message }) => message);
  for (const stage of [[], ["--stage", "testers"]])
    expect(audited(...stage)).toMatchObject({ clients: [{ problems: [] }], beside: [] });
  mkdirSync(inVariant("web/pictures/later"));
  mkdirSync(join(folder, "variants/4-acre/web"), { recursive: true });
  edit(folder, "variants/builds.json", (text) => text.replace(/"build": "\d+"/, '"build": "7"'));
  const { clients, beside } = audited();
  expect(messages(clients[0].problems)).toEqual([
    "variants/3-acre/web/pictures/later is an empty folder that Oxalis did not make.",
  ]);
  expect(messages(beside)).toEqual([
    "variants/4-acre is a folder of no client.",
    "variants/builds.json does not say what is built from the variants now.",
  ]);
  expect(oxalis(folder, "audit", "--report", "a.xml").code).toBe(1);
  expect(readFileSync(join(folder, "a.xml"), "utf8")).toContain('<testsuite name="beside the variants" tests="2"');
});
