import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { attemptAsync } from "../../../src/core/ground/problems/result.ts";
import { type Act, keyOfAct } from "../../../src/core/making/submitting/act.ts";
import { differenceOf, isAlike } from "../../../src/core/making/submitting/difference.ts";
import { openDoor } from "../../../src/core/making/submitting/door.ts";
import { nextAct, planSubmitting } from "../../../src/core/making/submitting/plan.ts";
import { sendFile } from "../../../src/core/making/submitting/sending.ts";
import { stepNames } from "../../../src/core/making/submitting/step-names.ts";
import type { SubmittingAt } from "../../../src/core/making/submitting/steps/step.ts";
import type { Wants } from "../../../src/core/making/submitting/wants.ts";
import type { StoreApp } from "../../../src/core/making/submitting/wire.ts";
import { stores } from "../../../src/core/stores/all.ts";

const at = "2026-11-01T00:00:00.000Z";
const build = { version: "1.0.0", build: 3, sum: "a".repeat(64), size: 2_500_000, file: "builds/hill/app.aab" };

const wants: Wants = {
  ...{ identifier: "example.hill", name: "Hill", language: "en" },
  texts: { en: { name: "Hill", short: "Boxes" }, de: { short: "Kisten" } },
  facts: { kind: "app", price: "free", capabilities: "push" },
  answers: { ads: "no" },
  pictures: [{ slot: "phone", language: "en", position: 1, sum: "b".repeat(64), file: "variants/hill/p.png" }],
  goods: [],
  build,
};

const told: StoreApp = {
  ...{ app: "77", identifier: "example.hill", name: "Hill", language: "en" },
  ...({ texts: wants.texts, facts: wants.facts, answers: wants.answers } as Pick<
    StoreApp,
    "texts" | "facts" | "answers"
  >),
  pictures: [{ slot: "phone", language: "en", position: 1, sum: "b".repeat(64) }],
  goods: [],
  builds: [{ build: 3, version: "1.0.0", sum: build.sum, state: "ready", since: at }],
  ...{ testers: {}, testing: [], agreements: [], isChanged: false },
};

const version = (station: NonNullable<StoreApp["version"]>["station"], more = {}): Pick<StoreApp, "version"> => ({
  version: { version: "1.0.0", build: 3, station, since: at, ...more },
});

const planned = (more: Partial<SubmittingAt> = {}) =>
  planSubmitting({
    ...{ store: stores["google-play"], has: undefined, wants, asked: {}, today: "2026-11-02" },
    lacks: { creation: [], review: [] },
    ...more,
  });

const step = (name: string, more: Partial<SubmittingAt> = {}) => {
  const found = planned(more).find((each) => each.name === name);
  if (!found) throw new Error(name);
  return found;
};

const said = (name: string, more: Partial<SubmittingAt> = {}) => {
  const { state, acts, lacks } = step(name, more);
  return [state, ...acts.map(({ kind }) => kind), ...lacks.map(({ what }) => what)];
};

test("a record is created with what its store wants for that, and with what the app can", () => {
  expect(step("record").acts).toMatchObject([
    { kind: "create", body: { identifier: "example.hill", name: "Hill", language: "en", facts: wants.facts } },
  ]);
  expect(step("record", { store: stores["microsoft-store"] }).acts).toMatchObject([
    { body: { facts: { capabilities: "push" } } },
  ]);
  const creation = [{ what: "App name", who: "client" } as const];
  expect(said("record", { lacks: { creation, review: [] } })).toEqual(["lacks", "App name"]);
  expect(step("record", { has: told }).says).toBe("Google Play calls it 77");
});

