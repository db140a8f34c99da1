import { stripVTControlCharacters } from "node:util";
import fc from "fast-check";
import stringWidth from "string-width";
import { describe, expect, test } from "vitest";
import { fitLines } from "../../src/cli/view/fit.ts";
import { table } from "../../src/cli/view/table.ts";
import { openTerminal } from "../../src/cli/view/terminal.ts";

const plain = openTerminal({ color: "never" }).out;
const colored = openTerminal({ color: "always" }).out;
const words = fc.array(fc.stringMatching(/^[\p{L}\p{N}.,"/-]{1,30}$/u), { minLength: 1, maxLength: 40 });
/** Without blanks and colours; letters that are the same to Unicode are the same here. */
const packed = (text: string) => stripVTControlCharacters(text).replace(/\s+/g, "").normalize("NFC");

describe("lines that fit a window", () => {
  test("none is wider, and nothing of the text is lost", () => {
    fc.assert(
      fc.property(words, fc.integer({ min: 40, max: 140 }), (all, columns) => {
        const text = all.join(" ");
        const fitted = fitLines(text, columns);
        for (const line of fitted.split("\n")) expect(stringWidth(line)).toBeLessThanOrEqual(columns);
        expect(packed(fitted)).toBe(packed(text));
      }),
    );
  });

  test("what goes on stands under the text, behind its label; colours go on too", () => {
    const line = `   ${colored.dim("to do")}     Make sure that the right file was supplied; stores refuse copies of it.`;
    const [first, second, ...more] = fitLines(line, 50).split("\n");
    expect(stripVTControlCharacters(first ?? "")).toBe("   to do     Make sure that the right file was");
    expect(second).toBe("             supplied; stores refuse copies of it.");
    expect(more).toEqual([]);
    expect(fitLines(colored.red("a".repeat(30)), 40)).toBe(colored.red("a".repeat(30)));
  });

  test("a line of somebody's file is cut, so that the mark stays under its letter", () => {
    const excerpt = `   12 | ${"name: a very long value ".repeat(5)}\n      |         ^`;
    const [line, mark] = fitLines(excerpt, 60).split("\n");
    expect(stringWidth(line ?? "")).toBeLessThanOrEqual(60);
    expect(mark).toBe("      |         ^");
  });

  test("wide letters count as two", () => {
    const fitted = fitLines("緑の丘農園".repeat(12), 50).split("\n");
    expect(fitted.length).toBeGreaterThan(1);
    for (const line of fitted) expect(stringWidth(line)).toBeLessThanOrEqual(50);
  });
});

describe("a table", () => {
  const rows = [
    ["saltmarsh", "Full description names another platform, which the store does not take.", "complete"],
    ["3-acre", "nothing", "31 of 33"],
  ];

  test("takes what its cells want where there is room", () => {
    const drawn = table(["client", "next", "state"], rows, plain);
    expect(drawn.split("\n")).toHaveLength(3);
    expect(drawn).toContain("which the store does not take.  complete");
  });

  test("breaks its widest cells where there is none, and keeps the others whole", () => {
    const drawn = table(["client", "next", "state"], rows, plain, 50);
    for (const line of drawn.split("\n")) expect(stringWidth(line)).toBeLessThanOrEqual(50);
    for (const whole of ["saltmarsh", "complete", "31 of 33"]) expect(drawn).toContain(whole);
    expect(packed(drawn)).toContain("Fulldescription");
  });
});
