import type { Art } from "../art.ts";
import { readSmall } from "./small.ts";

/** A mark wider than this is lettering, most likely. */
const thin = 2.5;

/** One wider than this is a logo with its lettering, where that stands beside a sign. */
const wide = 1.8;

/** What is drawn, as a multiple of its height. */
export const ratioOf = ({ content, width, height }: Pick<Art, "content" | "width" | "height">): number =>
  (content.width * width) / (content.height * height);

/** Whether a picture is most likely a name in letters. */
export const isLettering = (art: Art): boolean => ratioOf(art) >= thin;

/** Whether a picture is most likely a logo with its name: lettering, or a sign with something beside it. */
export const isWideLogo = (art: Art): boolean => isLettering(art) || (ratioOf(art) >= wide && hasGap(art));

/** Whether a picture most likely is these words in letters, or has them in it: about as many letters as they have. */
export function spells({ letters }: Art, words: string): boolean {
  const wanted = [...words.normalize("NFC")].filter((each) => /[\p{L}\p{N}]/u.test(each)).length;
  return letters !== undefined && letters.count >= 0.6 * wanted && letters.count <= 1.4 * wanted;
}

/** Whether a picture is a photo up to its edges: nothing in it stands on a ground. */
export const isPhoto = ({ format, opaque, edge, painted }: Art): boolean =>
  format !== "svg" && opaque && edge === undefined && painted;

/** Whether nothing stands in some column of what is drawn, so that it is in parts side by side. */
function hasGap({ small }: Art): boolean {
  const { side, pixels } = readSmall(small);
  const columns = Array.from({ length: side }, (_, x) =>
    Array.from({ length: side }, (__, y) => pixels[(y * side + x) * 4 + 3] ?? 0).some((alpha) => alpha > 40),
  );
  return columns.slice(columns.indexOf(true), columns.lastIndexOf(true)).includes(false);
}