describe("details", () => {
  test("only what differs is told, a language at a time", () => {
    expect(said("details")).toEqual(["later"]);
    expect(said("details", { has: told })).toEqual(["done"]);
    const has = {
      ...told,
      texts: { en: { name: "Hill", short: "Old" }, fr: { short: "Paniers" } },
      facts: { kind: "app", odd: "1" },
    };
    const { acts } = step("details", { has });
    expect(acts.map((each) => [each.kind, each.changes])).toEqual([
      ["texts", ["~ short: Old → Boxes"]],
      ["texts", ["+ short: Kisten"]],
      ["texts", ["- short: Paniers"]],
      ["facts", ["+ price: free", "+ capabilities: push", "- odd: 1"]],
    ]);
    // A language that is no more is told nothing.
    expect(acts[2]).toMatchObject({ language: "fr", fields: {} });
  });

  test("pictures are those, in those places; one too many is taken out", () => {
    const [picture] = told.pictures;
    if (!picture) throw new Error("there is one");
    const moved = {
      ...told,
      pictures: [
        { ...picture, position: 2 },
        { ...picture, slot: "tablet" },
      ],
    };
    expect(step("details", { has: moved }).acts).toMatchObject([
      { kind: "pictures", says: "send 1 picture and take out 2 pictures" },
    ]);
  });

  test("while people look at a version, nothing of it is changed", () => {
    const has = { ...told, facts: {}, ...version("in-review") };
    expect(said("details", { has })).toEqual(["waits"]);
    expect(said("details", { has: { ...has, ...version("refused") } })[0]).toBe("to-do");
  });

  test("what is alike is alike, whatever it says", () => {
    const texts = fc.dictionary(
      fc.constantFrom("en", "de", "fr"),
      fc.dictionary(fc.constantFrom("name", "short"), fc.string()),
    );
    fc.assert(
      fc.property(texts, texts, (own, other) => {
        expect(isAlike(differenceOf({ ...told, texts: own }, { ...wants, texts: own }))).toBe(true);
        const { texts: changes } = differenceOf({ ...told, texts: own }, { ...wants, texts: other });
        for (const [language, all] of Object.entries(changes))
          for (const { field, before, after } of all) {
            expect(before).toBe(own[language]?.[field]);
            expect(after).toBe(other[language]?.[field]);
            expect(before).not.toBe(after);
          }
      }),
    );
  });
});

test.each([
  [{ wants: { ...wants, build: undefined } }, ["lacks", "a good build for the store: `oxalis build`"]],
  [{}, ["later"]],
  [{ has: { ...told, builds: [] } }, ["to-do", "send"]],
  [
    { has: { ...told, builds: [{ ...told.builds[0], build: 4 }] } },
    ["lacks", "the next number: `oxalis release`, then `oxalis build`"],
  ],
  [
    { has: { ...told, builds: [{ ...told.builds[0], sum: "c".repeat(64) }] } },
    ["lacks", "the next number: `oxalis release`, then `oxalis build`"],
  ],
  [{ has: { ...told, builds: [{ ...told.builds[0], state: "processing" }] } }, ["waits"]],
  [
    { has: { ...told, builds: [{ ...told.builds[0], state: "refused", why: "no" }] } },
    ["lacks", "the next number: `oxalis release`, then `oxalis build`"],
  ],
  [{ has: told }, ["to-do", "attach"]],
  [{ has: { ...told, ...version("open") } }, ["done"]],
  [{ has: { ...told, ...version("in-review", { build: 2, version: "0.9.0" }) } }, ["waits"]],
  [{ has: { ...told, ...version("approved", { build: 2, version: "0.9.0" }) } }, ["waits"]],
  [{ has: { ...told, ...version("refused", { build: 2, version: "0.9.0" }) } }, ["to-do", "attach"]],
  [{ has: { ...told, ...version("live", { build: 3 }), live: { version: "1.0.0", build: 3, since: at } } }, ["done"]],
] as const)("a build, by %j, is %j", (more, expected) => {
  expect(said("build", more as never)).toEqual(expected);
});

