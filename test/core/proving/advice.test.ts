import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import fc from "fast-check";
import { expect, test } from "vitest";
import { templateSchema } from "../../../src/core/app/platforms/template-schema.ts";
import type { Template } from "../../../src/core/app/survey/template.ts";
import { textSites } from "../../../src/core/app/survey/text-places.ts";
import { namedSite } from "../../../src/core/app/template/places.ts";
import { write } from "../../../src/core/formats/splice/forms.ts";
import { shapeOf } from "../../../src/core/formats/splice/shape/shape.ts";
import { applyEdits } from "../../../src/core/formats/splice/site.ts";
import { openFolder } from "../../../src/core/ground/files/reading/folder.ts";
import { problem } from "../../../src/core/ground/problems/problem.ts";
import { openAdviser } from "../../../src/core/proving/audit/advice/advice.ts";
import { excerpt } from "../../../src/core/proving/audit/advice/quoted.ts";
import type { TermKind } from "../../../src/core/proving/audit/identity/kinds.ts";
import { keysIn } from "../../../src/core/proving/audit/identity/leading.ts";
import { searchFor } from "../../../src/core/proving/audit/search/search.ts";
import { temporaryFolder } from "../../support/oxalis.ts";
import { hasTool, tool } from "../../support/tools.ts";

/** A template of these files alone. */
function templateOf(files: Readonly<Record<string, string>>): Template {
  const root = temporaryFolder();
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), text);
  }
  return { folder: openFolder(root, "template"), parts: [] } as unknown as Template;
}

/** What is advised for the first place in a file where a term stands. */
function advised(file: string, text: string, term: string, kind: TermKind = "name", more: Record<string, string> = {}) {
  const template = templateOf({ [file]: text, ...more });
  const place = { file, line: 1, column: 1, text: "" };
  const adviser = openAdviser(template, { terms: [{ kind, text: term, place }], namespaces: [], shells: new Map() });
  const at = text.search(new RegExp(term.replace(/[\s.]+/g, "[\\s._-]*"), "i"));
  const line = text.slice(0, at).split("\n").length;
  const lines = text.split("\n");
  const column = at - text.lastIndexOf("\n", at - 1);
  const found = { ...place, line, column, text: lines[line - 1] ?? "" };
  const key = keysIn(template.folder, file)(at);
  const { settle, fix } = adviser({
    ...{ file, text: term, kind, problem: problem("residue-name", "", { place: found }) },
    ...(key === undefined ? {} : { key }),
  });
  return settle ? (settle.entry as { with?: string }).with : fix?.slice(0, fix.indexOf("?") + 1);
}

const xml = (body: string) => `<?xml version="1.0"?>\n<root>${body}</root>\n`;
const code = "It is written as code writes names. Do people see it?";
const page =
  "It is an address on the template's own site, and a client may have no such page. Which of the client's is it?";
const file = "It is the name of a file or of a resource, which others ask for by it. Do people see it?";
const part = "It is a part of a longer word, a path or a key. Do people or systems meet it?";
const person = "It is the address of one person among others. Is it told to anybody?";
const given = "The platform's own tools give it, for each app another. Which is the client's?";
const manyLines = "Of {app.name}";
const slug = "{app.name hyphenated}";
const people = '{ "people": [{ "at": "ann@crate.example" }, { "at": "ben@crate.example" }] }';
const unsafe = "Nothing is sure to be read back there as it was meant. Do people or systems meet it?";

test("two places of one line never quote one another", () => {
  const line = "STR: L'{BLACK}Plain Crate' d'un \"Plain Crate 2\" a";
  const quoted = [line.indexOf("Plain"), line.lastIndexOf("Plain")].map((at) => excerpt(line, at, "Plain Crate"));
  expect(quoted).toEqual(["STR: L'{BLACK}Plain Crate' d'un", '"Plain Crate 2"']);
});

