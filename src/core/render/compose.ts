import type { Vector } from "../artwork/vector.ts";
import type { Drawing } from "./drawing.ts";

const open = ({ width, height }: Drawing): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`;

/** The plate's shape as an SVG element. */
function plateShape({ width, height, plate }: Drawing, fill: string): string {
  if (!plate) return "";
  if (plate.shape === "full") return `<rect width="${width}" height="${height}" fill="${fill}"/>`;
  if (plate.shape === "circle")
    return `<circle cx="${width / 2}" cy="${height / 2}" r="${plate.side / 2}" fill="${fill}"/>`;
  const [x, y] = [(width - plate.side) / 2, (height - plate.side) / 2];
  return `<rect x="${x}" y="${y}" width="${plate.side}" height="${plate.side}" rx="${plate.corner}" fill="${fill}"/>`;
}

/** The canvas with its plate, and with whatever is laid on it. */
export function composeSvg(drawing: Drawing, content = ""): string {
  const plate = plateShape(drawing, drawing.plate?.color ?? "none");
  if (!drawing.picture?.clip || !content) return `${open(drawing)}${plate}${content}</svg>`;
  const clip = `<clipPath id="oxalis-plate">${plateShape(drawing, "#000")}</clipPath>`;
  return `${open(drawing)}${clip}${plate}<g clip-path="url(#oxalis-plate)">${content}</g></svg>`;
}

/** A mask in the plate's shape, to cut bitmaps to. */
export const plateMask = (drawing: Drawing): string => `${open(drawing)}${plateShape(drawing, "#000")}</svg>`;

/** A vector laid into another drawing, showing only the part that is wanted. */
export function nested(vector: Vector, { part, at }: NonNullable<Drawing["picture"]>): string {
  const [x = 0, y = 0, width = 0, height = 0] = vector.viewBox.split(" ").map(Number);
  const box = [x + part.x * width, y + part.y * height, part.width * width, part.height * height];
  const attributes = vector.rootAttributes.replace(/(^|\s)xmlns="[^"]*"/, "");
  return `<svg ${attributes} x="${at.x}" y="${at.y}" width="${at.width}" height="${at.height}" viewBox="${box.join(" ")}" preserveAspectRatio="none" overflow="hidden">${vector.inner}</svg>`;
}

/** A bitmap laid into another drawing. */
export const embedded = (png: Uint8Array, { at }: NonNullable<Drawing["picture"]>): string =>
  `<image x="${at.x}" y="${at.y}" width="${at.width}" height="${at.height}" href="data:image/png;base64,${Buffer.from(png).toString("base64")}"/>`;
