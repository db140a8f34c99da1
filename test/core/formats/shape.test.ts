import fc from "fast-check";
import { expect, test } from "vitest";
import { withoutBuildEnding } from "../../../src/core/formats/splice/known-ending.ts";
import { edited, shapeOf } from "../../../src/core/formats/splice/shape/shape.ts";
import type { Shape } from "../../../src/core/formats/splice/shape/shaped.ts";
import { applyEdits } from "../../../src/core/formats/splice/site.ts";

/** The texts of a file, as its own language has them. */
test.each<[file: string, text: string, values: string[]]>([
  ["a.kt", 'val a = "x \\"y\\"" + """raw "z" \\n""" // "no"\n', ['x "y"', 'raw "z" \\n']],
  ["a.kt", 'val c = \'"\'; val d = "e"', ["e"]],
  ["a.swift", 'let a = "caf\\u{e9}" /* "no" */', ["café"]],
  ["a.dart", "final a = 'it\\'s'; final b = '''two\nlines''';", ["it's", "two\nlines"]],
  ["a.gradle", "name 'a' + \"b\"", ["a", "b"]],
  ["a.java", 'String a = "tab\\there";', ["tab\there"]],
  ["a.rs", "fn f<'a>(x: &'a str) { g(\"y\", 'z') }", ["y"]],
  ["de.po", '# "no"\nmsgid "a \\"b\\""\nmsgstr ""\n"c\\n"\n', ['a "b"', "", "c\n"]],
  ["a.go", 'a := `raw \\n` + "b"', ["raw \\n", "b"]],
  ["a.rb", "a = 'x\\'y' + \"z\" # 'no'", ["x'y", "z"]],
  ["a.php", "<?php $a = 'x\\n'; // \"no\"", ["x\\n"]],
  ["a.py", 'a = \'x\' # "no"\nb = """y\nz"""', ["x", "y\nz"]],
  ["CMakeLists.txt", 'set(A "b;c") # "no"', ["b;c"]],
  ["a.rc", 'VALUE "Name", "say ""hi"""', ["Name", 'say "hi"']],
  ["a.tsx", "const a = <T x='1 &amp; 2'>hi</T>;", ["1 & 2", "hi"]],
  ["a.js", `const a = \`x \${b} y\`;`, ["`", "x ", " y", "`"]],
  [
    "a.html",
    "<p title='a &amp; b'>c</p><script>f('d')</script><style>p{color:red}</style>",
    ["a & b", "c", "d", "red"],
  ],
  ["a.html", '<script type="application/ld+json">{"name":"x"}</script>', ["application/ld+json", "x"]],
  ["a.css", "a { --b: c; content: 'd' }", ["c", "'d'"]],
  ["a.yaml", "a: 'b'\nc: [d, 1, true]\n---\ne: f\n", ["b", "d", "f"]],
  ["a.toml", "[a]\nb = 'c'\nd = [\"e\"]\nf = 1979-05-27\n", ["c", "e"]],
  ["a.plist.in", "<plist><dict><key>k</key><string>@v@</string><true/></dict></plist>", ["@v@"]],
  [
    "app/src/main/res/values/a.xml",
    '<resources><string name="n">it\\\'s \\u0041</string></resources>',
    ["n", "it's A"],
  ],
  ["a.strings", '"k" = "v\\n";', ["v\n"]],
  ["a.desktop.in", "[Desktop Entry]\nName[de]=Kiste\n# no\n", ["Kiste"]],
  ["a.properties", "k=v\\u0041\n", ["vA"]],
  ["a.xcconfig", "A = b // no\n", ["b"]],
  [".env", "A='b c'\n", ["b c"]],
  ["a.txt", "one\ntwo", ["one", "two"]],
])("%s: %s", (file, text, values) => {
  expect(shapeOf({ file, text })?.values).toEqual(values);
});

/** What is no text shows in the shape: a change there is no filling of a place. */
test.each<[file: string, before: string, after: string]>([
  ["a.kt", 'val a = "x"', 'val b = "x"'],
  ["a.ts", 'f("x")', 'g("x")'],
  ["a.py", "a = 'x'", "a = 'x' + b"],
  ["a.xml", "<a b='1'/>", "<a c='1'/>"],
  ["a.xml", "<a><b/></a>", "<a><c/></a>"],
  ["a.plist", "<plist><dict><key>a</key><string/></dict></plist>", "<plist><dict><key>b</key><string/></dict></plist>"],
  ["a.json", '{"a":"x"}', '{"b":"x"}'],
  ["a.json", '{"a":1}', '{"a":2}'],
  ["a.yaml", "a: x", "b: x"],
  ["a.yaml", "a: x", "a: 1"],
  ["a.toml", "a = 'x'", "b = 'x'"],
  ["a.html", "<p>x</p>", "<q>x</q>"],
  ["a.html", "<p-c>x</p-c>", "<p-c>x</p-d>"],
  ["a.html", "<p class=a>x</p>", "<p id=a>x</p>"],
  ["a.html", "<script>f('x')</script>", "<script>g('x')</script>"],
  ["a.css", "a { b: c }", "d { b: c }"],
  ["a.css", "a { b: c }", "a { d: c }"],
  ["a.strings", '"a" = "x";', '"b" = "x";'],
  ["a.desktop", "Name=x", "Title=x"],
  ["a.properties", "a=x", "b=x"],
  ["a.txt", "a", "a\nb"],
])("%s: %s is no longer %s", (file, before, after) => {
  const [one, other] = [before, after].map((text) => shapeOf({ file, text })?.shape);
  expect(one).toBeDefined();
  expect(other).not.toBe(one);
});

