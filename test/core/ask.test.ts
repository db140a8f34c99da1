import { describe, expect, test } from "vitest";
import { type Asked, namesOf, thingsOf } from "../../src/core/ask/letter.ts";
import { letterPage } from "../../src/core/ask/page.tsx";
import { fillInSheets } from "../../src/core/ask/sheet.ts";
import { letterText } from "../../src/core/ask/text.ts";
import { german } from "../../src/core/ask/words/de.ts";
import { english } from "../../src/core/ask/words/en.ts";
import { spanish } from "../../src/core/ask/words/es.ts";
import { french } from "../../src/core/ask/words/fr.ts";
import { sayIn } from "../../src/core/ask/words/say.ts";
import { problem } from "../../src/core/problems/problem.ts";
import type { ClientStanding } from "../../src/core/record/board.ts";
import type { LineStanding, Standing } from "../../src/core/record/standing.ts";
import { recordFieldNames, recordFields } from "../../src/core/stores/record-fields.ts";
import { pageLanguages } from "../../src/core/values/page-language.ts";
import type { StoreKey } from "../../src/core/values/store.ts";
import { noArtwork, type Resolved } from "../../src/core/variant/variant.ts";

const resolved = (problems: Resolved["problems"] = []): Resolved => ({
  client: { key: "hill", folder: "/nowhere", problems: [] },
  values: {},
  art: noArtwork,
  problems,
});

const line = (field: LineStanding["field"], more: Partial<LineStanding> = {}): LineStanding => ({
  field,
  title: field,
  need: "required",
  state: "missing",
  menders: [],
  fallback: [],
  ...more,
});

const standing = (store: StoreKey, lines: LineStanding[]): Standing => ({
  store,
  title: store,
  required: { done: 0, total: 1 },
  recommended: { done: 0, total: 0 },
  lines,
  captures: [],
  answers: [],
  problems: [],
  passed: [],
});

const board = (stores: Standing[], unshared: ClientStanding["unshared"] = []): ClientStanding => ({
  client: "hill",
  name: "Hill",
  stores,
  unshared,
  problems: [],
});

const agency = { name: "Lanternfield", email: "studio@lanternfield.example" };
const say = sayIn("en");
const labels = (groups: Asked["groups"]) => groups.flatMap(({ things }) => things.map(({ label }) => label));

test("letters have a word for everything that a client supplies, in every language with the same braces", () => {
  const puts = (text: string) => [...text.matchAll(/\{\w+\}/g)].map(([name]) => name).sort();
  for (const field of recordFieldNames)
    if (recordFields[field].who === "client" && field !== "name") expect(Object.keys(english)).toContain(field);
  for (const [word, text] of Object.entries(english))
    for (const table of [german, french, spanish])
      expect([word, puts(table[word as never])]).toEqual([word, puts(text)]);
});

describe("a letter asks for", () => {
  test("what is missing, once for all stores, with the strictest limit; not for what others do", () => {
    const stores = [
      standing("google-play", [line("short"), line("sku"), line("privacy", { state: "given" })]),
      standing("microsoft-store", [line("short"), line("news"), line("subcategory", { need: "optional" })]),
    ];
    const groups = thingsOf(resolved(), board(stores), undefined, say, agency);
    expect(labels(groups)).toEqual([english.short]);
    expect(groups[0]?.things[0]).toMatchObject({ heading: "store.texts.en.short", hints: ["up to 80 characters"] });
  });

  test("what the client has to mend, not for a draft that the producer reads", () => {
    const stores = [
      standing("app-store", [
        line("privacy", { state: "wrong", menders: ["client"] }),
        line("description", { state: "draft", menders: ["producer"] }),
        line("subtitle", { need: "recommended" }),
      ]),
    ];
    const groups = thingsOf(resolved(), board(stores), undefined, say, agency);
    expect(labels(groups)).toEqual([english.subtitle, english.privacy]);
    expect(groups[0]?.things[0]?.hints).toContain(english.helps);
  });

  test("pictures that cannot be used, and answers that the template wants", () => {
    const told = [
      problem("art-missing", "The brief names no picture.", { client: "hill" }),
      problem("answer-missing", "Opening hours are missing.", { client: "hill" }),
      problem("template-gap", "The template lacks something.", { client: "hill" }),
    ];
    const groups = thingsOf(resolved(told), board([]), undefined, say, agency);
    expect(groups.map(({ word }) => word)).toEqual(["pictures", "answers"]);
    expect(labels(groups).join()).not.toContain("template");
  });

  test("a share in the client's own account, with the steps", () => {
    const groups = thingsOf(resolved(), board([standing("app-store", [])], ["app-store"]), undefined, say, agency);
    expect(groups[0]?.word).toBe("accounts");
    expect(groups[0]?.things[0]?.hints[0]).toContain("studio@lanternfield.example");
  });

  test("the same as before with a word that it is still missing", () => {
    const before = { on: "2026-11-01", to: "hill@hill.example", until: "2026-11-15", things: ["privacy"] };
    const stores = [standing("app-store", [line("privacy"), line("support")])];
    const groups = thingsOf(resolved(), board(stores), before, say, agency);
    expect(groups.flatMap(({ things }) => things.map(({ isStill }) => isStill))).toEqual([true, false]);
    expect(namesOf(groups)).toEqual(["privacy", "support"]);
  });
});

describe.each(pageLanguages)("a letter in %s", (language) => {
  const own = sayIn(language);
  const asked: Asked = {
    client: "hill",
    name: "Hill <Farm>",
    owner: "Hill & Daughters",
    to: "hill@hill.example",
    language,
    until: "2026-12-18",
    before: "2026-11-26",
    groups: thingsOf(
      resolved(),
      board([standing("app-store", [line("privacy"), line("keywords"), line("price")])]),
      { on: "2026-11-26", to: "", until: "2026-12-01", things: ["keywords"] },
      own,
      agency,
    ),
  };

  test("is written in lines that mail takes, with the day as people write it", () => {
    const text = letterText(asked, "hill.xlsx", agency.name, own);
    expect(Math.max(...text.split("\n").map((each) => each.length))).toBeLessThanOrEqual(76);
    expect(text).toMatch(/2026/);
    expect(text).not.toMatch(/[{}]/);
    expect(text.replace(/\s+/g, " ")).toContain(own("still"));
    for (const group of asked.groups) expect(text).toContain(own(group.word));
  });

  test("says the same as a page, with names as text", () => {
    const page = letterPage({ asked, sheet: "hill.xlsx", agency: agency.name, accent: "#3d4b63", say: own });
    expect(page).toContain(`<html lang="${language}"`);
    expect(page).toContain("Hill &lt;Farm>");
    expect(page).not.toContain("<Farm>");
  });

  test("brings a sheet with a row for the client and a column for each field", () => {
    const [answers, hints] = fillInSheets(asked, own);
    const [headings, row] = answers.sheet;
    expect(headings).toEqual(["client", "store.texts.en.keywords", "store.privacy", "store.price"]);
    expect(row).toEqual(["hill", "", "", ""]);
    expect(hints.sheet.slice(1).map(([heading]) => heading)).toEqual(headings?.slice(1));
  });
});
