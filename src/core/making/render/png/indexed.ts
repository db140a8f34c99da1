/** A picture's colours, and which of them its pixels have. */
export interface Indexed {
  /** Red, green, blue and alpha in one number, as they lie in memory. The ground is the first. */
  colors: readonly number[];
  runs: Runs;
}

/** Pixels of one colour that follow each other, row after row: where each run ends, and the number of its colour. */
export interface Runs {
  ends: Uint32Array;
  numbers: Uint16Array;
  count: number;
}

/** Colours counted before a picture is taken for one that has too many. */
const mostCounted = 16_384;
/** A colour that takes this share of all pixels is kept to the bit. */
const frequent = 0.0008;
/**
 * Levels that a channel is rounded to until the colours fit a palette, and the share of pixels that may be rounded so:
 * edges, where one colour runs into another; more of them would be a soft shade, and show steps.
 */
const roundings = [
  { level: 255, most: 1 },
  { level: 64, most: 0.1 },
  { level: 32, most: 0.07 },
  { level: 21, most: 0.04 },
  { level: 16, most: 0.025 },
] as const;

/**
 * Gives every pixel a number in a palette of at most 256 colours. Where a drawing has more, which happens along its
 * edges, colours that are rare are rounded; undefined where that does not do.
 * @param pixels red, green, blue, alpha of each pixel in one number.
 * @param ground the colour that gets the number 0.
 */
export function toPalette(pixels: Int32Array, ground: number): Indexed | undefined {
  const counted = count(pixels, ground);
  if (!counted) return undefined;
  const { colors, counts, runs } = counted;
  const rare = counts.map((count, at) => at > 0 && count < frequent * pixels.length);
  const surfaces = colors.filter((_, at) => !rare[at]);
  const nearest = colors.map((color, at) => (rare[at] ? surfaceNear(color, surfaces) : color));
  const edges = counts.reduce((sum, count, at) => (nearest[at] === undefined ? sum + count : sum), 0) / pixels.length;
  for (const { level } of roundings.filter(({ most }) => edges <= most)) {
    const palette = new Map<number, number>();
    const renumbered = colors.map((color, at) => {
      const kept = level === 255 ? color : (nearest[at] ?? roundColor(color, level));
      const known = palette.get(kept) ?? palette.size;
      palette.set(kept, known);
      return known;
    });
    if (palette.size > 256) continue;
    return { colors: [...palette.keys()], runs: numberedAnew(runs, renumbered) };
  }
  return undefined;
}

const numberedAnew = ({ ends, numbers, count }: Runs, renumbered: readonly number[]): Runs => ({
  ends: ends.slice(0, count),
  numbers: numbers.subarray(0, count).map((number) => renumbered[number] as number),
  count,
});

/** Runs there is room for at first, of a picture's pixels: drawings have few edges. */
const expected = 1 / 16;

const roomier = ({ ends, numbers, count }: Runs): Runs => {
  const more = { ends: new Uint32Array(2 * count), numbers: new Uint16Array(2 * count), count };
  more.ends.set(ends);
  more.numbers.set(numbers);
  return more;
};

/** The colours in the order they come, how often each does, and the runs; undefined where there are too many. */
function count(pixels: Int32Array, ground: number) {
  const known = new Map<number, number>();
  const colors: number[] = [];
  const counts: number[] = [];
  const numberOf = (color: number): number => {
    const held = known.get(color);
    if (held !== undefined) return held;
    counts.push(0);
    known.set(color, colors.length);
    return colors.push(color) - 1;
  };
  const room = 64 + Math.ceil(pixels.length * expected);
  let runs: Runs = { ends: new Uint32Array(room), numbers: new Uint16Array(room), count: 0 };
  const end = pixels.length;
  numberOf(ground);
  for (let i = 0; i < end; ) {
    const start = i;
    const color = pixels[i] as number;
    while (i < end && pixels[i] === color) i++;
    const number = numberOf(color);
    if (number >= mostCounted) return undefined;
    counts[number] = (counts[number] as number) + i - start;
    if (runs.count === runs.ends.length) runs = roomier(runs);
    runs.ends[runs.count] = i;
    runs.numbers[runs.count++] = number;
  }
  return { colors, counts, runs };
}

/**
 * A surface's colour that is as near as rounding would bring it: for the pixels that edges and compression leave
 * beside surfaces.
 */
const surfaceNear = (color: number, surfaces: readonly number[]): number | undefined =>
  surfaces.find(
    (surface) =>
      near(surface, color) &&
      near(surface >>> 8, color >>> 8) &&
      near(surface >>> 16, color >>> 16) &&
      near(surface >>> 24, color >>> 24),
  );

/** Whether the lowest channels differ by no more than that. */
const near = (a: number, b: number): boolean => Math.abs((a & 255) - (b & 255)) <= 5;

/** Each channel to the nearest of so many levels above none; full and empty stay so. */
function roundColor(color: number, level: number): number {
  let result = 0;
  for (let shift = 0; shift < 32; shift += 8) {
    const share = Math.round((((color >>> shift) & 255) / 255) * level) / level;
    result |= Math.round(share * 255) << shift;
  }
  return result;
}

/** Bits an index needs; PNG has these. */
export const depthOf = (colors: number): 1 | 2 | 4 | 8 => (colors <= 2 ? 1 : colors <= 4 ? 2 : colors <= 16 ? 4 : 8);
