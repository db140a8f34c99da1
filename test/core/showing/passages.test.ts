import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import type { KeptHappening } from "../../../src/core/agency/history/happenings.ts";
import type { StoreRecord } from "../../../src/core/clients/record/record.ts";
import type { Wants } from "../../../src/core/making/submitting/wants.ts";
import { wordsInFirst } from "../../../src/core/pages/words/own.ts";
import { handSheetPage } from "../../../src/core/showing/handsheet/page.tsx";
import { handSteps } from "../../../src/core/showing/handsheet/steps.ts";
import { invitationOf } from "../../../src/core/showing/inviting/invitation.tsx";
import { digestOf } from "../../../src/core/showing/news/digest.tsx";
import { newsFeed } from "../../../src/core/showing/news/feed.ts";
import type { NewsItem } from "../../../src/core/showing/news/news.ts";
import { allStores, stores } from "../../../src/core/stores/all.ts";
import { temporaryFolder } from "../../support/oxalis.ts";
import { tool } from "../../support/tools.ts";

const given = (value: string) => ({ value, trail: [] });

const record: StoreRecord = {
  ...{
    client: "hill",
    languages: ["en"],
    features: [],
    declared: [],
    collected: [],
    captures: [],
    previews: [],
    policies: [],
  },
  values: {
    name: { first: given("Hill & Dale"), further: {} },
    kind: { first: given("app"), further: {} },
    price: { first: given("free"), further: {} },
    short: { first: given("Boxes"), further: {} },
  },
  derived: new Set(),
};

const wants = {
  ...{ identifier: "example.hill", name: "Hill & Dale", language: "en", texts: {}, facts: {}, answers: {}, goods: [] },
  pictures: [{ slot: "icon", position: 1, sum: "a", file: "variants/hill/icon.png" }],
  build: { version: "1.1.0", build: 2, sum: "b", size: 5, file: "builds/hill/app.aab" },
} as Wants;

const noted = (...all: [KeptHappening["kind"], Partial<KeptHappening>][]): KeptHappening[] =>
  all.map(([kind, more], at) => ({
    store: "google-play",
    id: `h${at}`,
    kind,
    at: `2026-11-0${at + 1}T00:00:00Z`,
    by: "Mara",
    ...more,
  }));

const steps = (happened: KeptHappening[], more = {}) =>
  handSteps({ store: stores["google-play"], wants, lacks: { creation: [], review: [] }, record, happened, ...more });

test("a sheet has the store's own steps in its order; each says what goes in, and is noted by its own name", () => {
  for (const { conduct } of allStores) {
    const names = conduct.byHand.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    expect(conduct.byHand.map(({ done }) => done)).toEqual(
      expect.arrayContaining(["created", "told", "build-sent", "submitted", "approved", "live"]),
    );
  }
  const [first, listing, questions, build] = steps(noted(["created", {}], ["told", { says: "listing" }]));
  expect(first).toMatchObject({ name: "record", doneOn: "2026-11-01" });
  expect(first?.copies.map(({ title, text }) => `${title}: ${text}`)).toEqual([
    ...["Identifier: example.hill", "App name: Hill & Dale", "App or game: app", "Price: free", "Main language: en"],
  ]);
  expect(listing).toMatchObject({ doneOn: "2026-11-02", files: ["variants/hill/icon.png"] });
  expect(questions?.doneOn).toBeUndefined();
  expect(build?.files).toEqual(["builds/hill/app.aab"]);
  expect(steps([], { wants: { ...wants, build: undefined } })[3]?.lacks).toEqual([
    "a good build for the store: `oxalis build`",
  ]);
});

test("what was done for the version before is done anew; a record is created once", () => {
  const before = noted(
    ["created", {}],
    ["build-sent", { build: 1 }],
    ["submitted", {}],
    ["approved", {}],
    ["live", { build: 1, version: "1.0.0" }],
  );
  expect(
    steps(before)
      .filter(({ doneOn }) => doneOn)
      .map(({ name }) => name),
  ).toEqual(["record"]);
  const told = [...before, ...noted(["build-sent", { build: 2, at: "2026-11-09T00:00:00Z", id: "x" }])];
  expect(
    steps(told)
      .filter(({ doneOn }) => doneOn)
      .map(({ name }) => name),
  ).toEqual(["record", "build"]);
});

