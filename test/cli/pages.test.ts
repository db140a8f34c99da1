import { randomBytes } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { basename, join } from "node:path";
import type { Browser, Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { german as germanGuide } from "../../src/core/pages/words/de/guide.ts";
import { german } from "../../src/core/pages/words/de/page.ts";
import { english as englishGuide } from "../../src/core/pages/words/en/guide.ts";
import { english } from "../../src/core/pages/words/en/page.ts";
import { spanish as spanishGuide } from "../../src/core/pages/words/es/guide.ts";
import { spanish } from "../../src/core/pages/words/es/page.ts";
import { french as frenchGuide } from "../../src/core/pages/words/fr/guide.ts";
import { french } from "../../src/core/pages/words/fr/page.ts";
import { openChromium } from "../support/chromium.ts";
import { edit, oxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { hasTool } from "../support/tools.ts";

const folder = workspaceWith(["3-acre", "brennans-bothy", "ferme-duclos", "saltmarsh"]);
const written = (...args: string[]): { file: string; html: string } => {
  const file = join(temporaryFolder(), "page.html");
  const { code, err } = oxalis(folder, "proof", ...args, "-o", file);
  if (code !== 0) throw new Error(err);
  return { file, html: readFileSync(file, "utf8") };
};

beforeAll(() => {
  edit(folder, "clients/ferme-duclos/brief.yaml", (text) => text.replace("locale: fr", "locale: fr-FR"));
  edit(folder, "clients/saltmarsh/brief.yaml", (text) =>
    text.replace("Saltmarsh Roots", "مزرعة السعادة").replace(/^owner:/m, "locale: ar\nowner:"),
  );
  expect(oxalis(folder, "generate", "-q").code).toBe(0);
});

test("each language puts in what the others do", () => {
  const puts = (text: string) => [...text.matchAll(/\{\w+\}/g)].map(([name]) => name).sort();
  for (const [first, ...others] of [
    [english, german, french, spanish],
    [englishGuide, germanGuide, frenchGuide, spanishGuide],
  ] as const)
    for (const [word, text] of Object.entries(first))
      for (const table of others) expect([word, puts(table[word as never])]).toEqual([word, puts(text)]);
});

test("a page is in its only client's language, or the agency's, or the one that is asked for", () => {
  expect(written("ferme-duclos").html).toContain('<html lang="fr">');
  expect(written("ferme-duclos").html).toContain(french.proofLead.slice(0, 40));
  expect(written("3-acre", "ferme-duclos").html).toContain('<html lang="en">');
  expect(written("3-acre", "--language", "es").html).toContain(spanish.changesWanted);
  edit(folder, "oxalis.yaml", (text) => text.replace("agency:\n", "agency:\n  language: de\n"));
  expect(written("3-acre", "ferme-duclos").html).toContain(german.changesWanted);
  const guide = join(temporaryFolder(), "guide.html");
  oxalis(folder, "art", "--guide", guide);
  expect(readFileSync(guide, "utf8")).toContain(germanGuide.heading);
  expect(readFileSync(guide, "utf8")).toContain("Kleine Kachel");
  oxalis(folder, "art", "--guide", guide, "--language", "fr");
  expect(readFileSync(guide, "utf8")).toContain(frenchGuide.heading);
  edit(folder, "oxalis.yaml", (text) => text.replace("  language: de\n", ""));
});

test("clients stand in the order of the alphabet of the page's language; who is not there, last and short", () => {
  const own = workspaceWith(["3-acre", "saltmarsh"]);
  edit(own, "clients/3-acre/brief.yaml", (text) => text.replace("3 Acre Greens", "Öbst"));
  edit(own, "clients/saltmarsh/brief.yaml", (text) => text.replace("Saltmarsh Roots", "Ostsee"));
  oxalis(own, "generate", "-q");
  const order = (language: string) => {
    oxalis(own, "proof", "--language", language);
    const html = readFileSync(join(own, "variants/proof.html"), "utf8");
    return [...html.matchAll(/<article id="([\w-]+)"/g)].map(([, key]) => key);
  };
  expect(order("de")).toEqual(["3-acre", "saltmarsh"]);
  edit(own, "clients/saltmarsh/brief.yaml", (text) => text.replace("brand:", "brandDark: '#000000'\n  brand:"));
  expect(oxalis(own, "proof").code).toBe(1);
  const html = readFileSync(join(own, "variants/proof.html"), "utf8");
  expect(html.indexOf("Out of date, to be generated again: saltmarsh.")).toBeGreaterThan(html.indexOf("</main>"));
});

test("sample texts are the client's own words, and a stage's page and mark say which stage it is", () => {
  const { html } = written("3-acre");
  expect(html).toContain("Salad crate</small>");
  oxalis(folder, "generate", "brennans-bothy", "--stage", "testers", "-q");
  const staged = written("brennans-bothy", "--stage", "testers").html;
  expect(staged).toMatch(/<code>testers-[0-9a-f]{8}<\/code>/);
  // The testers' label has room by the rule that fitted it, and so it is shown whole.
  const label = oxalis(folder, "explain", "brennans-bothy", "app.label", "--stage", "testers").out;
  const shown = /<figcaption dir="auto">([^<]*)</.exec(staged)?.[1] ?? "";
  expect(shown).toBe("T Bóthy Box");
  expect(label).toContain(shown);
});

describe.runIf(hasTool("chromium"))("in Chromium", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await openChromium();
  });
  afterAll(() => browser?.close());

  const open = async (file: string, width: number, colorScheme: "light" | "dark" = "light"): Promise<Page> => {
    const page = await browser.newPage({ viewport: { width, height: 800 }, colorScheme });
    await page.goto(`file://${file}`);
    return page;
  };

  test("pictures of a large page lie beside it and come as they come into view; what it shows no longer goes", async () => {
    const own = workspaceWith(["3-acre", "brennans-bothy"]);
    const noise = randomBytes(1024 * 500 * 3);
    for (const client of ["3-acre", "brennans-bothy"]) {
      const art = join(own, "clients", client, "art/noise.png");
      await sharp(noise, { raw: { width: 1024, height: 500, channels: 3 } }).toFile(art);
      const slot = "    android/feature-graphic: art/noise.png\n";
      edit(own, `clients/${client}/brief.yaml`, (text) =>
        text.includes("  slots:\n")
          ? text.replace("  slots:\n", `  slots:\n${slot}`)
          : text.replace("art:\n", `art:\n  slots:\n${slot}`),
      );
    }
    expect(oxalis(own, "generate", "-q").code).toBe(0);
    const file = join(own, "variants/proof.html");
    expect(oxalis(own, "proof").err).toContain("in variants/proof-pictures; `--one-file` keeps them in the page.");
    expect(statSync(file).size).toBeLessThan(200_000);
    const beside = readdirSync(join(own, "variants/proof-pictures"));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const [asked, failed]: [string[], string[]] = [[], []];
    page.on("requestfailed", (request) => void failed.push(request.url()));
    page.on("requestfinished", (request) => void asked.push(basename(request.url())));
    await page.goto(`file://${file}`);
    const lazy = asked.length;
    expect(lazy).toBeLessThan(beside.length);
    await page.evaluate("scrollTo(0, document.body.scrollHeight)");
    await expect.poll(() => new Set(asked).size).toBeGreaterThan(lazy + 15);
    expect(beside).toEqual(expect.arrayContaining(asked.filter((name) => name !== "proof.html")));
    expect(failed).toEqual([]);
    await page.close();
    // One page for each choice of clients; the same one with less to show has nothing left beside it.
    expect(JSON.parse(oxalis(own, "proof", "--one-file", "--json").out)).not.toHaveProperty("pictures");
    expect(existsSync(join(own, "variants/proof-pictures"))).toBe(false);
    expect(statSync(file).size).toBeGreaterThan(3_000_000);
  });

  test("a sheet that is written from right to left is so throughout", async () => {
    const page = await open(written().file, 1280);
    const direction = (inside: string) =>
      page.evaluate(`getComputedStyle(document.querySelector("#saltmarsh ${inside}")).direction`);
    for (const each of [".who", ".scene", ".home", ".listing", ".notice", ".sign"])
      expect([each, await direction(each)]).toEqual([each, "rtl"]);
    const icon = await page.locator("#saltmarsh > header .pic").first().boundingBox();
    const name = await page.locator("#saltmarsh h2").boundingBox();
    expect(icon?.x).toBeGreaterThan((name?.x ?? 9999) + (name?.width ?? 0) - 1);
    await page.close();
  });

  test.each(["proof", "guide"])("the %s is dark on a dark screen, and white on paper", async (which) => {
    const guide = join(temporaryFolder(), "guide.html");
    oxalis(folder, "art", "--guide", guide);
    const page = await open(which === "guide" ? guide : written().file, 1280, "dark");
    const lightness = async (style: string, element: string) => {
      const color = await page.evaluate(`getComputedStyle(document.querySelector("${element}")).${style}`);
      const [red = 0, green = 0, blue = 0] = (String(color).match(/\d+(\.\d+)?/g) ?? []).map(Number);
      return (red + green + blue) / 3;
    };
    const sheet = which === "guide" ? ".card" : ".sheet";
    expect(await lightness("backgroundColor", sheet)).toBeLessThan(60);
    expect(await lightness("color", `${sheet} h2, ${sheet} h3`)).toBeGreaterThan(180);
    await page.emulateMedia({ media: "print", colorScheme: "dark" });
    expect(await lightness("backgroundColor", "body")).toBe(255);
    expect(await lightness("color", `${sheet} h2, ${sheet} h3`)).toBeLessThan(80);
    await page.close();
  });

  test("on a telephone nothing is wider than the screen, and all panels are as wide as each other", async () => {
    const page = await open(written().file, 390);
    expect(await page.evaluate("document.documentElement.scrollWidth")).toBe(390);
    const widths = await page.evaluate(
      `[...document.querySelectorAll(".home, .start-menu, .bar, .browser, .listing, .notice")]
        .map((each) => Math.round(each.getBoundingClientRect().width))`,
    );
    expect(new Set(widths as number[]).size).toBe(1);
    await page.close();
  });

  test("no label under an icon is cut, or runs into its neighbour", async () => {
    const page = await open(written().file, 1280);
    const overlaps = await page.evaluate(`[...document.querySelectorAll(".home")].flatMap((home) => {
      const texts = [...home.querySelectorAll("figcaption")].map((each) => {
        const range = document.createRange();
        range.selectNodeContents(each);
        return range.getBoundingClientRect();
      });
      return texts.filter((one, at) => texts.some((other, place) => place > at && one.top < other.bottom &&
        other.top < one.bottom && one.left < other.right && other.left < one.right)).map((each) => each.left);
    })`);
    expect(overlaps).toEqual([]);
    await page.close();
  });
});
