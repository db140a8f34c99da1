import fc from "fast-check";
import { expect, test } from "vitest";
import { findSettings, gradleSettings } from "../../../../src/core/formats/splice/formats/gradle.ts";
import { htmlAttributeSite, htmlElements, htmlTextSite } from "../../../../src/core/formats/splice/formats/html.ts";
import { lineSite } from "../../../../src/core/formats/splice/formats/lines.ts";
import {
  entry,
  openStepSite,
  parseOpenStep,
  stringsSite,
} from "../../../../src/core/formats/splice/formats/openstep.ts";
import { tomlSite } from "../../../../src/core/formats/splice/formats/toml.ts";
import { attributeSite, find, parseXml, textSite } from "../../../../src/core/formats/splice/formats/xml.ts";
import { yamlSite } from "../../../../src/core/formats/splice/formats/yaml.ts";
import { write } from "../../../../src/core/formats/splice/forms.ts";
import { applyEdits, type Site } from "../../../../src/core/formats/splice/site.ts";

const replaced = (text: string, site: Site | undefined, value: string): string => {
  if (!site) throw new Error("no site");
  return applyEdits(text, [{ start: site.start, end: site.end, text: write(site.form, value) }]);
};
const source = (text: string) => ({ file: "f", text });

test("Gradle, Groovy and Kotlin: literals of a block, past comments, strings and other blocks", () => {
  const script = `// applicationId "no"
def x = "android { defaultConfig { applicationId 'no' } }"
android {
    /* applicationId = "no" */
    buildTypes { debug { applicationIdSuffix ".debug" } }
    defaultConfig {
        applicationId 'a.b' // kept
        versionCode = 1_000
        versionName("2.0")
        resValue "string", "x", "no"
    }
    productFlavors { free { applicationId "a.b.free" } }
}`;
  const settings = gradleSettings("f", script);
  const at = ["android", "defaultConfig"];
  const [id] = findSettings(settings, "applicationId", at);
  expect(findSettings(settings, "applicationId", at)).toHaveLength(1);
  expect(findSettings(settings, "versionCode", at)[0]?.site.value).toBe("1000");
  expect(findSettings(settings, "versionName", at)[0]?.site.value).toBe("2.0");
  expect(findSettings(settings, "applicationId", ["android", "productFlavors", "free"])).toHaveLength(1);
  expect(replaced(script, id?.site, "c.d")).toBe(script.replace("'a.b'", "'c.d'"));
});

test("Gradle: a value read from somewhere else is no literal", () => {
  const script = 'android { defaultConfig { versionName = "$major.1"\n applicationId = libs.id.get()\n } }';
  expect(gradleSettings("f", script)).toEqual([]);
});

test("Gradle and project files: any value that is written reads back", () => {
  fc.assert(
    fc.property(fc.string({ unit: "grapheme" }), (value) => {
      for (const quote of ['"', "'"]) {
        const script = `android { namespace ${quote}x${quote} }`;
        const [setting] = gradleSettings("f", script);
        const [again] = gradleSettings("f", replaced(script, setting?.site, value));
        expect(again?.site.value).toBe(value);
      }
      const project = "{ a = x; /* c */ }";
      const changed = replaced(project, openStepSite("f", entry(parseOpenStep(source(project)), "a")), value);
      expect(openStepSite("f", entry(parseOpenStep(source(changed)), "a"))?.value).toBe(value);
    }),
  );
});

test("project files: quotes come and go with the value", () => {
  const project = '// !$*UTF8*$!\n{ o = { A /* x; */ = { n = "a b"; l = ( 1, "$(x)", ); d = <0f>; }; }; }';
  const site = openStepSite("f", entry(parseOpenStep(source(project)), "o", "A", "n"));
  expect(site?.value).toBe("a b");
  expect(replaced(project, site, "plain.x")).toContain("n = plain.x;");
  expect(replaced(project, site, 'q"-')).toContain('n = "q\\"-";');
  expect(() => parseOpenStep(source("{ a = ; }"))).toThrow("cannot be read as an OpenStep property list");
});

test("XML: attributes in either quote, text, CDATA, a byte-order mark and Windows line ends", () => {
  const xml =
    `\uFEFF<?xml version="1.0"?>\r\n<!-- <v a="no"/> -->\r\n<r>\r\n  <v a = 'x"y' b="1">t &lt; ` +
    "<![CDATA[u]]></v>\r\n</r>";
  const v = find(parseXml(source(xml)), "v");
  expect(replaced(xml, attributeSite("f", v, "a"), "é'")).toBe(xml.replace(`'x"y'`, "'é&#39;'"));
  expect(textSite("f", v)?.value).toBe("t < u");
  expect(replaced(xml, textSite("f", v), "<&>")).toBe(xml.replace("t &lt; <![CDATA[u]]>", "&lt;&amp;&gt;"));
});

