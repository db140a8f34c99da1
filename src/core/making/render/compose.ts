import type { Vector } from "../../pictures/artwork/vector/read.ts";
import { cornerShape } from "./corner.ts";
import type { Drawing } from "./drawing.ts";
import type { Placed } from "./fit.ts";

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

/** The plate in its colour, or in one that runs into another toward its foot. */
function plateFilled(drawing: Drawing): string {
  const { plate } = drawing;
  if (!plate?.foot) return plateShape(drawing, plate?.color ?? "none");
  const stops = `<stop stop-color="${plate.color}"/><stop offset="1" stop-color="${plate.foot}"/>`;
  return (
    `<linearGradient id="oxalis-ground" x2="0" ` +
    `y2="1">${stops}</linearGradient>${plateShape(drawing, "url(#oxalis-ground)")}`
  );
}

/** The plate again, filled with a tile that is repeated from its left upper corner. */
function tilePlate(drawing: Drawing, tile: string): string {
  if (!drawing.tile || !tile) return "";
  const { width, height } = tileSize(drawing.tile);
  const pattern =
    `<pattern id="oxalis-tile" width="${width}" height="${height}" ` +
    `patternUnits="userSpaceOnUse">${tile}</pattern>`;
  return `${pattern}${plateShape(drawing, "url(#oxalis-tile)")}`;
}

export const tileSize = ({ art, width }: NonNullable<Drawing["tile"]>) => ({
  width,
  height: Math.round((width * art.height * 1000) / art.width) / 1000,
});

/** The canvas with its plate, and with whatever is laid on it. */
export function composeSvg(drawing: Drawing, content = "", tile = ""): string {
  const { picture, name, corner } = drawing;
  const mark = corner ? cornerShape(corner) : "";
  const text = name ? `<path fill="${name.color}" d="${name.path}"/>` : "";
  const ground = `${plateFilled(drawing)}${tilePlate(drawing, tile)}`;
  if (!picture?.clip || !content) return `${open(drawing)}${ground}${content}${text}${mark}</svg>`;
  const clip = `<clipPath id="oxalis-plate">${plateShape(drawing, "#000")}</clipPath>`;
  return `${open(drawing)}${clip}${ground}<g clip-path="url(#oxalis-plate)">${content}</g>${text}${mark}</svg>`;
}

/** A mask in the plate's shape, to cut bitmaps to. */
export const plateMask = (drawing: Drawing): string => `${open(drawing)}${plateShape(drawing, "#000")}</svg>`;

/** A vector laid into another drawing, showing only the part that is wanted. */
export function nest(vector: Vector, { part, at }: Pick<Placed, "part" | "at">): string {
  const [x = 0, y = 0, width = 0, height = 0] = vector.viewBox.split(" ").map(Number);
  const box = [x + part.x * width, y + part.y * height, part.width * width, part.height * height];
  const attributes = vector.rootAttributes.replace(/(^|\s)xmlns="[^"]*"/, "");
  return (
    `<svg ${attributes} x="${at.x}" y="${at.y}" width="${at.width}" height="${at.height}" ` +
    `viewBox="${box.join(" ")}" preserveAspectRatio="none" overflow="hidden">${vector.inner}</svg>`
  );
}

/** A bitmap laid into another drawing. */
export const embed = (png: Uint8Array, { at }: Pick<Placed, "at">): string =>
  `<image x="${at.x}" y="${at.y}" width="${at.width}" height="${at.height}" href="data:image/png;` +
  `base64,${Buffer.from(png).toString("base64")}"/>`;
