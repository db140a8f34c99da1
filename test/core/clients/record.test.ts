import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { Capture } from "../../../src/core/clients/record/captures.ts";
import { characters, strictest } from "../../../src/core/clients/record/count.ts";
import { writeDraft } from "../../../src/core/clients/record/drafts.ts";
import type { RecordValue, StoreRecord } from "../../../src/core/clients/record/record.ts";
import type { StoreKey } from "../../../src/core/ground/values/store.ts";
import { trace } from "../../../src/core/ground/values/trail.ts";
import { findAlike } from "../../../src/core/proving/standing/rules/alike.ts";
import { judgeWaivers, standingIn } from "../../../src/core/proving/standing/standing.ts";
import { allStores } from "../../../src/core/stores/all.ts";
import type { StoreDefinition } from "../../../src/core/stores/definition.ts";
import { type RecordField, recordFields } from "../../../src/core/stores/record-fields.ts";

const storeOf = (key: StoreKey): StoreDefinition => allStores.find((each) => each.key === key) as StoreDefinition;

const value = (text: string): RecordValue => trace({ by: "brief", note: "", value: text });

const whole: Partial<Record<RecordField, string>> = {
  name: "Hill Farm Boxes",
  subtitle: "Boxes from the hill",
  short: "What grows on the hill, in a box.",
  description: "What grows on the hill, in a box, once a week.",
  promotional: "The first peas are here.",
  keywords: "vegetables\norganic",
  highlights: "See what is ripe",
  news: "The first boxes.",
  category: "food",
  kind: "app",
  audience: "18+",
  email: "hello@hillfarm.example",
  support: "https://hillfarm.example/help",
  marketing: "https://hillfarm.example",
  privacy: "https://hillfarm.example/privacy",
  copyright: "2026 Hill Farm",
  sku: "HILL-FARM",
  contactName: "Ann Hill",
  contactEmail: "ann@hillfarm.example",
  contactPhone: "+44 20 7946 0000",
  price: "free",
  countries: "GB",
};

const shown = (device: Capture["device"], width: number, height: number): Capture => ({
  device,
  language: "en",
  file: `clients/hill-farm/captures/${device}/en/1.png`,
  hash: "",
  size: { width, height },
});

const captures = (): Capture[] => [
  shown("phone", 1080, 1920),
  shown("phone", 1920, 1080),
  shown("iphone", 1320, 2868),
  shown("ipad", 2752, 2064),
  shown("mac", 2560, 1600),
  shown("desktop", 1366, 768),
];

const record = (
  changes: Partial<Record<RecordField, string | undefined>> = {},
  more: Partial<StoreRecord> = {},
): StoreRecord => ({
  client: "hill-farm",
  languages: ["en"],
  derived: new Set(),
  features: [],
  declared: [],
  collected: [],
  captures: captures(),
  previews: [],
  policies: [],
  values: Object.fromEntries(
    Object.entries({ ...whole, ...changes }).flatMap(([field, text]) =>
      text === undefined ? [] : [[field, { first: value(text), further: {} }]],
    ),
  ),
  ...more,
});

const today = "2026-11-26";
const told = (of: StoreRecord, key: StoreKey = "app-store") =>
  standingIn(storeOf(key), of, [], today).problems.map(
    ({ code, severity, message }) => `${severity} ${code}: ${message}`,
  );

