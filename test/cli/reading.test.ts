import { writeFileSync } from "node:fs";
import { join } from "node:path";
import axe from "axe-core";
import type { Browser } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { stores } from "../../src/core/stores/all.ts";
import type { KeptApp } from "../../src/stand-ins/store/engine/kept.ts";
import { joinPage } from "../../src/stand-ins/store/pages/join.tsx";
import { reviewPage } from "../../src/stand-ins/store/pages/review.tsx";
import { seenPage } from "../../src/stand-ins/store/pages/seen.tsx";
import { startPage } from "../../src/stand-ins/store/pages/start.tsx";
import { openChromium } from "../support/chromium.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { hasTool } from "../support/tools.ts";

interface Violation {
  id: string;
  nodes: { html: string }[];
}

const folder = workspaceWith(["3-acre", "ferme-duclos", "orchard-lane"]);
const at = (name: string): string => join(folder, `${name}.html`);
const [board = "", proof = "", guide = "", copySheet = "", builds = "", byHand = ""] = [
  ...["board", "proof", "guide", "copy-sheet", "builds", "by-hand"].map(at),
];
const install = join(folder, "builds/ferme-duclos/store/1.0.0+1/web/install.html");

/** Pages that people of stores that stand in look at. */
function standInPages(): Record<string, string> {
  const store = stores["google-play"];
  const now = Date.parse("2026-11-01T00:00:00Z");
  const texts = { en: { name: "Hill", short: "Boxes", description: "From the hill.", news: "More." } };
  const parts = {
    texts,
    facts: { price: "free" },
    answers: {},
    pictures: [{ slot: "phone", position: 1, sum: "a" }],
    goods: [],
  };
  const app: KeptApp = {
    ...{ app: "1234567890", store: "google-play", account: "a", revision: 1, identifier: "example.hill", name: "Hill" },
    ...{ language: "en", created: now, draft: parts, shown: parts, builds: [], testers: {}, testing: [] },
    version: { version: "1.1.0", build: 2, station: "waiting", since: now },
    live: { version: "1.0.0", build: 1, since: now },
    happened: [{ number: 1, kind: "created", at: "2026-11-01T00:00:00.000Z" }],
  };
  const account = {
    account: "a",
    store: "google-play",
    owner: "Studio",
    agreements: { Terms: now, More: null },
  } as const;
  return {
    "stores-start": startPage({ now, isByHand: true, stores: [{ store, apps: [app], accounts: [account] }] }),
    "stores-review": reviewPage({ waiting: [{ store, app }] }),
    "stores-seen": seenPage(store, app),
    "stores-join": joinPage(store, app),
  };
}

let browser: Browser | undefined;
beforeAll(async () => {
  oxalis(folder, "generate", "-q");
  edit(folder, "template.yaml", (text) =>
    text.replaceAll("site.tar.gz", "site.exe").replace("store: out", "install: out"),
  );
  edit(folder, "oxalis.yaml", (text) => `${text}\nbuilds: { address: "https://builds.lanternfield.example" }\n`);
  oxalis(folder, "build", "ferme-duclos", "--platform", "web");
  oxalis(folder, "builds", "--page", builds);
  for (const step of ["record", "listing", "review"])
    oxalis(folder, "submit", "orchard-lane", "--store", "google-play", "--done", step);
  oxalis(folder, "submit", "orchard-lane", "--store", "google-play", "--done", "refused", "--because", "4.3: The same");
  oxalis(folder, "submit", "ferme-duclos", "--store", "google-play", "--done", "everybody");
  oxalis(folder, "submit", "orchard-lane", "--store", "google-play", "--sheet", "-o", byHand);
  oxalis(folder, "board", "--page", board);
  for (const [name, html] of Object.entries(standInPages())) writeFileSync(at(name), html);
  oxalis(folder, "proof", "-o", proof);
  oxalis(folder, "art", "--guide", guide);
  oxalis(folder, "copy-sheet", "orchard-lane", "google-play", "-o", copySheet);
  oxalis(folder, "ask", "--into", "letters");
  if (hasTool("chromium")) browser = await openChromium();
});
afterAll(() => browser?.close());

test.runIf(hasTool("chromium")).each(["light", "dark"] as const)(
  "nothing keeps anybody from reading a page or a letter, in the %s scheme",
  async (colorScheme) => {
    const letters = ["ferme-duclos", "orchard-lane"].map((key) => join(folder, "letters", `${key}.html`));
    for (const file of [
      board,
      proof,
      guide,
      copySheet,
      builds,
      byHand,
      install,
      ...letters,
      ...Object.keys(standInPages()).map(at),
    ]) {
      const page = await browser?.newPage({ colorScheme });
      await page?.goto(`file://${file}`);
      await page?.evaluate(axe.source);
      if (file === board) await page?.click(".row");
      const found = await page?.evaluate<Violation[]>("axe.run().then(({ violations }) => violations)");
      expect([file, found?.map(({ id, nodes }) => [id, nodes[0]?.html])]).toEqual([file, []]);
      await page?.close();
    }
  },
);
