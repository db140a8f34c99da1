/** Filters of a PNG's rows (W3C, Portable Network Graphics, filter types); the number stands in front of each row. */

/**
 * Each byte as its difference from the one above; the first row stays as it is.
 * @param columns the bytes of a row that differ between rows; outside them, all rows hold zeros.
 */
export function upward(rows: Uint8Array, length: number, columns = { from: 1, to: length }): Uint8Array {
  const filtered = Uint8Array.from(rows);
  for (let row = rows.length - length; row > 0; row -= length) {
    filtered[row] = 2;
    for (let at = row + columns.from; at < row + columns.to; at++)
      filtered[at] = (rows[at] as number) - (rows[at - length] as number);
  }
  return filtered;
}
