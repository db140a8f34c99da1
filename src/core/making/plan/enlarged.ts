import { type Resolved, suppliedArt } from "../../app/variant/variant.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { Drawing } from "../render/drawing.ts";
import type { Plan } from "./plan.ts";

/**
 * Enlarged by less than the first, a bitmap looks no softer; by less than the second, hardly; by more than the third,
 * it is a blur that nobody should be sold.
 */
const enlarged = { unseen: 1.02, hardly: 1.25, blur: 6 };

interface Enlargement {
  factor: number;
  path: string;
}

/**
 * Tells of each bitmap that some picture wants larger than it is: where it is enlarged most, and how large it would
 * have to be.
 */
export function tellEnlarged({ entries }: Plan, { client, art }: Resolved): Problem[] {
  const worst = new Map<string, Enlargement>();
  for (const entry of entries) {
    if (entry.kind !== "draw" || entry.container === "svg") continue;
    for (const drawing of entry.drawings) {
      const factor = enlargement(drawing);
      const file = drawing.picture?.art.file ?? "";
      if (factor > Math.max(enlarged.unseen, worst.get(file)?.factor ?? 0))
        worst.set(file, { factor, path: entry.path });
    }
  }
  return suppliedArt(art).flatMap(({ at, picture: { file, width, height } }) => {
    const found = worst.get(file);
    if (!found) return [];
    const { factor, path } = found;
    const message = `${file} is ${width} × ${height} pixels; ${path} enlarges it ${factor.toFixed(1)} times.`;
    return problem("art-small", message, {
      severity: factor < enlarged.hardly ? "note" : factor < enlarged.blur ? "warning" : "error",
      client: client.key,
      about: at,
      facts: { file, width: Math.ceil(width * factor), height: Math.ceil(height * factor) },
      expected: `${Math.ceil(width * factor)} × ${Math.ceil(height * factor)} pixels or more`,
      place: client.brief?.document.placeOf(at),
    });
  });
}

/** How many times its own size a bitmap is drawn; a vector has none. */
function enlargement({ picture }: Drawing): number {
  if (!picture || picture.art.format === "svg") return 0;
  const { art, part, at } = picture;
  return Math.max(at.width / (part.width * art.width), at.height / (part.height * art.height));
}
