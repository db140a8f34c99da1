import sharp from "sharp";
import { readInside } from "../../ground/files/reading/folder.ts";
import type { Hex } from "../../ground/values/color.ts";
import type { Art } from "./art.ts";
import { mostPixels } from "./bitmap/read.ts";
import { readVector } from "./vector/read.ts";
import { sizeAt, standAlone } from "./vector/stand-alone.ts";

/**
 * A picture that has been judged, drawn to be looked at: whole, on its ground, in a square of so many pixels; PNG.
 * @param root the workspace's folder
 */
export async function drawnToLookAt(root: string, { file, format }: Art, ground: Hex, side: number): Promise<Buffer> {
  const bytes = Buffer.from(readInside(root, file, file));
  const vector = format === "svg" ? readVector({ file, text: bytes.toString("utf8") }) : undefined;
  const inner = Math.round(side * 0.84);
  const margin = Math.floor((side - inner) / 2);
  const rest = side - inner - margin;
  return sharp(vector ? standAlone(vector, ...sizeAt(vector, inner)) : bytes, { limitInputPixels: mostPixels })
    .autoOrient()
    .flatten({ background: ground })
    .resize(inner, inner, { fit: "contain", background: ground })
    .extend({ top: margin, left: margin, bottom: rest, right: rest, background: ground })
    .timeout({ seconds: 20 })
    .toColourspace("srgb")
    .png({ palette: true })
    .toBuffer();
}
