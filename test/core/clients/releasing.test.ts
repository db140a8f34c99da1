import { expect, test } from "vitest";
import type { KeptHappening } from "../../../src/core/agency/history/happenings.ts";
import type { Release } from "../../../src/core/agency/history/ledger.ts";
import type { Seen } from "../../../src/core/agency/history/seen.ts";
import { passageOf } from "../../../src/core/clients/passage/passage.ts";
import { notesFor } from "../../../src/core/clients/release/notes.ts";
import { noticesOf } from "../../../src/core/clients/release/notices.ts";
import { hasPassed, updateFor } from "../../../src/core/clients/release/updating.ts";
import type { HappeningKind } from "../../../src/core/stores/happening.ts";

const seen: Seen = {
  names: { "": "Hill", de: "Hügel" },
  labels: { "": "Hill" },
  pictures: { "art.icon": "aa", "art.mark": "bb" },
  permissions: ["android.permission.INTERNET"],
  systems: { android: "API level 24" },
  sizes: { android: 12_000_000, ios: 4_000_000 },
  purposes: { camera: "To show your box." },
  features: ["camera"],
  answers: { ads: "no" },
};

const says = (now: Partial<Seen>) =>
  noticesOf(seen, { ...seen, ...now }).map(({ says: each, isAsked }) => `${isAsked ? "! " : ""}${each}`);

test("people notice names, pictures, what it asks for and why; what they have to agree to comes first", () => {
  expect(says({})).toEqual([]);
  expect(
    says({
      names: { "": "Hill Farm" },
      labels: { "": "Hill Farm" },
      pictures: { "art.icon": "cc" },
      permissions: ["android.permission.CAMERA"],
      systems: { android: "API level 26", ios: "iOS 16.0" },
      // A little more of one is not noticed; of what was never told, nobody knows.
      sizes: { android: 15_100_000, ios: 4_300_000, web: 9_000_000 },
      purposes: { camera: "To scan." },
      features: ["camera", "push"],
      answers: { ads: "yes" },
    }),
  ).toEqual([
    "! it asks for CAMERA",
    "! camera is asked for with other words: To scan.",
    "on Android it runs from API level 26 on, from API level 24 before",
    "on iOS it runs from iOS 16.0 on, from not said before",
    "it no longer asks for INTERNET",
    "its name is Hill Farm",
    "its name (de) is none",
    "the name under its icon is Hill Farm",
    "art.icon is another picture",
    "art.mark is gone",
    "on Android what it is made of is 15.1 MB, not 12.0 MB: a build shows how much is to be loaded",
    "push is new",
    expect.stringMatching(/: yes instead of no$/),
  ]);
});

const variant = (features: object[], values: object = {}) =>
  ({
    key: "hill",
    values: { "app.name": { value: "Hill" }, ...values },
    names: { further: {} },
    features,
    content: { boxes: [1, 2] },
  }) as never;

test("notes may have parts that only some clients have, and are told where they cannot be read", () => {
  const notes = { en: "Better boxes.{push, select, on { Told when packed.} other {}}", de: "Alles {neu" };
  const on = notesFor(variant([{ name: "push", isOn: true }]), { en: notes.en });
  expect(on.notes).toEqual({ en: "Better boxes. Told when packed." });
  expect(notesFor(variant([{ name: "push", isOn: false }]), { en: notes.en }).notes).toEqual({ en: "Better boxes." });
  expect(notesFor(variant([]), { en: "Plain, as it stands." }).notes).toEqual({ en: "Plain, as it stands." });
  // A part that nobody has is no note at all.
  expect(
    notesFor(variant([{ name: "push", isOn: false }]), { en: "{push, select, on {Told.} other {}}" }).notes,
  ).toEqual({});
  expect(notesFor(variant([]), notes).problems.map(({ code }) => code)).toEqual(["draft-invalid", "draft-invalid"]);
});

const happened = (...all: [HappeningKind, Partial<KeptHappening>][]): KeptHappening[] =>
  all.map(([kind, more], at) => ({
    store: "google-play",
    id: `1-${at + 1}`,
    kind,
    at: `2026-11-01T0${at}:00:00Z`,
    ...more,
  }));

test("an app has come far enough by its own version, and by no other's", () => {
  const at = (version: string, ...more: [HappeningKind, Partial<KeptHappening>][]) =>
    passageOf("google-play", happened(["submitted", { version }], ...more));
  expect(hasPassed(at("1.1.0"), "1.1.0", "submitted")).toBe(true);
  expect(hasPassed(at("1.0.0"), "1.1.0", "submitted")).toBe(false);
  expect(hasPassed(at("1.1.0", ["refused", { version: "1.1.0" }]), "1.1.0", "submitted")).toBe(false);
  expect(hasPassed(at("1.1.0"), "1.1.0", "approved")).toBe(false);
  expect(hasPassed(at("1.1.0", ["approved", { version: "1.1.0" }]), "1.1.0", "approved")).toBe(true);
  expect(hasPassed(at("1.1.0", ["approved", {}], ["live", { version: "1.1.0", build: 2 }]), "1.1.0", "live")).toBe(
    true,
  );
  expect(hasPassed(passageOf("google-play", []), "1.1.0", "built")).toBe(true);
});

test("an update is held against what people have, the oldest of it, and not against the last number", () => {
  const release = (version: string, build: number, template: string): Release => ({
    version,
    build,
    on: "2026-11-01",
    template,
    notes: {},
  });
  const releases = [release("1.0.0", 1, "old"), release("1.1.0", 2, "old"), release("1.2.0", 3, "new")];
  const other = { ...seen, names: { "": "Old Hill" } };
  const from = (template: string, all: KeptHappening[], own = releases) =>
    updateFor({
      ...{
        client: "hill",
        ledger: { identifiers: {}, releases: own },
        template,
        stores: ["google-play", "app-store"] as const,
      },
      ...{ happened: all, seen: { 1: other, 2: seen, 3: seen }, now: seen },
    });
  const live = happened(["live", { version: "1.0.0", build: 1 }]);
  const both = [
    ...live,
    ...happened(["live", { version: "1.1.0", build: 2 }]).map((each) => ({ ...each, store: "app-store" as const })),
  ];
  expect(from("new", both)).toMatchObject({
    taken: { version: "1.2.0" },
    live: { "google-play": "1.0.0", "app-store": "1.1.0" },
    notices: [{ says: "its name is Hill" }, { says: "its name (de) is Hügel" }],
  });
  expect(from("newer", both).taken).toBeUndefined();
  // Where nothing is live, the number before the one that is taken is what people may have.
  expect(from("new", []).notices).toEqual([]);
  expect(from("new", [], releases.slice(2)).notices).toBeUndefined();
});