test("HTML: quoted, unquoted and single-quoted attributes, and text", () => {
  const html = `<!doctype html><meta name=a content=b><meta name=c content='d'><title>x &amp; y</title>`;
  const [first, second] = htmlElements(source(html)).filter((each) => each.tagName === "meta");
  const title = htmlElements(source(html)).find((each) => each.tagName === "title");
  if (!first || !second || !title) throw new Error("not found");
  expect(replaced(html, htmlAttributeSite("f", html, first, "content"), 'p "q"')).toContain(
    'content="p &quot;q&quot;"',
  );
  expect(replaced(html, htmlAttributeSite("f", html, second, "content"), "it's")).toContain("content='it&#39;s'");
  expect(htmlTextSite("f", title)?.value).toBe("x & y");
  expect(replaced(html, htmlTextSite("f", title), "<b>")).toContain("<title>&lt;b&gt;</title>");
});

/** A file of each kind with a key in it that has a value, and one whose key is much like it. */
const lines = [
  {
    kind: "properties",
    text: "\uFEFF# app.name=no\r\n! app.name=no\r\napp.names : x\r\napp.name = old\\\r\n   value\r\nlast=1",
    old: "old\\\r\n   value",
    holds: "oldvalue",
    locate: (text: string) => lineSite("f", source(text), "properties", "app.name"),
    /** What the format cannot hold is folded. */
    folded: (value: string) => value,
  },
  {
    kind: "xcconfig",
    text:
      '#include "x.xcconfig"\nPRODUCT_NAME[sdk=iphoneos*] = no\n// PRODUCT_NAME = no\nPRODUCT_NAME = Old ' +
      "Name // a comment\nPRODUCT_NAMES = no\n",
    old: "Old Name",
    holds: "Old Name",
    locate: (text: string) => lineSite("f", source(text), "xcconfig", "PRODUCT_NAME"),
    folded: (value: string) => value.replace(/\s*[\r\n]+\s*/g, " ").trim(),
  },
  {
    kind: "env",
    text: "# NAME=no\nexport NAME='old value' # a comment\nNAMES=no\n",
    old: "'old value'",
    holds: "old value",
    locate: (text: string) => lineSite("f", source(text), "env", "NAME"),
    folded: (value: string) => value,
  },
  {
    kind: "strings",
    text:
      '/* "name" = "no"; */\n// "name" = "no";\n"names" = "no";\n"name" = "old \\"value\\"";\nCFBundleName ' +
      '= "no";\n',
    old: '"old \\"value\\""',
    holds: 'old "value"',
    locate: (text: string) => stringsSite("f", source(text), "name"),
    folded: (value: string) => value,
  },
  {
    kind: "TOML",
    text:
      '# name = "no"\nname = "no"\n[versions]\nnames = "no"\nname = "old \\"value\\"" # kept\n[other]\n' +
      "name = 'no'\n",
    old: '"old \\"value\\""',
    holds: 'old "value"',
    locate: (text: string) => tomlSite("f", source(text), "versions.name"),
    folded: (value: string) => value,
  },
  {
    kind: "YAML",
    text: "# name: no\nother: { name: no }\napp:\n  name: old value   # a comment\n  names: |\n    no\n",
    old: "old value",
    holds: "old value",
    locate: (text: string) => yamlSite("f", source(text), ["app", "name"]),
    folded: (value: string) => value,
  },
] as const;

/** Control characters that no key file is meant to hold are left to the formats that can. */
const anyText = fc.string({ unit: "grapheme", maxLength: 20 });
const awkwardText = fc.constantFrom(
  "",
  " a ",
  "//x",
  "https://a.example//b",
  "a\\u0041",
  "$HOME `x`",
  "#no",
  "q\"'",
  "a\nb",
  "a\u2028b",
  "é 庭 🥕",
  "=:",
);

test.each(lines)("$kind: the one value is found, and whatever is written reads back, twice the same", (each) => {
  const { text, old, holds, locate, folded } = each;
  expect(locate(text)?.value).toBe(holds);
  expect(text.slice(locate(text)?.start, locate(text)?.end)).toBe(old);
  fc.assert(
    fc.property(fc.oneof(anyText, awkwardText), (value) => {
      const changed = replaced(text, locate(text), value);
      const again = locate(changed);
      expect(again?.value).toBe(folded(value));
      expect(replaced(changed, again, value)).toBe(changed);
      const [before, after] = text.split(old);
      expect([changed.startsWith(before ?? ""), changed.endsWith(after ?? "")]).toEqual([true, true]);
    }),
    { numRuns: 400 },
  );
});

test("YAML: a block's text is replaced without the line end behind it, and an empty value is filled", () => {
  const text = "a: |\n  one\n  two\nb:\nc: 3\n";
  expect(replaced(text, yamlSite("f", source(text), ["a"]), "x: y")).toBe('a: "x: y"\nb:\nc: 3\n');
  expect(replaced(text, yamlSite("f", source(text), ["b"]), "x")).toBe('a: |\n  one\n  two\nb: "x"\nc: 3\n');
  expect(yamlSite("f", source(text), ["a", "b"])).toBeUndefined();
  expect(() => yamlSite("f", source("a: ["), ["a"])).toThrow("is not valid YAML");
});
