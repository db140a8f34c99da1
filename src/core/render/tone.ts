import type { Drawing } from "./drawing.ts";

/** One colour with the shape in the alpha; or greys, stretched so that the darkest part still shows when it is tinted. */
export function toned(data: Buffer, tone: Drawing["tone"]): void {
  if (tone === "grey") {
    greyed(data);
    return;
  }
  const level = tone === "white" ? 255 : 0;
  for (let i = 0; i < data.length; i += 4) paint(data, i, level);
}

function greyed(data: Buffer): void {
  let [darkest, lightest] = [255, 0];
  for (let i = 0; i < data.length; i += 4) {
    if ((data[i + 3] ?? 0) < 128) continue;
    const luma = lumaAt(data, i);
    if (luma < darkest) darkest = luma;
    if (luma > lightest) lightest = luma;
  }
  const range = lightest - darkest;
  for (let i = 0; i < data.length; i += 4) {
    const share = Math.min(1, Math.max(0, (lumaAt(data, i) - darkest) / range));
    paint(data, i, range < 16 ? 255 : Math.round(130 + 125 * share));
  }
}

const lumaAt = (data: Buffer, i: number): number =>
  0.2126 * (data[i] ?? 0) + 0.7152 * (data[i + 1] ?? 0) + 0.0722 * (data[i + 2] ?? 0);

function paint(data: Buffer, i: number, level: number): void {
  data[i] = level;
  data[i + 1] = level;
  data[i + 2] = level;
}
