/** What a film says of itself: it is not played, and its pictures are not looked at. */
export interface Film {
  /** Absent where it does not say. */
  seconds?: number;
  /** As it is shown, in pixels; absent of what has sound alone. */
  size?: { width: number; height: number };
}

/** A part of a file: so many bytes from a place on, fewer where it ends before. */
export type FilePart = (from: number, length: number) => Uint8Array;

/** A box: four letters, and where what it holds begins and ends. */
interface Box {
  kind: string;
  from: number;
  to: number;
}

/** So many boxes side by side are looked at: a film has some ten. */
const mostBoxes = 1000;

/**
 * What a film in the base format of MPEG-4 says of itself (ISO/IEC 14496-12; QuickTime's own is the same in this):
 * `.mp4`, `.m4v` and `.mov`. Only the heads of its boxes are read, never what they count. Undefined where it is none,
 * or not all of one.
 * @param size of the file, in bytes
 */
export function filmIn(size: number, part: FilePart): Film | undefined {
  const top = boxesIn(part, 0, size);
  const whole = top.at(-1)?.to === size;
  const movie = top.find(({ kind }) => kind === "moov");
  if (!whole || !movie) return undefined;
  const inside = boxesIn(part, movie.from, movie.to);
  const seconds = secondsIn(inside, part);
  const shown = inside.find((each) => each.kind === "trak" && isOfPictures(each, part));
  const pixels = shown && sizeIn(shown, part);
  return { ...(seconds === undefined ? {} : { seconds }), ...(pixels ? { size: pixels } : {}) };
}

/** Boxes that lie side by side; those before the first that is more than there is room for. */
function boxesIn(part: FilePart, from: number, to: number): Box[] {
  const found: Box[] = [];
  for (let at = from; at + 8 <= to && found.length < mostBoxes; ) {
    const head = Buffer.from(part(at, 16));
    if (head.length < 8) break;
    const said = head.readUInt32BE(0);
    if (said === 1 && head.length < 16) break;
    // 1: the size follows in eight bytes; 0: up to the end.
    const [own, size] = said === 1 ? [16, Number(head.readBigUInt64BE(8))] : [8, said === 0 ? to - at : said];
    if (size < own || at + size > to) break;
    found.push({ kind: head.toString("latin1", 4, 8), from: at + own, to: at + size });
    at += size;
  }
  return found;
}

/** The first bytes of a box of a kind; undefined where there is none, or it is shorter. */
function headOf(boxes: readonly Box[], kind: string, part: FilePart, length: number): Buffer | undefined {
  const box = boxes.find((each) => each.kind === kind);
  if (!box || box.to - box.from < length) return undefined;
  const bytes = Buffer.from(part(box.from, length));
  return bytes.length === length ? bytes : undefined;
}

/** The movie's length, from its header or, where it lies there in pieces, from the one for pieces. */
function secondsIn(movie: readonly Box[], part: FilePart): number | undefined {
  const head = headOf(movie, "mvhd", part, 32);
  if (!head) return undefined;
  const isLong = head[0] === 1;
  const scale = head.readUInt32BE(isLong ? 20 : 12);
  const length = isLong ? Number(head.readBigUInt64BE(24)) : head.readUInt32BE(16);
  const pieces = movie.find(({ kind }) => kind === "mvex");
  const all = length || (pieces ? piecesLength(boxesIn(part, pieces.from, pieces.to), part) : 0);
  // All bits set: it does not say (ISO/IEC 14496-12, 8.2.2.3).
  return scale === 0 || all === 0 || length === (isLong ? 2 ** 64 : 2 ** 32 - 1) ? undefined : all / scale;
}

function piecesLength(boxes: readonly Box[], part: FilePart): number {
  const head = headOf(boxes, "mehd", part, 8);
  if (!head) return 0;
  return head[0] === 1 ? Number(headOf(boxes, "mehd", part, 12)?.readBigUInt64BE(4) ?? 0) : head.readUInt32BE(4);
}

function isOfPictures(track: Box, part: FilePart): boolean {
  const media = boxesIn(part, track.from, track.to).find(({ kind }) => kind === "mdia");
  const handler = media && headOf(boxesIn(part, media.from, media.to), "hdlr", part, 12);
  return handler?.toString("latin1", 8) === "vide";
}

/** A track's width and height, turned where it is shown turned. */
function sizeIn(track: Box, part: FilePart): Film["size"] {
  const boxes = boxesIn(part, track.from, track.to);
  const isLong = headOf(boxes, "tkhd", part, 1)?.[0] === 1;
  const matrix = isLong ? 52 : 40;
  const head = headOf(boxes, "tkhd", part, matrix + 44);
  if (!head) return undefined;
  // Whole pixels before the point, a 65,536th behind it.
  const [width, height] = [head.readUInt32BE(matrix + 36) / 65_536, head.readUInt32BE(matrix + 40) / 65_536];
  if (width === 0 || height === 0) return undefined;
  return head.readInt32BE(matrix) === 0 ? { width: height, height: width } : { width, height };
}
