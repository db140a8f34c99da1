import { fieldOf, type Variant } from "../../app/variant/variant.ts";
import { darken, type Hex, readableOn } from "../../ground/values/color.ts";
import { valueFor } from "../../ground/values/varying.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { isLettering, spells } from "../../pictures/artwork/seen/lettering.ts";
import { isWeakOn } from "../../pictures/artwork/seen/told.ts";
import type { Lettered } from "../../pictures/lettering/lettered.ts";
import { setName } from "../../pictures/lettering/setting.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import { type Corner, cornerOf } from "./corner.ts";
import { artRef, covering, fitInto, type Placed, sizeOf, within } from "./fit.ts";
import { coverOf, drawnByHand, givenFor, type MarkSource, saysName, sourceOf } from "./source.ts";

/** A picture to be drawn, decided down to the pixel; plain data, and all that its file depends on. */
export interface Drawing {
  width: number;
  height: number;
  /** A shape in the middle of the canvas, in pixels; absent where nothing lies under the picture. */
  plate?: {
    shape: "full" | "square" | "circle";
    color: Hex;
    side: number;
    corner: number;
    /** Where the ground runs from `color` at its top to another at its foot. */
    foot?: Hex;
  };
  /** A picture repeated over the plate, so many pixels wide. */
  tile?: { art: Placed["art"]; width: number };
  picture?: Placed;
  /** A text as outlines, in pixels of the canvas. */
  name?: { path: string; color: Hex };
  corner?: Corner;
  alpha: Slot["alpha"];
  /** No palette in the file. */
  trueColor?: true;
  tone: Slot["tone"];
}

/** Whether the picture stands alone, on one colour or on nothing. */
export const isOnPlainGround = ({ plate, tile, name, corner }: Drawing): boolean =>
  (!plate || (plate.shape === "full" && !plate.foot)) && !tile && !name && !corner;

/**
 * Decides how a slot is drawn for a client. Pure.
 * @param locale the language whose name stands in it; the first one where absent.
 */
export function drawingOf(slot: Slot, variant: Variant, locale?: string): Drawing {
  const corner = cornerOf(slot, variant);
  const drawing = decideUnmarked(slot, variant, locale);
  return corner ? { ...drawing, corner } : drawing;
}

function decideUnmarked(slot: Slot, variant: Variant, locale: string | undefined): Drawing {
  const { width, height, alpha, tone, trueColor } = slot;
  const plate = plateOf(slot, variant);
  const base: Drawing = {
    width,
    height,
    alpha,
    tone,
    ...(trueColor ? { trueColor } : {}),
    ...(plate ? { plate } : {}),
  };
  const byHand = drawnByHand(slot, variant.art);
  if (byHand) return { ...base, picture: covering(byHand, middle, slot, slot) };
  if (slot.from === "ground") return base;
  const cover = coverOf(slot, variant.art);
  if (cover) return { ...base, ...coverPlate(cover, slot, variant, plate) };
  const source = sourceOf(slot, variant);
  if (slot.behind && isWeakOn(source.art, slot.behind)) {
    const color = fieldOf(variant, "colors.ground") as Hex;
    const full = { shape: "full", color, side: Math.max(width, height), corner: 0 } as const;
    return { ...base, plate: full, alpha: "none", picture: fitInto(source, slot) };
  }
  const name = valueFor(variant.lettering, locale)?.lettered;
  if (slot.lettered && plate && name && !saysName(slot, variant.art) && !isSpelled(source.art, variant, locale))
    return { ...base, ...besideName(source, slot, name, plate.color) };
  const tile = slot.scene ? givenFor(slot, "repeat", variant.art) : undefined;
  return {
    ...base,
    ...(tile ? { tile: { art: artRef(tile), width: Math.min(width, height) / tileShare } } : {}),
    picture: fitInto(source, slot),
  };
}

/** Whether a picture says the app's name already, in letters. */
const isSpelled = (art: Art, { names }: Variant, locale: string | undefined): boolean =>
  isLettering(art) || spells(art, valueFor(names, locale)?.name.value ?? "");

const middle = { x: 0.5, y: 0.5 };

/** How many tiles of a pattern lie side by side over the shorter side of a screen. */
export const tileShare = 5;

function plateOf({ ground, width, height, scene, theme }: Slot, variant: Variant): Drawing["plate"] {
  if (ground.kind === "none") return undefined;
  const color = fieldOf(variant, ground.color) as Hex;
  const shorter = Math.min(width, height);
  if (ground.kind === "full") {
    const end = scene ? variant.values["colors.startEnd"]?.value : undefined;
    const foot = end && theme === "dark" ? darken(end) : end;
    const full = { shape: "full", color, side: Math.max(width, height), corner: 0 } as const;
    return foot ? { ...full, foot: foot as Hex } : full;
  }
  const corner = ground.kind === "square" ? ground.corner * shorter : 0;
  return { shape: ground.kind, color, side: ground.side * shorter, corner };
}

/** A supplied picture over the whole plate, cut to its shape; over the canvas where there is no plate. */
function coverPlate(
  art: Art,
  { width, height }: Slot,
  variant: Variant,
  plate: Drawing["plate"],
): Pick<Drawing, "picture" | "alpha"> | Pick<Drawing, "picture"> {
  const { focus } = variant.art;
  if (!plate || plate.shape === "full") return { picture: covering(art, focus, { width, height }, { width, height }) };
  const box = { width: plate.side, height: plate.side };
  return { picture: { ...covering(art, focus, box, { width, height }), clip: true } };
}

/** Shares of the safe box: what the mark may take of its width and height, the gap, and the letters' height. */
const banner = { markWidth: 0.4, markHeight: 0.9, gap: 0.06, letters: 0.34 };

/** The mark and the name beside it, where the name begins; both together in the middle. */
function besideName(
  source: MarkSource,
  slot: Slot,
  name: Lettered,
  ground: Hex,
): Required<Pick<Drawing, "picture" | "name">> {
  const box = { width: slot.width * slot.safe.share, height: slot.height * slot.safe.share };
  const size = sizeOf(source);
  const scale = Math.min((box.width * banner.markWidth) / size.width, (box.height * banner.markHeight) / size.height);
  const mark = { width: size.width * scale, height: size.height * scale };
  const gap = box.width * banner.gap;
  const room = { y: (slot.height - box.height) / 2, height: box.height };
  const wanted = { x: 0, ...room, width: box.width - mark.width - gap };
  const largest = box.height * banner.letters;
  const letters = setName(name, wanted, largest).width;
  const all = mark.width + gap + letters;
  const left = (slot.width - all) / 2;
  const isTurned = name.direction === "rtl";
  const { path } = setName(name, { ...wanted, x: isTurned ? left : left + mark.width + gap }, largest);
  const at = { x: isTurned ? left + letters + gap : left, y: (slot.height - mark.height) / 2, ...mark };
  return { picture: within(source, at), name: { path, color: readableOn(ground) } };
}
