/**
 * Fonts that come with Oxalis, each for one script: Noto Sans, medium, under the SIL Open Font License 1.1. Scripts of
 * many thousand letters (Han, Kana, Hangul) have none: a client's own font letters those.
 */
export const scriptsWithFont = [
  "Arabic",
  "Armenian",
  "Bengali",
  "Devanagari",
  "Ethiopic",
  "Georgian",
  "Gujarati",
  "Gurmukhi",
  "Hebrew",
  "Kannada",
  "Khmer",
  "Lao",
  "Malayalam",
  "Myanmar",
  "Sinhala",
  "Tamil",
  "Telugu",
  "Thai",
] as const;

export type ScriptWithFont = (typeof scriptsWithFont)[number];

const byScript = scriptsWithFont.map((script) => ({
  script,
  isOf: new RegExp(`\\p{Script_Extensions=${script}}`, "u"),
}));

/** The script of a letter, where there is a font for it: of those that share it, the one of the letter before. */
export function scriptOf(letter: string, before?: string): ScriptWithFont | undefined {
  const having = byScript.filter(({ isOf }) => isOf.test(letter)).map(({ script }) => script);
  return having.find((script) => script === before) ?? having[0];
}

/** A script as one language writes it mostly, where the font that comes for the script has another hand. */
interface Hand {
  script: ScriptWithFont;
  usual: string;
  comes: string;
}

const nastaliq: Hand = { script: "Arabic", usual: "Nastaliq", comes: "Naskh" };

/** By language (CLDR, default styles): Urdu, Kashmiri, Punjabi of Pakistan, Saraiki. */
const hands: Readonly<Record<string, Hand>> = { ur: nastaliq, ks: nastaliq, pnb: nastaliq, skr: nastaliq };

/** The hand that a language is mostly written in, where that is not the one of its script's font. */
export const handOf = (locale: string): Hand | undefined => hands[locale.split("-")[0] ?? ""];

/** Scripts that put no blanks between words (Unicode Line Breaking Algorithm, classes SA and ID). */
export const withoutBlanks = new RegExp(
  ["Thai", "Lao", "Khmer", "Myanmar", "Han", "Hiragana", "Katakana"].map((script) => `\\p{Script=${script}}`).join("|"),
  "u",
);

let segmenter: Intl.Segmenter | undefined;

/** Letters as people see them, each with its marks. What tells them apart takes a while to wake. */
export function graphemesOf(text: string): Intl.Segments {
  segmenter ??= new Intl.Segmenter("en", { granularity: "grapheme" });
  return segmenter.segment(text);
}
