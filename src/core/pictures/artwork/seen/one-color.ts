import type { Hex } from "../../../ground/values/color.ts";
import type { Art } from "../art.ts";
import { readSmall } from "./small.ts";
import { mainColors, shareInOneColor } from "./told.ts";

/** So much of a shape is enough for the ground's colour to be what is left out. */
const enough = 0.95;

/** What fills so much of its box or circle, and so much of it in other colours, is a plate with a sign on it. */
const plate = { filled: 0.94, varied: 0.08 } as const;

/**
 * Which colour is left out of a picture that is drawn in one: the ground's where that leaves its shape, otherwise the
 * one that leaves most of it, or none; and how much that is, 0 to 1.
 */
export function leftOutOf(art: Art, ground: Hex): LeftOut {
  const known = looked.get(art) ?? new Map<Hex, LeftOut>();
  const found = known.get(ground) ?? lookFor(art, ground);
  looked.set(art, known.set(ground, found));
  return found;
}

interface LeftOut {
  key?: Hex;
  share: number;
}

/** Each one-coloured slot of a client asks for the same. */
const looked = new WeakMap<Art, Map<Hex, LeftOut>>();

function lookFor(art: Art, ground: Hex): LeftOut {
  const { opaque, edge, filled, varied } = art;
  const seen = readSmall(art.small);
  const isPlate = filled >= plate.filled && varied >= plate.varied;
  const without = (key: Hex): LeftOut => ({
    key,
    share: shareInOneColor(seen, { key, isPlate }),
  });
  // A plain ground goes, whatever is on it.
  if (opaque && edge) return without(edge);
  const first = without(ground);
  if (first.share >= enough) return first;
  const tried = [{ share: shareInOneColor(seen, { isPlate }) }, ...mainColors(seen).map(without)];
  return [first, ...tried].reduce((most, each) => (each.share > most.share ? each : most));
}
