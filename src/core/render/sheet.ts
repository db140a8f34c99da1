import { type Raw, rawOfSvg } from "./raw.ts";

/** A small vector to be drawn. */
export interface Small {
  /** Whose definitions it holds: only drawings of one picture may share a sheet, for the names in two might be the same. */
  key: string;
  svg: string;
  width: number;
  height: number;
}

/** Sides of what counts as small, in pixels: opening a renderer takes longer than drawing that. */
export const smallSide = 256;

/** Characters of SVG on one sheet; a picture with more of its own is drawn alone. */
const longestSheet = 500_000;

interface Waiting extends Small {
  done(raw: Raw): void;
  failed(error: unknown): void;
}

/**
 * Draws small vectors that are asked for at the same time together, one below the other on a sheet: each at whole pixels, and
 * cut to its own canvas, so that it comes out as if it had been drawn alone.
 */
export function openSheets(): (small: Small) => Promise<Raw> {
  let waiting: Waiting[] = [];
  const drawAll = () => {
    const sheets = asSheets(waiting);
    waiting = [];
    for (const sheet of sheets)
      drawSheet(sheet).catch((error) => {
        for (const each of sheet) each.failed(error);
      });
  };
  return (small) =>
    new Promise((done, failed) => {
      if (waiting.length === 0) setImmediate(drawAll);
      waiting.push({ ...small, done, failed });
    });
}

/** By their picture, as many together as a sheet holds. */
function asSheets(waiting: readonly Waiting[]): Waiting[][] {
  const open = new Map<string, { sheet: Waiting[]; length: number }>();
  const sheets: Waiting[][] = [];
  for (const each of waiting) {
    const last = open.get(each.key);
    if (last && last.length + each.svg.length <= longestSheet) {
      last.sheet.push(each);
      last.length += each.svg.length;
      continue;
    }
    const sheet = [each];
    sheets.push(sheet);
    open.set(each.key, { sheet, length: each.svg.length });
  }
  return sheets;
}

async function drawSheet(sheet: readonly Waiting[]): Promise<void> {
  const [first] = sheet;
  if (first && sheet.length === 1) return first.done(await rawOfSvg(first.svg));
  const width = Math.max(...sheet.map((each) => each.width));
  let height = 0;
  const parts = sheet.map((each) => {
    const top = height;
    height += each.height;
    return { ...each, top };
  });
  const placed = parts.map(({ svg, top }) => svg.replace("<svg ", `<svg y="${top}" overflow="hidden" `));
  const drawn = await rawOfSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${placed.join("")}</svg>`,
  );
  for (const { done, ...part } of parts) done(cutOut(drawn, part));
}

function cutOut(sheet: Raw, { top, width, height }: { top: number; width: number; height: number }): Raw {
  const data = Buffer.alloc(width * height * 4);
  for (let row = 0; row < height; row++) {
    const start = (top + row) * sheet.width * 4;
    sheet.data.copy(data, row * width * 4, start, start + width * 4);
  }
  return { data, width, height };
}