test.each<[what: string, file: string, text: string, term: string, kind: TermKind, advice: unknown]>([
  ["a title", "web/a.html", "<title>Plain Crate</title>", "Plain Crate", "name", ">{app.name}<"],
  ["a text around it", "a.kt", 'val a = "Welcome to Plain Crate!"', "Plain Crate", "name", '"Welcome to {app.name}!"'],
  ["a desktop entry", "a.desktop.in", "[Desktop Entry]\nName=Plain Crate\n", "Plain Crate", "name", "Name={app.name}"],
  ["a translation", "de.po", 'msgid "About Plain Crate"\n', "Plain Crate", "name", '"About {app.name}"'],
  ["a menu's text", "a.strings", '"x.title" = "Plain Crate";', "Plain Crate", "name", "{app.name}"],
  ["the word itself", "a.ui", xml("<b>A simple plain crate, for all</b>"), "Plain Crate", "name", part],
  ["what names files", "a.xml", xml("<id>org.crate.Plain</id>"), "org.crate.Plain", "identifier", file],
  ["whose address follows", "a.c", 'x = "Ann Crate <ann@crate.example>";', "Ann Crate", "owner", person],
  ["a tag", "a.html", "<plain-crate title='x'></plain-crate>", "Plain Crate", "name", unsafe],
  ["an attribute's name", "a.xml", xml('<a plaincrate="1"/>'), "Plain Crate", "name", unsafe],
  ["a variable", "a.c", "int plain_crate = 1;\n", "Plain Crate", "name", unsafe],
  ["a call", "a.swift", "plainCrate.start()\n", "Plain Crate", "name", unsafe],
  ["a class's name in quotes", "a.json", '{ "module": "PlainCrate" }', "Plain Crate", "name", code],
  [
    "a line of many",
    "a.xml",
    xml("<p>a</p><p>b\n Of Plain Crate\n more of Plain Crate</p>"),
    "Plain Crate",
    "name",
    manyLines,
  ],
  ["an apostrophe's line", "a.txt", "L'un de Plain Crate n'a pas", "Plain Crate", "name", "L'un de {app.name} n'a pas"],
  ["a module's name in a text", "a.c", 'x = "Usage: Plain Crate::open(id)";', "Plain Crate", "name", part],
  ["a program's file", "a.json", '{ "made": "a Plain Crate.app" }', "Plain Crate", "name", file],
  ["a slug", "a.json", '{ "project": "plain-crate" }', "Plain Crate", "name", slug],
  ["a slug by which alone it is known", "a.json", '{ "project": "plain-crate" }', "plain-crate", "name", slug],
  ["one of several people", "a.json", people, "ann@crate.example", "email", person],
  ["what a platform's tools give", "a.json", '{ "a": "Ab12Cd34Ef.Crate" }', "Ab12Cd34Ef.Crate", "identifier", given],
  ["a file's name", "a.json", '{ "icon": "plain-crate" }', "Plain Crate", "name", file],
  ["a key", "a.kt", 'val KEY = "plaincrate.session.token"', "plaincrate", "name", part],
  ["a part of a word", "a.py", 'x = "xPlain Crate"', "Plain Crate", "name", part],
  ["an address with a page", "a.kt", 'val a = "https://crate.example/help"', "crate.example", "host", page],
  ["a host below it", "a.kt", 'val a = "https://api.crate.example"', "crate.example", "host", page],
  ["an address alone", "a.kt", 'val a = "https://crate.example/"', "crate.example", "host", '"https://{domain}/"'],
  ["a class behind an identifier", "a.kt", 'val a = "com.crate.app.MainActivity"', "com.crate.app", "identifier", code],
  [
    "what follows an identifier",
    "a.kt",
    'val a = "com.crate.app.provider"',
    "com.crate.app",
    "identifier",
    '"{identifiers.base}.provider"',
  ],
  ["an e-mail address", "a.json", '{ "m": "crate@crate.example" }', "crate@crate.example", "email", "{email}"],
  ["a language that nobody here reads", "a.nim", 'echo "Come to Plain Crate"', "Plain Crate", "name", unsafe],
  ["a name handed to whatever", "a.kt", 'show("Plain Crate")', "Plain Crate", "name", code],
  ["a name handed to what shows it", "a.kt", 'setTitle("Plain Crate")', "Plain Crate", "name", '"{app.name}"'],
  ["a text that has no end", "a.java", 'String a = "Plain Crate;\n', "Plain Crate", "name", unsafe],
])("%s gets what may stand there, or is asked about", (_, path, text, term, kind, advice) => {
  // Files that are called by it, too.
  const more = Object.fromEntries(
    ["pictures/plain-crate.png", "Plain Crate.app", "data/org.crate.Plain.desktop.in"].map((each) => [each, ""]),
  );
  expect(advised(path, text, term, kind, /icon|title|<id>/.test(text) ? more : {})).toEqual(advice);
});

