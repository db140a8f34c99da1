import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { socialSlot, webSlot } from "../../src/core/app/platforms/web/catalog.ts";
import type { Slot } from "../../src/core/pictures/slots/slot.ts";
import { needsOf } from "../../src/core/showing/guide/needs.ts";
import { openChromium } from "../support/chromium.ts";
import { oxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { hasTool } from "../support/tools.ts";

const folder = workspaceWith(["3-acre"]);

test("the reference lists every picture once, with its rule; filters pick", () => {
  const { slots } = JSON.parse(oxalis(folder, "art", "--json").out);
  const names = slots.map(
    (each: { platform: string; role: string; qualifier: string }) => `${each.platform} ${each.role} ${each.qualifier}`,
  );
  expect(new Set(names).size).toBe(names.length);
  expect(slots.filter((each: { rule: string }) => each.rule.length < 20)).toEqual([]);
  const csv = oxalis(folder, "art", "--platform", "ios", "--role", "icon", "--csv").out.trimEnd().split("\n");
  expect(csv).toHaveLength(1 + 21);
  expect(csv.filter((row) => row.includes("ipad-83.5@2x,167,167"))).toHaveLength(1);
  expect(oxalis(folder, "art", "--verbose").out.split("\n").length).toBeGreaterThan(slots.length);
  expect(oxalis(folder, "art", "--role", "nothing").code).toBe(1);
});

test.runIf(hasTool("chromium"))(
  "the guide shows every picture the workspace uses, in the agency's name and colour, and fits its page",
  async () => {
    const file = join(temporaryFolder(), "guide.html");
    expect(oxalis(folder, "art", "--guide", file).code).toBe(0);
    const html = readFileSync(file, "utf8");
    expect(html).toContain("--accent:#3d4b63");
    // The demo's template has no app for a television.
    expect(html).not.toMatch(/tv banner/i);
    const browser = await openChromium();
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const asked: string[] = [];
    page.on("request", (request) => asked.push(request.url()));
    await page.goto(`file://${file}`);
    expect(await page.textContent("header p")).toBe("Lanternfield");
    expect(await page.locator(".platform h2").allTextContents()).toEqual(["Android", "iOS", "Windows", "Web"]);
    const drawn = await page.locator(".slot .drawn svg").count();
    expect(drawn).toBe(await page.locator(".slot").count());
    expect(drawn).toBeGreaterThan(20);
    for (const platform of await page.locator(".platform").all()) {
      const titles = await platform.locator("h3").allTextContents();
      expect(new Set(titles).size, `${titles}`).toBe(titles.length);
      for (const title of titles) expect(title).toMatch(/^[A-Z][A-Za-z]+( [A-Za-z]+)*(, [a-z ]+)*$/);
    }
    expect(asked).toHaveLength(1);
    expect(await page.locator(".card h3").allTextContents()).toContain("Mono");
    expect(await page.textContent(".card:nth-child(2)")).toContain("1024\u00a0×\u00a01024 pixels or more");
    const width = "document.documentElement.scrollWidth";
    expect(await page.evaluate(width)).toBe(1280);
    await page.setViewportSize({ width: 420, height: 800 });
    expect(await page.evaluate(width)).toBe(420);
    await browser.close();
  },
);

test("the guide asks for nothing that no picture of the template is drawn from, and for sizes that none enlarges", () => {
  const touch = webSlot("touch", 180);
  const asked = (slots: readonly Slot[]) => needsOf(slots).map(({ word, side }) => [word, side]);
  expect(asked([touch])).toEqual([
    ["mark", 126],
    ["icon", 180],
    ["colours", undefined],
    ["byHand", undefined],
  ]);
  expect(asked([touch, webSlot("monochrome", 512)])).toContainEqual(["mono", undefined]);
  expect(asked([touch, socialSlot])).toContainEqual(["wide", 768]);
});
