import { expect, test } from "vitest";
import { parse } from "yaml";
import { type Tester, type Testers, testersSchema } from "../../../src/core/agency/workspace/schema/testers.ts";
import { csvText } from "../../../src/core/clients/roster/sheet.ts";
import { withoutTester, withTesters } from "../../../src/core/clients/testers/file.ts";
import { testersIn, testersSheet } from "../../../src/core/clients/testers/sheet.ts";
import { agreed, byTrack, markOf, triersOf } from "../../../src/core/clients/testers/who.ts";
import { stores } from "../../../src/core/stores/all.ts";

const tester = (name: string, more: Partial<Tester> = {}): Tester => ({
  ...{ name, address: `${name.toLowerCase()}@field.example`, group: "field", consent: "2026-10-01" },
  ...more,
});

const all: Testers = {
  groups: { studio: "inner", crowd: "open" },
  testers: [
    tester("Ada", { clients: ["salt*"], platforms: ["android"] }),
    tester("Bo", { group: "studio" }),
    tester("Cy", { consent: undefined }),
    tester("Di", { ended: "2026-11-01" }),
    tester("Ed", { group: "crowd", clients: ["3-acre"] }),
  ],
};

test("who tries an app follows from clients, platforms, the day and consent", () => {
  const names = (client: string, platform?: "android" | "ios") =>
    triersOf(all, client, "2026-11-01", platform).map(({ name, track }) => `${name} ${track}`);
  expect(names("saltmarsh")).toEqual(["Ada outer", "Bo inner", "Cy outer"]);
  expect(names("saltmarsh", "ios")).toEqual(["Bo inner", "Cy outer"]);
  expect(names("3-acre")).toEqual(["Bo inner", "Cy outer", "Ed open"]);
  expect(triersOf(all, "saltmarsh", "2026-10-31").map(({ name }) => name)).toContain("Di");
  expect(agreed(triersOf(all, "saltmarsh", "2026-11-01")).map(({ name }) => name)).toEqual(["Ada", "Bo"]);
});

test("a store sorts them as it can: whom it has no place for is among those outside", () => {
  const into = (store: keyof typeof stores, client: string) =>
    Object.entries(byTrack(stores[store], all, client, "2026-11-01")).map(([track, people]) => [
      track,
      ...people.map(({ address }) => address.split("@")[0]),
    ]);
  expect(into("google-play", "saltmarsh")).toEqual([
    ["outer", "ada"],
    ["inner", "bo"],
  ]);
  expect(into("google-play", "3-acre")).toEqual([
    ["inner", "bo"],
    ["open", "ed"],
  ]);
  expect(into("microsoft-store", "3-acre")).toEqual([["outer", "bo", "ed"]]);
});

test("a mark is one person's for one app, and says of nobody who it is", () => {
  const marks = [markOf("a", "x@y.example"), markOf("b", "x@y.example"), markOf("a", "z@y.example")];
  expect(new Set(marks).size).toBe(3);
  expect(markOf("a", "X@Y.example")).toBe(marks[0]);
  expect(marks.join()).not.toMatch(/x@y|y\.example/);
});

test("a sheet is taken as people write it; a row that cannot be taken is told, and the others are", () => {
  const sheet = [
    ["Person", "E-Mail", "Sprache", "Gerät", "Gruppe", "Kunden", "Zustimmung"],
    [
      "Ada Field",
      "Ada Field <Ada@Field.example>",
      "Deutsch",
      "Android, iOS",
      "Old Hands",
      "saltmarsh; 3-acre",
      "3.11.2026",
    ],
    ["Bo", "bo@field.example", "", "", "", "", ""],
    ["", "", "", "", "", "", ""],
    ["Cy", "no address", "", "", "", "", ""],
    ["Di", "di@field.example", "", "Toaster", "", "", ""],
  ];
  const { testers, problems } = testersIn(sheet, "people.csv");
  expect(testers).toEqual([
    {
      ...{ name: "Ada Field", address: "ada@field.example", language: "de", platforms: ["android", "ios"] },
      ...{ group: "old-hands", clients: ["saltmarsh", "3-acre"], consent: "2026-11-03" },
    },
    { name: "Bo", address: "bo@field.example", group: "testers" },
  ]);
  expect(problems.map(({ message }) => message)).toEqual([
    "people.csv, row 5: address: an e-mail address.",
    expect.stringMatching(/^people\.csv, row 6: platforms\.0: /),
  ]);
  expect(testersIn([["Name", "Age"]], "x.csv").problems[0]?.message).toBe("x.csv has no column for address.");
  // What is written is read as the same, and no spreadsheet runs it.
  expect(testersIn(testersSheet(testers), "again.csv")).toEqual({ testers, problems: [] });
  expect(csvText(testersSheet([tester("=Cmd")]))).toContain("'=Cmd");
});

test("the file keeps what people have written in it, and nothing of whoever is taken out", () => {
  const text =
    "# Ours\ngroups: { studio: inner }\ntesters:\n  # from the fair\n  - { name: Ada, address: ada@field.example }\n";
  const added = withTesters(text, [tester("Bo", { language: "de" }), tester("Ada", { group: "studio" })]);
  expect(added).toContain("# Ours");
  expect(added).toContain("# from the fair");
  expect(testersSchema.parse(parse(added)).testers).toEqual([
    { name: "Ada", address: "ada@field.example", group: "studio", consent: "2026-10-01" },
    { name: "Bo", address: "bo@field.example", group: "field", consent: "2026-10-01", language: "de" },
  ]);
  const left = withoutTester(added, "BO@field.example");
  expect(left).not.toMatch(/bo/i);
  expect(testersSchema.parse(parse(withTesters(undefined, [tester("Ada")]))).testers).toHaveLength(1);
});
