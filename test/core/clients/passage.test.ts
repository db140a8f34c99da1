import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { happeningsOf, type KeptHappening } from "../../../src/core/agency/history/happenings.ts";
import { type Awaited, awaitedState } from "../../../src/core/clients/passage/awaited.ts";
import { dueIn } from "../../../src/core/clients/passage/due.ts";
import { passageOf } from "../../../src/core/clients/passage/passage.ts";
import { hoursSaid, usualWait } from "../../../src/core/clients/passage/waits.ts";
import { writeTogether } from "../../../src/core/ground/files/writing/together.ts";
import { attempt } from "../../../src/core/ground/problems/result.ts";
import type { StoreKey } from "../../../src/core/ground/values/store.ts";
import { placeSaid, speakingOn } from "../../../src/core/showing/board/saying.ts";
import { stores } from "../../../src/core/stores/all.ts";
import { type HappeningKind, happeningKinds, happeningSaid } from "../../../src/core/stores/happening.ts";
import { temporaryFolder } from "../../support/oxalis.ts";

/** A history in which one thing happens an hour after the other. */
const history = (
  all: readonly (HappeningKind | [HappeningKind, Partial<KeptHappening>])[],
  store: StoreKey = "google-play",
): KeptHappening[] =>
  all.map((each, at) => {
    const [kind, more] = typeof each === "string" ? [each, {}] : each;
    return {
      store,
      id: `1-${at + 1}`,
      kind,
      at: `2026-11-0${1 + Math.floor(at / 24)}T${String(at % 24).padStart(2, "0")}:00:00.000Z`,
      ...more,
    };
  });

const sent = [
  ["build-sent", { build: 1, version: "1.0.0" }],
  ["build-ready", { build: 1 }],
] as const;
const reviewed = [...sent, ["attached", { build: 1, version: "1.0.0" }], ["submitted", { version: "1.0.0" }]] as const;
const live = [...reviewed, ["approved", { version: "1.0.0" }], ["live", { version: "1.0.0", build: 1 }]] as const;
const next = [
  ["build-sent", { build: 2, version: "1.1.0" }],
  ["build-ready", { build: 2 }],
  ["attached", { build: 2, version: "1.1.0" }],
] as const;

test.each([
  [[], "nothing", "nothing sent"],
  [["created"], "created", "created 2026-11-01"],
  [["created", sent[0]], "sent", "1.0.0 taken in"],
  [["created", ...sent], "ready", "1.0.0 there, not sent for review"],
  [["created", sent[0], ["build-refused", { build: 1, says: "no" }]], "unusable", "build 1 refused"],
  [reviewed, "waiting", "1.0.0 waits since 2026-11-01"],
  [[...reviewed, "review-began"], "in-review", "1.0.0 in review since 2026-11-01"],
  [[...reviewed, ["refused", { says: "no" }]], "refused", "1.0.0 refused 2026-11-01"],
  [[...reviewed, ["refused", { says: "no" }], "answered"], "ready", "1.0.0 there, not sent for review"],
  [[...reviewed, ["asked", { says: "who" }], "answered"], "waiting", "1.0.0 waits since 2026-11-01"],
  [[...reviewed, "withdrawn"], "ready", "1.0.0 there, not sent for review"],
  [live, "live", "1.0.0 live"],
  [[...live, next[0]], "sent", "1.1.0 taken in, 1.0.0 live"],
  [[...live, ...next], "ready", "1.1.0 there, not sent for review, 1.0.0 live"],
  [[...live, ...next, ["out", { share: 20, version: "1.1.0", build: 2 }]], "going-out", "1.1.0 for 20 %, 1.0.0 live"],
  [[...live, ...next, ["paused", { share: 20, version: "1.1.0" }]], "paused", "1.1.0 halted at 20 %, 1.0.0 live"],
  [["created", "name-lapsed"], "nothing", "nothing sent"],
] as const)("by %j an app is %s", (all, place, said) => {
  const passage = passageOf("google-play", history(all as never));
  expect([passage.is, placeSaid(passage, speakingOn("en"))]).toEqual([place, said]);
});

test("a build that ends, or testers who may try one, change nothing of where a version is", () => {
  const more = [
    ["build-ended", { build: 1 }],
    ["testing-allowed", { build: 1 }],
    ["told", { says: "facts" }],
  ] as const;
  for (const all of [reviewed, live, [...live, ...next]])
    expect(passageOf("google-play", history([...all, ...more] as never)).is).toBe(
      passageOf("google-play", history(all as never)).is,
    );
});

test("whatever happens in whatever order, an app is somewhere, and a store's history is its own", () => {
  const kinds = fc.array(fc.constantFrom(...happeningKinds), { maxLength: 30 });
  fc.assert(
    fc.property(kinds, kinds, (own, others) => {
      const mine = history(own.map((kind) => [kind, { build: 3, version: "1.2.0", share: 5, says: "x" }]));
      const theirs = history(others, "app-store");
      const passage = passageOf("google-play", [...mine, ...theirs]);
      expect(passage.happened).toHaveLength(own.length);
      expect(placeSaid(passage, speakingOn("en"))).not.toMatch(/undefined/);
      if (passage.is === "live") expect(passage.coming).toBeUndefined();
      if (passage.share !== undefined) expect(["going-out", "paused"]).toContain(passage.is);
    }),
  );
});