/** A text in each language, and its line around it. */
const written: readonly [file: string, text: string][] = [
  ["a.kt", 'val a = "Plain Crate"\n'],
  ["a.swift", 'let a = "Plain Crate"\n'],
  ["a.dart", "final a = 'Plain Crate';\n"],
  ["a.go", 'var a = "Plain Crate"\n'],
  ["a.rb", "a = 'Plain Crate'\n"],
  ["b.rb", 'a = "Plain Crate"\n'],
  ["a.php", "<?php $a = 'Plain Crate';\n"],
  ["b.php", '<?php $a = "Plain Crate";\n'],
  ["a.py", 'a = "Plain Crate"\n'],
  ["a.rc", 'VALUE "Name", "Plain Crate"\n'],
  ["a.ts", "const a = `Plain Crate`;\n"],
  ["a.vb", 'a = "Plain Crate" \' a title\n'],
  ["a.iss", '#define Name "Plain Crate"\n'],
  ["b.iss", "[Setup]\nAppName=Plain Crate\n"],
  ["a.nsi", '!define NAME "Plain Crate" ; a name\n'],
  ["a.tsx", 'const a = <T x={"Plain Crate"} />;\n'],
  ["Info.plist.in", "<plist><dict><key>A</key><string>Plain Crate</string></dict></plist>"],
  ["app/src/main/res/values/s.xml", '<resources><string name="a">Plain Crate</string></resources>'],
  ["a.toml", 'a = "Plain Crate"\n'],
  ["a.json", '{ "a": "Plain Crate" }'],
  ["a.strings", '"a" = "Plain Crate";\n'],
  ["de.po", 'msgstr "Plain Crate"\n'],
  ["main.tscn", '[node name="A" type="Label"]\ntext = "Plain Crate"\n'],
  ["a.html", '<title>x</title><script>const a = "Plain Crate";</script>'],
];

