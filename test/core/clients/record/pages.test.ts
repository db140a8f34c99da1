import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { KeptHappening } from "../../../../src/core/agency/history/happenings.ts";
import { dueIn } from "../../../../src/core/clients/passage/due.ts";
import { passageOf } from "../../../../src/core/clients/passage/passage.ts";
import { type Capture, captureFiles } from "../../../../src/core/clients/record/captures.ts";
import { kitFiles } from "../../../../src/core/clients/record/kit.ts";
import type { RecordValue, StoreRecord } from "../../../../src/core/clients/record/record.ts";
import { type ProblemCode, problemKinds } from "../../../../src/core/ground/problems/catalogue.ts";
import { ofKeys } from "../../../../src/core/ground/problems/of-keys.ts";
import { ofPictures } from "../../../../src/core/ground/problems/of-pictures.ts";
import { ofRecords } from "../../../../src/core/ground/problems/of-records.ts";
import { problem } from "../../../../src/core/ground/problems/problem.ts";
import type { StoreKey } from "../../../../src/core/ground/values/store.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";
import { foundIn } from "../../../../src/core/pages/words/board.ts";
import { german, germanFound } from "../../../../src/core/pages/words/de/board.ts";
import { type BoardWord, english, type FoundKey, foundKeys } from "../../../../src/core/pages/words/en/board.ts";
import { spanish, spanishFound } from "../../../../src/core/pages/words/es/board.ts";
import { french, frenchFound } from "../../../../src/core/pages/words/fr/board.ts";
import { type ClientStanding, findingsOf } from "../../../../src/core/proving/standing/clients.ts";
import { settlesMost } from "../../../../src/core/proving/standing/settles.ts";
import { standingIn } from "../../../../src/core/proving/standing/standing.ts";
import { boardPage } from "../../../../src/core/showing/board/page.tsx";
import { copySheetPage } from "../../../../src/core/showing/copysheet/page.tsx";
import { allStores, stores } from "../../../../src/core/stores/all.ts";
import type { StoreDefinition } from "../../../../src/core/stores/definition.ts";
import { type RecordField, recordFields } from "../../../../src/core/stores/record-fields.ts";
import { contentsOf } from "../../../support/html.ts";

const storeOf = (key: StoreKey) => allStores.find((each) => each.key === key) as StoreDefinition;
const said = (value: string): RecordValue => trace({ by: "brief", note: "", value });

const record = (values: Partial<Record<RecordField, string>>, french: Partial<Record<RecordField, string>> = {}) =>
  ({
    client: "hill",
    languages: ["en", "fr"],
    features: [],
    declared: [],
    collected: [],
    captures: [],
    previews: [],
    policies: [],
    derived: new Set(),
    values: Object.fromEntries(
      Object.entries(values).map(([field, text]) => {
        const own = french[field as RecordField];
        const further = own === undefined ? { ...said(text), isFallback: true } : said(own);
        const isSpoken = recordFields[field as RecordField].byLanguage === true;
        return [field, { first: said(text), further: isSpoken ? { fr: further } : {} }];
      }),
    ),
  }) as StoreRecord;

const colors = { accent: "#1e4d2b", onAccent: "#ffffff" };
const sheet = (of: StoreRecord, key: StoreKey = "google-play") =>
  copySheetPage({
    ...{ agency: "Quayside", ...colors, name: "Hill", identifier: "a.b.c", store: storeOf(key), record: of },
    standing: standingIn(storeOf(key), of, [], "2026-11-26"),
    entered: undefined,
  });

/** What a page shows to be copied, by its heading, in the order in which it stands there. */
const copied = (page: string): string[] =>
  [...page.matchAll(/<h2>([^<]*)<\/h2><\/label><small>([^<]*)<\/small>.*?<pre[^>]*>([^<]*)<\/pre>/gs)].map(
    ([, title, used, text]) => [title, used, text].filter(Boolean).join(" | "),
  );