describe("what is due", () => {
  const due = (all: readonly unknown[], days: number, store: StoreKey = "google-play") => {
    const happened = history(all as never, store);
    const today = new Date(Date.parse("2026-11-01T00:00:00Z") + days * 86_400_000).toISOString().slice(0, 10);
    const { conduct } = stores[store];
    const usual = Object.fromEntries(
      (["processing", "review", "testing"] as const).map((each) => [each, usualWait(each, conduct, [happened])]),
    ) as never;
    const now = Date.parse(`${today}T23:59:59Z`);
    return dueIn(passageOf(store, happened), { store: stores[store], client: "hill", today, now, usual }).map(
      ({ code, severity, message, expected }) => [code, severity, message, ...(expected ? [expected] : [])].join(" | "),
    );
  };

  test("a refusal waits for an answer, and is an error after three days", () => {
    const refused = [...reviewed, ["refused", { rule: "4.3", where: "description", says: "The same as others." }]];
    expect(due(refused, 0)).toEqual([
      "review-refused | warning | Google Play refused version 1.0.0: 4.3 (description): The same as others.",
    ]);
    expect(due(refused, 3)).toEqual([
      "review-refused | error | Google Play refused version 1.0.0: 4.3 (description): The same as others. Unanswered for 3 days.",
    ]);
  });

  test("a review is slow when it takes longer than is known of that store", () => {
    expect(due(reviewed, 6)).toEqual([]);
    expect(due(reviewed, 8)).toEqual([
      "passage-due | warning | Version 1.0.0 has been waiting for 9 days: 24 hours are usual.",
    ]);
    expect(due(reviewed, 5, "app-store")[0]).toMatch(/has been waiting for 6 days/);
  });

  test("what is approved, halted or not sent is somebody's to go on with; phases end by themselves", () => {
    expect(due([...reviewed, "approved"], 0)).toEqual([
      "passage-due | warning | Version 1.0.0 is approved, and waits to be let out.",
    ]);
    const paused = [...live, ...next, ["paused", { share: 20, version: "1.1.0" }]];
    expect(due(paused, 5)).toEqual(["passage-due | warning | Version 1.1.0 is halted at 20 % for 5 days."]);
    expect(due(paused, 5, "app-store")).toEqual([
      "passage-due | warning | Version 1.1.0 is halted at 20 % for 5 days. | by 2026-12-01",
    ]);
    expect(due(paused, 31, "app-store")[0]).toMatch(/^passage-due \| error/);
  });

  test("a name is let go, a test build ends, an agreement is to be signed: told before, or at once", () => {
    const created = ["created"];
    expect(due(created, 60, "microsoft-store")).toEqual([]);
    expect(due(created, 80, "microsoft-store")[0]).toMatch(/lets go of the name, as far as is known, on 2027-01-30/);
    expect(due([...live], 80, "microsoft-store")).toEqual([]);
    const tried = [...sent, ["testing-allowed", { build: 1 }]];
    expect(due(tried, 80, "app-store").join()).toMatch(/Build 1 cannot be tried from 2027-01-30 on/);
    expect(due(["created", ["agreement-open", { says: "Terms" }]], 0)[0]).toBe(
      'passage-due | error | Google Play goes on with nothing before "Terms" is signed.',
    );
  });
});

test("waits are taken from what was, where there is enough of it, and from what is stated otherwise", () => {
  const { conduct } = stores["google-play"];
  const span = (hours: number) =>
    history([
      ["submitted", { at: "2026-11-01T00:00:00Z" }],
      ["approved", { at: new Date(Date.parse("2026-11-01T00:00:00Z") + hours * 3_600_000).toISOString() }],
    ]);
  expect(usualWait("review", conduct, [span(3)])).toEqual({ usual: 24, long: 168, from: "stated" });
  expect(usualWait("review", conduct, [3, 5, 4, 40, 6].map(span))).toEqual({ usual: 5, long: 40, from: "history" });
  expect([0.01, 0.5, 1, 47, 48, 200].map(hoursSaid)).toEqual([
    "a minute",
    "30 minutes",
    "an hour",
    "47 hours",
    "2 days",
    "8 days",
  ]);
});

test.each([
  ["approved", reviewed, "open"],
  ["approved", [...reviewed, "approved"], "happened"],
  ["approved", [...reviewed, "approved", ...next, "submitted"], "open"],
  ["approved", [...reviewed, "refused"], "denied"],
  ["approved", [...reviewed, "refused", "answered"], "open"],
  ["build-ready", [sent[0], "build-refused"], "denied"],
  ["live", [...live, next[0]], "open"],
  ["live", [...live, ["paused", {}]], "denied"],
  ["created", [], "open"],
] as const)("waiting for %s, by %j, is %s", (event, all, state) => {
  expect(awaitedState(event as Awaited, history(all as never)).state).toBe(state);
});

test("a happening is an entry of its own: what two people were told by a store is the same file", () => {
  const root = temporaryFolder();
  const [first, second] = history(["created", "told"]);
  if (!first || !second) throw new Error("two happen");
  writeTogether(root, happeningsOf.changes(root, "hill", [first]));
  const changes = happeningsOf.changes(root, "hill", [first, second]);
  expect(changes.map(([file]) => file)).toEqual(["clients/hill/history/event-google-play-1-2.json"]);
  writeTogether(root, changes);
  expect(happeningsOf.read(root, "hill")).toEqual([first, second]);
  writeTogether(root, [
    [
      "clients/hill/history/event-google-play-1-3.json",
      '{"form":1,"store":"google-play","id":"1-3","kind":"won","at":"x"}',
    ],
  ]);
  expect(attempt(() => happeningsOf.read(root, "hill"))).toMatchObject({
    ok: false,
    problems: [{ code: "history-damaged" }],
  });
});

test("each kind of happening is a sentence in each language of pages, with everything put in", () => {
  for (const kind of happeningKinds)
    for (const language of ["en", "de", "fr", "es"] as const) {
      const said = happeningSaid({ kind, at: "", version: "1.0.0", build: 7, share: 20, says: "why" }, language);
      expect(said).not.toMatch(/[{}]|undefined/);
    }
});
