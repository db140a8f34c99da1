import { tileShare } from "../../making/render/drawing.ts";
import type { Word } from "../../pages/words/en/guide.ts";
import type { Slot } from "../../pictures/slots/slot.ts";

/** What a designer may be asked for; what is said of it stands under this word and those that begin with it. */
export interface Need {
  word: "mark" | "icon" | "mono" | "colours" | "wide" | "start" | "night" | "byHand";
  /** Pixels that a bitmap has to have at least: a picture's longer side, and a tile's. */
  side?: number | undefined;
  tile?: number | undefined;
  /** Pictures that it is about, by the page's words. */
  pictures?: readonly Word[];
}

const mostOf = (sides: readonly number[]): number | undefined =>
  sides.length > 0 ? Math.ceil(Math.max(...sides) - 1e-6) : undefined;

/** The longest side that a mark can have in a slot's safe zone, in pixels: as a disc, it has all of a circle. */
const markSide = ({ width, height, safe }: Slot): number => Math.min(width, height) * safe.share * (safe.drawn ?? 1);

const tileSide = ({ width, height }: Slot): number => Math.min(width, height) / tileShare;

const isFrom =
  (source: Slot["from"]) =>
  ({ from }: Slot): boolean =>
    from === source;

const isCovered = ({ covers }: Slot): boolean => covers === "splash";

/**
 * What to ask a designer for, of all that these slots can use: pictures that none of them shows are not asked for, and
 * sizes are those below which `check` calls a picture too small.
 */
export function needsOf(slots: readonly Slot[]): Need[] {
  const some = (is: (slot: Slot) => boolean, need: (of: readonly Slot[]) => Need): Need[] => {
    const found = slots.filter(is);
    return found.length > 0 ? [need(found)] : [];
  };
  return [
    { word: "mark", side: mostOf(slots.filter(({ from }) => from !== "ground").map(markSide)) },
    ...some(isFrom("icon"), (icons) => ({ word: "icon", side: mostOf(icons.map(({ width }) => width)) })),
    ...some(isFrom("mono"), () => ({ word: "mono" })),
    { word: "colours" },
    ...some(isFrom("wide"), (wide) => ({
      word: "wide",
      side: mostOf(wide.map(({ width, safe }) => width * safe.share)),
    })),
    ...some(isCovered, (screens) => ({
      word: "start",
      side: mostOf(screens.map(({ width, height }) => Math.max(width, height))),
      tile: mostOf(slots.filter(({ scene }) => scene).map(tileSide)),
    })),
    ...some(
      ({ theme }) => theme === "dark",
      (dark) => ({
        word: "night",
        pictures: darkPictures.filter(({ isUsed }) => dark.some(isUsed)).map(({ word }) => word),
      }),
    ),
    { word: "byHand" },
  ];
}

/** Pictures that may have a form for dark screens. */
const darkPictures: readonly { word: Word; isUsed: (slot: Slot) => boolean }[] = [
  { word: "mark", isUsed: () => true },
  { word: "icon", isUsed: isFrom("icon") },
  { word: "wide", isUsed: isFrom("wide") },
  { word: "splash", isUsed: isCovered },
];
