import { type Traced, withStep } from "../../../ground/values/trail.ts";
import { common, idle } from "./idle-words.ts";
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

/** How much a word says of whose app it is: nothing, little, or that. */
function weightOf(word: string): number {
  const plain = word.toLowerCase().replace(/[.,;:!?]+$/, "");
  return idle.has(plain) ? 0 : common.has(plain) ? 1 : 4;
}

const weigh = (words: readonly string[]): number => words.reduce((sum, word) => sum + weightOf(word), 0);

/** Words of a name that tell it from others. */
export const tellingWords = (name: string): string[] => name.split(/\s+/).filter((word) => weightOf(word) > 1);

/**
 * A label for an icon, made from a name: idle words left out, then the words in a row that say most, then letters. Each
 * is a step of the trail.
 */
export function fittedLabel(given: Traced): Traced {
  if (fits(given.value)) return given;
  const all = given.value.split(/\s+/);
  const told = all.filter((word) => weightOf(word) > 0);
  const plain = told.length > 0 ? told.join(" ") : given.value;
  const without = withStep(given, { by: "rule", note: "words that say nothing left out", value: plain });
  if (fits(without.value)) return without;
  const words = withStep(without, {
    by: "rule",
    note: "the words that say most, as far as they have room under an icon",
    value: sayingMost(without.value.split(" ")),
  });
  if (fits(words.value)) return words;
  const value = `${leading([...words.value], ".")}.`;
  return withStep(words, { by: "rule", note: "cut to what has room under an icon", value });
}

/** The words in a row that have room and say most; of two such, the longer, then the earlier; one where none has. */
function sayingMost(words: readonly string[]): string {
  const runs = words.flatMap((_, from) => words.slice(from).map((_, more) => words.slice(from, from + more + 1)));
  const fitting = runs.filter((run) => fits(run.join(" ")));
  const most = Math.max(...words.map(weightOf));
  // A word that says little is no label while there is one that says more, even where that one has to be cut.
  const telling = fitting.filter((run) => run.some((word) => weightOf(word) === most));
  const [first = [words.find((word) => weightOf(word) === most) ?? ""], ...rest] = telling;
  return rest.reduce((best, run) => (isBetter(run, best) ? run : best), first).join(" ");
}

const isBetter = (run: readonly string[], best: readonly string[]): boolean =>
  weigh(run) > weigh(best) || (weigh(run) === weigh(best) && run.length > best.length);

/** A label as a home screen shows it: cut off where its room ends. */
export const shownLabel = (label: string): string => (fits(label) ? label : `${leading([...label], "…")}…`);

/** As many letters from the start as have room, at least one. */
function leading(letters: readonly string[], end: string): string {
  let count = letters.length;
  while (count > 1 && !fits(letters.slice(0, count).join("") + end)) count--;
  return letters.slice(0, count).join("");
}
