import { strFromU8, unzipSync } from "fflate";
import readXlsxFile from "read-excel-file/node";
import { describe, expect, test } from "vitest";
import { templateSchema } from "../../../src/core/app/platforms/template-schema.ts";
import { noArtwork, type Resolved } from "../../../src/core/app/variant/variant.ts";
import { readAnswers } from "../../../src/core/clients/roster/answers.ts";
import { columnOfField } from "../../../src/core/clients/roster/columns.ts";
import { fillInBytes } from "../../../src/core/clients/roster/fill-in.ts";
import { type Problem, problem } from "../../../src/core/ground/problems/problem.ts";
import { pageLanguages } from "../../../src/core/ground/values/page-language.ts";
import type { StoreKey } from "../../../src/core/ground/values/store.ts";
import { german } from "../../../src/core/pages/words/de/letter.ts";
import { english, type Word } from "../../../src/core/pages/words/en/letter.ts";
import { spanish } from "../../../src/core/pages/words/es/letter.ts";
import { french } from "../../../src/core/pages/words/fr/letter.ts";
import { tables } from "../../../src/core/pages/words/letter.ts";
import { speakingFrom } from "../../../src/core/pages/words/speak.ts";
import type { ClientStanding } from "../../../src/core/proving/standing/clients.ts";
import type { LineStanding, Standing } from "../../../src/core/proving/standing/standing.ts";
import type { Asked, LetterFrom } from "../../../src/core/showing/letters/asked.ts";
import { namesOf, thingsOf } from "../../../src/core/showing/letters/letter.ts";
import { letterPage } from "../../../src/core/showing/letters/page.tsx";
import { fillInSheet } from "../../../src/core/showing/letters/sheet.ts";
import { letterText } from "../../../src/core/showing/letters/text.ts";
import { categoryNames } from "../../../src/core/stores/categories.ts";
import { choiceSaid, choicesIn } from "../../../src/core/stores/choice-words.ts";
import { recordFieldNames, recordFields } from "../../../src/core/stores/record-fields.ts";

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
  faults: [],
  fallback: [],
  ...more,
});

const standing = (store: StoreKey, lines: LineStanding[]): Standing => ({
  store,
  title: store,
  required: { done: 0, total: 1 },
  recommended: { done: 0, total: 0 },
  creation: [],
  parts: [],
  lines,
  captures: [],
  answers: [],
  problems: [],
  passed: [],
});

const board = (stores: Standing[], unshared: ClientStanding["unshared"] = []): ClientStanding => ({
  client: "hill",
  name: "Hill",
  passages: [],
  due: [],
  stores,
  unshared,
  problems: [],
  letters: [],
  codesMissing: [],
  unassigned: [],
});

const agency = { name: "Lanternfield", email: "studio@lanternfield.example" };
const notes = templateSchema.parse({
  questions: {
    hours: { asks: { en: "When are you open?", de: "Wann haben Sie offen?" }, kind: "text", example: "9 to 5" },
  },
});

const isField = (name: string) => columnOfField(name, notes) !== undefined;

const invalid = { code: "record-invalid", who: "client", severity: "error" } as const;

/** What a letter asks for, of a client with these problems and this standing. */
const things = (standing: ClientStanding, more: Partial<LetterFrom> = {}, problems: Problem[] = []): Asked["groups"] =>
  thingsOf({
    view: { ...resolved(), problems },
    standing,
    before: undefined,
    agency,
    notes,
    language: "en",
    say: speakingFrom(english),
    ...more,
  });
const labels = (groups: Asked["groups"]) => groups.flatMap(({ things }) => things.map(({ label }) => label));

test("a sheet lets people choose in their own words, and says what stands there now", async () => {
  const say = speakingFrom(german);
  const lines = [line("category"), line("price", { state: "wrong", value: "2,99", faults: [invalid] })];
  const groups = things(board([standing("google-play", lines)]), { language: "de", say });
  const form = fillInSheet({ client: "hill", name: "Hill", owner: "", to: "", language: "de", until: "", groups }, say);
  const parts = unzipSync(await fillInBytes(form));
  const [answers = "", choices = ""] = [1, 2].map((id) =>
    strFromU8(parts[`xl/worksheets/sheet${id}.xml`] ?? new Uint8Array()),
  );
  // Between the cells and the margins (ECMA-376, part 1, 18.3.1.99).
  expect(answers).toMatch(
    /<\/sheetData><dataValidations count="1"><dataValidation type="list"[^>]* sqref="B4"><formula1>'Auswahl'!\$A\$1:\$A\$55<\/formula1>/,
  );
  expect(choices).not.toContain("dataValidation");
  expect(form.groups.flatMap(({ questions }) => questions.map(({ now }) => now))).toEqual(["", "2,99"]);
  for (const said of choicesIn("category", "de")) expect(categoryNames).toContain(choiceSaid("category", said));
});

