import { describe, expect, test } from "vitest";
import { drawnWidth, fittedLabel, roomForLabel } from "../../../../src/core/clients/derive/fields/label.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";
import type { ScriptWithFont } from "../../../../src/core/pictures/lettering/faces.ts";
import { bundledFont } from "../../../../src/core/pictures/lettering/shaper.ts";

/** Names as people have them, in each script that a font comes with. */
const samples: Readonly<Record<ScriptWithFont, string>> = {
  Arabic: "مزرعة التل الخضراء حديقة البرتقال دكان الخبز",
  Armenian: "Կանաչ այգի խանութ",
  Bengali: "সবুজ খামার ক্ষেত্র বাগান বাজার",
  Devanagari: "हरा खेत सब्ज़ी मंडी स्वास्थ्य",
  Ethiopic: "አረንጓዴ እርሻ ሱቅ",
  Georgian: "მწვანე ბაღი მაღაზია",
  Gujarati: "લીલું ખેતર શાકભાજી બજાર સ્વાસ્થ્ય",
  Gurmukhi: "ਹਰਾ ਖੇਤ ਸਬਜ਼ੀ ਮੰਡੀ",
  Hebrew: "גן ירוק חנות ירקות",
  Kannada: "ಹಸಿರು ತೋಟ ತರಕಾರಿ ಮಾರುಕಟ್ಟೆ",
  Khmer: "កសិដ្ឋានបៃតង ផ្សារបន្លែ",
  Lao: "ສວນຜັກສີຂຽວ ຕະຫຼາດ",
  Malayalam: "പച്ച തോട്ടം പച്ചക്കറി ചന്ത",
  Myanmar: "စိမ်းလန်းသောခြံ ဟင်းသီးဟင်းရွက် ဈေး",
  Sinhala: "කොළ ගොවිපල එළවළු වෙළඳපොළ",
  Tamil: "பசுமை தோட்டம் காய்கறி சந்தை",
  Telugu: "ఆకుపచ్చ తోట కూరగాయల మార్కెట్",
  Thai: "สวนผักสีเขียว ตลาดผักสด",
};

const label = (name: string) => fittedLabel(trace({ by: "pattern", note: "", value: name }));

test("a text is measured as it is drawn, not by its letters", () => {
  expect(drawnWidth("iiiiiiiiiiii")).toBeLessThan(roomForLabel / 2);
  expect(drawnWidth("WWWWWWWW")).toBeGreaterThan(roomForLabel);
  expect(drawnWidth("庭の野菜箱庭")).toBe(6);
  expect(drawnWidth("é")).toBe(drawnWidth("e\u0301"));
  expect(roomForLabel).toBe(6);
});

test.each(Object.entries(samples) as [ScriptWithFont, string][])(
  "a text in %s is about as wide as its font draws it",
  async (script, text) => {
    const font = await bundledFont(script);
    for (const word of text.split(" ")) {
      const direction = /Arabic|Hebrew/.test(script) ? "rtl" : "ltr";
      const drawn = (font?.outline(word, direction, "und").advance ?? 0) / 1000;
      // Rather too wide than too narrow: what is cut off nobody reads. Arabic's letters change most where they join.
      const [least, most] = script === "Arabic" ? [0.75, 1.35] : [0.84, 1.35];
      const share = drawnWidth(word) / drawn;
      expect([word, share > least, share < most]).toEqual([word, true, true]);
    }
  },
);

describe("the label made from a name", () => {
  test.each([
    ["Saltmarsh", "Saltmarsh"],
    ["The Orchard Lane", "Orchard Lane"],
    ["Root & Leaf", "Root & Leaf"],
    ["High Hedges Farm Partners Ltd", "High Hedges"],
    ["Зелена Грядка Поділля", "Зелена"],
    ["Gemüsegärtnereigenossenschaft", "Gemüsegärt."],
    ["The Co", "The Co"],
  ])("%s is %s", (name, expected) => {
    const { value } = label(name);
    expect(value).toBe(expected);
    expect(drawnWidth(value)).toBeLessThanOrEqual(roomForLabel);
  });

  test.each([
    // Between words where the script has no blanks, never within a letter and its marks, with no Latin stop.
    ["สวนผักสีเขียวของเรา", /^สวนผัก(สี)?(เขียว)?$/],
    ["চট্টগ্রামের সবুজ খামার বাগান", /^(?!.*\.).*[\p{L}\p{M}]$/u],
    ["ആരോഗ്യപച്ചക്കറിത്തോട്ടം", /^(?!.*\.)ആരോഗ്യ/u],
    ["Himmelpfort & Zwischenwasser", /^[^&]+$/],
    ["Marktgärtnerei und Zwischenwasser", /(?<!und)\.?$/],
  ])("of %s ends where a word or a letter does", (name, expected) => {
    const { value } = label(name);
    expect(value).toMatch(expected);
    expect(drawnWidth(value)).toBeLessThanOrEqual(roomForLabel);
    expect(value).not.toMatch(/^\p{M}|[\p{Script=Thai}\p{Script=Bengali}\p{Script=Malayalam}]\.$/u);
  });

  test("says each step", () => {
    expect(label("The High Hedges Farm Partners").trail.map((step) => step.note)).toEqual([
      "",
      "words that say nothing left out",
      "the words that say most, as far as they have room under an icon",
    ]);
  });
});
