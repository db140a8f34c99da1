import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { windowsLimits } from "../../../../src/core/app/platforms/windows/limits.ts";
import { windows } from "../../../../src/core/app/platforms/windows/windows.ts";
import { asciiDomain, brokenRules, settleBase } from "../../../../src/core/clients/derive/fields/identifier.ts";
import { fillPattern, readPattern } from "../../../../src/core/clients/derive/fields/pattern.ts";
import type { Field } from "../../../../src/core/ground/values/fields.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";

const fill = (pattern: string, values: Partial<Record<Field, string>>) => {
  const read = readPattern(pattern);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return fillPattern(read.value, (field) => values[field]);
};
const base = (domain: string, name: string) =>
  settleBase(
    trace({
      by: "pattern",
      note: "",
      value: fill("{domain reversed}.{app.name joined}", { domain, "app.name": name }) ?? "",
    }),
  );

describe("the base identifier", () => {
  test.each([
    ["3acre.example", "3 Acre Greens", "example.n3acre.n3acregreens"],
    ["high-hedges.example", "High Hedges Farm", "example.highhedges.highhedgesfarm"],
    ["shop.new.example", "Bär & Søn", "example.newapp.shop.barandson"],
    ["con.example", "O’Neill's", "example.conapp.oneills"],
    ["griadka.example", "Зелена Грядка", "example.griadka.zelenagryadka"],
  ])("of %s and %s is %s", (domain, name, expected) => {
    expect(base(domain, name).value).toBe(expected);
  });

  test("says each repair", () => {
    const notes = base("3-acre.example", "Class").trail.map((step) => `${step.value}: ${step.note}`);
    expect(notes).toEqual([
      "example.3-acre.class: ",
      expect.stringContaining("example.3acre.class: marks other than letters and digits left out"),
      expect.stringContaining("example.n3acre.class: n put before a digit"),
      expect.stringContaining("example.n3acre.classapp: app put behind a word"),
    ]);
  });

  test("of any name and domain is accepted on every platform, or clearly not; and is the same each time", () => {
    const domain = fc.domain().map((each) => asciiDomain(each) ?? each);
    fc.assert(
      fc.property(domain, fc.string({ unit: "grapheme", minLength: 1, maxLength: 40 }), (host, name) => {
        const settled = base(host, name);
        expect(base(host, name)).toEqual(settled);
        const fitted = windows.identifiers.fit(settled).value;
        expect(brokenRules("ios", settled.value).filter((rule) => !rule.includes("155"))).toEqual([]);
        expect(brokenRules("windows", fitted)).toEqual([]);
        const android = brokenRules("android", settled.value);
        expect(android.every((rule) => rule.includes("refuses") || rule.includes("two segments"))).toBe(true);
      }),
      { numRuns: 400 },
    );
  });

  test("of a publisher is a certificate's subject (Microsoft, package manifest schema, Identity)", () => {
    const isPublisher = windowsLimits.find(({ field }) => field === "windows.publisher")?.keeps ?? (() => undefined);
    for (const name of ["CN=Hill", 'CN="Hill, Sons", O=Hill Farm, C=GB', "CN=Hill, OID.1.2.840.113=x"])
      expect([name, isPublisher(name)]).toEqual([name, true]);
    for (const name of ["Hill", "CN=", "CN=Hill,, O=Hill", "CN=Hill, Farm", "XX=Hill", "CN=a<b"])
      expect([name, isPublisher(name)]).toEqual([name, false]);
  });

  test("is shortened for Windows so that two long ones stay apart", () => {
    const long = (end: string) =>
      windows.identifiers.fit(trace({ by: "pattern", note: "", value: `example.${"farm".repeat(15)}${end}` })).value;
    expect(long("a")).toHaveLength(50);
    expect(long("a")).not.toBe(long("b"));
  });
});

test.each([
  ["android", "com.example.farm", "the store refuses"],
  ["android", "example.farm.new", "no word of Java"],
  ["android", "farm", "two segments"],
  ["ios", "example.farm_shop", "only letters, digits, hyphens"],
  ["windows", "example.aux.farm", "name of a device"],
  ["windows", "farm.", "not end with a full stop"],
  ["web", "farm", "start with a slash"],
] as const)("%s does not accept %s", (platform, identifier, why) => {
  expect(brokenRules(platform, identifier).join()).toContain(why);
});

describe("patterns", () => {
  const values = { "app.name": "Bær & Søn's Farm", owner: "Hill, Sons", key: "hill", domain: "a.b.c" };

  test.each([
    ["{app.name joined}", "baerandsonsfarm"],
    ["{app.name hyphenated upper}", "BAER-AND-SONS-FARM"],
    ["{app.name initials}", "BASF"],
    ["{app.name ascii}", "Baer & Son's Farm"],
    ["{app.name fitting 9}", "Bær Søn's"],
    ["{domain reversed}", "c.b.a"],
    ["{{{key first 2 upper}}}", "{HI}"],
    ["CN={owner distinguished}", 'CN="Hill, Sons"'],
  ])("%s gives %s", (pattern, expected) => {
    expect(fill(pattern, values)).toBe(expected);
  });

  test.each([
    ["{ap.name}", 2, 'No field is called "ap.name".', '"app.name"'],
    ["x{app.name joind}", 12, 'No word is called "joind".', '"joined"'],
    ["{app.name first}", 11, '"first" wants a number of letters behind it.', "{app.name first 12}"],
    ["{app.name", 1, "This brace is never closed.", "{{ for a brace that stands for itself"],
    ["{}", 2, "These braces are empty.", "a field, such as app.name"],
  ])("%s is refused at column %i", (pattern, column, message, expected) => {
    const read = readPattern(pattern, { file: "pattern", line: 1, column: 0, text: pattern });
    const [told] = read.ok ? [] : read.problems;
    expect(told).toMatchObject({ code: "pattern-invalid", message, expected, place: { column } });
  });
});