describe("a record is held against what each store wants", () => {
  test.each(allStores.map(({ key }) => key))("one that has everything is complete for %s", (key) => {
    const { required, recommended, problems } = standingIn(storeOf(key), record(), [], today);
    expect(required.done).toBe(required.total);
    expect(recommended.done).toBe(recommended.total);
    expect(problems).toEqual([]);
  });

  test.each<[string, Partial<Record<RecordField, string | undefined>>, StoreKey, RegExp]>([
    ["required, and not there", { privacy: undefined }, "google-play", /^error record-missing: .*"Privacy policy"/],
    ["recommended, and not there", { subtitle: undefined }, "app-store", /^note record-missing: .*"Subtitle"/],
    ["one character too many", { name: "n".repeat(31) }, "google-play", /^error record-long: App name has 31 of 30/],
    ["as some counters count", { name: "🌱".repeat(16) }, "app-store", /^warning record-long: .*16 of 30.*32 as some/],
    ["too short", { name: "x" }, "app-store", /^error record-short: Name has 1 of at least 2/],
    [
      "keywords with their commas",
      { keywords: [..."abcdefghijkl"].map((letter) => letter.repeat(8)).join("\n") },
      "app-store",
      /has 107 of 100/,
    ],
    ["too many entries", { keywords: "a\nb\nc\nd\ne\nf\ng\nh" }, "microsoft-store", /Search terms has 8 of 7 entries/],
    ["an entry too long", { highlights: "n".repeat(201) }, "microsoft-store", /has 201 of 200 characters/],
    ["a keyword twice", { keywords: "peas\nPeas" }, "app-store", /keywords-wasted: .*"Peas" is there twice/],
    ["a keyword in the name", { keywords: "farm\npeas" }, "app-store", /keywords-wasted: .*"farm" is in the name/],
    ["a comma in a keyword", { keywords: "peas, beans" }, "app-store", /keywords-wasted: .*holds a comma/],
    ["another platform", { description: "As on Android, in one box." }, "app-store", /platform-named: .*"Android"/],
    ["a Mac on a telephone", { description: "As on macOS, in one box." }, "app-store", /platform-named: .*"macOS"/],
    ["another store", { short: "Also in the App Store" }, "google-play", /platform-named: .*"App Store"/],
    ["a price in the subtitle", { subtitle: "Boxes from €9" }, "app-store", /price-in-text: .*"€9"/],
    ["a price behind", { promotional: "Now 9.50 EUR" }, "app-store", /price-in-text/],
    ["a placeholder", { description: "Lorem ipsum dolor" }, "app-store", /error placeholder-left: .*"Lorem ipsum"/],
    ["a note to oneself", { description: "TODO: say more" }, "app-store", /error placeholder-left: .*"TODO"/],
    ["a brace", { short: "Boxes from {app.name}" }, "google-play", /error placeholder-left: .*"\{app\.name\}"/],
    ["no https", { privacy: "http://hillfarm.example" }, "app-store", /record-invalid: .*begins with http:/],
    ["no domain", { support: "https://help" }, "app-store", /record-invalid: .*names no domain/],
    ["no address", { support: "our page" }, "app-store", /record-invalid: .*has a blank in it/],
    ["no e-mail", { contactEmail: "ann(at)hillfarm.example" }, "app-store", /record-invalid: .*no e-mail address/],
    ["no price", { price: "cheap" }, "app-store", /record-invalid: .*"cheap" is no price/],
    ["no country", { countries: "GB\nUK\nXX" }, "app-store", /countries-unknown: .*"XX"/],
    [
      "no category there",
      { category: "vehicles" },
      "app-store",
      /category-none: App Store has no category for "vehicles"/,
    ],
    ["a day that is past", { released: "2026-11-25" }, "app-store", /release-past: .*2026-11-25/],
  ])("%s", (_, changes, key, expected) => {
    const found = told(record(changes), key);
    expect(
      found.filter((each) => expected.test(each)),
      found.join("\n"),
    ).toHaveLength(1);
    expect(found).toHaveLength(1);
  });

  test("a picture of a Mac lies, in one of its sizes", () => {
    const faults = (width: number, height: number) =>
      told(record({}, { captures: [...captures(), shown("mac", width, height)] }), "mac-app-store");
    expect(faults(1440, 900)).toEqual([]);
    expect(faults(1600, 2560)).toEqual([expect.stringContaining("is 1600 × 2560, higher than wide")]);
    expect(faults(1366, 768)).toEqual([expect.stringMatching(/^error capture-invalid: .*is 1366 × 768/)]);
  });

  test("what only some apps need is asked of those alone", () => {
    expect(told(record({}, { features: ["sign-in"] }))).toEqual([expect.stringContaining('"Sign-in information"')]);
  });

  test.each(["Todo lo que crece, en una caja.", "TODO LO QUE CRECE"])(
    "%s is a text in Spanish, and no placeholder",
    (description) => expect(told(record({ description }))).toEqual([]),
  );

  test("a platform's own name, and a price in a description, are no fault", () => {
    expect(told(record({ description: "On your iPhone, from €9 a box." }))).toEqual([]);
    expect(told(record({ description: "On your Android telephone." }), "google-play")).toEqual([]);
    expect(told(record({ description: "On macOS and on your iPad." }), "mac-app-store")).toEqual([]);
  });

  test("a language without a text of its own is noted; a draft counts only in the end", () => {
    const values = record().values;
    const draft = { ...value("A draft."), isDraft: true as const };
    const fallback = { ...value("A box."), isFallback: true as const };
    const spoken = record(
      {},
      {
        languages: ["en", "fr"],
        values: {
          ...values,
          short: { first: draft, further: {} },
          description: { ...values.description, further: { fr: fallback } },
        },
      },
    );
    expect(told(spoken, "google-play")).toEqual([
      'note record-fallback: "Full description" is not given in fr: the text in en is shown.',
      'error draft-open: Short description (en) is a draft: "A draft".',
    ]);
  });

  test("a waiver passes a finding over until its day, and speaks up after it", () => {
    const waiver = { rule: "price-in-text", reason: "The campaign says so.", by: "Ann", until: "2026-11-26" };
    const priced = record({ subtitle: "Boxes from €9" });
    expect(standingIn(storeOf("app-store"), priced, [waiver], "2026-11-26").problems).toEqual([]);
    expect(standingIn(storeOf("app-store"), priced, [waiver], "2026-11-27").problems).toHaveLength(1);
    expect(
      standingIn(storeOf("app-store"), priced, [{ ...waiver, store: "google-play" }], today).problems,
    ).toHaveLength(1);
    expect(judgeWaivers("x", [waiver], "2026-11-26")).toEqual([]);
    expect(judgeWaivers("x", [waiver, { ...waiver, rule: "no-rule" }], "2026-11-27").map(({ code }) => code)).toEqual([
      "waiver-ended",
      "waiver-unknown",
    ]);
  });
});

