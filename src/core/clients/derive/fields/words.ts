import { createHash } from "node:crypto";
import { darken, lift, withLightness } from "../../../ground/values/color.ts";
import { inLatin } from "./latin.ts";

/** A word of the pattern grammar: changes a text, some with an argument behind them. */
export interface Word {
  says: string;
  /** What must follow, where something must. */
  takes?: Argument;
  /** @param language of the text, such as de: letters are written in Latin as it does */
  apply(text: string, argument: string, language?: string): string;
}

interface Argument {
  /** Completes "wants … behind it". */
  what: string;
  form: RegExp;
  example: string;
}

const numberOf = (what: string): Argument => ({
  what: `a number of ${what}`,
  form: /^[1-9]\d{0,3}$/,
  example: "12",
});

/** Apostrophes join (O'Neill → oneill); other marks separate. */
const asciiWords = (text: string, language?: string): string[] =>
  inLatin(text.replace(/&/g, " and "), language)
    .replace(/['’`]/g, "")
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);

function fitting(text: string, most: number): string {
  if ([...text].length <= most) return text;
  const words = text.split(/\s+/).filter((word) => word !== "&");
  let kept = "";
  for (const word of words) {
    const longer = kept ? `${kept} ${word}` : word;
    if ([...longer].length > most) break;
    kept = longer;
  }
  return kept || [...(words[0] ?? text)].slice(0, most).join("");
}

function without(text: string, list: string): string {
  const dropped = new Set(list.toLowerCase().split(","));
  const kept = text.split(/\s+/).filter((word) => !dropped.has(word.toLowerCase()));
  return kept.length > 0 ? kept.join(" ") : text;
}

/** A name-based UUID (RFC 9562, version 5) over a namespace of Oxalis' own. */
function guidOf(text: string): string {
  const namespace = Buffer.from("6f78616c69735f677569645f6e616d65", "hex");
  const bytes = createHash("sha1").update(namespace).update(text, "utf8").digest().subarray(0, 16);
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x50;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  return bytes.toString("hex").replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");
}

/** How light a colour is that is made from the brand's, by what it is for (CIE L*, in per cent). */
const lightnessFor = {
  page: 98,
  pageDark: 18,
  text: 22,
  textDark: 92,
  soft: 92,
  softDark: 32,
  softText: 30,
  softTextDark: 90,
  line: 60,
  lineDark: 62,
} as const;

type Purpose = keyof typeof lightnessFor;
const purposes = Object.keys(lightnessFor) as Purpose[];

const table = {
  reversed: {
    says: "the parts between full stops in reverse order: hill.example → example.hill",
    apply: (text) => text.split(".").reverse().join("."),
  },
  joined: {
    says: "ASCII letters and digits in lower case, nothing between them: Hill & Dale → hillanddale",
    apply: (text, _, language) => asciiWords(text, language).join(""),
  },
  hyphenated: {
    says: "as joined, with a hyphen between the words: Hill & Dale → hill-and-dale",
    apply: (text, _, language) => asciiWords(text, language).join("-"),
  },
  ascii: {
    says: "written in ASCII, as the client's language does: Bær → Baer",
    apply: (text, _, language) => inLatin(text, language),
  },
  lower: { says: "in lower case: Hill → hill", apply: (text) => text.toLowerCase() },
  upper: { says: "in capitals: Hill → HILL", apply: (text) => text.toUpperCase() },
  initials: {
    says: "the first letter of each word, in ASCII capitals: Hill Farm → HF",
    apply: (text, _, language) =>
      asciiWords(text, language)
        .map((word) => word.charAt(0).toUpperCase())
        .join(""),
  },
  distinguished: {
    says: 'as a part of an X.500 name: in quotes where a mark would end it: Hill, Sons → "Hill, Sons"',
    apply: (text) => (/^[\s#]|[,+"\\<>;=]|\s$/.test(text) ? `"${text.replace(/"/g, '""')}"` : text),
  },
  menu: {
    says: "as a text of a menu, in which & stands before the letter that a key goes to: Hill & Dale → Hill && Dale",
    apply: (text) => text.replaceAll("&", "&&"),
  },
  guid: {
    says: "a GUID made from it, the same each time: Hill → d28fbe7d-0ed3-5e01-ab56-aea39f2014a9",
    apply: guidOf,
  },
  first: {
    says: "only the first so many letters: with 2, Hill → Hi",
    takes: numberOf("letters"),
    apply: (text, number) => [...text].slice(0, Number(number)).join(""),
  },
  fitting: {
    says: "only as many whole words from the start as have room in so many letters: with 9, Hill Farm Shop → Hill Farm",
    takes: numberOf("letters"),
    apply: (text, number) => fitting(text, Number(number)),
  },
  parts: {
    says: "only the first so many parts between full stops: with 2, 1.4.2 → 1.4",
    takes: numberOf("parts"),
    apply: (text, number) => text.split(".").slice(0, Number(number)).join("."),
  },
  darkened: {
    says: "a colour as a dark screen shows it, of the same hue: #f2c14e → #241900",
    apply: darken,
  },
  lifted: {
    says: "a colour light enough to be read on a dark screen, of the same hue: #1f5d4c → #508c79",
    apply: lift,
  },
  for: {
    says:
      `a colour of the same hue, as light as its purpose wants, one of ${purposes.join(", ")}: with page, ` +
      "#1f5d4c → #f6f9f8",
    takes: { what: `one of ${purposes.join(", ")}`, form: new RegExp(`^(?:${purposes.join("|")})$`), example: "page" },
    apply: (text, purpose) => withLightness(text, lightnessFor[purpose as Purpose]),
  },
  lightness: {
    says:
      "a colour of the same hue in so much light, from 1, nearly black, to 99, nearly white: with 92, " +
      "#1f5d4c → #dde7e3",
    takes: { what: "a lightness from 1 to 99", form: /^[1-9]\d?$/, example: "92" },
    apply: (text, light) => withLightness(text, Number(light)),
  },
  without: {
    says: "without these words, given with commas between them, in any case: The Hill Farm → Hill",
    takes: { what: "words with commas between them", form: /^[^,]+(,[^,]+)*$/, example: "the,farm" },
    apply: without,
  },
} satisfies Record<string, Word>;

/** Every word a pattern may use. */
export const words: Readonly<Record<string, Word>> = table;