test.each([
  [{}, ["later"]],
  [{ has: told }, ["later"]],
  [{ has: { ...told, ...version("open") } }, ["to-do", "submit"]],
  [
    { has: { ...told, ...version("open"), agreements: ["Terms"] } },
    ["lacks", '"Terms" signed by the account\'s owner'],
  ],
  [{ has: { ...told, ...version("open"), facts: {} } }, ["later"]],
  [
    { has: { ...told, ...version("open") }, lacks: { creation: [], review: [{ what: "a policy", who: "client" }] } },
    ["lacks", "a policy"],
  ],
  [{ has: { ...told, ...version("waiting") } }, ["waits"]],
  [{ has: { ...told, ...version("in-review") } }, ["waits"]],
  [
    { has: { ...told, ...version("refused", { refusal: { rule: "1", says: "no" } }) } },
    ["lacks", "what it names, mended; then `--reply <text>` says what was changed"],
  ],
  [{ has: { ...told, ...version("refused") }, asked: { reply: "Better." } }, ["to-do", "reply"]],
  [{ has: { ...told, ...version("asked") } }, ["lacks", "an answer: `--reply <text>`"]],
  [{ has: { ...told, ...version("approved") } }, ["done"]],
  [{ has: { ...told, ...version("live"), live: { version: "1.0.0", build: 3, since: at } } }, ["done"]],
  [
    { has: { ...told, ...version("live"), live: { version: "1.0.0", build: 3, since: at }, isChanged: true } },
    ["to-do", "submit"],
  ],
  [
    {
      store: stores["app-store"],
      has: { ...told, ...version("live"), live: { version: "1.0.0", build: 3, since: at }, isChanged: true },
    },
    ["later"],
  ],
  // A newer build is on its way: texts wait for it.
  [
    {
      has: {
        ...told,
        ...version("live", { build: 2 }),
        live: { version: "0.9.0", build: 2, since: at },
        isChanged: true,
      },
    },
    ["later"],
  ],
] as const)("a review, by %j, is %j", (more, expected) => {
  expect(said("review", more as never)).toEqual(expected);
});

const released = (on: string) => ({ wants: { ...wants, released: on }, has: { ...told, ...version("approved") } });

test.each([
  [{ has: told }, ["later"]],
  [
    { has: { ...told, ...version("approved") } },
    ["lacks", "how it goes out: `--out everybody`, `--out 20%`, `--out phases`"],
  ],
  [released("at once"), ["to-do", "release"]],
  [released("2026-11-02"), ["to-do", "release"]],
  [released("2026-11-03"), ["waits"]],
  [
    { has: { ...told, ...version("approved") }, asked: { out: { how: "share", share: 20 } } },
    ["lacks", "a first version goes to everybody: `--out everybody`"],
  ],
  [
    {
      store: stores["app-store"],
      has: { ...told, ...version("approved"), live: { version: "0.9.0", build: 1, since: at } },
      asked: { out: { how: "share", share: 20 } },
    },
    ["lacks", "App Store has shares of its own, 1, 2, 5, 10, 20, 50, 100 %: `--out phases`"],
  ],
  [
    {
      store: stores["app-store"],
      has: { ...told, ...version("approved"), live: { version: "0.9.0", build: 1, since: at } },
      asked: { out: { how: "phases" } },
    },
    ["to-do", "release"],
  ],
  [
    { has: { ...told, ...version("approved") }, asked: { out: { how: "halt" } } },
    ["lacks", "a version that is going out"],
  ],
  [
    { has: { ...told, ...version("going-out"), out: { share: 20, isPhased: true, isPaused: false, since: at } } },
    ["waits"],
  ],
  [
    { has: { ...told, ...version("paused"), out: { share: 20, isPhased: false, isPaused: true, since: at } } },
    ["lacks", "`--out go-on` or `--out everybody`"],
  ],
] as const)("a release, by %j, is %j", (more, expected) => {
  expect(said("release", more as never)).toEqual(expected);
});

describe("testers", () => {
  const people = (count: number) =>
    Array.from({ length: count }, (_, each) => ({ address: `t${each}@field.example`, group: "g" }));
  const tried = (testers: Wants["testers"], has: Partial<StoreApp> = {}, store = stores["google-play"]) =>
    said("testers", { store, has: { ...told, ...has }, wants: { ...wants, testers } });

  test("who is meant is told, a track at a time, and then the build is theirs", () => {
    expect(said("testers", { has: told })).toEqual(["done"]);
    expect(tried({ inner: people(2) })).toEqual(["to-do", "testers"]);
    const has = { testers: { inner: people(2) } };
    expect(tried({ inner: people(2) }, has)).toEqual(["to-do", "test"]);
    expect(tried({ inner: people(2) }, { ...has, testing: [{ track: "inner", build: 3, state: "allowed" }] })).toEqual([
      "done",
    ]);
    // Whoever is no longer meant goes, and nobody is invited twice for the case of a letter.
    expect(tried({ inner: people(1) }, has)).toEqual(["to-do", "testers"]);
    expect(tried({ inner: [{ address: "T0@field.example", group: "g" }, people(2)[1] as never] }, has)).toEqual([
      "to-do",
      "test",
    ]);
  });

  test("more than a store takes is told before it is sent", () => {
    expect(tried({ inner: people(101) })).toEqual(["lacks", "Internal testing: at most 100 people, not 101"]);
    expect(tried({ inner: people(1) }, {}, stores["microsoft-store"])).toEqual([
      ...["lacks", "Microsoft Store has no inner testers: name them outer"],
    ]);
  });
});

