import { expect, test } from "vitest";
import { occurrenceIn, type Term } from "../../../../src/core/app/template/occurrence.ts";
import { ownAmong } from "../../../../src/core/app/template/of-others.ts";
import { pathByFormat } from "../../../../src/core/formats/splice/known-ending.ts";

const name: Term = { kind: "name", found: "Crate", text: "Crate", field: "app.name" };

test.each([
  ["About &Crate…", "{app.name menu}"],
  ["E&xit Crate", "{app.name menu}"],
  ["Beer &amp; Crate &copy; 2026", "{app.name}"],
  ["AT&T in a Crate", "{app.name}"],
  ["如果安装了，Crate将在需要时", "{app.name}"],
  ["。Crateを再起動", "{app.name}"],
  ["Über Crate", "{app.name}"],
  ["Ez a Crate-n kívül", "part"],
  ["see x&Crate", "part"],
  ["Encrates", "unsafe"],
  ["#Crate on the network", "part"],
])("what may stand for the name in %s", (value, expected) => {
  const found = occurrenceIn(value, name);
  expect("expression" in found ? found.expression : found.doubt).toBe(expected);
});

test("of a name that a text says twice, each is told apart by where it stands", () => {
  const value = "https://crate.example/Crate is of Crate";
  const [first, second] = [value.indexOf("Crate"), value.lastIndexOf("Crate")];
  expect(occurrenceIn(value, name, first)).toEqual({ doubt: "page" });
  expect(occurrenceIn(value, name, second)).toEqual({ expression: "{app.name}" });
});

test("an identifier of one word within a sentence is what people call the program, and asked about", () => {
  const term: Term = { kind: "identifier", found: "crate", text: "crate", field: "identifiers.desktop" };
  expect(occurrenceIn("Your crate is too old", term)).toEqual({ doubt: "part" });
  expect(occurrenceIn("crate", term)).toEqual({ expression: "{identifiers.desktop}" });
});

test("folders of others are those that are called so, and libraries with a licence of their own", () => {
  const own = ["main.cpp", "libs/shared/index.ts", "src/libs/mine/a.cpp"];
  const others = ["3rdparty/a.c", "src/libs/editor/LICENSE", "src/libs/editor/demo/index.html", "subprojects/b/b.c"];
  expect(ownAmong([...own, ...others])).toEqual(own);
  expect(ownAmong(others)).toEqual(others);
});

test.each([
  ["po/crate_de.ts", '<?xml version="1.0"?>\n<!DOCTYPE TS>', "po/crate_de.ts.xml"],
  ["src/crate.ts", "export default 1;", "src/crate.ts"],
  ["bin/crate", "#!/bin/sh\nexec x", "bin/crate.sh"],
  ["bin/crate", "#!/usr/bin/env python3\n", "bin/crate.py"],
  ["bin/crate.html.in", "#!/bin/sh\n", "bin/crate.html"],
])("the format of %s shows by how it begins", (file, text, expected) => {
  expect(pathByFormat({ file, text })).toBe(expected);
});
