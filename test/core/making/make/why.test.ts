import { describe, expect, test } from "vitest";
import type { FileChange } from "../../../../src/core/making/jobs/difference.ts";
import { causeName, causeSaid, causesSince, type MadeFrom, whyOf } from "../../../../src/core/making/make/why.ts";
import type { Entry } from "../../../../src/core/making/plan/plan.ts";

const from = (more: Partial<MadeFrom> = {}): MadeFrom => ({
  platforms: "android, ios",
  values: { "colors.brand": "#112233", "app.name": "Hill" },
  pictures: { "clients/hill/art/mark.svg": "a" },
  template: { "web/style.css": "1" },
  renderer: 1,
  ...more,
});

const input = { of: "template" as const, path: "web/style.css", sha256: "2" };
const change = (entry: Entry): FileChange => ({ what: "change", path: entry.path, entry });
const splice = (text: string): Entry => ({
  kind: "splice",
  path: "web/style.css",
  fingerprint: "",
  input,
  executable: false,
  edits: [{ start: 0, end: 1, text }],
});
const drawn = (color: string, file = "clients/hill/art/mark.svg"): Entry => ({
  kind: "draw",
  path: "icon.png",
  fingerprint: "",
  container: "png",
  drawings: [
    {
      width: 48,
      height: 48,
      alpha: "none",
      tone: "color",
      plate: { shape: "full", color: color as `#${string}`, side: 48, corner: 0 },
      picture: {
        art: { file, hash: "b", format: "svg", width: 1, height: 1 },
        part: { x: 0, y: 0, width: 1, height: 1 },
        at: { x: 0, y: 0, width: 48, height: 48 },
        clip: false,
      },
    },
  ],
});

describe("what changed since a variant was made", () => {
  test("is unknown where nothing is recorded, and nothing where all is the same", () => {
    expect(causesSince(undefined, from())).toBeUndefined();
    expect(causesSince(from(), from())).toEqual([]);
  });

  test("are values, pictures, files of the template and the way of drawing, with what they were", () => {
    const causes = causesSince(
      from(),
      from({
        values: { "colors.brand": "#445566" },
        pictures: { "clients/hill/art/mark.svg": "b", "clients/hill/art/mono.svg": "c" },
        template: { "web/style.css": "2" },
        renderer: 2,
      }),
    );
    expect(causes?.map(causeSaid)).toEqual([
      "colors.brand: #112233 → #445566",
      "app.name: Hill → nothing",
      "clients/hill/art/mark.svg is another",
      "clients/hill/art/mono.svg is another",
      "the template's web/style.css changed",
      "pictures are drawn in another way now",
    ]);
    expect(causes?.map(causeName).slice(0, 1)).toEqual(["colors.brand"]);
  });

  test("are the platforms, and not the files of the template that come or go with their parts", () => {
    const fewer = from({ platforms: "android", template: {} });
    expect(causesSince(from(), fewer)?.map(causeSaid)).toEqual(["platforms: android, ios → android"]);
    expect(causesSince(fewer, from())?.map(causeName)).toEqual(["platforms"]);
    expect(causesSince(from(), { ...fewer, template: { "web/style.css": "2" } })?.map(causeName)).toEqual([
      "platforms",
      "the template's web/style.css",
    ]);
  });
});

describe("why a file changes", () => {
  const brand = causesSince(from(), from({ values: { ...from().values, "colors.brand": "#445566" } })) ?? [];
  const mark = causesSince(from(), from({ pictures: { "clients/hill/art/mark.svg": "b" } })) ?? [];
  const style = causesSince(from(), from({ template: { "web/style.css": "2" } })) ?? [];

  test.each([
    ["a value that is put into it", change(splice("#445566")), brand, "colors.brand: #112233 → #445566"],
    ["in capitals, without its mark", change(splice("0x445566FF")), brand, "colors.brand: #112233 → #445566"],
    ["the template's own file", change(splice("other")), style, "the template's web/style.css changed"],
    ["none that can be seen", change(splice("other")), brand, "values that are put into it changed"],
    ["its picture", change(drawn("#112233")), mark, "clients/hill/art/mark.svg is another"],
    ["its colour", change(drawn("#445566")), brand, "colors.brand: #112233 → #445566"],
    ["another picture", change(drawn("#112233", "x.svg")), mark, "colours or pictures that it is drawn from changed"],
  ])("%s", (_, at, causes, expected) => {
    expect(whyOf(at, causes)).toBe(expected);
  });

  test("nobody knows without a record; what is not there, gone or no longer planned says so", () => {
    expect(whyOf(change(splice("x")), undefined)).toBe("made from something else before");
    const entry = splice("x");
    const what = (kind: "create" | "restore") => whyOf({ what: kind, path: "x", entry }, []);
    expect([what("create"), what("restore")]).toEqual(["not there yet", "gone, or changed by hand since it was made"]);
    expect(whyOf({ what: "remove", path: "x" }, [])).toBe("no longer a part of the app");
  });
});