test("acts come in the order of the steps, and none behind the step that is the last", () => {
  const has = { ...told, facts: {}, builds: [] };
  const until = (name: (typeof stepNames)[number]) => nextAct(planned({ has }), name)?.kind;
  expect(stepNames.map(until)).toEqual([undefined, "facts", "facts", "facts", "facts", "facts"]);
  expect(nextAct(planned({ has: { ...told, builds: [] } }), "details")).toBeUndefined();
});

test("an act has one key, as long as it sets out from the same state; another act has another", () => {
  const act = (more: object = {}): Act =>
    ({ kind: "facts", step: "details", says: "x", fields: { a: "1" }, ...more }) as Act;
  const key = keyOfAct("google-play", "77", act(), '"7"');
  // What is said of it is not the act.
  expect(keyOfAct("google-play", "77", act({ says: "y", changes: ["z"] }), '"7"')).toBe(key);
  const others = [
    keyOfAct("app-store", "77", act(), '"7"'),
    keyOfAct("google-play", "78", act(), '"7"'),
    keyOfAct("google-play", "77", act({ fields: { a: "2" } }), '"7"'),
    keyOfAct("google-play", "77", act(), '"8"'),
  ];
  expect(new Set([key, ...others]).size).toBe(5);
});

test("what a store answers otherwise than described is an error that names the place", async () => {
  const answering = (body: unknown, more: object = {}) =>
    openDoor("Hill Store", async () => ({ status: 200, body, tag: '"1"', ...more }));
  const problemOf = async (work: () => Promise<unknown>) => {
    const done = await attemptAsync(work);
    return done.ok ? undefined : done.problems[0];
  };
  expect(await problemOf(() => answering({ ...told, builds: "none" }).read("77"))).toMatchObject({
    code: "interface-answer",
    message: expect.stringMatching(/^Hill Store answers GET \/apps\/77 otherwise than described: builds: /),
  });
  expect(await problemOf(() => answering(told, { tag: undefined }).read("77"))).toMatchObject({
    message: expect.stringContaining("no ETag"),
  });
  expect(await problemOf(() => answering({}, { status: 409 }).act({ method: "POST", path: "/x" }))).toMatchObject({
    code: "interface-answer",
  });
  expect(await problemOf(() => answering({}, { status: 500 }).happenings("77", undefined))).toMatchObject({
    code: "interface-answer",
  });
  expect(
    await answering({ wrong: "no", rule: "r" }, { status: 412 }).act({ method: "POST", path: "/x" }),
  ).toMatchObject({ wrong: "no", isChanged: true });
  // A list that goes on without an end is none: each page is another one.
  expect(await answering({ items: [], next: "same" }).happenings("77", "same")).toEqual([]);
});

test("a file goes on where it stopped, and is given up where nothing of it arrives", async () => {
  const bytes = Buffer.alloc(10_000_000, 7);
  const read = {
    sizeOf: () => bytes.length,
    part: (_: string, from: number, length: number) => bytes.subarray(from, from + length),
  };
  const file = { sum: "a".repeat(64), file: "app.aab", kind: "package" };
  const sent: [string, number][] = [];
  let received = 3_000_000;
  const door = (takes: boolean) =>
    openDoor("Hill Store", async ({ method, path, bytes: part }) => {
      sent.push([`${method} ${path}`, part?.length ?? 0]);
      if (takes && part) received += part.length;
      return { status: 200, body: { sum: file.sum, received, isWhole: received === bytes.length } };
    });
  expect(await sendFile(door(true), file, read)).toBeUndefined();
  expect(sent.map(([path, size]) => [path.replace(file.sum, "SUM"), size])).toEqual([
    ["POST /uploads", 0],
    ["PUT /uploads/SUM?from=3000000", 4 * 1024 * 1024],
    ["PUT /uploads/SUM?from=7194304", 10_000_000 - 7_194_304],
  ]);
  received = 0;
  expect(await sendFile(door(false), file, read)).toMatchObject({ wrong: expect.stringContaining("stops at byte 0") });
});
