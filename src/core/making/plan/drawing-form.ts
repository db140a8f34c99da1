import * as z from "zod";
import { leadsDown } from "../../ground/files/writing/door.ts";
import type { Hex } from "../../ground/values/color.ts";
import { sumForm } from "../../ground/values/hash.ts";
import type { Drawing } from "../render/drawing.ts";

/** Longest side of a picture that is drawn, in pixels; the platforms' largest has 2,868. */
const largestSide = 8192;

/** Longest outline of a name, in characters. */
const longestOutline = 1_000_000;

const side = z.int().min(1).max(largestSide);
const number = z.number().min(-1e6).max(1e6);
const positive = z.number().positive().max(1e6);
const color = z.templateLiteral(["#", z.string().regex(/^[0-9a-f]{6}$/)]) as unknown as z.ZodType<Hex>;
/** Nothing but an outline's commands and numbers: it is put into an SVG. */
const outline = z
  .string()
  .max(longestOutline)
  .regex(/^[MLHVCSQTAZmlhvcsqtaz\d\s.,+-]*$/);

const art = z.strictObject({
  file: z.string().refine(leadsDown),
  hash: z.string().regex(sumForm),
  format: z.enum(["svg", "png", "jpeg", "webp"]),
  width: positive,
  height: positive,
});

const box = z.strictObject({ x: number, y: number, width: positive, height: positive });

/** A box within a picture, in fractions of it; a hair of room for what was rounded. */
const share = z.number().min(-1e-6).max(1.000_001);
const part = z
  .strictObject({ x: share, y: share, width: share, height: share })
  .refine(({ x, y, width, height }) => width > 0 && height > 0 && x + width <= 1.001 && y + height <= 1.001);

/** Whether a drawing's picture lies on its canvas, or over a part of it. */
const isSeen = ({ width, height, picture }: Pick<Drawing, "width" | "height" | "picture">): boolean =>
  !picture ||
  (picture.at.x < width - 0.5 &&
    picture.at.y < height - 0.5 &&
    picture.at.x + picture.at.width > 0.5 &&
    picture.at.y + picture.at.height > 0.5);

/**
 * A drawing as a plan that was written down has it. Whoever wrote it, it draws what is decided there and nothing else:
 * its texts go into vectors, its numbers into sizes.
 */
export const drawingForm: z.ZodType<Drawing> = z
  .strictObject({
    width: side,
    height: side,
    plate: z
      .strictObject({
        shape: z.enum(["full", "square", "circle"]),
        color,
        side: z.number().min(0).max(largestSide),
        corner: z.number().min(0).max(largestSide),
        foot: color.exactOptional(),
      })
      .exactOptional(),
    tile: z.strictObject({ art, width: positive }).exactOptional(),
    picture: z.strictObject({ art, part, at: box, key: color.exactOptional(), clip: z.boolean() }).exactOptional(),
    name: z.strictObject({ path: outline, color }).exactOptional(),
    corner: z
      .strictObject({ x: number, y: number, radius: positive, color, ink: color, path: outline.exactOptional() })
      .exactOptional(),
    alpha: z.enum(["none", "kept", "only"]),
    trueColor: z.literal(true).exactOptional(),
    tone: z.enum(["color", "white", "black", "grey"]),
  })
  .refine(isSeen, "its picture lies beside the canvas");
