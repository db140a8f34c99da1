import { join } from "node:path";
import axe from "axe-core";
import type { Browser } from "playwright-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { openChromium } from "../support/chromium.ts";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { hasTool } from "../support/tools.ts";

interface Violation {
  id: string;
  nodes: { html: string }[];
}

const folder = workspaceWith(["3-acre", "ferme-duclos", "orchard-lane"]);
const at = (name: string): string => join(folder, `${name}.html`);
const [board = "", proof = "", guide = "", copySheet = "", builds = ""] = [
  ...["board", "proof", "guide", "copy-sheet", "builds"].map(at),
];
const install = join(folder, "builds/ferme-duclos/store/1.0.0+1/web/install.html");

let browser: Browser | undefined;
beforeAll(async () => {
  oxalis(folder, "generate", "-q");
  edit(folder, "template.yaml", (text) =>
    text.replaceAll("site.tar.gz", "site.exe").replace("store: out", "install: out"),
  );
  edit(folder, "oxalis.yaml", (text) => `${text}\nbuilds: { address: "https://builds.lanternfield.example" }\n`);
  oxalis(folder, "build", "ferme-duclos", "--platform", "web");
  oxalis(folder, "builds", "--page", builds);
  oxalis(folder, "board", "--page", board);
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
    for (const file of [board, proof, guide, copySheet, builds, install, ...letters]) {
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