test("yes and no are a box to tick, in the client's language, and what comes back is the question's own word", () => {
  const own = templateSchema.parse({
    questions: { terrace: { asks: "Has it a terrace?", kind: "choice", options: ["no", "yes"] } },
  });
  const missing = problem("answer-missing", "It is not answered.", { about: ["answers", "terrace"] });
  const choices = (language: string) =>
    things(board([]), { language, notes: own }, [missing]).flatMap((group) =>
      group.things.map((thing) => thing.inSheet.choices),
    );
  expect(["en", "de", "fr", "es", "sv"].map(choices)).toEqual([
    [["☑ yes", "☐ no"]],
    [["☑ ja", "☐ nein"]],
    [["☑ oui", "☐ non"]],
    [["☑ sí", "☐ no"]],
    [["☑ yes", "☐ no"]],
  ]);
  const read = (cell: string) => columnOfField("answers.terrace", own)?.read(cell);
  const ticked = ["☑ ja", "☑ sí", "✓", "x", "TRUE", "WAHR", "Oui", "YES"];
  const empty = ["☐ nein", "☐ no", "☐", "FALSE", "faux", "Non", "no"];
  expect([...ticked, ...empty, "perhaps", "☒"].map(read)).toEqual([
    ...ticked.map(() => "yes"),
    ...empty.map(() => "no"),
    "perhaps",
    "☒",
  ]);
});

test("letters have a word for everything that a client supplies, in every language with the same braces", () => {
  const puts = (text: string) => [...text.matchAll(/\{\w+\}/g)].map(([name]) => name).sort();
  for (const field of recordFieldNames)
    if (recordFields[field].who === "client" && field !== "name") expect(Object.keys(english)).toContain(field);
  for (const [word, text] of Object.entries(english))
    for (const table of [german, french, spanish])
      expect([word, puts(table[word as Word] ?? "")]).toEqual([word, puts(text)]);
});

describe("a letter asks for", () => {
  test("what is missing, once for all stores, with the strictest limit; not for what others do", () => {
    const stores = [
      standing("google-play", [line("short"), line("sku"), line("privacy", { state: "given" })]),
      standing("microsoft-store", [line("short"), line("news"), line("subcategory", { need: "optional" })]),
    ];
    const groups = things(board(stores));
    expect(labels(groups)).toEqual([english.short]);
    expect(groups[0]?.things[0]).toMatchObject({ heading: "store.texts.en.short", hints: ["up to 80 characters"] });
  });

  test("what the client has to mend, not for a draft that the producer reads", () => {
    const stores = [
      standing("app-store", [
        line("privacy", { state: "wrong", faults: [invalid] }),
        line("description", { state: "draft", faults: [{ code: "draft-open", who: "producer", severity: "error" }] }),
        line("subtitle", { need: "recommended" }),
      ]),
    ];
    const groups = things(board(stores));
    expect(labels(groups)).toEqual([english.subtitle, english.privacy]);
    expect(groups[0]?.things[0]?.hints).toContain(english.helps);
  });

  test("pictures that cannot be used, and answers that the template wants", () => {
    const told = [
      problem("art-missing", "The brief names no picture.", { about: ["art"] }),
      problem("answer-missing", '"When are you open?" is not answered.', { about: ["answers", "hours"] }),
      problem("template-gap", "The template lacks something."),
    ];
    const groups = things(board([]), {}, told);
    expect(groups.map(({ word }) => word)).toEqual(["pictures", "answers"]);
    expect(labels(groups)).toEqual([english.artwork, "When are you open?"]);
    expect(groups[1]?.things[0]).toMatchObject({ heading: "answers.hours", hints: ["for example: 9 to 5"] });
    const german = things(board([]), { language: "de", say: speakingFrom(tables.de) }, told);
    expect(labels(german)).toEqual([tables.de.artwork, "Wann haben Sie offen?"]);
  });

  test("why what is there does not do, in the client's words and language, and never of another client", () => {
    const about = (path: string) => ({ about: path.split("."), severity: "warning" as const });
    const told = [
      problem("name-shared", '"Hill" is also the name of dale.', { ...about("app.name"), facts: { value: "Hill" } }),
      problem("text-alike", "The description says 90 % of what dale's does.", about("store.texts.en.description")),
      problem("art-small", "art/mark.png is 40 × 40 pixels.", {
        about: ["art", "mark"],
        facts: { file: "art/mark.png", width: 512, height: 512 },
      }),
      problem("identifier-unsure", "Nobody can be sure.", { ...about("identifiers.base"), facts: { value: "農場" } }),
    ];
    for (const language of pageLanguages) {
      const own = speakingFrom(tables[language]);
      const groups = things(board([]), { language, say: own }, told);
      expect(JSON.stringify(groups)).not.toMatch(/dale|Nobody|pixels\./);
      expect(groups.flatMap(({ things }) => things)).toEqual([
        expect.objectContaining({ heading: "app.name", hints: [own("isTaken"), own("now", { value: "Hill" })] }),
        expect.objectContaining({ label: own("latinName"), hints: [own("now", { value: "農場" })] }),
        expect.objectContaining({ hints: [`mark.png: ${own("isSmall", { width: 512, height: 512 })}`] }),
        expect.objectContaining({ heading: "store.texts.en.description", hints: [own("isAlike")] }),
      ]);
    }
    // A picture comes as a file, a reading is worked into an identifier by somebody: neither goes into the sheet.
    const asked = things(board([]), {}, told).flatMap(({ things }) => things);
    expect(asked.flatMap(({ heading }) => heading ?? [])).toEqual(["app.name", "store.texts.en.description"]);
  });

  test("a text that is too long once, with what it has, what it may have, and how it begins", () => {
    const long = "Boxes from the hill, every week of the year, for everybody who lives near it, whatever the weather.";
    const wrong = line("short", {
      state: "wrong",
      used: long.length,
      value: long,
      faults: [{ ...invalid, code: "record-long" }],
    });
    const [group] = things(board([standing("google-play", [wrong]), standing("microsoft-store", [line("short")])]));
    expect(group?.things).toHaveLength(1);
    expect(group?.things[0]?.hints).toEqual([
      `has ${long.length} characters now`,
      "up to 80 characters",
      "now: Boxes from the hill, every week of the year, for everybody w …",
    ]);
  });

  test("what a store may refuse, too, and in which language it stands", () => {
    const doubt = { code: "price-in-text", who: "client", severity: "warning" } as const;
    const loud = { ...doubt, code: "title-loud", language: "de" } as const;
    const lines = [
      line("subtitle", { state: "given", need: "recommended", value: "From €9", used: 7, faults: [doubt] }),
      line("name", { state: "given", faults: [loud] }),
      // Nothing that could be said to a client.
      line("keywords", { state: "given", faults: [{ ...doubt, code: "keywords-wasted" }] }),
    ];
    const [group] = things(board([standing("app-store", lines)]));
    expect(group?.things).toEqual([
      expect.objectContaining({
        heading: "store.texts.en.subtitle",
        hints: [english.namesPrice, "up to 30 characters", "now: From €9"],
      }),
      expect.objectContaining({ label: `${english.appName} (German)`, hints: [english.isLoud, "up to 30 characters"] }),
    ]);
  });

  test("a share in the client's own account, with the steps", () => {
    const groups = things(board([standing("app-store", [])], ["app-store", "mac-app-store"]));
    expect(groups[0]?.word).toBe("accounts");
    expect(groups[0]?.things).toHaveLength(1);
    expect(groups[0]?.things[0]?.hints[0]).toContain("studio@lanternfield.example");
  });

  test("the same as before with a word that it is still missing", () => {
    const before = {
      on: "2026-11-01",
      to: "hill@hill.example",
      until: "2026-11-15",
      things: ["privacy"],
      state: "sent" as const,
    };
    const stores = [standing("app-store", [line("privacy"), line("support")])];
    const groups = things(board(stores), { before });
    expect(groups.flatMap(({ things }) => things.map(({ isStill }) => isStill))).toEqual([true, false]);
    expect(namesOf(groups)).toEqual(["privacy", "support"]);
  });
});

