// Reads the outlines of Roboto's letters into src/core/pictures/lettering/letters.json: node scripts/letters.mjs
import { readdirSync, writeFileSync } from "node:fs";
import { openSync } from "fontkit";

const folder = "node_modules/@fontsource/roboto/files";
const fonts = readdirSync(folder)
  .filter((each) => /-500-normal\.woff$/.test(each) && !/math|symbols/.test(each))
  .map((file) => openSync(`${folder}/${file}`));
const thousandths = (font, value) => Math.round((value * 1000) / font.unitsPerEm);

const outlined = ({ path }, font) =>
  path.commands
    .map(({ command, args }) => {
      const letter = { moveTo: "M", lineTo: "L", quadraticCurveTo: "Q", bezierCurveTo: "C", closePath: "Z" }[command];
      return letter + args.map((value, at) => thousandths(font, at % 2 === 0 ? value : -value)).join(" ");
    })
    .join("");

/** By letter: its advance, then its outline; y grows downward from the base line. */
const letters = {};
for (const font of fonts) {
  for (const point of font.characterSet) {
    const letter = String.fromCodePoint(point);
    if (point < 32 || letters[letter]) continue;
    const glyph = font.glyphForCodePoint(point);
    letters[letter] = [thousandths(font, glyph.advanceWidth), outlined(glyph, font)];
  }
}

/** Pairs that stand nearer or farther than their advances say. */
const pairs = {};
const alphabets = [
  "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz.,-'&",
  "АБВГДЕЖЗИЙКЛМНОПРСТУФХЦЧШЩЬЮЯабвгдежзийклмнопрстуфхцчшщьюяІіЇїЄє",
  "ΑΒΓΔΕΖΗΘΙΚΛΜΝΞΟΠΡΣΤΥΦΧΨΩαβγδεζηθικλμνξοπρστυφχψω",
];
for (const alphabet of alphabets) {
  const font = fonts.find((each) => each.hasGlyphForCodePoint(alphabet.codePointAt(0)));
  for (const first of alphabet) {
    for (const second of alphabet) {
      const { glyphs, positions } = font.layout(first + second);
      if (glyphs.length !== 2) continue;
      const kern = thousandths(font, positions[0].xAdvance - glyphs[0].advanceWidth);
      if (kern !== 0) pairs[first + second] = kern;
    }
  }
}
writeFileSync(
  "src/core/pictures/lettering/letters.json",
  `${JSON.stringify({ font: "Roboto Medium", letters, pairs })}\n`,
);
console.log(`${Object.keys(letters).length} letters, ${Object.keys(pairs).length} pairs`);
