import type { Hex } from "../../../ground/values/color.ts";
import type { Art } from "../art.ts";
import { readSmall } from "./small.ts";
import { mainColors, shareInOneColor } from "./told.ts";

/** So much of a shape is enough for the ground's colour to be what is left out. */
const enough = 0.8;

/**
 * Which colour is left out of a picture that is drawn in one: the ground's where that leaves its shape, otherwise the
 * one that leaves most of it; and how much that is, 0 to 1.
 */
export function leftOutOf({ small, opaque, edge }: Art, ground: Hex): { key: Hex; share: number } {
  // A plain ground goes, whatever is on it.
  if (opaque && edge) return { key: edge, share: shareInOneColor(readSmall(small)) };
  const seen = readSmall(small);
  const first = { key: ground, share: shareInOneColor(seen, ground) };
  if (first.share >= enough) return first;
  const tried = mainColors(seen).map((key) => ({ key, share: shareInOneColor(seen, key) }));
  return [first, ...tried].reduce((most, each) => (each.share > most.share ? each : most));
}
