import { describe, expect, test } from "vitest";
import { type BuildRecord, type BuildRecords, lastBuilt } from "../../../../src/core/agency/history/builds.ts";
import { platforms } from "../../../../src/core/ground/values/platform.ts";
import { builtOnBoard, speakingOn } from "../../../../src/core/showing/board/saying.ts";
import { agesIn, agesSaid } from "../../../../src/core/stores/ages.ts";
import { allStores } from "../../../../src/core/stores/all.ts";
import { categoryNames, isOfGames } from "../../../../src/core/stores/categories.ts";
import { choicesIn } from "../../../../src/core/stores/choice-words.ts";
import { dataKindNames, purposeNames } from "../../../../src/core/stores/data-kinds.ts";

describe("ages", () => {
  test.each<[said: string, shown: string, odd: string[]]>([
    ["18+", "18 and over", []],
    ["13-15, 16–17\n18+", "13-15, 16-17, 18 and over", []],
    ["adults", "18 and over", []],
    ["teenagers", "13-15, 16-17", []],
    ["all", "5 and under, 6-8, 9-12, 13-15, 16-17, 18 and over", []],
    ["18+, 13-15", "13-15, 18 and over", []],
    ["12+, 18+", "18 and over", ["12+"]],
    ["", "", []],
  ])("%s", (said, shown, odd) => {
    expect([agesSaid(said), agesIn(said).odd]).toEqual([shown, odd]);
  });
});

describe("each store's form", () => {
  test("has a name for every kind of data, and for each purpose but one that it has not", () => {
    for (const { data, title } of allStores) {
      if (!data.byKind) continue;
      for (const kind of dataKindNames)
        expect(
          data.kinds[kind].every((name) => /^[A-Z]/.test(name)),
          title,
        ).toBe(true);
      const lacking = purposeNames.filter((purpose) => data.purposes[purpose] === undefined);
      expect([title, lacking]).toEqual([title, title === "Google Play" ? ["other"] : []]);
      // Six purposes of Apple's, seven of Google's.
      const named = new Set(purposeNames.flatMap((purpose) => data.purposes[purpose] ?? []));
      expect(named.size).toBe(title === "Google Play" ? 7 : 6);
    }
  });

  test("has a category for every kind of game, and words for every category that differ in each language", () => {
    for (const { categories, title } of allStores)
      for (const name of categoryNames.filter(isOfGames))
        expect([title, name, typeof categories[name]]).toContain("string");
    for (const language of ["en", "de", "fr", "es"])
      expect(new Set(choicesIn("category", language).map((word) => word.toLowerCase())).size).toBe(
        categoryNames.length,
      );
  });
});

test("how far builds are is said once where platforms are alike, and of each where they differ", () => {
  const record = (platform: BuildRecord["platform"], build: number, state: BuildRecord["state"]): BuildRecord => ({
    ...{ stage: "store", version: "1.2.0", on: "2026-11-29", variant: "s", files: [], given: [] },
    ...{ platform, build, state },
  });
  const said = (...all: readonly BuildRecord[]) =>
    builtOnBoard(
      lastBuilt(Object.fromEntries(all.map((each, at) => [`${at}`, each])) satisfies BuildRecords),
      speakingOn("en"),
    ).join("; ");
  expect(said()).toBe("");
  expect(said(record("web", 1, "good"), record("android", 1, "good"))).toBe("1.2.0 (1)");
  expect(said(record("web", 1, "good"), record("web", 2, "failed"))).toBe("1.2.0 (1), 2 failed");
  expect(said(record("web", 1, "failed"), record("web", 2, "good"))).toBe("1.2.0 (2)");
  expect(said(record("android", 3, "good"), record("web", 1, "good"))).toBe("Android 1.2.0 (3); Web 1.2.0 (1)");
  // One that is begun says nothing yet; a stage is not the store's.
  expect(said(record("web", 4, "begun"), { ...record("web", 3, "good"), stage: "testers" })).toBe("");
  expect(platforms).toContain("android");
});
