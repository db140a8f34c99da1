import { type Hex, parseColor } from "../../../ground/values/color.ts";
import type { Vector } from "./read.ts";
import { rebuildVector } from "./rebuild.ts";

/** Properties that say a colour (W3C, SVG 2, "Painting", "Gradients"). */
const paints = new Set(["fill", "stroke", "color", "stop-color"]);

/** What paints by a colour that stands elsewhere, or not at all. */
const paintsBySome = /^(?:none|inherit|transparent|currentcolor|url\(\s*["']?#[\w:.-]+["']?\s*\))$/i;

/** What lies over something mixes with it, or is no plain colour, unless a property has the one value. */
const plainOnlyAs: Readonly<Record<string, RegExp>> = {
  opacity: /^1(?:\.0*)?$/,
  "fill-opacity": /^1(?:\.0*)?$/,
  "stroke-opacity": /^1(?:\.0*)?$/,
  "stop-opacity": /^1(?:\.0*)?$/,
  "mix-blend-mode": /^normal$/i,
  filter: /^none$/i,
  mask: /^none$/i,
};

/** Elements that are drawn in colours of their own. */
const notPainted = /<(?:image|mask|text|fe[A-Z])/;

/**
 * A vector as light: each of its colours as the grey of so much light, on nothing. Undefined where its colours cannot
 * be told one by one: bitmaps, masks, filters, texts, what can be seen through, gradients into less than all light.
 *
 * @param vector of that text
 * @param light of a colour, 0 to 255
 */
export function inLight(vector: Vector, text: string, light: (color: Hex) => number): Vector | undefined {
  if (notPainted.test(vector.inner)) return undefined;
  let isPlain = true;
  let stops = 0;
  const asGrey = (name: string, value: string): string => {
    const only = plainOnlyAs[name];
    if (only && !only.test(value.trim())) isPlain = false;
    if (!paints.has(name) || paintsBySome.test(value.trim())) return value;
    const color = parseColor(value);
    const level = color.ok ? light(color.value) : 0;
    if (name === "stop-color") stops++;
    if (!color.ok || (name === "stop-color" && level < 255)) isPlain = false;
    return grey(level);
  };
  const { rootAttributes, inner } = rebuildVector(text, (name) => !/^(?:width|height|x|y|viewBox)$/.test(name), asGrey);
  const isTold = isPlain && stops === (inner.match(/<stop\b/g)?.length ?? 0);
  if (!isTold) return undefined;
  // What says no colour is black.
  const black = grey(light("#000000"));
  const unsaid = ["fill", "color"].filter((name) => !new RegExp(`\\s${name}="`).test(rootAttributes));
  return { ...vector, rootAttributes: rootAttributes + unsaid.map((name) => ` ${name}="${black}"`).join(""), inner };
}

const grey = (level: number): string => `rgb(${level},${level},${level})`;
