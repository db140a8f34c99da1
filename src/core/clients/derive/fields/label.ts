import { type Traced, withStep } from "../../../ground/values/trail.ts";
import { graphemesOf, withoutBlanks } from "../../../pictures/lettering/faces.ts";
import { common, idle } from "./idle-words.ts";
import widths from "./letters.json" with { type: "json" };

const known = new Map(
  widths.runs.flatMap(([start, run]) => (run as number[]).map((width, at) => [(start as number) + at, width])),
);

const invisible = /\p{Default_Ignorable_Code_Point}/u;

const aWholeEm =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Emoji_Presentation}\uff00-\uff60]/u;

/** Width of a letter that no font has, in em: a full one in East Asia, about a Latin letter's elsewhere. */
const unknownWidth = (letter: string): number => (/\p{Mn}/u.test(letter) ? 0 : aWholeEm.test(letter) ? 1 : 0.52);

/** What makes one letter of two that follow each other: viramas, and the sign that stacks in Khmer. */
const binds = /[\u094d\u09cd\u0a4d\u0acd\u0b4d\u0c4d\u0ccd\u0d4d\u0dca\u1039\u17d2]/u;

const isArabic = /\p{Script=Arabic}/u;

/** Letters that join the one before alone (Unicode, Joining_Type R), and so keep their width. */
const endsJoining = /[\u0622-\u0625\u0627\u0629\u062f-\u0632\u0648\u0671-\u0673\u0688-\u0699\u06c0-\u06cf\u06d5]/u;

/** Of its own width, what a letter takes that is bound to the one before; and one that joins the next in Arabic. */
const share = { bound: 0.4, joined: 0.72 };

/** Width of a text as a home screen draws it, in em, by the fonts that letter it: marks that take room with theirs. */
export function drawnWidth(text: string): number {
  let units = 0;
  const letters = [...text.normalize("NFC")].filter((letter) => !invisible.test(letter));
  for (const [at, letter] of letters.entries()) {
    const own = known.get(letter.codePointAt(0) ?? 0) ?? unknownWidth(letter) * widths.unitsPerEm;
    const [before = "", next = ""] = [letters[at - 1], letters[at + 1]];
    const isBound = binds.test(before) && !binds.test(letter);
    const isJoined = isArabic.test(letter) && isArabic.test(next) && !endsJoining.test(letter);
    units += own * (isBound ? share.bound : isJoined ? share.joined : 1);
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
  const value = cutToFit(words.value);
  return withStep(words, { by: "rule", note: "cut to what has room under an icon", value });
}

/** Whether a label is less than words of a name: they were cut, in the middle or, where no blanks are, between them. */
export function isCut(name: string, label: string): boolean {
  const words = new Set(name.split(/\s+/));
  return label.split(/\s+/).some((word) => !words.has(word));
}

/** The words in a row that have room and say most; of two such, the longer, then the earlier; one where none has. */
function sayingMost(words: readonly string[]): string {
  const runs = words.flatMap((_, from) => words.slice(from).map((_, more) => words.slice(from, from + more + 1)));
  const fitting = runs.filter((run) => fits(run.join(" ")) && !isDangling(run));
  const most = Math.max(...words.map(weightOf));
  // A word that says little is no label while there is one that says more, even where that one has to be cut.
  const telling = fitting.filter((run) => run.some((word) => weightOf(word) === most));
  const [first = [words.find((word) => weightOf(word) === most) ?? ""], ...rest] = telling;
  return rest.reduce((best, run) => (isBetter(run, best) ? run : best), first).join(" ");
}

const isBetter = (run: readonly string[], best: readonly string[]): boolean =>
  weigh(run) > weigh(best) || (weigh(run) === weigh(best) && run.length > best.length);

/** Words that join two others, in languages of the scripts that names come in. */
const joining = new Set([
  ..."& + and und et y e och og en ja i a и й та і και".split(" "),
  ..."و או ו और व ও এবং અને ਅਤੇ ಮತ್ತು മറ്റും மற்றும் మరియు සහ და և".split(" "),
]);

const isJoining = (word = ""): boolean => joining.has(word.toLowerCase());

const isDangling = (run: readonly string[]): boolean => isJoining(run[0]) || isJoining(run.at(-1));

/** A label as a home screen shows it: cut off where its room ends. */
export const shownLabel = (label: string): string => (fits(label) ? label : `${leading(lettersOf(label), "…")}…`);

/** Scripts whose abbreviations end with a full stop. */
const takesStop = /[\p{Script=Latin}\p{Script=Cyrillic}\p{Script=Greek}\p{Script=Armenian}\p{Script=Georgian}]$/u;

const lettersOf = (text: string): string[] => [...graphemesOf(text)].map(({ segment }) => segment);

/** A word cut to what has room: between words where the script runs them together, otherwise between letters. */
function cutToFit(word: string): string {
  const first = withoutBlanks.test(word)
    ? leading(
        [...new Intl.Segmenter(undefined, { granularity: "word" }).segment(word)].map((each) => each.segment),
        "",
      )
    : word;
  if (fits(first)) return first.trim();
  const end = takesStop.test(word) ? "." : "";
  return `${leading(lettersOf(first), end).trim()}${end}`;
}

/** As many parts from the start as have room, at least one. */
function leading(parts: readonly string[], end: string): string {
  let count = parts.length;
  while (count > 1 && !fits(parts.slice(0, count).join("") + end)) count--;
  return parts.slice(0, count).join("");
}
