import { refuse } from "../../../ground/problems/result.ts";
import type { Source } from "../../../ground/values/source.ts";
import { guardVector } from "./guard.ts";
import { rebuildVector } from "./rebuild.ts";

/** An SVG, checked, in a form that can be laid into another drawing at any size. */
export interface Vector {
  /** Size in user units, from viewBox, or from width and height where there is no viewBox. */
  width: number;
  height: number;
  viewBox: string;
  /** The root's other attributes, as written, for example namespaces and inherited fills. */
  rootAttributes: string;
  /** What stands inside the root element. */
  inner: string;
  /** Holds a bitmap, which cannot be drawn sharply at every size. */
  bitmap: boolean;
  /** Holds text in a font that it does not bring along. */
  text: boolean;
  /** Nobody can tell what it costs without drawing it. */
  unsure: boolean;
}

const replaced = new Set(["width", "height", "x", "y", "viewBox", "preserveAspectRatio", "version", "baseProfile"]);

/** Reads an SVG that has passed the guard. Errors: art-unreadable, art-unsafe, art-too-large. */
export function readVector(source: Source): Vector {
  const { root, bitmap, text, unsure } = guardVector(source);
  const { rootAttributes, inner } = rebuildVector(source.text, (name) => !replaced.has(name));
  return {
    ...sizeOf(root, source.file),
    rootAttributes: rootAttributes.trim(),
    inner,
    bitmap,
    text,
    unsure,
  };
}

/** User units of each unit of length (W3C, CSS values: 96 to an inch). */
const units: Readonly<Record<string, number>> = {
  "": 1,
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
};

/** A length in user units; not a number where it says none by itself, such as 100 %. */
function lengthOf(text = ""): number {
  const [, number = "", unit = ""] = /^\s*([\d.eE+-]+)\s*([a-z]*)\s*$/i.exec(text) ?? [];
  return Number.parseFloat(number) * (units[unit.toLowerCase()] ?? Number.NaN);
}

function sizeOf(root: Readonly<Record<string, string>>, file: string): Pick<Vector, "width" | "height" | "viewBox"> {
  const box =
    root.viewBox
      ?.trim()
      .split(/[\s,]+/)
      .map(Number) ?? [];
  const [x = 0, y = 0, boxWidth = 0, boxHeight = 0] = box;
  const hasBox = box.length === 4 && box.every(Number.isFinite) && boxWidth > 0 && boxHeight > 0;
  const width = hasBox ? boxWidth : lengthOf(root.width);
  const height = hasBox ? boxHeight : lengthOf(root.height);
  if (!(width > 0 && height > 0)) refuse("art-unreadable", `${file} has neither a viewBox nor a width and height.`);
  return { width, height, viewBox: `${x} ${y} ${width} ${height}` };
}
