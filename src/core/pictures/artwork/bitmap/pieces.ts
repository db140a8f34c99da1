/** Pixels that hang together over their sides: how many, and the box around them; its far sides lie behind the last. */
export interface Piece {
  left: number;
  right: number;
  top: number;
  bottom: number;
  count: number;
}

/** Pixels of a row beside each other, and the piece that they belong to. */
interface Stretch {
  left: number;
  right: number;
  piece: number;
}

/**
 * The pieces of what is marked, by their first pixels, row by row. A row's stretches are joined to those above that
 * they touch.
 * @param mask 0 or 1 for each pixel, row by row. @param marked which of the two is looked at
 */
export function piecesOf(mask: Uint8Array, width: number, marked: 0 | 1 = 1): Piece[] {
  const pieces: Piece[] = [];
  /** Of each piece the one that it was joined to; itself where it is whole. */
  const joined: number[] = [];
  const wholeOf = (piece: number): number => {
    let whole = piece;
    while (joined[whole] !== whole) whole = joined[whole] as number;
    joined[piece] = whole;
    return whole;
  };
  /** The older of two takes the other in. */
  const join = (one: number, other: number): number => {
    if (one === other) return one;
    const [older, newer] = [Math.min(one, other), Math.max(one, other)];
    joined[newer] = older;
    take(pieces[older] as Piece, pieces[newer] as Piece);
    return older;
  };
  let above: Stretch[] = [];
  for (let row = 0; row * width < mask.length; row++) {
    const here: Stretch[] = [];
    let passed = 0;
    for (const [left, right] of stretchesOf(mask.subarray(row * width, (row + 1) * width), marked)) {
      let piece = pieces.push({ left, right, top: row, bottom: row + 1, count: right - left }) - 1;
      joined.push(piece);
      while ((above[passed]?.right ?? width) <= left && passed < above.length) passed++;
      for (let at = passed; (above[at]?.left ?? width) < right; at++)
        piece = join(piece, wholeOf((above[at] as Stretch).piece));
      here.push({ left, right, piece });
    }
    above = here;
  }
  return pieces.filter((_, at) => joined[at] === at);
}

function take(own: Piece, other: Piece): void {
  own.left = Math.min(own.left, other.left);
  own.right = Math.max(own.right, other.right);
  own.top = Math.min(own.top, other.top);
  own.bottom = Math.max(own.bottom, other.bottom);
  own.count += other.count;
}

/** Where the marked stretches of a row begin, and where they have ended. */
export function stretchesOf(row: Uint8Array, marked: 0 | 1 = 1): [left: number, right: number][] {
  const found: [number, number][] = [];
  for (let left = row.indexOf(marked); left !== -1; ) {
    const end = row.indexOf(1 - marked, left);
    const right = end === -1 ? row.length : end;
    found.push([left, right]);
    left = end === -1 ? -1 : row.indexOf(marked, end);
  }
  return found;
}