describe.each(pageLanguages)("a letter in %s", (language) => {
  const own = speakingFrom(tables[language]);
  const asked: Asked = {
    client: "hill",
    name: "Hill <Farm>",
    owner: "Hill & Daughters",
    to: "hill@hill.example",
    language,
    until: "2026-12-18",
    before: "2026-11-26",
    groups: things(board([standing("app-store", [line("privacy"), line("keywords"), line("price")])]), {
      before: { on: "2026-11-26", to: "", until: "2026-12-01", things: ["keywords"], state: "sent" },
      language,
      say: own,
    }),
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

  test("brings a sheet with a line for everything that it asks, in its order, which comes back as an answer", async () => {
    const form = fillInSheet(asked, own);
    const lines = form.groups.flatMap(({ questions }) => questions);
    expect(lines.map((each) => each.asks)).toEqual(
      asked.groups.flatMap(({ things }) => things.map((each) => each.label)),
    );
    const read = (await readXlsxFile(Buffer.from(await fillInBytes(form))))[0]?.data ?? [];
    const sheet = read.map((row) => row.map((each) => (each === null ? "" : String(each))));
    expect(readAnswers(sheet, isField)?.sheet).toEqual([["client"]]);
    // Somebody has moved lines and columns about, and left some out.
    const filled = sheet.map((row, at) => row.map((each, column) => (column === 1 && at > 2 ? `a ${at}` : each)));
    const moved = [...filled].reverse().map((row) => [...row].reverse());
    const answers = readAnswers(moved.slice(1), isField);
    expect(answers?.sheet[0]).toContain("store.texts.en.keywords");
    expect(answers?.sheet).toHaveLength(2);
    const at = answers?.sheet[0]?.indexOf("store.texts.en.keywords") ?? 0;
    const line = answers?.lineOf("hill", "store.texts.en.keywords") ?? 0;
    expect(moved.slice(1)[line - 1]).toContain(answers?.sheet[1]?.[at]);
  });
});
