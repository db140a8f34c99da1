// Takes docs/screenshots anew from the demo: terminal views in xterm under Xvfb, pages in Chromium.
// Wants Debian's xterm, xvfb, imagemagick and chromium.
import { execFileSync, spawn } from "node:child_process";
import { appendFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { chromium } from "playwright-core";
import { makeDemoKeys, passPhrase } from "./demo-keys.mjs";
import { goIntoStores } from "./demo-stores.mjs";

const shots = resolve("docs/screenshots");
const work = mkdtempSync(join(tmpdir(), "oxalis-shots-"));
const demo = join(work, "vegetables");
const program = resolve("dist/oxalis.js");
const oxalis = (...args) => execFileSync("node", [program, ...args], { stdio: "ignore", cwd: work });
mkdirSync(shots, { recursive: true });

oxalis("demo", demo);
const bin = join(work, "bin");
mkdirSync(bin);
writeFileSync(join(bin, "oxalis"), `#!/bin/sh\nexec node ${program} "$@"\n`, { mode: 0o755 });

/** The same with the keys that sign its apps. */
const keyed = join(work, "keyed");
oxalis("demo", keyed);
await makeDemoKeys(keyed, program);

/** Terminal views: what is typed, and what has to be so before. */
const views = [
  { name: "init", rows: 42, typed: ["oxalis init ../studio --template template --agency Lanternfield"] },
  { name: "clients", rows: 12, typed: ["oxalis clients"] },
  {
    name: "explain",
    rows: 28,
    typed: [
      "oxalis explain 3-acre identifiers",
      "oxalis explain orchard-lane colors.ground",
      "oxalis explain orchard-lane colors.text",
    ],
  },
  { name: "generate", rows: 14, typed: ["oxalis generate"] },
  {
    name: "roster",
    rows: 39,
    before: () => {
      const rows =
        "Kunden im Herbst;;;;\nName;Website;Firma;Logo;Farbe\nPlum Tree Farm;https://www.plumtree.example/shop;" +
        "Plum Tree GbR;art/plum.svg;552244\nOrchard Lane Boxes;;Orchard & Daughters;;\n" +
        "Wild Meadow;meadow.example;;;greenish\n";
      writeFileSync(join(demo, "roster.csv"), rows);
      return () => rmSync(join(demo, "roster.csv"));
    },
    typed: [
      "oxalis import roster.csv --dry-run",
      'oxalis release 3-acre saltmarsh --note "First boxes"',
      "oxalis release saltmarsh --take-back",
    ],
  },
  { name: "art", rows: 28, typed: ["oxalis art --platform android"] },
  { name: "check", rows: 14, typed: ["oxalis check"] },
  {
    name: "ask",
    rows: 41,
    typed: ["oxalis board 3-acre orchard-lane brennans-bothy", "oxalis ask brennans-bothy --dry-run"],
  },
  {
    name: "audit",
    rows: 12,
    before: () => {
      oxalis("generate", "-q", "-C", demo); // a release has been taken since
    },
    typed: ["oxalis audit"],
  },
  {
    name: "problem",
    rows: 36,
    before: () => {
      const brief = join(demo, "clients/3-acre/brief.yaml");
      const text = readFileSync(brief, "utf8");
      writeFileSync(brief, text.replace("  label:", "  lable:").replace('"#ffd23f"', '"#ffd23"'));
      appendFileSync(
        join(demo, "variants/saltmarsh/web/style.css"),
        'footer::after {\n  content: "by Plain Crate";\n}\n',
      );
      return () => writeFileSync(brief, text);
    },
    typed: ["oxalis generate 3-acre ferme-duclos", "oxalis audit saltmarsh"],
  },
  {
    name: "keys",
    rows: 35,
    inside: keyed,
    typed: ["oxalis keys 3-acre high-hedges orchard-lane saltmarsh"],
  },
  {
    name: "build",
    rows: 40,
    inside: keyed,
    typed: [
      "oxalis build 3-acre saltmarsh",
      "oxalis inspect builds/3-acre/store/1.0.0+1/android/shop.apk builds/saltmarsh/store/1.0.0+1/android/shop.apk",
    ],
  },
];

const display = ":97";
const xvfb = spawn("Xvfb", [display, "-screen", "0", "1280x800x24"], { stdio: "ignore" });
await pause(1500);
for (const { name, rows, typed, before, inside = demo } of views) {
  const after = before?.();
  const script = join(work, `${name}.sh`);
  const lines = typed.map((line) => `printf '\\033[1;32m$\\033[0m %s\\n' '${line}'; ${line}; echo`);
  writeFileSync(script, `cd ${inside}\n${lines.join("\n")}\ntouch ${work}/${name}.done\nsleep 30\n`);
  const env = {
    ...process.env,
    DISPLAY: display,
    OXALIS_PASSPHRASE: passPhrase,
    PATH: `${bin}:${process.env.PATH}`,
    TERM: "xterm-256color",
  };
  const look = ["-bg", "#14181d", "-fg", "#e3e7eb", "-fa", "DejaVu Sans Mono", "-fs", "11", "-b", "14", "+sb"];
  const xterm = spawn("xterm", [...look, "-geometry", "139x43+0+0", "-e", "sh", script], {
    stdio: "ignore",
    env,
  });
  for (let tries = 0; tries < 600; tries++) {
    await pause(200);
    try {
      readFileSync(join(work, `${name}.done`));
      break;
    } catch {
      // not yet
    }
  }
  await pause(600);
  const shot = join(shots, `${name}.png`);
  execFileSync("import", [
    "-display",
    display,
    "-window",
    "root",
    "-crop",
    `1280x${rows * 19 + 28}+0+0`,
    "+repage",
    "-depth",
    "8",
    "-colors",
    "128",
    shot,
  ]);
  xterm.kill();
  after?.();
}
xvfb.kill();

oxalis("generate", "-C", demo);
oxalis("proof", "-C", demo);
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`file://${join(demo, "variants/proof.html")}`);
await page.screenshot({ path: join(shots, "proof.png") });
await page.locator("#ferme-duclos").scrollIntoViewIfNeeded();
await page.locator("#ferme-duclos").screenshot({ path: join(shots, "proof-client.png") });
oxalis("generate", "-q", "--stage", "testers", "brennans-bothy", "-C", demo);
oxalis("proof", "--stage", "testers", "brennans-bothy", "-o", join(work, "stage.html"), "-C", demo);
await page.goto(`file://${join(work, "stage.html")}`);
const sheet = await page.locator("#brennans-bothy").boundingBox();
await page.screenshot({
  path: join(shots, "stage.png"),
  clip: { ...sheet, height: 620 },
  fullPage: true,
});
oxalis("art", "--guide", join(work, "guide.html"), "-C", demo);
await page.goto(`file://${join(work, "guide.html")}`);
await page.screenshot({
  path: join(shots, "guide.png"),
  clip: { x: 0, y: 0, width: 1280, height: 1080 },
  fullPage: true,
});
oxalis("builds", "--page", join(work, "builds.html"), "-C", keyed);
await page.goto(`file://${join(work, "builds.html")}`);
await page.screenshot({ path: join(shots, "builds.png"), clip: { x: 0, y: 0, width: 1280, height: 620 } });
process.env.OXALIS_PASSPHRASE = passPhrase;
oxalis("build", "root-and-leaf", "--platform", "android", "-q", "-C", keyed);
await goIntoStores(keyed, program);
try {
  oxalis("board", "--page", join(work, "board.html"), "-q", "-C", keyed);
} catch {
  // It ends with 1 while something is missing, as the demo shows.
}
await page.goto(`file://${join(work, "board.html")}`);
await page.screenshot({ path: join(shots, "board.png") });
oxalis("copy-sheet", "3-acre", "app-store", "-o", join(work, "copy.html"), "-C", demo);
await page.goto(`file://${join(work, "copy.html")}`);
await page.screenshot({ path: join(shots, "copy-sheet.png") });
await browser.close();
rmSync(work, { recursive: true, force: true });