test("every store's rows name a field once, with a source and a day", () => {
  for (const { record: rows } of allStores) {
    expect(new Set(rows.map(({ field }) => field)).size).toBe(rows.length);
    for (const { field, source, asOf, most } of rows) {
      expect(source.length, field).toBeGreaterThan(10);
      expect(asOf).toMatch(/^\d{4}-\d{2}-\d{2}$/);
      if (most !== undefined) expect(recordFields[field].form).toMatch(/text|list/);
    }
  }
});

test("characters are counted as people count them, whatever bytes they take", () => {
  expect(["Bóthy", "Bo\u0301thy", "農場", "🌱"].map(characters)).toEqual([5, 5, 2, 1]);
  fc.assert(fc.property(fc.string({ unit: "grapheme" }), (text) => characters(text) <= strictest(text)));
});

describe("texts of different clients that say nearly the same", () => {
  const text = (client: string, description: string) => ({ ...record({ description }), client });
  const long = "we grow what the season gives and pack it by hand for you each week with a card that says what to cook";

  test("are found with their share and a passage", () => {
    const [found, ...more] = findAlike([
      text("a", long),
      text("b", `${long} soon`),
      text("c", "quite another text about apples and pears and plums from a lane"),
    ]);
    expect(found).toMatchObject({
      client: "b",
      other: "a",
      passage: expect.stringContaining("we grow what the season"),
    });
    expect(found?.share).toBeGreaterThan(0.9);
    expect(more).toEqual([]);
  });

  test("are each held against one, not against all", () => {
    const all = Array.from({ length: 300 }, (_, at) => text(`c${at}`, long));
    expect(findAlike(all).map(({ other }) => other)).toEqual(Array(299).fill("c0"));
  });
});

describe("a draft is written by a pattern", () => {
  const place = { file: "oxalis.yaml", line: 1, column: 1, text: "" };
  const put = { app_name: "Hill Farm", boxes: 1, camera: "on", variant2: "1" };

  test("with fields, plural forms, features and variants", () => {
    const write = (pattern: string, language = "en") => writeDraft(pattern, language, put, place);
    expect(write("{app.name}: {boxes, plural, one {# box} other {# boxes}}")).toEqual({
      ok: true,
      value: "Hill Farm: 1 box",
    });
    expect(write("{camera, select, on {Show it.} other {}}")).toEqual({ ok: true, value: "Show it." });
    expect(write("{variant2, select, 1 {One} other {Other}}\n  line\n\nnext")).toEqual({
      ok: true,
      value: "One line\n\nnext",
    });
    expect(
      writeDraft("{boxes, plural, one {# скринька} few {# скриньки} other {# скриньок}}", "uk", { boxes: 3 }, place),
    ).toEqual({
      ok: true,
      value: "3 скриньки",
    });
  });

  test("in which what stands between apostrophes stays as it is, and apostrophes of words too", () => {
    const written = (pattern: string) => writeDraft(pattern, "en", put, place);
    for (const [pattern, text] of [
      ["'{app.name}' is {app.name}", "{app.name} is Hill Farm"],
      ["the farm's {app.name}, isn't it", "the farm's Hill Farm, isn't it"],
      ["'{app.name} to the end", "{app.name} to the end"],
      ["''{app.name}''", "'Hill Farm'"],
    ])
      expect(written(pattern as string)).toEqual({ ok: true, value: text });
  });

  test.each([
    ["{nobody}", /Nothing is called nobody/],
    ["{boxes, plural, one {x}", /cannot be read/],
    ["{constructor}", /Nothing is called constructor/],
    ["{toString}", /Nothing is called toString/],
  ])("%s is told", (pattern, message) => {
    const made = writeDraft(pattern, "en", put, place);
    expect(made.ok).toBe(false);
    if (!made.ok) expect(made.problems[0]?.message).toMatch(message);
  });
});
