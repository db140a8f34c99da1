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

function sizeOf(root: Readonly<Record<string, string>>, file: string): Pick<Vector, "width" | "height" | "viewBox"> {
  const box =
    root.viewBox
      ?.trim()
      .split(/[\s,]+/)
      .map(Number) ?? [];
  const [x = 0, y = 0, boxWidth = 0, boxHeight = 0] = box;
  const hasBox = box.length === 4 && box.every(Number.isFinite) && boxWidth > 0 && boxHeight > 0;
  const width = hasBox ? boxWidth : Number.parseFloat(root.width ?? "");
  const height = hasBox ? boxHeight : Number.parseFloat(root.height ?? "");
  if (!(width > 0 && height > 0)) refuse("art-unreadable", `${file} has neither a viewBox nor a width and height.`);
  return { width, height, viewBox: `${x} ${y} ${width} ${height}` };
}