describe("a copy sheet", () => {
  const own = record(
    { name: "Hill", short: "Boxes.", category: "food", keywords: "oats\ncheese", price: "free" },
    { short: "Des paniers." },
  );

  test("says what is wrong with a text beside it, so that it is not copied by mistake, and which pictures lack", () => {
    const long = sheet(record({ name: "Hill", short: "Boxes. ".repeat(20) }));
    const [, wrong = ""] = /<article class="item wrong"(.*?)<\/article>/s.exec(long) ?? [];
    expect(wrong).toMatch(/Short description.*has 140 of 80 characters\./s);
    expect(long.match(/class="item wrong"/g)).toHaveLength(1);
    expect(long).toMatch(/<h2>Phone screenshots<\/h2><small>0 of at least 2<\/small><p>Missing: there are none\.<\/p>/);
  });

  test("has what a store takes, in its order and in its words, each language by itself", () => {
    expect(copied(sheet(own))).toEqual([
      "Identifier | a.b.c",
      "App name (en-US) | 4 of 30 | Hill",
      "Short description (en-US) | 6 of 80 | Boxes.",
      "Short description (fr-FR) | 12 of 80 | Des paniers.",
      "Category | Food &amp; Drink",
      "Price | free",
    ]);
  });

  test("says of what is not there whether the store can do without", () => {
    const page = sheet(own);
    expect(page).toContain("<h2>Full description</h2><p>Missing: the store does not take the record without it.</p>");
    expect(page).toContain("<h2>Website</h2><p>Not given.</p>");
    expect(sheet(own, "app-store")).not.toContain("Secondary category");
  });

  test("gives keywords in the form of each store, and ticks that stand for the text", () => {
    expect(copied(sheet(own, "app-store"))).toContain("Keywords (en-US) | 11 of 100 | oats,cheese");
    const ticks = (page: string) => [...page.matchAll(/data-id="([^"]+)"/g)].map(([, id]) => id);
    const changed = sheet(record({ name: "Hill", short: "Crates." }));
    expect(ticks(sheet(own))[1]).toBe(ticks(changed)[1]);
    expect(ticks(sheet(own))[2]).not.toBe(ticks(changed)[2]);
  });
});

const size = { width: 2064, height: 2752 };

test("a picture's name is the client's own, and goes to every kind of disk", () => {
  const named = ["A b!.png", "a-b.PNG", "é/…/x.jpeg"].map((file) => ({
    device: "mac",
    language: "en",
    file,
    hash: "",
    size,
  }));
  expect(captureFiles(["mac-app-store"], named as Capture[]).map(({ to }) => to)).toEqual([
    "store/mac-app-store/mac-A-b.en.png",
    "store/mac-app-store/mac-a-b-2.en.png",
    "store/mac-app-store/mac-x.en.jpg",
  ]);
});

test("a variant's texts are those that are sure, in each language that has its own, as the store takes them", () => {
  const values = record({ name: "Hill", subtitle: "Boxes", keywords: "oats\ncheese" }, { subtitle: "Paniers" }).values;
  const drafted = { ...values, description: { first: { ...said("A draft."), isDraft: true as const }, further: {} } };
  const captured = ["b", "a"].map((name) => ({
    device: "ipad",
    language: "en",
    file: `${name}.png`,
    hash: name,
    size,
  }));
  const captures = captureFiles(["app-store"], captured as Capture[]);
  const files = kitFiles(storeOf("app-store"), { ...record({}), values: drafted }, captures);
  const head = "# App Store, in the order in which it asks\n";
  expect(files.map(({ path, text }) => [path, text])).toEqual([
    [
      "store/app-store/en.yaml",
      `${head}name: Hill\nsubtitle: Boxes\nkeywords: oats,cheese\ncaptures:\n  ipad:\n    - ipad-b.en.png\n    - ipad-a.en.png\n`,
    ],
    ["store/app-store/fr.yaml", `${head}subtitle: Paniers\n`],
  ]);
  // Whoever keeps nothing but a name has no record.
  expect(kitFiles(storeOf("app-store"), record({ name: "Hill" }), [])).toEqual([]);
});

