/**
 * Filters of a PNG's rows (W3C, Portable Network Graphics, filter types): each byte as its difference from a guess
 * made of those to its left and above. The filter's number stands in front of the row.
 */

type Guess = (left: number, above: number, aboveLeft: number) => number;

const guesses: readonly Guess[] = [
  () => 0,
  (left) => left,
  (_, above) => above,
  (left, above) => (left + above) >> 1,
  (left, above, aboveLeft) => {
    const [toLeft, toAbove] = [Math.abs(above - aboveLeft), Math.abs(left - aboveLeft)];
    const toBoth = Math.abs(left + above - 2 * aboveLeft);
    if (toLeft <= toAbove && toLeft <= toBoth) return left;
    return toAbove <= toBoth ? above : aboveLeft;
  },
];

/** One filter for all rows; or for each row the one that leaves the smallest differences. */
export const filterTypes = [0, 1, 2, 3, 4, "best"] as const;

/** @param step bytes from a pixel to the same byte of the next. */
export function filterRows(
  rows: Uint8Array,
  length: number,
  step: number,
  type: (typeof filterTypes)[number],
): Uint8Array {
  const filtered = new Uint8Array(rows.length);
  const attempt = new Uint8Array(length);
  for (let row = 0; row < rows.length; row += length) {
    let least = Number.POSITIVE_INFINITY;
    for (const number of type === "best" ? guesses.keys() : [type]) {
      const sum = filterRow(rows, row, length, step, number, attempt);
      if (sum >= least) continue;
      least = sum;
      filtered.set(attempt, row);
    }
  }
  return filtered;
}

/** Filters one row; gives the sum of its differences. */
function filterRow(
  rows: Uint8Array,
  row: number,
  length: number,
  step: number,
  number: number,
  to: Uint8Array,
): number {
  const guess = guesses[number] as Guess;
  let sum = 0;
  to[0] = number;
  for (let at = 1; at < length; at++) {
    const left = at > step ? (rows[row + at - step] as number) : 0;
    const above = row > 0 ? (rows[row - length + at] as number) : 0;
    const aboveLeft = row > 0 && at > step ? (rows[row - length + at - step] as number) : 0;
    const difference = ((rows[row + at] as number) - guess(left, above, aboveLeft)) & 255;
    to[at] = difference;
    sum += difference < 128 ? difference : 256 - difference;
  }
  return sum;
}

/** Rows as they were before they were filtered, whichever way each was. */
export function unfilter(filtered: Uint8Array, length: number, step: number): Uint8Array {
  const rows = Uint8Array.from(filtered);
  for (let row = 0; row < rows.length; row += length) {
    const guess = guesses[rows[row] as number] as Guess;
    rows[row] = 0;
    for (let at = 1; at < length; at++) {
      const left = at > step ? (rows[row + at - step] as number) : 0;
      const above = row > 0 ? (rows[row - length + at] as number) : 0;
      const aboveLeft = row > 0 && at > step ? (rows[row - length + at - step] as number) : 0;
      rows[row + at] = (rows[row + at] as number) + guess(left, above, aboveLeft);
    }
  }
  return rows;
}

/** The bytes of a row that differ between rows; outside them, all rows hold zeros. */
interface Columns {
  from: number;
  to: number;
}

/**
 * Whether differences from the row above have fewer runs of equal bytes than the rows themselves; judged by an eighth
 * of the rows, from the middle.
 */
export function upwardHasFewerRuns(rows: Uint8Array, length: number, { from, to }: Columns): boolean {
  const count = rows.length / length;
  const first = Math.max(1, Math.floor((count * 7) / 16));
  let more = 0;
  for (let row = first * length, end = row + Math.ceil(count / 8) * length; row < end; row += length)
    more += moreRunsIn(rows, row + from, row + to, length);
  return more > 0;
}

/** Runs that a stretch of a row has more as it is than as differences from the one above. */
function moreRunsIn(rows: Uint8Array, start: number, end: number, length: number): number {
  let [left, leftUpward, more] = [0, 0, 0];
  for (let at = start; at < end; at++) {
    const here = rows[at] as number;
    const hereUpward = here - (rows[at - length] as number);
    if (here !== left) more++;
    if (hereUpward !== leftUpward) more--;
    left = here;
    leftUpward = hereUpward;
  }
  return more;
}

/**
 * Makes of each byte its difference from the one above, in place, from the last row up; the first row stays as it is.
 */
export function turnUpward(rows: Uint8Array, length: number, columns: Columns): void {
  const part = (row: number) => rows.subarray(row + columns.from, row + columns.to);
  for (let row = rows.length - length; row > 0; row -= length) {
    rows[row] = 2;
    if (Buffer.compare(part(row), part(row - length)) === 0) part(row).fill(0);
    else
      for (let at = row + columns.from; at < row + columns.to; at++)
        rows[at] = (rows[at] as number) - (rows[at - length] as number);
  }
}
