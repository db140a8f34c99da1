import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fillPattern, readPattern } from "../../../../src/core/clients/derive/fields/pattern.ts";
import { answerFault } from "../../../../src/core/clients/derive/questions/rules.ts";
import { unwrap } from "../../../../src/core/ground/problems/result.ts";
import { answerForms } from "../../../../src/core/ground/values/answer-forms.ts";
import { contrast, lift, readableOn } from "../../../../src/core/ground/values/color.ts";
import { type Field, fields } from "../../../../src/core/ground/values/fields.ts";

describe.each(Object.entries(answerForms))("%s", (form, { example, pattern, mistaken = [] }) => {
  const fault = (value: string) => answerFault("it", value, { kind: "identifier", form });

  test("its own example fits, and no form's example fits two forms that are mistaken for each other", () => {
    expect(fault(example)).toBeUndefined();
    for (const each of mistaken) expect(each.pattern.test(example)).toBe(false);
  });

  test("anything else is told, with what it is and an example", () => {
    fc.assert(
      fc.property(fc.string(), (value) => {
        fc.pre(!pattern.test(value));
        expect(fault(value)?.expected).toContain(example);
      }),
    );
  });
});

test.each([
  ["mobile-analytics", "G-AB12CD34EF", "a web page's measurement ID"],
  ["web-measurement", "1:123456789012:ios:0a1b2c", "an app's ID for mobile analytics"],
  ["ad-app", "ca-app-pub-1234567890123456/1234567890", "the ID of a single ad unit"],
  ["team", "producer@hillfarm.example", "an account's number or address"],
  ["issuer", "A1B2C3D4E5", "a key ID or a team ID"],
  ["app-record", "id1234567890", "with id in front"],
  ["host", "https://hillfarm.example/x", "a whole address"],
])("a %s that is really something else is told as that", (form, value, says) => {
  expect(answerFault("it", value, { kind: "identifier", form })?.message).toContain(says);
});

test.each([
  ["text", "", {}, "something"],
  ["text", "four", { longest: 3 }, "at most 3 characters; it has 4"],
  ["address", "hillfarm.example", {}, "an address such as"],
  ["address", "javascript:alert(1)", {}, "an address such as"],
  ["email", "a b@c.example", {}, "an e-mail address"],
  ["color", "#1f5d4", {}, "a colour"],
  ["choice", "East", { options: ["east", "west"] }, "one of east, west"],
  ["number", "1.5", {}, "a whole number"],
  ["number", "0", { least: 1, most: 9 }, "a whole number from 1 up to 9"],
  ["identifier", "AB-1", { pattern: "^[A-Z]{2}-\\d{3}$", example: "AB-123" }, "something like AB-123"],
] as const)("%s: %j is refused", (kind, value, more, expected) => {
  expect(answerFault("it", value, { kind, ...more } as Parameters<typeof answerFault>[2])?.expected).toContain(
    expected,
  );
});

test("any brand colour has a form for dark screens, and a text that is read on it; a light one stays", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (number) => {
      const brand = `#${number.toString(16).padStart(6, "0")}`;
      const dark = lift(brand);
      expect(contrast(dark, "#121212")).toBeGreaterThanOrEqual(4.5);
      expect(contrast(readableOn(dark), dark)).toBeGreaterThanOrEqual(4.5);
      if (contrast(brand, "#121212") >= 4.5) expect(dark).toBe(brand);
    }),
  );
});

test("from any brand colour: texts are read on their grounds, lines and brand are seen, by day and night", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (number) => {
      const brand = `#${number.toString(16).padStart(6, "0")}`;
      const color = (name: string) =>
        fillPattern(unwrap(readPattern(fields[`colors.${name}` as Field].pattern ?? "")), () => brand) ?? "";
      for (const night of ["", "Dark"]) {
        const [page, text, soft, softText, line] = ["page", "text", "soft", "softText", "line"].map((name) =>
          color(`${name}${night}`),
        ) as [string, string, string, string, string];
        expect(contrast(text, page)).toBeGreaterThanOrEqual(7);
        expect(contrast(softText, soft)).toBeGreaterThanOrEqual(7);
        expect(contrast(text, soft)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(line, page)).toBeGreaterThanOrEqual(3);
      }
      expect(contrast(lift(brand), color("pageDark"))).toBeGreaterThanOrEqual(4.4);
    }),
  );
});

test.each([
  ["address", "https://hillfarm.example/terms", ["hillfarm.example", "ftp://hillfarm.example", "https://"]],
  ["email", "post@hillfarm.example", ["post", "post@hillfarm", "a b@hillfarm.example"]],
  ["color", "rebeccapurple", ["#1f5d4", "rgba(0 0 0 / 0.5)", "greenish"]],
  ["number", "-4", ["4.5", "1e3", "four"]],
] as const)("an answer of the kind %s", (kind, right, wrong) => {
  expect(answerFault("it", right, { kind })).toBeUndefined();
  for (const value of wrong) expect(answerFault("it", value, { kind })?.expected, value).toMatch(/^an? /);
});
