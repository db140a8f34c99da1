import type { Browser, Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { scriptsWithFont } from "../../../src/core/pictures/lettering/faces.ts";
import { letterName } from "../../../src/core/pictures/lettering/letter.ts";
import type { Lettered } from "../../../src/core/pictures/lettering/lettered.ts";
import { setName } from "../../../src/core/pictures/lettering/setting.ts";
import { openFont } from "../../../src/core/pictures/lettering/shaper.ts";
import { openChromium } from "../../support/chromium.ts";
import { fontFile } from "../../support/fonts.ts";
import { hasTool } from "../../support/tools.ts";

async function lettered(text: string, locale = "en"): Promise<Lettered> {
  const { lettered: found, lacking } = await letterName({ text, locale });
  if (!found) throw new Error(`"${text}" lacks ${lacking.join(" ")}`);
  return found;
}

/** A word in each script that a font comes along for; in those that join or stack letters, one that does. */
const words: Readonly<Record<(typeof scriptsWithFont)[number], string>> = {
  Arabic: "السعادة",
  Armenian: "Կանաչ",
  Bengali: "ক্ষেত",
  Devanagari: "क्षेत्र",
  Ethiopic: "አረንጓዴ",
  Georgian: "მწვანე",
  Gujarati: "ક્ષેત્ર",
  Gurmukhi: "ਪ੍ਰੇਮ",
  Hebrew: "ירוקה",
  Kannada: "ಕ್ಷೇತ್ರ",
  Khmer: "ស្រុក",
  Lao: "ສວນ",
  Malayalam: "ക്ഷേത്രം",
  Myanmar: "ကြွက်",
  Sinhala: "ක්‍රම",
  Tamil: "பண்ணை",
  Telugu: "క్షేత్రం",
  Thai: "สวน",
};

/** What of a picture is dark, as one number a pixel. */
const darkness = (png: Buffer) => sharp(png).resize(400, 200, { fit: "fill" }).greyscale().raw().toBuffer();

describe.runIf(hasTool("chromium"))("letters stand as a browser sets them in the same font", () => {
  let browser: Browser;
  let page: Page;
  beforeAll(async () => {
    browser = await openChromium();
    page = await browser.newPage({ viewport: { width: 800, height: 400 } });
  });
  afterAll(() => browser.close());

  test.each(scriptsWithFont)("%s", async (script) => {
    const { words: found, direction } = await lettered(words[script]);
    const outline = found.reduceRight(
      ({ at, shapes }, { parts, advance }) => ({
        at: at + advance,
        shapes: shapes + parts.map(({ path, x }) => `<path transform="translate(${at + x} 0)" d="${path}"/>`).join(""),
      }),
      { at: 0, shapes: "" },
    );
    const source = Buffer.from(fontFile(script)).toString("base64");
    const style =
      `@font-face{font-family:own;src:url(data:font/ttf;base64,${source})}body{margin:0}` +
      "p{margin:0;position:absolute;left:100px;top:100px;font:100px/200px own;white-space:pre}";
    const shot = async (inner: string) => {
      await page.setContent(`<meta charset="utf-8"><style>${style}</style>${inner}`);
      await page.evaluate("document.fonts.ready");
      return page.screenshot();
    };
    const text = await shot(`<p dir="${direction}">${words[script]}<b id="base" style="display:inline-block"></b></p>`);
    const base = await page.evaluate("document.getElementById('base').getBoundingClientRect().bottom");
    const width = await page.evaluate("document.querySelector('p').getBoundingClientRect().width");
    const ours = await shot(
      `<svg width="800" height="400" style="position:absolute"><g transform="translate(100 ${base}) scale(0.1)">` +
        `${outline.shapes}</g></svg>`,
    );
    expect(outline.at / 10).toBeCloseTo(width as number, 0);
    const [theirs, own] = [await darkness(text), await darkness(ours)];
    const inked = theirs.reduce((sum, value) => sum + 255 - value, 0);
    const differs = theirs.reduce((sum, value, at) => sum + Math.abs(value - (own[at] ?? 0)), 0);
    expect(inked).toBeGreaterThan(10_000);
    expect(differs / inked).toBeLessThan(0.12);
  });
});

/** From where to where each word of a name reaches, once it is set in a box so wide. */
function reaches(name: Lettered, width: number, largest: number): { from: number; to: number }[] {
  return name.words.map((_, shown) => {
    const words = name.words.map((word, at) => (at === shown ? word : { ...word, parts: [] }));
    const { path } = setName({ ...name, words }, { x: 0, y: 0, width, height: 300 }, largest);
    const xs = [...path.matchAll(/([\d.-]+) [\d.-]+/g)].map(([, x]) => Number(x));
    return { from: Math.min(...xs), to: Math.max(...xs) };
  });
}

test("a line from right to left begins at the right; Latin words in it run on from left to right", async () => {
  const name = await lettered("مقهى Blue Door", "ar");
  const [coffee, blue, door] = reaches(name, 400, 20);
  expect(name.direction).toBe("rtl");
  expect(blue?.to).toBeLessThan(door?.from ?? 0);
  expect(door?.to).toBeLessThan(coffee?.from ?? 0);
});

test("lines from right to left begin together at the right, those from left to right at the left", async () => {
  const [short, long] = reaches(await lettered("גינתג ירוקהיש", "he"), 160, 120);
  expect(Math.abs((short?.to ?? 0) - (long?.to ?? 99))).toBeLessThan(5);
  expect((short?.from ?? 0) - (long?.from ?? 0)).toBeGreaterThan(15);
  const [first, second] = reaches(await lettered("Alfa Green"), 160, 120);
  expect(Math.abs((first?.from ?? 0) - (second?.from ?? 99))).toBeLessThan(5);
});

test("brackets turn with the line; letters join; a script without blanks is broken between words", async () => {
  const [close, turned] = [(await lettered(")")).words[0], (await lettered("(ا", "ar")).words[0]];
  const atTheRight = { path: close?.parts[0]?.path, x: (turned?.advance ?? 0) - (close?.advance ?? 0) };
  expect(turned?.parts.at(-1)).toEqual(atTheRight);
  const [joined, apart] = [await lettered("بيت"), await lettered("ب ي ت")];
  expect(joined.words[0]?.advance).toBeLessThan(apart.words.reduce((all, { advance }) => all + advance, 0));
  const thai = await lettered("ตะกร้าผักสด", "th");
  expect(thai.words.length).toBeGreaterThan(1);
  expect(thai.words.slice(0, -1).filter(({ blank }) => blank > 0)).toEqual([]);
});

test("what no font has is named; a font of one's own letters it, and all else that it has", async () => {
  expect(await letterName({ text: "緑 Hill", locale: "ja" })).toEqual({ lettered: undefined, lacking: ["緑"] });
  const thai = await openFont(fontFile("Thai"));
  const own = (await letterName({ text: "สวน", locale: "th" }, thai)).lettered;
  expect(own).toEqual(await lettered("สวน", "th"));
  expect(await openFont(new TextEncoder().encode("no font"))).toBeUndefined();
  expect(await openFont(fontFile("Thai").subarray(0, 900))).toBeUndefined();
});

test.each([
  ["Burmese", "စိမ်းလန်းသော ခြံကြွက် ဟင်းသီးဟင်းရွက်", "my"],
  ["Kannada", "ಕ್ಷೇತ್ರ ತೋಟ್ಟಿ ಮಾರುಕಟ್ಟೆ", "kn"],
  ["Arabic", "مزرعة التلال البعيدة", "ar"],
  ["Latin", "Gärtnerei Ångström Québec", "de"],
])("lines of %s do not touch, and stay in their box", async (_, text, locale) => {
  const box = { x: 40, y: 40, width: 220, height: 320 };
  const { path } = setName(await lettered(text, locale), box, 400);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="400"><path d="${path}"/></svg>`;
  const { data, info } = await sharp(Buffer.from(svg))
    .extractChannel("alpha")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const rows = Array.from({ length: info.height }, (_, y) =>
    data.subarray(y * info.width, (y + 1) * info.width).some((alpha) => alpha > 64),
  );
  const blank = rows.join("").match(/(?<=true)(?:false)+(?=true)/g) ?? [];
  expect(blank.length, rows.map((dark) => (dark ? "#" : ".")).join("")).toBeGreaterThanOrEqual(1);
  expect(rows.indexOf(true)).toBeGreaterThanOrEqual(box.y - 12);
  expect(rows.lastIndexOf(true)).toBeLessThanOrEqual(box.y + box.height + 24);
});
