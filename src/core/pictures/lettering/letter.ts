import bidiFactory, { type Bidi } from "bidi-js";
import { graphemesOf, type ScriptWithFont, scriptOf, withoutBlanks } from "./faces.ts";
import type { LetteredWord, Lettering, Outline } from "./lettered.ts";
import { isPlain, outlinePlain, plainBlank } from "./plain.ts";
import { bundledFont, type OpenFont } from "./shaper.ts";

/** Its types speak of the form for browsers. */
const bidi = (bidiFactory as unknown as () => Bidi)();

/** What letters a part of a name: the client's own font, the plain letters, or the font of a script. */
type Hand = "own" | "plain" | ScriptWithFont;

/** Letters side by side that one hand draws, all in one direction. */
interface Run {
  /** None where no font at hand has the letters. */
  hand: Hand | undefined;
  letters: string[];
  level: number;
}

/** A text to be lettered, and the language that it is in. */
export interface Called {
  text: string;
  locale: string;
}

/** Letters a name: each letter in the client's own font where that has it, else in one that comes with Oxalis. */
export async function letterName({ text, locale }: Called, own?: OpenFont): Promise<Lettering> {
  const name = text.normalize("NFC").trim();
  const { levels, paragraphs } = bidi.getEmbeddingLevels(name);
  const words = splitWords(name, locale).map(({ start, text: word, isApart }) => ({
    runs: runsOf(word, (at) => levels[start + at] ?? 0, own),
    isApart,
  }));
  const fonts = await openFonts(
    words.flatMap(({ runs }) => runs.flatMap(({ hand }) => hand ?? [])),
    own,
  );
  const has = ({ hand, letters }: Run) => letters.filter((letter) => !hasLetter(letter, hand, fonts));
  const lacking = new Set(words.flatMap(({ runs }) => runs.flatMap(has)));
  if (lacking.size > 0) return { lettered: undefined, lacking: [...lacking] };
  const direction = (paragraphs[0]?.level ?? 0) % 2 === 1 ? "rtl" : "ltr";
  const lettered = words.map(({ runs, isApart }) => letterWord(runs, fonts, locale, isApart));
  return { lettered: { direction, words: lettered }, lacking: [] };
}

type Fonts = ReadonlyMap<Hand, OpenFont | undefined>;

async function openFonts(hands: readonly Hand[], own: OpenFont | undefined): Promise<Fonts> {
  const fonts = new Map<Hand, OpenFont | undefined>([["own", own]]);
  for (const hand of hands) if (hand !== "plain" && hand !== "own") fonts.set(hand, await bundledFont(hand));
  return fonts;
}

const hasLetter = (letter: string, hand: Hand | undefined, fonts: Fonts): boolean =>
  hand === "plain" || (hand !== undefined && covers(fonts.get(hand), letter));

/** What is never drawn, such as a joiner, needs no outline. */
const covers = (font: OpenFont | undefined, letter: string): boolean =>
  font !== undefined &&
  [...letter].every((each) => font.has(each.codePointAt(0) ?? 0) || /\p{Default_Ignorable_Code_Point}/u.test(each));

/**
 * Where a line may be broken: between words; in scripts without blanks, where the dictionary of the language says.
 * @returns parts with where they start, in UTF-16 units, and whether a blank follows.
 */
function splitWords(name: string, locale: string): { start: number; text: string; isApart: boolean }[] {
  const split = new Intl.Segmenter(locale, { granularity: "word" });
  return [...name.matchAll(/\S+/gu)].flatMap(({ 0: text, index }) => {
    const parts = withoutBlanks.test(text) ? joinMarks([...split.segment(text)]) : [{ index: 0, segment: text }];
    return parts.map((part, at) => ({
      start: index + part.index,
      text: part.segment,
      isApart: at === parts.length - 1,
    }));
  });
}

/** What is no word, such as a mark, stays with the word before it. */
function joinMarks(parts: readonly Intl.SegmentData[]): { index: number; segment: string }[] {
  const joined: { index: number; segment: string }[] = [];
  for (const { index, segment, isWordLike } of parts) {
    const last = joined.at(-1);
    if (last && !isWordLike) last.segment += segment;
    else joined.push({ index, segment });
  }
  return joined;
}

function runsOf(word: string, levelAt: (at: number) => number, own: OpenFont | undefined): Run[] {
  const runs: Run[] = [];
  for (const { segment, index } of graphemesOf(word)) {
    const last = runs.at(-1);
    const hand = handFor(segment, own, last?.hand);
    const level = levelAt(index);
    if (last?.hand === hand && last?.level === level) last.letters.push(segment);
    else runs.push({ hand, letters: [segment], level });
  }
  return runs;
}

function handFor(letter: string, own: OpenFont | undefined, before: Hand | undefined): Hand | undefined {
  if (covers(own, letter)) return "own";
  return isPlain(letter) ? "plain" : scriptOf(letter, before);
}

function letterWord(runs: readonly Run[], fonts: Fonts, locale: string, isApart: boolean): LetteredWord {
  const level = Math.min(...runs.map((run) => run.level));
  let advance = 0;
  const parts: Outline[] = [];
  for (const run of level % 2 === 1 ? [...runs].reverse() : runs) {
    const drawn = outlineRun(run, fonts, locale);
    for (const { path, x } of drawn.parts) parts.push({ path, x: x + advance });
    advance += drawn.advance;
  }
  const font = fonts.get(runs.at(-1)?.hand ?? "plain");
  return { parts, advance, blank: isApart ? (font?.blank ?? plainBlank) : 0, level };
}

function outlineRun(
  { hand, letters, level }: Run,
  fonts: Fonts,
  locale: string,
): { parts: readonly Outline[]; advance: number } {
  const direction = level % 2 === 1 ? "rtl" : "ltr";
  const font = fonts.get(hand ?? "plain");
  if (font) {
    const { path, advance } = font.outline(letters.join(""), direction, locale);
    return { parts: [{ path, x: 0 }], advance };
  }
  return outlinePlain(direction === "ltr" ? letters : letters.map(mirrored).reverse());
}

/** A bracket as it stands among letters that run from right to left. */
const mirrored = (letter: string): string => bidi.getMirroredCharacter(letter) ?? letter;
