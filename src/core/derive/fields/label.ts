import { type Traced, withStep } from "../../values/trail.ts";
import widths from "./letters.json" with { type: "json" };

const known = new Map(
  widths.runs.flatMap(([start, run]) => (run as number[]).map((width, at) => [(start as number) + at, width])),
);

const nothingWide = /\p{Mark}|\p{Default_Ignorable_Code_Point}/u;

const aWholeEm =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Emoji_Presentation}\uff00-\uff60]/u;

/** Width of a letter that the font lacks, in em: a full one in East Asia, about a Latin letter's elsewhere. */
const unknownWidth = (letter: string): number => (aWholeEm.test(letter) ? 1 : 0.52);

/** Width of a text as a home screen draws it, in em. */
export function drawnWidth(text: string): number {
  let units = 0;
  for (const letter of text.normalize("NFC")) {
    if (nothingWide.test(letter)) continue;
    units += known.get(letter.codePointAt(0) ?? 0) ?? unknownWidth(letter) * widths.unitsPerEm;
  }
  return units / widths.unitsPerEm;
}

/** A home screen shows about twelve average Latin letters, or six of East Asia; the rest is cut off. In em. */
export const roomForLabel = Math.round((120 * drawnWidth("abcdefghijklmnopqrstuvwxyz")) / 26) / 10;

const fits = (text: string): boolean => drawnWidth(text) <= roomForLabel;

/** Words that tell nothing apart under an icon: articles, little words, company forms. */
const idle = new Set(
  `a an the of and & at by for from in on y e et und der die das den le la les l' de du des el los las il lo gli the
  app co company corp gmbh inc limited llc ltd oy plc sa sarl srl ug`.split(/\s+/),
);

/**
 * A label for an icon, made from a name: idle words left out, then words from the end, then letters. Each is a step
 * of the trail.
 */
export function fittedLabel(given: Traced): Traced {
  if (fits(given.value)) return given;
  const told = given.value.split(/\s+/).filter((word) => !idle.has(word.toLowerCase().replace(/\.$/, "")));
  const plain = told.length > 0 ? told.join(" ") : given.value;
  const without = withStep(given, { by: "rule", note: "words that say nothing left out", value: plain });
  if (fits(without.value)) return without;
  const whole = leading(without.value.split(" "), " ");
  const words = withStep(without, {
    by: "rule",
    note: "as many whole words as have room under an icon",
    value: whole,
  });
  if (fits(words.value)) return words;
  const value = `${leading([...words.value], "", ".")}.`;
  return withStep(words, { by: "rule", note: "cut to what has room under an icon", value });
}

/** As many pieces from the start as have room, at least one. */
function leading(pieces: readonly string[], between: string, end = ""): string {
  let count = pieces.length;
  while (count > 1 && !fits(pieces.slice(0, count).join(between) + end)) count--;
  return pieces.slice(0, count).join(between);
}
