// Reads the widths of Roboto's letters into src/core/clients/derive/fields/letters.json: node scripts/widths.mjs
import { readdirSync, writeFileSync } from "node:fs";
import { openSync } from "fontkit";

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
  `${JSON.stringify({ font: "Roboto Regular", unitsPerEm, runs })}\n`,
);
console.log(`${widths.size} letters in ${runs.length} runs`);
