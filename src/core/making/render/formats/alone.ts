import sharp from "sharp";
import { refuse } from "../../../ground/problems/result.ts";

/** Most pixels of a picture that a client supplies for the app itself. */
const mostPixels = 64_000_000;

/**
 * A picture in its own format, upright, in sRGB, with nothing but the picture in it: no place, no time, no camera.
 * Stops.
 */
export async function pictureAlone(bytes: Uint8Array, file: string, opaque = false): Promise<Uint8Array> {
  try {
    const image = sharp(bytes, { limitInputPixels: mostPixels, failOn: "error" });
    const shown = image.autoOrient().toColourspace("srgb");
    return await (opaque ? shown.flatten({ background: "#ffffff" }) : shown).toBuffer();
  } catch (error) {
    refuse("art-unreadable", `${file} cannot be read as a picture: ${(error as Error).message}.`);
  }
}
