// The floor: the same list of pictures by a bare loop over sharp, as many at once as there are cores. As much is
// drawn as a client's pictures have: the mark at half the shorter side, in the middle of its canvas. node floor.mjs
// <variant> <source picture> <output folder>
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import pLimit from "p-limit";
import sharp from "sharp";

const [variant, source, output] = process.argv.slice(2);
sharp.concurrency(1);
mkdirSync(output, { recursive: true });

/** Width and height stand in a PNG's first bytes. */
const sizes = readdirSync(variant, { recursive: true, encoding: "utf8" })
  .filter((file) => file.endsWith(".png"))
  .map((file) => readFileSync(join(variant, file)).subarray(16, 24))
  .map((head) => [head.readUInt32BE(0), head.readUInt32BE(4)]);
const bytes = readFileSync(source);
const vector = source.endsWith(".svg");
const limit = pLimit(availableParallelism());
await Promise.all(
  sizes.map(([width, height], at) =>
    limit(async () => {
      const side = Math.max(1, Math.round(Math.min(width, height) / 2));
      const density = vector ? { density: Math.max(1, (72 * side) / 512) } : {};
      const [left, top] = [Math.floor((width - side) / 2), Math.floor((height - side) / 2)];
      const around = { left, top, right: width - side - left, bottom: height - side - top };
      const picture = sharp(bytes, density)
        .resize(side, side, { fit: "contain", background: "#0000" })
        .extend({ ...around, background: "#0000" });
      writeFileSync(join(output, `${at}.png`), await picture.png().toBuffer());
    }),
  ),
);
