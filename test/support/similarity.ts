import sharp from "sharp";

interface Grey {
  width: number;
  height: number;
  /** 0 to 255. */
  levels: Float64Array;
}

/** A picture as shades of grey on a middle grey ground, so that what is transparent counts too. */
async function greyOf(png: Buffer): Promise<Grey> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const levels = new Float64Array(info.width * info.height);
  for (let at = 0; at < levels.length; at++) {
    const a = data[at * 4 + 3] ?? 0;
    const grey = 0.2126 * (data[at * 4] ?? 0) + 0.7152 * (data[at * 4 + 1] ?? 0) + 0.0722 * (data[at * 4 + 2] ?? 0);
    levels[at] = (grey * a + 128 * (255 - a)) / 255;
  }
  return { width: info.width, height: info.height, levels };
}

/** The mean of each block of so many pixels a side: what an ideal eye sees of a picture drawn that much larger. */
function reduced({ width, height, levels }: Grey, factor: number): Grey {
  const [w, h] = [width / factor, height / factor];
  const means = new Float64Array(w * h);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = Math.floor(y / factor) * w + Math.floor(x / factor);
      means[at] = (means[at] ?? 0) + (levels[y * width + x] ?? 0) / (factor * factor);
    }
  }
  return { width: w, height: h, levels: means };
}

/** Structural similarity (Wang et al. 2004) in windows of 7 × 7, averaged over the picture; 1 for the same picture. */
function similarity(a: Grey, b: Grey): number {
  const side = Math.min(7, a.width, a.height);
  const [c1, c2] = [(0.01 * 255) ** 2, (0.03 * 255) ** 2];
  let sum = 0;
  let count = 0;
  for (let y = 0; y + side <= a.height; y += 2) {
    for (let x = 0; x + side <= a.width; x += 2) {
      let [ma, mb, aa, bb, ab] = [0, 0, 0, 0, 0];
      for (let j = 0; j < side; j++) {
        for (let i = 0; i < side; i++) {
          const at = (y + j) * a.width + x + i;
          const [p, q] = [a.levels[at] ?? 0, b.levels[at] ?? 0];
          [ma, mb, aa, bb, ab] = [ma + p, mb + q, aa + p * p, bb + q * q, ab + p * q];
        }
      }
      const n = side * side;
      [ma, mb] = [ma / n, mb / n];
      const [va, vb, cov] = [aa / n - ma * ma, bb / n - mb * mb, ab / n - ma * mb];
      sum += ((2 * ma * mb + c1) * (2 * cov + c2)) / ((ma * ma + mb * mb + c1) * (va + vb + c2));
      count++;
    }
  }
  return sum / count;
}

/** How like a picture is to the same one drawn `factor` times as large and reduced. */
export async function likeReference(png: Buffer, larger: Buffer, factor: number): Promise<number> {
  return similarity(await greyOf(png), reduced(await greyOf(larger), factor));
}
