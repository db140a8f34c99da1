import type { Header } from "./file.ts";
import { depthOf, type Indexed } from "./indexed.ts";
import type { Placement } from "./placement.ts";

/** The rows of a picture as a PNG wants them, each with room for its filter in front; those that hold the drawn part. */
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
export function indexedRows({ colors, indices }: Indexed, placement: Placement, alpha: boolean): Rows {
  const { canvas, left, width, height } = placement;
  const depth = depthOf(colors.length);
  const length = 1 + Math.ceil((canvas.width * depth) / 8);
  const band = new Uint8Array(length * height);
  for (let y = 0; y < height; y++) {
    const start = y * length + 1;
    if (depth === 8) {
      band.set(indices.subarray(y * width, (y + 1) * width), start + left);
      continue;
    }
    let at = start + ((left * depth) >> 3);
    let filled = (left * depth) & 7;
    let byte = 0;
    for (let from = y * width, end = from + width; from < end; from++) {
      byte = (byte << depth) | (indices[from] as number);
      filled += depth;
      if (filled < 8) continue;
      band[at++] = byte;
      filled = 0;
      byte = 0;
    }
    if (filled > 0) band[at] = byte << (8 - filled);
  }
  const palette = Buffer.from(
    colors.flatMap((color) => [color & 255, (color >> 8) & 255, (color >> 16) & 255]),
  );
  const alphas = Buffer.from(colors.map((color) => color >>> 24));
  return {
    header: { ...canvas, depth, colorType: 3, palette, ...(alpha ? { alphas } : {}) },
    length,
    step: 1,
    band,
  };
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
