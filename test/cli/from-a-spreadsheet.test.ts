import { cpSync, existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { openChromium } from "../support/chromium.ts";
import { edit, oxalis, temporaryFolder } from "../support/oxalis.ts";
import { writeSchools } from "../support/schools.ts";
import { hasTool } from "../support/tools.ts";

const root = join(import.meta.dirname, "../..");
const page = readFileSync(join(root, "docs/from-a-spreadsheet.md"), "utf8");

/** What the page has somebody type or write, in its order. */
const steps = [...page.matchAll(/^```(sh|yaml)\n([\s\S]*?)^```$/gm)].map(([, kind, text = ""]) => ({ kind, text }));

/** A line as a shell takes it apart: words, and texts in quotes. */
const argumentsIn = (line: string): string[] =>
  [...line.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, word = ""]) => quoted ?? word);

test("the page's own steps lead from a workbook and a folder of logos to proven apps and a page to sign off", async () => {
  const folder = temporaryFolder();
  cpSync(join(root, "demo/template"), join(folder, "app"), { recursive: true });
  await writeSchools(folder, 8);
  let at = folder;
  let said = "";
  let commands = 0;
  for (const { kind, text } of steps) {
    if (kind === "yaml") {
      const own = text.replace(/^fill:\n/, "");
      // What is written by hand is what the audit proposed, to the letter.
      const proposed = said.replace(/^ {13}/gm, "");
      for (const entry of own.split(/^(?= {2}- file)/m).filter(Boolean)) expect(proposed).toContain(entry);
      edit(at, "template.yaml", (before) => before.replace("fill:\n", text));
      continue;
    }
    for (const line of text.trim().split("\n")) {
      const [typed = "", ends] = line.split(/ +# ends with /);
      const [program, ...args] = argumentsIn(typed);
      if (program === "cd") {
        at = join(at, args[0] ?? "");
        continue;
      }
      expect(program).toBe("oxalis");
      const { code, err } = oxalis(at, ...args);
      expect([line, code, code === Number(ends ?? 0) ? "" : err]).toEqual([line, Number(ends ?? 0), ""]);
      said = err;
      commands++;
    }
  }
  expect(commands).toBeLessThanOrEqual(9);
  const made = readdirSync(join(at, "clients"));
  expect(made).toHaveLength(8);
  for (const key of made) expect(existsSync(join(at, "variants", key, ".receipt.json"))).toBe(true);
  const proof = readFileSync(join(at, "variants/proof.html"), "utf8");
  expect(proof.match(/<article id=/g)).toHaveLength(8);
  // So many are found by what is written, in the list and below.
  expect(proof).toContain('<search class="find">');
  for (const key of made) expect(proof.match(new RegExp(`data-text="${key} `, "g"))).toHaveLength(2);
  if (!hasTool("chromium")) return;
  // A name that is chosen leads to its sheet, though those between have no size before they are seen.
  const browser = await openChromium();
  const shown = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await shown.goto(`file://${join(at, "variants/proof.html")}`);
  const last = shown.locator("nav a").last();
  const sheet = shown.locator((await last.getAttribute("href")) ?? "");
  await last.click();
  // It comes to stand at the top, or as far up as the page's end lets it.
  await expect.poll(async () => (await sheet.boundingBox())?.y ?? 9999).toBeLessThan(40);
  await browser.close();
});
