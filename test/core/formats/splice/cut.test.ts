import fc from "fast-check";
import { expect, test } from "vitest";
import {
  elementCut,
  keyCuts,
  memberCuts,
  openStepCuts,
  pageCuts,
  withCuts,
} from "../../../../src/core/formats/splice/cut.ts";
import { htmlElements } from "../../../../src/core/formats/splice/formats/html.ts";
import { entry, parseOpenStep } from "../../../../src/core/formats/splice/formats/openstep.ts";
import { findAll, parseXml } from "../../../../src/core/formats/splice/formats/xml.ts";
import { applyEdits } from "../../../../src/core/formats/splice/site.ts";

const source = (text: string) => ({ file: "f", text });
const keys = fc.uniqueArray(fc.constantFrom<string[]>("a", "b", "c", "d", "e", "f"), { minLength: 1 });

test("JSON: whichever members are taken out, the rest is the same object, comments and all", () => {
  fc.assert(
    fc.property(keys, fc.constantFrom("  ", "\t", ""), fc.func(fc.boolean()), (names, indent, isGone) => {
      const gone = names.filter((name) => isGone(name));
      const members = names.map((name) => `${indent}"${name}": { "in": ["${name}", 1] }`);
      const text = `{\n${members.join(",\n")}\n}\n`;
      const left = applyEdits(text, withCuts([], memberCuts("f", source(text), gone)));
      const wanted = Object.fromEntries(
        names.filter((name) => !gone.includes(name)).map((name) => [name, { in: [name, 1] }]),
      );
      expect(JSON.parse(left)).toEqual(wanted);
    }),
  );
});

test("XML and property lists: what is taken out goes with its line, and every other byte stays", () => {
  fc.assert(
    fc.property(keys, fc.constantFrom("\n", "\r\n"), fc.func(fc.boolean()), (names, end, isGone) => {
      const gone = names.filter((name) => isGone(name));
      const line = (name: string) => `  <item name="${name}"><in/>é</item>`;
      const xml = (all: string[]) => ["<r>", ...all.map(line), "</r>"].join(end);
      const text = xml(names);
      const cut = findAll(parseXml(source(text)), "item")
        .filter((each) => gone.includes(each.attributes.get("name")?.value ?? ""))
        .map((each) => elementCut("f", text, each));
      expect(applyEdits(text, withCuts([], cut))).toBe(xml(names.filter((name) => !gone.includes(name))));

      const list = (all: string[]) =>
        [
          "<plist><dict>",
          ...all.map((name) => `\t<key>${name}</key>${end}\t<array><string>x</string></array>`),
          "</dict></plist>",
        ].join(end);
      const plist = list(names);
      const cuts = keyCuts("f", plist, parseXml(source(plist)), gone);
      expect(applyEdits(plist, withCuts([], cuts))).toBe(list(names.filter((name) => !gone.includes(name))));

      const group = (all: string[]) =>
        ["{ s = {", ...all.map((name) => `\t${name} = { x = (1, "a;b"); };`), "}; }"].join(end);
      const settings = group(names);
      const found = openStepCuts("f", settings, entry(parseOpenStep(source(settings)), "s"), gone);
      expect(applyEdits(settings, withCuts([], found))).toBe(group(names.filter((name) => !gone.includes(name))));
    }),
  );
});

test("pages: an element goes by its id, in whatever case its tag is", () => {
  const page =
    '<!doctype html>\n<body>\n  <P id="scan">Scan <b>it</b></P>\n  <p id=keep>Keep</p>\n  <img id="scan2">\n</body>';
  const left = applyEdits(page, withCuts([], pageCuts("f", source(page), ["#scan", "scan2"])));
  expect(left).toBe("<!doctype html>\n<body>\n  <p id=keep>Keep</p>\n</body>");
  expect(htmlElements(source(left)).map(({ tagName }) => tagName)).toEqual(["html", "head", "body", "p"]);
});

test("edits within what is taken out go with it; those at its edges, and those outside, stay", () => {
  const cut = { file: "f", start: 4, end: 8 };
  const edits = [
    { start: 0, end: 1, text: "A" },
    { start: 4, end: 4, text: "<" },
    { start: 5, end: 6, text: "no" },
    { start: 6, end: 6, text: "no" },
    { start: 8, end: 8, text: ">" },
  ];
  expect(applyEdits("0123456789", withCuts(edits, [cut, { ...cut, start: 6 }]))).toBe("A123<>89");
});
