import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { chooseParts } from "../../../../src/core/app/survey/parts.ts";
import { mergeFound, type PartSurvey } from "../../../../src/core/app/template/found.ts";
import { emptySite } from "../../../../src/core/formats/splice/site.ts";
import { type Platform, platforms } from "../../../../src/core/ground/values/platform.ts";

/** A part that fills the first bytes of some files. */
const part = (platform: Platform, folder: string, ...files: string[]): PartSurvey => ({
  ...mergeFound([
    { fills: files.map((file, at) => ({ holds: "app.name", site: emptySite(file, at, "raw"), shape: "text" })) },
  ]),
  platform,
  folder,
  identifiers: [],
  names: [],
});

const filled = (parts: readonly PartSurvey[]) => parts.flatMap(({ fills }) => fills.map(({ site }) => site.file));

describe("the parts of a template that are made", () => {
  const all = [
    part("android", "android", "android/strings.xml", "app.json", "README.md"),
    part("ios", "ios", "ios/Info.plist"),
    part("web", "", "index.html"),
  ];

  test("are those of the platforms, and whoever's folder holds one of them", () => {
    expect(chooseParts(all, ["ios"]).parts.map(({ platform }) => platform)).toEqual(["ios", "web"]);
    expect(chooseParts(all, ["web"]).parts.map(({ platform }) => platform)).toEqual(["web"]);
    expect(chooseParts(all, []).parts).toEqual([]);
  });

  test("fill what all share, though a part that is left out has found it", () => {
    const { parts, isLeft } = chooseParts(all, ["ios"]);
    expect(filled(parts).sort()).toEqual(["README.md", "app.json", "index.html", "ios/Info.plist"]);
    expect(["android/strings.xml", "android", "androids/a", "ios/a", "app.json"].map(isLeft)).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
  });

  test("hold every place of a file that is not left out, once, whichever platforms are wanted", () => {
    const folders = fc.constantFrom("", "a", "b", "a/c", "d");
    const files = fc.array(fc.constantFrom("x", "a/x", "a/c/x", "b/x", "d/x"), { maxLength: 4 });
    const some = fc.uniqueArray(fc.tuple(fc.constantFrom(...platforms), folders, files), {
      selector: ([platform]) => platform,
      minLength: 1,
    });
    fc.assert(
      fc.property(some, fc.subarray([...platforms]), (given, wanted) => {
        const own = given.map(([platform, folder, named]) => part(platform, folder, ...named));
        const { parts, isLeft } = chooseParts(own, wanted);
        const kept = filled(own).filter((file) => !isLeft(file));
        const made = filled(parts).filter((file) => !isLeft(file));
        expect(made.sort()).toEqual(parts.length > 0 ? kept.sort() : []);
        for (const { platform } of own)
          if (wanted.includes(platform)) expect(parts.map((each) => each.platform)).toContain(platform);
      }),
    );
  });
});
