import { namesOf } from "../../app/catalog/all.ts";
import { type Artwork, fieldOf, type Variant } from "../../app/variant/variant.ts";
import type { Hex } from "../../ground/values/color.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { mostEnclosed } from "../../pictures/artwork/bitmap/enclosed.ts";
import { type Box, wholeBox } from "../../pictures/artwork/geometry.ts";
import { leftOutOf } from "../../pictures/artwork/seen/one-color.ts";
import type { ArtRole } from "../../pictures/slots/art-roles.ts";
import type { Slot } from "../../pictures/slots/slot.ts";

/** What a mark is drawn from: a picture, the part of it that is used, and the smallest circle around that. */
export interface MarkSource {
  art: Art;
  part: Box;
  circle: Art["circle"];
  /** The point of it that stands in the middle of a safe zone; fractions of the picture's width and height. */
  middle: { x: number; y: number };
  /** Colour that is made transparent. */
  key?: Hex;
}

const aroundAll = { x: 0.5, y: 0.5, radius: Math.SQRT1_2 };

/**
 * How far, in radiuses, a mark's centre of mass may lie off the centre of what is drawn without looking shifted; how
 * much of the way it is moved where it is farther off, and how far at most.
 */
const byEye = { unseen: 0.06, share: 0.5, most: 0.12 };

/** The picture of a role; its dark counterpart where the slot is for dark screens and there is one. */
export function givenFor(slot: Slot, role: ArtRole, { given }: Artwork): Art | undefined {
  const dark = slot.theme === "dark" ? given[`dark.${role}` as ArtRole] : undefined;
  return dark ?? given[role];
}

/** A picture that somebody drew by hand for just this slot. */
export const drawnByHand = (slot: Slot, { slots }: Artwork): Art | undefined => {
  const name = namesOf(slot).find((each) => slots[each]);
  return name === undefined ? undefined : slots[name];
};

/** The picture that covers the whole canvas, where one is supplied that does. */
export function coverOf(slot: Slot, art: Artwork): Art | undefined {
  if (slot.from === "icon") return givenFor(slot, "icon", art);
  return slot.covers && givenFor(slot, slot.covers, art);
}

/**
 * What a mark is drawn from: the mark, or the icon without its plain ground; the whole icon where it has none, or where
 * it would be left with holes.
 */
export function sourceOf(slot: Slot, variant: Variant): MarkSource {
  const mark = givenFor(slot, "mark", variant.art);
  const own = ownOf(slot, variant.art);
  if (own) {
    const source = slot.from === "wide" ? asItStands(own) : drawn(own);
    return slot.from === "mono" && own.opaque && own.edge ? { ...source, key: own.edge } : source;
  }
  if (mark?.opaque && mark.edge) return { ...drawn(mark), key: mark.edge };
  if (mark) return slot.from === "mono" ? inOneColor(mark, ground(variant)) : drawn(mark);
  const icon = givenFor(slot, "icon", variant.art);
  if (!icon) throw new Error(`${variant.key} has no picture`);
  const { edge, enclosed } = icon;
  if (edge && enclosed <= mostEnclosed) return { ...drawn(icon), key: edge };
  return { art: icon, part: wholeBox, circle: aroundAll, middle: aroundAll };
}

/** A mark without the colour that it is best told without, where it is of one colour. */
function inOneColor(mark: Art, under: Hex): MarkSource {
  const { key } = leftOutOf(mark, under);
  return key === undefined ? drawn(mark) : { ...drawn(mark), key };
}

const ownOf = (slot: Slot, art: Artwork): Art | undefined =>
  slot.from === "mono" || slot.from === "wide" ? givenFor(slot, slot.from, art) : undefined;

/** Whether the client's wide logo is drawn, which says the name already. */
export const saysName = (slot: Slot, art: Artwork): boolean =>
  slot.from === "wide" && givenFor(slot, "wide", art) !== undefined;

const asItStands = (art: Art): MarkSource => ({ art, part: art.content, circle: art.circle, middle: art.circle });

/** A mark, in the middle by its outline, or nearer to it by its weight where that is all on one side. */
function drawn(art: Art): MarkSource {
  const { circle, mass, width, height } = art;
  const off = { x: mass.x - circle.x, y: ((mass.y - circle.y) * height) / width };
  const far = Math.hypot(off.x, off.y) / circle.radius;
  if (far < byEye.unseen) return asItStands(art);
  const share = Math.min(byEye.share, byEye.most / far);
  const middle = { x: circle.x + off.x * share, y: circle.y + (off.y * share * width) / height };
  return { ...asItStands(art), middle };
}

const ground = (variant: Variant): Hex => fieldOf(variant, "colors.ground") as Hex;
