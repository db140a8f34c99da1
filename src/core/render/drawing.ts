import type { Box } from "../artwork/geometry.ts";
import type { Art } from "../artwork/judge.ts";
import type { Ground, Slot } from "../catalog/slot.ts";
import { fieldOf, type Variant } from "../derive/variant.ts";
import { contrast, type Hex } from "../values/color.ts";

/** A picture to be drawn, decided down to the pixel; plain data, and all that its file depends on. */
export interface Drawing {
  width: number;
  height: number;
  /** A shape in the middle of the canvas, in pixels; absent where nothing lies under the picture. */
  plate?: { shape: "full" | "square" | "circle"; color: Hex; side: number; corner: number };
  picture?: Placed;
  alpha: Slot["alpha"];
  tone: Slot["tone"];
}

/** A client's picture laid onto the canvas. */
interface Placed {
  art: Pick<Art, "file" | "hash" | "format" | "width" | "height">;
  /** The part of the picture that is used; fractions of it. */
  part: Box;
  /** Where that part lies on the canvas, in pixels, to a thousandth. */
  at: Box;
  /** Colour that is made transparent: the plain ground of a picture whose mark is wanted alone. */
  key?: Hex;
  /** Cut to the plate's shape. */
  clip: boolean;
}

const whole: Box = { x: 0, y: 0, width: 1, height: 1 };

/** Decides how a slot is drawn for a client. Pure. */
export function drawingOf(slot: Slot, variant: Variant): Drawing {
  const { width, height, alpha, tone } = slot;
  const plate = plateOf(slot.ground, slot, variant);
  const base: Drawing = { width, height, alpha, tone, ...(plate ? { plate } : {}) };
  if (slot.from === "ground") return base;
  const { icon } = variant.art;
  if (slot.from === "icon" && icon && plate) return { ...base, picture: covering(icon, slot, plate) };
  const source = sourceOf(slot, variant);
  const picture = fitted(source, slot);
  if (slot.behind && contrast(source.art.mean, slot.behind) < 3) {
    const color = fieldOf(variant, "colors.ground") as Hex;
    return {
      ...base,
      plate: { shape: "full", color, side: Math.max(width, height), corner: 0 },
      alpha: "none",
      picture,
    };
  }
  return { ...base, picture };
}

function plateOf(ground: Ground, { width, height }: Slot, variant: Variant): Drawing["plate"] {
  if (ground.kind === "none") return undefined;
  const color = fieldOf(variant, ground.color) as Hex;
  const shorter = Math.min(width, height);
  if (ground.kind === "full") return { shape: "full", color, side: Math.max(width, height), corner: 0 };
  const corner = ground.kind === "square" ? ground.corner * shorter : 0;
  return { shape: ground.kind, color, side: ground.side * shorter, corner };
}

interface Source {
  art: Art;
  part: Box;
  circle: Art["circle"];
  key?: Hex;
}

/** What a mark is drawn from: the mark, or the icon without its plain ground, or, where it has none, the whole icon. */
function sourceOf(slot: Slot, variant: Variant): Source {
  const { icon, mark, mono } = variant.art;
  const art = (slot.from === "mono" ? (mono ?? mark) : mark) ?? icon;
  if (!art) throw new Error(`${variant.key} has no picture`);
  const drawn = { art, part: art.content, circle: art.circle };
  if (art === mono) return drawn;
  if (art === mark && slot.from === "mono")
    return { ...drawn, key: fieldOf(variant, "colors.ground") as Hex };
  if (art === icon && art.edge) return { ...drawn, key: art.edge };
  if (art === icon) return { art, part: whole, circle: { x: 0.5, y: 0.5, radius: Math.SQRT1_2 } };
  return drawn;
}

/** The square picture over the whole plate, cut to its shape; what is not square is cut at its longer side. */
function covering(art: Art, { width, height }: Slot, plate: NonNullable<Drawing["plate"]>): Placed {
  const side = Math.min(plate.side, Math.max(width, height));
  const square = Math.min(art.width, art.height);
  const part = {
    x: (1 - square / art.width) / 2,
    y: (1 - square / art.height) / 2,
    width: square / art.width,
    height: square / art.height,
  };
  const at = { x: (width - side) / 2, y: (height - side) / 2, width: side, height: side };
  return { art: artRef(art), part, at: settled(at), clip: plate.shape !== "full" };
}

/** What is drawn of a picture, laid into the safe zone: by its smallest circle, or by its box. */
function fitted({ art, part, circle, key }: Source, slot: Slot): Placed {
  const { width, height, safe } = slot;
  const share = safe.share * (safe.drawn ?? 1);
  const size = { width: part.width * art.width, height: part.height * art.height };
  const scale =
    safe.shape === "circle"
      ? (Math.min(width, height) * share) / (2 * circle.radius * art.width)
      : Math.min((width * share) / size.width, (height * share) / size.height);
  const middle =
    safe.shape === "circle"
      ? { x: (circle.x - part.x) * art.width * scale, y: (circle.y - part.y) * art.height * scale }
      : { x: (size.width * scale) / 2, y: (size.height * scale) / 2 };
  const at = {
    x: width / 2 - middle.x,
    y: height / 2 - middle.y,
    width: size.width * scale,
    height: size.height * scale,
  };
  const placed = { art: artRef(art), part, at: settled(at), clip: false };
  return key === undefined ? placed : { ...placed, key };
}

const artRef = ({ file, hash, format, width, height }: Art): Placed["art"] => ({
  file,
  hash,
  format,
  width,
  height,
});

/** To a thousandth of a pixel: enough for any eye, and the same on every machine. */
function settled({ x, y, width, height }: Box): Box {
  const round = (value: number) => Math.round(value * 1000) / 1000;
  return { x: round(x), y: round(y), width: round(width), height: round(height) };
}
