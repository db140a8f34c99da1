import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import type { Page } from "playwright-core";
import { expect, test } from "vitest";
import { plistStrings } from "../../../../src/core/formats/splice/formats/plist.ts";
import { tomlSite } from "../../../../src/core/formats/splice/formats/toml.ts";
import { type Form, write } from "../../../../src/core/formats/splice/forms.ts";
import { applyEdits } from "../../../../src/core/formats/splice/site.ts";
import { openChromium } from "../../../support/chromium.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";
import { hasTool, tool } from "../../../support/tools.ts";

/** Any text that XML can hold: no lone surrogates, no control characters but tab and line ends. */
const xmlText = fc
  .string({ unit: "binary", maxLength: 24 })
  // biome-ignore lint/suspicious/noControlCharactersInRegex: XML has no way to write them
  .map((text) => text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, ""));

const awkward = [
  "",
  " ",
  "  a  b ",
  "@x",
  "?x",
  "a'b\"c",
  "\\n",
  "]]>",
  "&amp;",
  "<a>",
  "tab\there",
  "line\nline",
  "č ж 庭 🥕",
  "a\u00a0b",
];
const samples = [...awkward, ...fc.sample(xmlText, { numRuns: 300, seed: 7 })];

/** As many as are asked for one by one. */
const asked = 60;

test("bytes outside the ranges stay, whatever the edits", () => {
  const pieces = fc.array(fc.tuple(fc.string({ minLength: 1 }), fc.string(), fc.string()), { maxLength: 8 });
  fc.assert(
    fc.property(pieces, fc.string(), (parts, tail) => {
      let text = "";
      const edits = parts.map(([before, old, next]) => {
        const start = text.length + before.length;
        text += before + old;
        return { start, end: start + old.length, text: next };
      });
      const wanted = parts.map(([before, , next]) => before + next).join("") + tail;
      expect(applyEdits(text + tail, [...edits].reverse())).toBe(wanted);
    }),
  );
});

test("overlapping edits are refused", () => {
  const edits = [
    { start: 0, end: 3, text: "" },
    { start: 2, end: 4, text: "" },
  ];
  expect(() => applyEdits("abcdef", edits)).toThrow(RangeError);
});

/** Values as an independent reader gives them back from an XML file with one element each. */
function throughXmllint(form: Form, element: (written: string) => string, ask: string): string[] {
  const file = join(temporaryFolder(), "values.xml");
  const rows = samples.map((value, at) => `<r id="${at}">${element(write(form, value))}</r>`);
  writeFileSync(file, `<?xml version="1.0" encoding="utf-8"?>\n<all>${rows.join("\n")}</all>`);
  return samples
    .slice(0, asked)
    .map((_, at) => tool("xmllint", ["--xpath", `string(${ask.replace("ID", String(at))})`, file]).slice(0, -1));
}

test.runIf(hasTool("xmllint"))("XML text and attributes read back with xmllint", () => {
  const text = throughXmllint("xml-text", (written) => `<v>${written}</v>`, "//r[@id='ID']/v");
  expect(text).toEqual(samples.slice(0, asked));
  const attributes = throughXmllint("xml-attribute", (written) => `<v a="${written}"/>`, "//r[@id='ID']/v/@a");
  expect(attributes).toEqual(samples.slice(0, asked));
});

test.runIf(hasTool("aapt2"))("Android strings read back with aapt2", () => {
  const folder = temporaryFolder();
  mkdirSync(join(folder, "res/values"), { recursive: true });
  // aapt2 prints characters beyond the first two planes in an encoding of its own, and indents second lines
  const values = samples.filter((value) => !/[\n\r\u0085\u2028\u2029\u{20000}-\u{10ffff}]/u.test(value));
  const rows = values.map((value, at) => `<string name="s${at}">${write("android-string", value)}</string>`);
  writeFileSync(
    join(folder, "res/values/s.xml"),
    `<?xml version="1.0" encoding="utf-8"?>\n<resources>${rows.join("\n")}</resources>`,
  );
  writeFileSync(
    join(folder, "AndroidManifest.xml"),
    '<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="a.b"/>',
  );
  tool("aapt2", ["compile", "--dir", join(folder, "res"), "-o", join(folder, "res.zip")]);
  tool("aapt2", [
    "link",
    "--manifest",
    join(folder, "AndroidManifest.xml"),
    "-o",
    join(folder, "a.apk"),
    join(folder, "res.zip"),
  ]);
  const dump = tool("aapt2", ["dump", "resources", join(folder, "a.apk")]);
  const read = new Map(
    [...dump.matchAll(/string\/s(\d+)\n\s+\(\) "([\s\S]*?)"(?=\n\s+resource|\n?$)/g)].map((m) => [Number(m[1]), m[2]]),
  );
  expect(values.map((_, at) => read.get(at))).toEqual(values);
});

/** A page in Chromium, looked at. */
async function inChromium<T>(html: string, look: (page: Page) => Promise<T>): Promise<T> {
  const browser = await openChromium();
  try {
    const page = await browser.newPage();
    const file = join(temporaryFolder(), "all.html");
    writeFileSync(file, `<!doctype html><meta charset="utf-8"><title>.</title>${html}`);
    await page.goto(`file://${file}`);
    return await look(page);
  } finally {
    await browser.close();
  }
}

