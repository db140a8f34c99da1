import sharp, { type Metadata } from "sharp";
import { refuse } from "../../../ground/problems/result.ts";
import type { Place } from "../../../ground/values/source.ts";
import { foreignForm, isBitmap } from "./forms.ts";

/** Largest bitmap taken, in pixels (8000 × 8000). */
export const mostPixels = 64_000_000;

/** What a bitmap says of itself. */
export interface BitmapFacts {
  format: "png" | "jpeg" | "webp";
  /** Pixels, as it is shown. */
  width: number;
  height: number;
}

/** Most passes in which a JPEG is drawn: programs write ten or so, and each costs as much as the whole. */
const mostScans = 100;

/** Starts of scans in a JPEG (ITU-T T.81, SOS); 0 of other forms. */
function scansOf(bytes: Uint8Array): number {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return 0;
  let count = 0;
  for (let at = bytes.indexOf(0xff); at !== -1; at = bytes.indexOf(0xff, at + 1)) if (bytes[at + 1] === 0xda) count++;
  return count;
}

/** Reads a bitmap's head. Stops: art-unreadable, art-too-large. */
export async function bitmapFacts(bytes: Uint8Array, file: string, place: Place): Promise<BitmapFacts> {
  if (!isBitmap(bytes))
    refuse("art-unreadable", `${file} is ${foreignForm(bytes) ?? "not a picture that can be read"}.`, {
      place,
      expected: "SVG, PNG, JPEG or WebP",
    });
  if (scansOf(bytes) > mostScans)
    refuse("art-too-large", `${file} is drawn in more than ${mostScans} passes.`, { place });
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