test.each([
  ["a.json", '{"a": "x'],
  ["a.xml", "<a>"],
  ["a.ts", "const = ;"],
  ["a.yaml", "a: [b"],
  ["a.toml", "a = "],
  ["a.java", 'String a = "x\n";'],
  ["a.css", "a { b: c"],
  ["a.unknown", "x"],
  ["Makefile", "x: y"],
])("%s: %s cannot be read, and nothing is said of it", (file, text) => {
  expect(shapeOf({ file, text })).toBeUndefined();
});

test.each([
  ["Info.plist.in", "Info.plist"],
  ["app.desktop.in.in", "app.desktop"],
  ["a/Info.plist.cmake", "a/Info.plist"],
  ["FindShop.cmake", "FindShop.cmake"],
  ["config.h.in", "config.h"],
  ["strings.xml.mustache", "strings.xml"],
  ["built.in", "built.in"],
  [".env", ".env"],
])("%s is read as %s", (file, expected) => {
  expect(withoutBuildEnding(file)).toBe(expected);
});

const pieces = ['"a b"', "'c'", "'", '"', "/* x */", "// y", "#z", '"""', "\n", "\n", "int q = 1;", "\\", "`"];

test.each(["a.c", "a.kt", "a.py", "a.vb", "a.rc", "a.nsi", "a.txt"])(
  "%s: what an edit changes is the same by the lines around it as by the whole",
  (file) => {
    const anyText = fc.array(fc.constantFrom(...pieces), { maxLength: 14 }).map((all) => all.join(" "));
    const told = (before: Shape | undefined, after: Shape | undefined) => {
      if (!before || !after || before.shape !== after.shape || before.values.length !== after.values.length)
        return "no";
      return before.values.flatMap((value, at) => (value === after.values[at] ? [] : [[value, after.values[at]]]));
    };
    fc.assert(
      fc.property(
        anyText,
        fc.nat(),
        fc.nat(6),
        fc.constantFrom("m", "n'", 'o"', "\n", "*/", "\\"),
        (text, at, long, put) => {
          const [start, end] = [at % (text.length + 1), Math.min(text.length, (at % (text.length + 1)) + long)];
          const edit = { start, end, text: put };
          const after = applyEdits(text, [edit]);
          const near = edited({ file, text }, [edit]);
          const whole = told(shapeOf({ file, text }), shapeOf({ file, text: after }));
          const found = told(near?.before, near?.after);
          if (found !== "no") expect(found).toEqual(whole);
          else if (!/["'`/*\\\n]/.test(put + text.slice(start, end))) expect(whole).toBe("no");
        },
      ),
      { numRuns: 2000 },
    );
  },
);

const markup = [
  "<p>a b</p>",
  "<div id='x y'>",
  "</div>",
  "text",
  "<b>",
  "</b>",
  "<!-- c -->",
  "<table><tr><td title='x y'>one</td></tr><tr><th>two</table>",
  "<table><tbody><tr><td>text</td></tr>one</tbody>",
  "<script>s('q')</script>",
  "<ul><li>q<li>r</ul>",
  "<p>one &amp; two",
  '<img alt="i j"/>',
];

/** The same, of elements that are closed. */
const closed = [
  "<p>a b</p>",
  '<div id="x y"><q/></div>',
  "text",
  "<b>one</b>",
  "<!-- two -->",
  "<u>&amp; two</u>",
  '<i t="i j"/>',
  "<![CDATA[one]]>",
];

test.each([
  ["page.html", (inner: string) => `<html><head><title>T</title></head><body>${inner}</body></html>`],
  ["a.html", (inner: string) => inner],
  ["a.xml", (inner: string) => `<r>${inner}</r>`],
])("%s: an edit leaves a part of it whole where it leaves the whole so", (file, within) => {
  const pieces = file.endsWith(".xml") ? closed : markup;
  const anyMarkup = fc.array(fc.constantFrom(...pieces), { maxLength: 12 }).map((all) => within(all.join("\n")));
  const changes = (read: { before: Shape; after: Shape | undefined } | undefined) => {
    if (!read?.after || read.before.shape !== read.after.shape) return "no";
    if (read.before.values.length !== read.after.values.length) return "no";
    return read.before.values.filter((value, at) => value !== read.after?.values[at]).length || "no";
  };
  let held = 0;
  fc.assert(
    fc.property(
      anyMarkup,
      fc.nat(),
      fc.constantFrom("m", "n o", "<i>", "'", '"', "&", "-->", "<", "</p>", "]]>"),
      (text, which, put) => {
        // What is filled are words that are read.
        const words = [...text.matchAll(/\b(?:a b|x y|i j|text|one|two)\b/g)];
        const word = words[which % words.length];
        if (!word) return;
        const edit = { start: word.index, end: word.index + word[0].length, text: put };
        const before = shapeOf({ file, text });
        const whole = changes(before && { before, after: shapeOf({ file, text: applyEdits(text, [edit]) }) });
        const near = changes(edited({ file, text }, [edit]));
        if (near !== "no") held++;
        if (near !== "no" || !/\W/.test(put)) expect([text, edit, near]).toEqual([text, edit, whole]);
      },
    ),
    { numRuns: 3000 },
  );
  expect(held).toBeGreaterThan(500);
});
