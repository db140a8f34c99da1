import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, readFileSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { temporaryFolder } from "../support/oxalis.ts";

const root = join(import.meta.dirname, "../..");

/** A change of one file: this text becomes that. */
type Change = readonly [file: string, from: string | RegExp, to: string];

interface Addition {
  what: string;
  /** What says that there is a new one. */
  said: readonly Change[];
  /** Whatever has to follow, for the sources to compile; a file that is new has no text yet. */
  follows: readonly Change[];
  /** What the compiler names where nothing follows; the places that have to follow, where it does not say. */
  names?: readonly string[];
}

const titledIn = (file: string): Change => [file, /\ben:/g, 'it: "…", en:'];

const additions: readonly Addition[] = [
  {
    what: "a store",
    said: [["ground/values/store.ts", '"microsoft-store"]', '"microsoft-store", "corner-shop"]']],
    follows: [
      [
        "stores/all.ts",
        '"microsoft-store": microsoftStore,',
        '"microsoft-store": microsoftStore,\n  "corner-shop": { ...microsoftStore, key: "corner-shop", title: "Corner Shop" },',
      ],
    ],
  },
  {
    what: "a platform",
    said: [["ground/values/platform.ts", '"windows", "web"] as const', '"windows", "web", "television"] as const']],
    follows: [
      ["ground/values/platform.ts", '  web: "Web",', '  web: "Web",\n  television: "Television",'],
      [
        "ground/values/fields.ts",
        '  "identifiers.web": {',
        '  "identifiers.television": { says: "Television ID", pattern: "{identifiers.base}" },\n  "identifiers.web": {',
      ],
      ["app/platforms/all.ts", "  web,", "  web,\n  television: web,"],
    ],
  },
  {
    what: "a field of records",
    said: [
      [
        "stores/record-fields.ts",
        "  reviewUser: {",
        '  motto: { says: "Motto", byLanguage: true, form: "text", who: "client" },\n  reviewUser: {',
      ],
    ],
    follows: [],
  },
  {
    what: "a rule",
    names: ["core/proving/standing/rules/texts.ts"],
    said: [
      [
        "proving/standing/rules/texts.ts",
        "export const textRules: readonly Rule[] = [",
        "export const textRules: readonly Rule[] = [\n" +
          '  { code: "motto-missing", level: "note", says: "there is a motto", source: "", asOf, look: () => [] },',
      ],
    ],
    follows: [
      [
        "ground/problems/of-records.ts",
        "export const ofRecords = {",
        'export const ofRecords = {\n  "motto-missing": { title: "No motto", fix: "Give one." },',
      ],
    ],
  },
  {
    what: "a command",
    said: [
      ["../cli/rows/table.ts", "  schema: {", '  greet: { says: "greet", arguments: {}, options: {} },\n  schema: {'],
    ],
    follows: [
      ["../cli/work.ts", "  schema: () =>", '  greet: () => import("./commands/demo.ts") as never,\n  schema: () =>'],
      ["../cli/rows/examples.ts", "  schema: [", '  greet: ["oxalis greet"],\n  schema: ['],
    ],
  },
  {
    what: "a word of letters",
    said: [["pages/words/en/letter.ts", "const own = {", 'const own = {\n  cheers: "Cheers",']],
    follows: ["de", "fr", "es"].map(
      (tag) => [`pages/words/${tag}/letter.ts`, /: Words = \{/, ': Words = {\n  cheers: "…",'] as const,
    ),
  },
  {
    what: "a language of pages",
    said: [["ground/values/page-language.ts", '"es"] as const', '"es", "it"] as const']],
    follows: [
      ...["page", "guide", "letter", "board"].map(
        (file) => [`pages/words/${file}.ts`, "en: english", "it: english, en: english"] as const,
      ),
      ["pages/words/board.ts", "de: germanFound", "it: germanFound, de: germanFound"],
      ["pages/words/board.ts", "de: germanFields", "it: germanFields, de: germanFields"],
      ...["apple", "google-play", "microsoft-store"].map((store) => `stores/${store}/share.ts`).map(titledIn),
      ...["android", "desktop", "ios", "web", "windows"]
        .map((platform) => `app/platforms/${platform}/titles.ts`)
        .map(titledIn),
      titledIn("stores/google-play/google-play.ts"),
      titledIn("stores/microsoft-store/microsoft-store.ts"),
      titledIn("stores/choice-words.ts"),
      titledIn("stores/happening.ts"),
      ...["apple", "google-play", "microsoft-store"].map((store) => `stores/${store}/accounts.ts`).map(titledIn),
    ],
  },
  {
    what: "a code that somebody has to act on",
    names: ["core/ground/problems/who.ts"],
    said: [["ground/problems/who.ts", '"name-shared",', '"name-shared",\n    "name-of-none",']],
    follows: [
      [
        "ground/problems/of-inputs.ts",
        "export const ofInputs = {",
        'export const ofInputs = {\n  "name-of-none": { title: "", fix: "" },',
      ],
    ],
  },
];

const folder = temporaryFolder();
cpSync(join(root, "src"), join(folder, "src"), { recursive: true });
symlinkSync(join(root, "node_modules"), join(folder, "node_modules"));
const settings = JSON.parse(readFileSync(join(root, "tsconfig.json"), "utf8"));
writeFileSync(join(folder, "tsconfig.json"), JSON.stringify({ ...settings, include: ["src"] }));
writeFileSync(join(folder, "package.json"), '{ "type": "module" }');

/** Compiles; of what was known before, only what a change reaches is looked at anew. */
const compile = (known: string) =>
  execFileSync(join(root, "node_modules/.bin/tsc"), ["-p", folder, "--incremental", "--tsBuildInfoFile", known], {
    encoding: "utf8",
    stdio: "pipe",
  });
const asItLies = join(folder, "as-it-lies");
compile(asItLies);

/** Files of the core that the compiler names, with changes in place. */
function namedWith(changes: readonly Change[]): string[] {
  const before = new Map<string, string>();
  for (const [file, from, to] of changes) {
    const path = join(folder, "src/core", file);
    const text = readFileSync(path, "utf8");
    if (!before.has(path)) before.set(path, text);
    const changed = text.replace(from, () => to);
    expect([file, changed === text]).toEqual([file, false]);
    mkdirSync(join(path, ".."), { recursive: true });
    writeFileSync(path, changed);
  }
  let said = "";
  try {
    cpSync(asItLies, join(folder, "known"));
    compile(join(folder, "known"));
  } catch (error) {
    said = (error as { stdout: string }).stdout;
  }
  for (const [path, text] of before) writeFileSync(path, text);
  return [...new Set([...said.matchAll(/src\/([\w./-]+)\(\d+,\d+\): error/g)].map(([, file = ""]) => file))];
}

const saidIn = ({ said }: Addition) => said.map(([file]) => named(file));
const named = (file: string) => (file.startsWith("../") ? file.slice(3) : `core/${file}`);

/** An addition with what has to follow it; of the others the compiler says nothing, so each is made alone. */
const [followed, alone] = [
  additions.filter(({ follows }) => follows.length > 0),
  additions.filter(({ follows }) => follows.length === 0),
];
const placesOf = ({ follows, names }: Addition) => [...new Set(names ?? follows.map(([file]) => named(file)))];
/** What is named with all of them made at once: each has places of its own, so that it is known which named them. */
const namedOfAll = namedWith(followed.flatMap(({ said }) => said));

test.each(followed)("$what: the compiler names each place that has to follow", (addition) => {
  const others = followed.filter((each) => each !== addition).flatMap((each) => [...placesOf(each), ...saidIn(each)]);
  expect(placesOf(addition).filter((place) => others.includes(place))).toEqual([]);
  expect(namedOfAll).toEqual(expect.arrayContaining(placesOf(addition)));
});

test.each(alone)("$what: nothing has to follow", ({ said }) => {
  expect(namedWith(said)).toEqual([]);
});

test("with all that has to follow in place, nothing else has to", () => {
  expect(namedWith(additions.flatMap(({ said, follows }) => [...said, ...follows]))).toEqual([]);
});