test("whatever a client is called, a text that is filled is read back as that by the file's own format", () => {
  const names = fc
    .string({ unit: "grapheme", minLength: 1, maxLength: 24 })
    .filter((name) => !/[\p{Cc}\p{Cs}\p{Zl}\p{Zp}]/u.test(name) && name.trim() === name);
  for (const [path, text] of written) {
    const { folder } = templateOf({ [path]: text });
    const quoted = /["'`]Plain Crate["'`]/.exec(text)?.[0] ?? "Plain Crate";
    const found = textSites(
      folder,
      { file: path, text: quoted, times: 1 },
      () => ({ file: "", line: 1, column: 1, text: "" }),
      [],
    );
    if (!found.ok) throw new Error(path);
    const { start = 0, end = 0 } = found.value[0]?.site ?? {};
    fc.assert(
      fc.property(names, (name) => {
        const value = quoted.replace("Plain Crate", () => write(found.value[0]?.form ?? "line", name));
        const after = shapeOf({ file: path, text: applyEdits(text, [{ start, end, text: value }]) });
        const was = shapeOf({ file: path, text });
        expect([path, after?.shape]).toEqual([path, was?.shape]);
        expect([path, after?.values]).toEqual([
          path,
          was?.values.map((each) => (each === "Plain Crate" ? name : each)),
        ]);
      }),
      { numRuns: 200 },
    );
  }
});

test("other people's readers read the same", () => {
  const name = `Brook & Mill's "Ö" <1> \${2} #{3}\\`;
  const filled = (path: string, text: string, quoted: string) => {
    const { folder } = templateOf({ [path]: text });
    const found = textSites(
      folder,
      { file: path, text: quoted, times: 1 },
      () => ({ file: "", line: 1, column: 1, text: "" }),
      [],
    );
    if (!found.ok) throw new Error(path);
    const form = found.value[0]?.form ?? "line";
    return text.replace(quoted, () => quoted.replace("Plain Crate", () => write(form, name)));
  };
  if (hasTool("python3")) {
    const script = filled("a.py", 'print("Plain Crate")', '"Plain Crate"');
    expect(tool("python3", ["-X", "utf8", "-c", script]).trimEnd()).toBe(name);
  }
  expect(tool("node", ["-e", filled("a.js", "console.log('Plain Crate')", "'Plain Crate'")]).trimEnd()).toBe(name);
  if (hasTool("xmllint")) {
    const list = join(temporaryFolder(), "a.plist");
    writeFileSync(list, filled("Info.plist.in", "<plist><string>Plain Crate</string></plist>", ">Plain Crate<"));
    expect(tool("xmllint", ["--xpath", "string(//string)", list]).trimEnd()).toBe(name);
  }
});

/** What the made-up apps say of themselves, in forms that are texts and in forms that are not. */
const mentions = [
  ...[
    "Plain Crate",
    "Welcome to Plain Crate!",
    "PLAIN CRATE",
    "plain-crate",
    "PlainCrate",
    "plaincrate",
    "xPlain Crate",
  ],
  ...[
    "plain_crate.session",
    "img/plain-crate.png",
    "https://crate.example",
    "https://crate.example/help?x=1",
    "crate.example",
  ],
  ...[
    "mailto:hi@crate.example",
    "com.crate.app",
    "com.crate.app.provider",
    "com.crate.app.MainActivity",
    "Crate Plain",
  ],
];
/** How each kind of file says a few things; what stands outside of a text is code's. */
const kinds: Readonly<Record<string, (said: readonly string[]) => string>> = {
  "a.kt": (said) => said.map((each, at) => `val plainCrate${at} = "${each}" // ${each}\n`).join(""),
  "a.swift": (said) => said.map((each, at) => `let PlainCrate${at} = "${each}"\n`).join(""),
  "a.ts": (said) => said.map((each, at) => `export const plainCrate${at} = f('${each}', \`${each}\`);\n`).join(""),
  "a.py": (said) => said.map((each, at) => `plain_crate_${at} = "${each}"  # ${each}\n`).join(""),
  "a.cpp": (said) => said.map((each, at) => `auto plain_crate_${at} = tr("${each}"); // PlainCrate\n`).join(""),
  "a.json": (said) => JSON.stringify(Object.fromEntries(said.map((each, at) => [`plain-crate-${at}`, each])), null, 2),
  "a.yaml": (said) => said.map((each, at) => `plain-crate-${at}: "${each}"\n`).join(""),
  "a.html": (said) => `<plain-crate>${said.map((each) => `<p title="${each}">${each}</p>`).join("\n")}</plain-crate>`,
  "a.plist": (said) =>
    `<plist><dict>${said.map((each, at) => `<key>${each} ${at}</key>\n<string>${each}</string>`).join("\n")}</dict></plist>`,
  "a.desktop": (said) => `[Desktop Entry]\n${said.map((each, at) => `X-${at}=${each}\n`).join("")}`,
};

test("of a hundred made-up files, all that is advised at once leaves the file what it was, and nothing of the template", () => {
  const nobody = { values: {}, names: { further: {} }, answers: {} };
  let [advice, questions] = [0, 0];
  fc.assert(
    fc.property(
      fc.constantFrom(...Object.keys(kinds)),
      fc.array(fc.constantFrom(...mentions), { minLength: 1, maxLength: 8 }),
      (path, said) => {
        const text = kinds[path]?.(said) ?? "";
        const template = templateOf({ [path]: text });
        const place = { file: path, line: 1, column: 1, text: "" };
        const identity = {
          terms: [
            { kind: "name" as const, text: "Plain Crate", place },
            { kind: "host" as const, text: "crate.example", place },
            { kind: "identifier" as const, text: "com.crate.app", place },
          ],
          namespaces: [],
          shells: new Map(),
        };
        const adviser = openAdviser(template, identity);
        const look = (content: string) =>
          searchFor(identity, [], nobody).inFile(path, Buffer.from(content), path).residue;
        const fills = new Map<string, { text?: string; at?: string; times?: number; with: string }>();
        const asked = new Set<number>();
        for (const residue of look(text)) {
          const { settle } = adviser(residue);
          if (settle?.list === "fill") fills.set(JSON.stringify(settle.entry), settle.entry as never);
          else asked.add(residue.problem.place?.line ?? 0);
        }
        advice += fills.size;
        questions += asked.size;
        const named = (line: string) => ({ file: "template.yaml", line: 1, column: 1, text: line });
        const edits = [...fills.values()].flatMap(({ text: excerpt, at, times = 1, with: pattern }) => {
          const own = at === undefined ? undefined : namedSite(template.folder, path, at);
          const found = own
            ? undefined
            : textSites(template.folder, { file: path, text: excerpt ?? "", times }, named, []);
          if (found && !found.ok) throw new Error(`${path}: ${excerpt} is not there ${times} times`);
          return (own ? [own] : (found?.value ?? []).map(({ site }) => site)).map(({ start, end }) => ({
            ...{ start, end },
            text: own ? write(own.form, asMarla(pattern)) : asMarla(pattern),
          }));
        });
        const filled = applyEdits(text, edits);
        expect(shapeOf({ file: path, text: filled })?.shape).toBe(shapeOf({ file: path, text })?.shape);
        // What is left is what was asked about.
        for (const { problem: left } of look(filled)) expect([...asked]).toContain(left.place?.line);
      },
    ),
    { numRuns: 100, seed: 20261129 },
  );
  expect([advice > 60, questions > 60]).toEqual([true, true]);
});

/** A pattern for one client, whose name has no marks. */
const asMarla = (pattern: string): string =>
  pattern
    .replace(/\{app\.name upper\}/g, "MARLA")
    .replace(/\{app\.name \w+\}/g, "marla")
    .replace(/\{app\.name\}/g, "Marla")
    .replace(/\{domain\}/g, "marla.example")
    .replace(/\{identifiers\.base\}/g, "example.marla.shop");

test("a reason that is left as it was printed is no reason", () => {
  const allowing = (reason: string) => templateSchema.safeParse({ allow: [{ file: "a.txt", reason }] }).success;
  expect([allowing("say why it may stay"), allowing("Say why it may stay"), allowing("Nobody sees it.")]).toEqual([
    ...[false, false, true],
  ]);
});
