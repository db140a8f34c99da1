import fc from "fast-check";
import { expect, test } from "vitest";
import { words } from "../../../../src/core/clients/derive/fields/words.ts";

test.each(Object.entries(words))("%s does to its example what it says", (_, { says, takes, apply }) => {
  const [, argument = takes?.example ?? "", before = "", after] = /: (?:with (\S+), )?([^:]+) → (.+)$/.exec(says) ?? [];
  expect(after).toBeDefined();
  expect(apply(before, argument)).toBe(after);
  if (takes) expect(argument).toMatch(takes.form);
});

test("what is fitted has room, and is the start of what was given: whole words where the first has room", () => {
  const text = fc
    .array(fc.string({ minLength: 1, unit: fc.constantFrom(..."abcäößЖ魚😀") }), {
      minLength: 1,
      maxLength: 6,
    })
    .map((each) => each.join(" "));
  fc.assert(
    fc.property(text, fc.integer({ min: 1, max: 30 }), (given, most) => {
      const kept = words.fitting?.apply(given, String(most)) ?? "";
      expect([...kept].length).toBeLessThanOrEqual(most);
      expect(given.startsWith(kept)).toBe(true);
      const [first = ""] = given.split(" ");
      if ([...first].length <= most) expect([undefined, " "]).toContain(given.slice(kept.length)[0]);
      expect(kept).not.toBe("");
    }),
  );
});
