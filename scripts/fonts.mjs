// Packs the fonts that names are lettered in, from Debian's fonts-noto-extra, into src/core/pictures/lettering/fonts/:
// node scripts/fonts.mjs
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync } from "node:zlib";

const from = process.argv[2] ?? "/usr/share/fonts/truetype/noto";
const to = "src/core/pictures/lettering/fonts";
const scripts = [
  "Arabic Armenian Bengali Devanagari Ethiopic Georgian Gujarati Gurmukhi Hebrew",
  "Kannada Khmer Lao Malayalam Myanmar Sinhala Tamil Telugu Thai",
].flatMap((line) => line.split(" "));

mkdirSync(to, { recursive: true });
let packed = 0;
for (const script of scripts) {
  const bytes = brotliCompressSync(readFileSync(join(from, `NotoSans${script}-Medium.ttf`)));
  writeFileSync(join(to, `${script.toLowerCase()}.ttf.br`), bytes);
  packed += bytes.length;
}
console.log(`${scripts.length} fonts, ${Math.round(packed / 1024)} KiB`);
