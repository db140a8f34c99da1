import sharp, { type Metadata } from "sharp";
import type { Place } from "../files/source.ts";
import { refuse } from "../problems/problem.ts";
import { foreignForm, isBitmap } from "./bitmap-forms.ts";

/** Largest bitmap taken, in pixels (8000 × 8000). */
export const mostPixels = 64_000_000;

/** What a bitmap says of itself. */
export interface BitmapFacts {
  format: "png" | "jpeg" | "webp";
  /** Pixels, as it is shown. */
  width: number;
  height: number;
}

/** Reads a bitmap's head. Throws a Refusal: art-unreadable, art-too-large. */
export async function bitmapFacts(bytes: Uint8Array, file: string, place: Place): Promise<BitmapFacts> {
  if (!isBitmap(bytes))
    refuse("art-unreadable", `${file} is ${foreignForm(bytes) ?? "not a picture that can be read"}.`, {
      place,
      expected: "SVG, PNG, JPEG or WebP",
    });
  let found: Metadata;
  try {
    found = await sharp(bytes, { limitInputPixels: false }).metadata();
  } catch {
    refuse("art-unreadable", `${file} is not a picture that can be read.`, {
      place,
      expected: "SVG, PNG, JPEG or WebP",
    });
  }
  const { format } = found;
  const turned = (found.orientation ?? 1) >= 5;
  const [width, height] = turned ? [found.height, found.width] : [found.width, found.height];
  if (format !== "png" && format !== "jpeg" && format !== "webp") {
    refuse("art-unreadable", `${file} is a ${format} picture.`, {
      place,
      expected: "SVG, PNG, JPEG or WebP",
    });
  }
  if (width * height > mostPixels) {
    refuse("art-too-large", `${file} has ${width} × ${height} pixels; the limit is 64 million.`, { place });
  }
  return { format, width, height };
}
