// The floor: the same list of pictures by a bare loop over sharp, as many at once as there are cores.
// node floor.mjs <variant> <source picture> <output folder>
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
      const density = vector ? { density: Math.max(1, (72 * Math.min(width, height)) / 512) } : {};
      const picture = sharp(bytes, density).resize(width, height, { fit: "contain", background: "#0000" });
      writeFileSync(join(output, `${at}.png`), await picture.png().toBuffer());
    }),
  ),
);
