import { describe, expect, test } from "vitest";
import { drawnWidth, fittedLabel, roomForLabel } from "../../../../src/core/clients/derive/fields/label.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";

const label = (name: string) => fittedLabel(trace({ by: "pattern", note: "", value: name }));

test("a text is measured as it is drawn, not by its letters", () => {
  expect(drawnWidth("iiiiiiiiiiii")).toBeLessThan(roomForLabel / 2);
  expect(drawnWidth("WWWWWWWW")).toBeGreaterThan(roomForLabel);
  expect(drawnWidth("庭の野菜箱庭")).toBe(6);
  expect(drawnWidth("é")).toBe(drawnWidth("e\u0301"));
  expect(roomForLabel).toBe(6);
});

describe("the label made from a name", () => {
  test.each([
    ["Saltmarsh", "Saltmarsh"],
    ["The Orchard Lane", "Orchard Lane"],
    ["Root & Leaf", "Root & Leaf"],
    ["High Hedges Farm Partners Ltd", "High Hedges"],
    ["Зелена Грядка Поділля", "Зелена"],
    ["Gemüsegärtnereigenossenschaft", "Gemüsegärt."],
    ["The Co", "The Co"],
  ])("%s is %s", (name, expected) => {
    const { value } = label(name);
    expect(value).toBe(expected);
    expect(drawnWidth(value)).toBeLessThanOrEqual(roomForLabel);
  });

  test("says each step", () => {
    expect(label("The High Hedges Farm Partners").trail.map((step) => step.note)).toEqual([
      "",
      "words that say nothing left out",
      "the words that say most, as far as they have room under an icon",
    ]);
  });
});
