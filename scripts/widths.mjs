// Reads the widths of letters into src/core/clients/derive/fields/letters.json, Roboto's, and where that has none, those
// of the fonts that letter names in other scripts: node scripts/widths.mjs
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { brotliDecompressSync } from "node:zlib";
import { openSync } from "fontkit";
import * as shaper from "harfbuzzjs";

const folder = "node_modules/@fontsource/roboto/files";
const widths = new Map();
let unitsPerEm = 0;
for (const file of readdirSync(folder).filter(
  (each) => /-400-normal\.woff$/.test(each) && !/math|symbols/.test(each),
)) {
  const font = openSync(`${folder}/${file}`);
  unitsPerEm = font.unitsPerEm;
  for (const point of font.characterSet) {
    if (point >= 32 && !widths.has(point)) widths.set(point, font.glyphForCodePoint(point).advanceWidth);
  }
}

const lettering = "src/core/pictures/lettering/fonts";
for (const file of readdirSync(lettering).filter((each) => each.endsWith(".ttf.br"))) {
  const face = new shaper.Face(new shaper.Blob(brotliDecompressSync(readFileSync(`${lettering}/${file}`))));
  const font = new shaper.Font(face);
  for (const point of face.collectUnicodes()) {
    const glyph = font.nominalGlyph(point);
    if (point < 0x250 || widths.has(point) || glyph === undefined) continue;
    widths.set(point, Math.round((font.glyphHAdvance(glyph) / face.upem) * unitsPerEm));
  }
}

/** Runs of neighbouring letters: where the run starts, then a width each, in units of the em. */
const runs = [];
let last = -2;
for (const point of [...widths.keys()].sort((a, b) => a - b)) {
  if (point === last + 1) runs.at(-1)[1].push(widths.get(point));
  else runs.push([point, [widths.get(point)]]);
  last = point;
}
writeFileSync(
  "src/core/clients/derive/fields/letters.json",
  `${JSON.stringify({ font: "Roboto Regular, Noto Sans", unitsPerEm, runs })}\n`,
);
console.log(`${widths.size} letters in ${runs.length} runs`);
