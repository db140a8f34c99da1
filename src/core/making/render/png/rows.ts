import type { Header } from "./file.ts";
import { depthOf, type Indexed } from "./indexed.ts";
import type { Placement } from "./placement.ts";

/**
 * The rows of a picture as a PNG wants them, each with room for its filter in front; those that hold the drawn part.
 */
export interface Rows {
  header: Header;
  /** Bytes of a row, its filter included. */
  length: number;
  /** Bytes from a pixel to the same byte of the next; 1 where several pixels share a byte. */
  step: number;
  /** Rows from the first drawn one to the last. */
  band: Uint8Array;
}

/** Rows of numbers in a palette, several to a byte where it has few colours. */
export function indexedRows({ colors, runs }: Indexed, placement: Placement, alpha: boolean): Rows {
  const { canvas, left, width, height } = placement;
  const depth = depthOf(colors.length);
  const length = 1 + Math.ceil((canvas.width * depth) / 8);
  const band = new Uint8Array(length * height);
  let at = 0;
  for (let run = 0; run < runs.count; run++) {
    const end = runs.ends[run] as number;
    const number = runs.numbers[run] as number;
    if (number === 0) at = end; // the ground is there already
    while (at < end) {
      const column = at % width;
      const row = 1 + ((at - column) / width) * length;
      const count = Math.min(end - at, width - column);
      if (depth === 8) fill(band, row + left + column, count, number);
      else fillBits(band, row * 8 + (left + column) * depth, count, number, depth);
      at += count;
    }
  }
  const palette = Buffer.from(colors.flatMap((color) => [color & 255, (color >> 8) & 255, (color >> 16) & 255]));
  const alphas = Buffer.from(colors.map((color) => color >>> 24));
  return {
    header: { ...canvas, depth, colorType: 3, palette, ...(alpha ? { alphas } : {}) },
    length,
    step: 1,
    band,
  };
}

/** A run's length from which on filling is quicker than a loop. */
const worthFilling = 16;

function fill(bytes: Uint8Array, start: number, count: number, number: number): void {
  if (count >= worthFilling) bytes.fill(number, start, start + count);
  else for (let at = start; at < start + count; at++) bytes[at] = number;
}

/** The same where a number takes fewer bits than a byte has; the first of them are the highest. */
function fillBits(bytes: Uint8Array, start: number, count: number, number: number, depth: number): void {
  for (let bit = start; bit < start + count * depth; bit += depth)
    bytes[bit >> 3] = (bytes[bit >> 3] as number) | (number << (8 - depth - (bit & 7)));
}

/** Rows of colours, with or without alpha. */
export function colorRows(pixels: Uint8Array, placement: Placement, ground: number, alpha: boolean): Rows {
  const { canvas, left, width, height } = placement;
  const step = alpha ? 4 : 3;
  const length = 1 + canvas.width * step;
  const band = new Uint8Array(length * height);
  if (width < canvas.width) paint(band, length, step, ground);
  for (let y = 0; y < height; y++) {
    let to = y * length + 1 + left * step;
    for (let from = y * width * 4, end = from + width * 4; from < end; from += 4) {
      band[to++] = pixels[from] as number;
      band[to++] = pixels[from + 1] as number;
      band[to++] = pixels[from + 2] as number;
      if (alpha) band[to++] = pixels[from + 3] as number;
    }
  }
  return { header: { ...canvas, depth: 8, colorType: alpha ? 6 : 2 }, length, step, band };
}

/** Rows of nothing but the ground. */
export function paint(rows: Uint8Array, length: number, step: number, ground: number): void {
  for (let row = 0; row < rows.length; row += length) {
    if (row > 0) rows.copyWithin(row, 0, length);
    else for (let at = 1; at < length; at++) rows[at] = (ground >>> (8 * ((at - 1) % step))) & 255;
  }
}