test.runIf(hasTool("chromium"))("HTML text and attributes read back in Chromium", async () => {
  const elements = samples.map(
    (value) => `<p title="${write("html-attribute", value)}">${write("html-text", value)}</p>`,
  );
  const read = await inChromium(elements.join("\n"), (page) =>
    page.$$eval("p", (all) => all.map((each) => [each.title, each.textContent])),
  );
  expect(read).toEqual(samples.map((value) => [value, value]));
});

test.runIf(hasTool("chromium"))("strings of CSS read back in Chromium, and no value ends a declaration", async () => {
  const values = [...samples, "a; } b {", "/* a", "(a", "url(", "!important", "-->", "#1f5d4c", "Inter, serif"];
  const strings = values.flatMap((value) =>
    (["css-double", "css-single"] as const).map((form) => ({ value, written: write(form, value) })),
  );
  const plain = values.map((value) => write("css", value));
  const { unread, set } = await inChromium("<p>", async (page) =>
    page.evaluate(
      ([strings, plain]) => {
        const element = document.querySelector("p") as HTMLElement;
        const unread = strings.filter(({ value, written }) => {
          element.title = value;
          return !element.matches(`[title=${written}]`);
        });
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(`p { ${plain.map((each, at) => `--k${at}: ${each};`).join(" ")} } p { --end: here }`);
        const rules = [...sheet.cssRules].map((rule) => (rule as CSSStyleRule).style);
        return { unread, set: rules.map((style) => style.length) };
      },
      [strings, plain] as const,
    ),
  );
  expect(unread).toEqual([]);
  expect(set).toEqual([values.length, 1]);
  expect(write("css", "#1f5d4c")).toBe("#1f5d4c");
  expect(write("css", "Inter, serif")).toBe("Inter, serif");
});

test.runIf(hasTool("plistutil"))("property lists read back with plistutil", () => {
  const folder = temporaryFolder();
  const file = (name: string) => join(folder, name);
  const entries = samples.map((value, at) => `<key>k${at}</key><string>${write("xml-text", value)}</string>`);
  const head = '<?xml version="1.0" encoding="UTF-8"?><plist version="1.0"><dict>';
  writeFileSync(file("all.plist"), `${head}${entries.join("\n")}</dict></plist>`);
  // To the binary form, which has no escaping, and back; there, plistutil writes a carriage return as it is.
  tool("plistutil", ["-i", file("all.plist"), "-o", file("all.bin")]);
  tool("plistutil", ["-i", file("all.bin"), "-o", file("back.plist")]);
  const text = readFileSync(file("back.plist"), "utf8");
  const read = new Map(plistStrings("f", { file: "f", text }).map(({ path, site }) => [path.join("."), site.value]));
  expect(samples.map((_, at) => read.get(`k${at}`))).toEqual(samples.map((value) => value.replace(/\r\n?/g, "\n")));
});

test.runIf(hasTool("java"))("properties read back with Java", () => {
  const folder = temporaryFolder();
  writeFileSync(
    join(folder, "all.properties"),
    samples.map((value, at) => `k${at} = ${write("properties", value)}\n`).join(""),
  );
  const reader =
    "import java.util.*; import java.io.*; import java.nio.charset.*; class R { public static void " +
    "main(String[] a) throws Exception { Properties p = new Properties(); p.load(new " +
    `FileInputStream(a[0])); PrintStream o = new PrintStream(System.out, false, "UTF-8"); for (int i = ` +
    `0; i < ${samples.length}; i++) o.println(Base64.getEncoder().encodeToString(p.getProperty("k" + ` +
    "i).getBytes(StandardCharsets.UTF_8))); o.flush(); } }";
  writeFileSync(join(folder, "R.java"), reader);
  const read = tool("java", [join(folder, "R.java"), join(folder, "all.properties")]).split("\n");
  expect(samples.map((_, at) => Buffer.from(read[at] ?? "", "base64").toString())).toEqual(samples);
});

test.runIf(hasTool("python3"))("TOML reads back with Python's own parser", () => {
  const file = join(temporaryFolder(), "all.toml");
  const keys = samples.map((_, at) => `k${at} = "old" # kept\n`).join("");
  const source = { file, text: `[app]\n${keys}` };
  const edits = samples.flatMap((value, at) => {
    const site = tomlSite(file, source, `app.k${at}`);
    return site ? [{ start: site.start, end: site.end, text: write(site.form, value) }] : [];
  });
  expect(edits).toHaveLength(samples.length);
  writeFileSync(file, applyEdits(source.text, edits));
  const reader = "import json, sys, tomllib; print(json.dumps(tomllib.load(open(sys.argv[1], 'rb'))['app']))";
  const read = JSON.parse(tool("python3", ["-c", reader, file]));
  expect(samples.map((_, at) => read[`k${at}`])).toEqual(samples);
});

test("values of an environment read back with a shell", () => {
  const values = samples.filter((value) => !/[\r\n]$/.test(value));
  const script = values.map((value) => `V=${write("env", value)}; printf '%s\\0' "$V"`).join("\n");
  expect(tool("sh", ["-c", script]).split("\0").slice(0, -1)).toEqual(values);
});

test("JSON and YAML text reads back with JSON.parse; HTML text and attributes hold no markup", () => {
  fc.assert(
    fc.property(fc.string({ unit: "binary" }), (value) => {
      expect(JSON.parse(write("json", value))).toBe(value);
      expect(write("html-text", value)).not.toMatch(/[<>]/);
      expect(write("html-attribute", value)).not.toMatch(/["'<]/);
    }),
  );
});