test("the page shows the next step, its fields and its call, and runs nothing that a client has written", () => {
  const html = handSheetPage({
    ...{
      agency: "Studio",
      accent: "#3d4b63",
      onAccent: "#ffffff",
      client: "hill",
      store: "google-play",
      storeTitle: "Google Play",
    },
    ...{ name: "<script>alert(1)</script>", place: "created 2026-11-01", steps: steps(noted(["created", {}])) },
  });
  expect(html).not.toContain("<script>alert");
  expect(html).toContain("oxalis submit hill --store google-play --done listing");
  expect(html).not.toContain("--done record");
  expect(html).toContain("1 of 8 steps are noted");
  expect(html).toMatch(/class="step next"><h2>Grow users/);
});

const words = (language: string) => wordsInFirst(temporaryFolder(), [language]);
const item = (more: Partial<NewsItem> = {}): NewsItem => ({
  ...{
    client: "hill",
    name: "Hill & <Dale>",
    store: "google-play",
    id: "7-1",
    kind: "refused",
    at: "2026-11-02T10:00:00Z",
  },
  ...{ version: "1.0.0", says: "It says ]]> & <b>nothing</b>.", rule: "4.3" },
  ...more,
});

test("a feed is one that programs read, the latest first, and what stands in it stays text", () => {
  const file = join(temporaryFolder(), "feed.xml");
  const text = newsFeed(
    "Studio & Co",
    [item(), item({ id: "7-2", kind: "approved", at: "2026-11-03T10:00:00Z" })],
    words("de"),
  );
  writeFileSync(file, text);
  tool("xmllint", ["--noout", file]);
  const titles = tool("xmllint", ["--xpath", "//*[local-name()='entry']/*[local-name()='title']/text()", file]);
  expect(titles.indexOf("wurde zugelassen")).toBeLessThan(titles.indexOf("wurde abgelehnt"));
  expect(text).toContain("<title>Aus den Stores · Studio &amp; Co</title>");
  // As markup it is the same text.
  expect(titles).toContain("&lt;b>nothing&lt;/b>");
  expect(new Set(text.match(/<id>[^<]*<\/id>/g)).size).toBe(3);
});

test("a letter of news is by client, in the team's language", () => {
  const from = {
    agency: "Studio",
    accent: "#3d4b63",
    items: [item(), item({ client: "dale", name: "Dale", kind: "live" })],
  };
  const { subject, text, html } = digestOf({ ...from, words: words("fr") });
  expect(subject).toBe("Nouvelles des boutiques: Hill & <Dale>, Dale");
  expect(text).toMatch(/^Hill & <Dale>\n {2}2026-11-02 {2}Google Play: la version 1\.0\.0 a été refusée/);
  expect(html).not.toContain("<b>nothing");
});

test.each(["en", "de", "fr", "es"])("an invitation in %s says what to do, with the person's own link", (language) => {
  const ways = [
    { joins: "store-link", storeTitle: "Google Play", link: "https://play.example/join/ab12" },
    { joins: "tester-app", storeTitle: "App Store" },
    { joins: "page", link: "https://builds.example/install.html?for=ab12" },
  ] as const;
  const { subject, text, html } = invitationOf({
    ...{
      agency: "Studio",
      accent: "#3d4b63",
      name: "Hill <i>",
      version: "1.1.0",
      person: "Ada",
      address: "ada@field.example",
    },
    ...{ consent: "2026-10-01", ways, words: words(language) },
  });
  expect(subject).toContain("Hill <i>");
  for (const said of [
    "1.1.0",
    "https://play.example/join/ab12",
    "https://builds.example/install.html?for=ab12",
    "2026-10-01",
    "TestFlight",
  ])
    expect(text).toContain(said);
  expect(text.match(/^\d\. /gm)).toEqual(["1. ", "2. ", "3. ", "4. ", "5. ", "6. "]);
  expect(`${subject}${text}`).not.toMatch(/\{|undefined/);
  expect(html).toContain('<a href="https://play.example/join/ab12">');
  expect(html).not.toContain("<i>");
});
