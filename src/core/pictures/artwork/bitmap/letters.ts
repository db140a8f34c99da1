import { type Piece, piecesOf } from "./pieces.ts";

/** Letters that a picture is made of: how many, and how high the usual one is, as a share of what is drawn. */
export interface Letters {
  count: number;
  height: number;
}

type Box = Omit<Piece, "count">;

/** Fewer are a sign in several parts. */
const leastLetters = 4;

/** Pieces of a word are about so high, as shares of the usual one: small letters, capitals, and those that hang. */
const heights = { least: 0.6, most: 1.7 };

/** Pieces of a word stand on one line to this share of their height. */
const unevenness = 0.35;

/** Letters are of several widths: the widest is so many times the narrowest. */
const leastVariety = 1.25;

/** Letters cover so much of what is drawn across, in the lines that they stand in. */
const leastCover = 0.4;

/**
 * Whether what is drawn is a word: pieces beside each other on lines, about as high as each other and of several
 * widths. What is drawn in one piece, as in joined handwriting, is not found.
 * @param mask 1 where something is drawn, row by row
 */
export function lettersIn(mask: Uint8Array, width: number): Letters | undefined {
  const all = piecesOf(mask, width);
  const pieces = all.length > mostPieces ? [] : all.filter(({ top, bottom }) => bottom - top >= 3);
  if (pieces.length < leastLetters) return undefined;
  const drawn = spanOf(pieces);
  const words = linesOf(pieces).filter(isWord);
  const letters = words.flat();
  if (letters.length < leastLetters) return undefined;
  const widest = Math.max(...words.map(spanOf).map(({ left, right }) => right - left));
  const cover = widest / (drawn.right - drawn.left);
  if (cover < leastCover) return undefined;
  return { count: letters.length, height: median(letters.map(heightOf)) / (drawn.bottom - drawn.top) };
}

const heightOf = ({ top, bottom }: Box): number => bottom - top;

const spanOf = (pieces: readonly Box[]): Box => ({
  left: Math.min(...pieces.map(({ left }) => left)),
  right: Math.max(...pieces.map(({ right }) => right)),
  top: Math.min(...pieces.map(({ top }) => top)),
  bottom: Math.max(...pieces.map(({ bottom }) => bottom)),
});

const median = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? 0;

/** Pieces by the line that they stand on, from the lowest edge up; dots and accents stand on none. */
function linesOf(pieces: readonly Piece[]): Piece[][] {
  const lines: Piece[][] = [];
  for (const piece of [...pieces].sort((a, b) => heightOf(b) - heightOf(a))) {
    const line = lines.find(([first]) => {
      if (!first) return false;
      const size = heightOf(first);
      const share = heightOf(piece) / size;
      return Math.abs(piece.bottom - first.bottom) <= unevenness * size && share >= heights.least / heights.most;
    });
    if (line) line.push(piece);
    else lines.push([piece]);
  }
  return lines;
}

function isWord(line: readonly Piece[]): boolean {
  const size = median(line.map(heightOf));
  const own = line.filter((each) => heightOf(each) >= heights.least * size && heightOf(each) <= heights.most * size);
  if (own.length < leastLetters || own.length < line.length * 0.8) return false;
  const widths = own.map(({ left, right }) => right - left);
  // What stands one above the other is no word.
  const sorted = [...own].sort((a, b) => a.left - b.left);
  const isBeside = sorted.every((each, at) => at === 0 || each.left >= (sorted[at - 1]?.right ?? 0) - size * 0.3);
  // Letters stand close: a row of signs does not.
  const gaps = sorted.slice(1).map(({ left }, at) => left - (sorted[at]?.right ?? 0));
  return isBeside && median(gaps) <= size * 0.6 && Math.max(...widths) >= leastVariety * Math.min(...widths);
}

/** Most pieces that are looked at; a picture of more is a texture. */
const mostPieces = 400;
