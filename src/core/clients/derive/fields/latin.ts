import { domainToUnicode } from "node:url";
import anyAscii from "any-ascii";

/**
 * How a language writes letters in Latin ones where that differs from what is done elsewhere. German: DIN 5007-2;
 * Danish and Norwegian: the spellings before å; Ukrainian: Cabinet of Ministers, resolution 55 of 2010; Bulgarian:
 * Transliteration Act of 2009. Small letters; pairs before single ones.
 */
const spellings: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  de: { ä: "ae", ö: "oe", ü: "ue", ß: "ss" },
  da: { å: "aa", æ: "ae", ø: "oe" },
  nb: { å: "aa", æ: "ae", ø: "oe" },
  nn: { å: "aa", æ: "ae", ø: "oe" },
  no: { å: "aa", æ: "ae", ø: "oe" },
  tr: { ı: "i", ğ: "g", ş: "s", ç: "c", ö: "o", ü: "u" },
  uk: {
    ...{ зг: "zgh", г: "h", ґ: "g", є: "ie", и: "y", і: "i", ї: "i", й: "i", х: "kh", ц: "ts", щ: "shch", ю: "iu" },
    ...{ я: "ia", ж: "zh", ч: "ch", ш: "sh", ь: "" },
  },
  bg: {
    ...{ ж: "zh", й: "y", х: "h", ц: "ts", ч: "ch", ш: "sh", щ: "sht", ъ: "a", ь: "y", ю: "yu", я: "ya" },
  },
};

/** Letters at the start of a word that are written otherwise there. */
const atStart: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  uk: { є: "ye", ї: "yi", й: "y", ю: "yu", я: "ya" },
};

/** A text in Latin letters, as its language writes them. @param language a tag such as de or uk-UA */
export function inLatin(text: string, language = ""): string {
  const [base = ""] = language.toLowerCase().split("-");
  const spelling = spellings[base] ?? {};
  const starting = atStart[base] ?? {};
  let latin = "";
  const plain = text.normalize("NFC");
  for (let at = 0; at < plain.length; ) {
    const isStart = at === 0 || !/\p{L}/u.test(plain[at - 1] ?? "");
    const pair = plain.slice(at, at + 2);
    const length = spelling[pair.toLowerCase()] === undefined ? 1 : 2;
    const letters = plain.slice(at, at + length);
    const small = letters.toLowerCase();
    const written = (isStart ? starting[small] : undefined) ?? spelling[small];
    latin += written === undefined ? letters : capitalizedLike(letters, written);
    at += length;
  }
  return anyAscii(latin);
}

const capitalizedLike = (letters: string, written: string): string =>
  letters === letters.toLowerCase() ? written : `${written.charAt(0).toUpperCase()}${written.slice(1)}`;

/**
 * Scripts in which a name is not written as it is said: signs for words, vowels that are left out, or that people of
 * the language leave out where a standard would write them (ISO 15919, RTGS). Nobody can be sure how to read it aloud.
 */
const unsure = new RegExp(
  `[${[
    ...["Han", "Arabic", "Hebrew", "Syriac", "Thaana", "Thai", "Lao", "Khmer", "Myanmar", "Tibetan", "Devanagari"],
    ...["Bengali", "Gurmukhi", "Gujarati", "Oriya", "Tamil", "Telugu", "Kannada", "Malayalam", "Sinhala"],
  ]
    .map((script) => `\\p{Script=${script}}`)
    .join("")}]`,
  "u",
);

/** A domain as its language writes it in Latin letters; labels that nobody can be sure of as they are in DNS. */
export const latinDomain = (domain: string, language: string): string =>
  domain
    .split(".")
    .map((label) => {
      const read = domainToUnicode(label);
      return isReadingUnsure(read) ? label : inLatin(read, language);
    })
    .join(".");

/** Whether there is no sure way to write a name in Latin letters. */
export const isReadingUnsure = (name: string): boolean => unsure.test(name);