describe("the board as a page", () => {
  const standing = (name: string, more: Partial<ClientStanding> = {}): ClientStanding => ({
    client: "hill",
    name,
    passages: [],
    due: [],
    stores: [standingIn(storeOf("google-play"), record({ name }), [], "2026-11-26")],
    unshared: [],
    problems: [],
    letters: [],
    codesMissing: [],
    unassigned: [],
    ...more,
  });
  const page = (clients: ClientStanding[], today = "2026-11-26") =>
    boardPage({ agency: "Quayside", language: "en", ...colors, clients, today });
  const dataOf = (html: string) => JSON.parse(/id="data">(.*?)<\/script>/s.exec(html)?.[1] ?? "");

  test.each(["de", "fr", "es"] as const)(
    "speaks %s, all of it: what is found, what is due, where an app is",
    (language) => {
      const happened = (kind: "created" | "submitted" | "refused", at: string) =>
        ({ store: "app-store", kind, at, version: "1.0.0", says: "Login", app: "1" }) as KeptHappening;
      const all = [
        happened("created", "2026-01-01"),
        happened("submitted", "2026-01-02"),
        happened("refused", "2026-01-05"),
      ];
      const passage = passageOf("app-store", all);
      const usual = { usual: 24, long: 72, from: "stated" } as const;
      const due = dueIn(passage, {
        ...{ store: stores["app-store"], client: "hill", today: "2026-01-09", now: Date.parse("2026-01-09") },
        usual: { processing: usual, review: usual, testing: usual },
      });
      const problems = (Object.keys(problemKinds) as ProblemCode[])
        .filter((code) => foundIn(language, code, {}) !== undefined)
        .map((code) => problem(code, "told in English", { about: ["store", "texts", "en", "subtitle"] }));
      expect(problems.length).toBeGreaterThan(40);
      const html = boardPage({
        ...{ agency: "Quayside", language, ...colors, today: "2026-01-09" },
        clients: [standing("Hill", { problems, due, passages: [passage] })],
      });
      expect(html).toContain(`<html lang="${language}">`);
      const { p: found } = dataOf(html).clients[0];
      expect(found).toHaveLength(problems.length + due.length);
      expect(JSON.stringify(found)).not.toMatch(/told in English|refused version|\{|undefined/);
      expect(contentsOf(html).text).not.toMatch(/Settles most|is missing|Who acts|not wanted|\bopen:|in review/);
      for (const key of foundKeys) expect([key, foundIn(language, key, {})]).not.toEqual([key, undefined]);
    },
  );

  test("in each language puts in what the others do", () => {
    const puts = (text: string) => [...text.matchAll(/\{\w+\}/g)].map(([name]) => name).sort();
    for (const others of [german, french, spanish])
      for (const [word, text] of Object.entries(english))
        expect([word, puts(others[word as BoardWord])]).toEqual([word, puts(text)]);
    for (const others of [frenchFound, spanishFound])
      for (const [key, text] of Object.entries(germanFound))
        expect([key, puts(others[key as FoundKey])]).toEqual([key, puts(text)]);
  });

  test("has words for whatever may be found of a client's pictures, record and keys", () => {
    const ofCommands =
      /^(lettering-refused|words-|vault-(missing|committed|damaged)|passphrase-|key-(unreadable|unclear|in-use))/;
    const all = [ofPictures, ofRecords, ofKeys].flatMap((each) => Object.keys(each));
    expect(all.length).toBeGreaterThan(70);
    const known: readonly string[] = foundKeys;
    expect(all.filter((code) => !ofCommands.test(code) && !known.includes(code))).toEqual([]);
  });

  test("holds any name as text, in its rows and in its data", () => {
    const marks = fc.string({ unit: fc.constantFrom(..."<>&\"'/!-scriptSCRIPT \u2028{}\\".split("")), maxLength: 30 });
    fc.assert(
      fc.property(marks, (name) => {
        const html = page([standing(name)]);
        const { elements } = contentsOf(html);
        expect(elements.filter((each) => each === "script")).toHaveLength(2);
        expect(dataOf(html).clients[0].n).toBe(name);
      }),
      { numRuns: 60 },
    );
  });

  test("puts errors before what only might be better, with who acts, and since when where that is not today", () => {
    const waits = (code: "policy-missing" | "name-reserved", since: string) => ({
      ...problem(code, `${code}.`, { severity: code === "policy-missing" ? "error" : "warning" }),
      since,
    });
    const problems = [waits("name-reserved", "2026-11-26"), waits("policy-missing", "2026-11-03")];
    const html = page([standing("Hill", { problems })]);
    expect(dataOf(html).clients[0].p).toEqual([
      ["e", "policy-missing", "policy-missing.", 1, "2026-11-03"],
      ["w", "name-reserved", "name-reserved.", 1],
    ]);
    expect(html).toContain("<small>since 2026-11-03</small>");
    expect(page([standing("Hill", { problems })], "2026-11-03")).not.toContain("since 2026");
  });

  test("says of what kind is what a store still wants", () => {
    const page = boardPage({
      agency: "Lanternfield",
      language: "en",
      accent: "#000000",
      onAccent: "#ffffff",
      clients: [standing("Hill")],
      today: "2026-11-26",
    });
    // Both descriptions, kind, category, e-mail, policy, audience, price, countries; two captures of one kind.
    expect(contentsOf(page).text).toContain("9 texts, 1 picture");
  });

  test("names what its counts leave open, as many as they say", () => {
    const own = standing("Hill");
    const [, , , [done, total, ...lacking]] = dataOf(page([own])).clients[0].s[0];
    expect(lacking).toHaveLength(total - done);
    expect(lacking).toEqual(expect.arrayContaining(["Full description", "Phone screenshots"]));
  });

  test("says what a record lacks to be created, apart from the rest", () => {
    const creation = (values: Partial<Record<RecordField, string>>, key: StoreKey) =>
      standingIn(storeOf(key), record(values), [], "2026-11-26").creation;
    expect(creation({ name: "Hill" }, "google-play")).toEqual(["App or game", "Price"]);
    expect(creation({ name: "Hill", kind: "app", price: "free" }, "google-play")).toEqual([]);
    expect(creation({ name: "Hill" }, "microsoft-store")).toEqual([]);
    expect(creation({ sku: "HILL" }, "app-store")).toEqual(["Name"]);
  });

  test("begins with what settles most, whoever's it is, and says once what several stores say", () => {
    const told = (client: string, language: string) =>
      problem("draft-open", "It is a draft.", { client, about: ["store", "texts", language, "short"] });
    const both = (client: string, language: string) => {
      const [first] = standing(client).stores;
      if (!first) throw new Error("no store");
      const stores = [first, { ...first, title: "Corner Shop" }].map((each) => ({
        ...each,
        problems: [told(client, language)],
      }));
      return standing(client, { client, stores });
    };
    const all = [both("hill", "en"), both("dale", "fr"), standing("Else", { client: "else", stores: [] })];
    expect(settlesMost(all).map(({ of: _, ...each }) => each)).toEqual([
      { what: "A draft that nobody has approved: short description", who: "producer", clients: ["hill", "dale"] },
    ]);
    expect(findingsOf(all[0] as ClientStanding).map(({ message }) => message)).toEqual([
      "It is a draft. Corner Shop too.",
    ]);
    const html = page(all);
    expect(html.indexOf('data-clients="hill dale"')).toBeLessThan(html.indexOf('class="filters"'));
  });

  test("filters by the stores that are there, and by everybody who may have to act", () => {
    const options = [...page([standing("Hill")]).matchAll(/<option value="([^"]*)"/g)].map(([, value]) => value);
    expect(options).toEqual(["google-play", "open", "done", "client", "producer", "designer", "developer"]);
  });
});
