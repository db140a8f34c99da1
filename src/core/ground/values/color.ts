import "culori/css"; // the colour spaces that CSS can write, and no others
import { clampChroma, converter, formatHex, parse, wcagContrast } from "culori/fn";

/** An opaque sRGB colour as #rrggbb, lower case. */
export type Hex = `#${string}`;

/** A text read as a colour, or why it is none that can stand on its own. */
type ParsedColor =
  | { ok: true; value: Hex }
  | { ok: false; code: "color-invalid" | "color-transparent"; reason: string };

/** Reads a colour as CSS writes it (hex, names, rgb(), hsl() …). One with opacity below 1 is refused. */
export function parseColor(text: string): ParsedColor {
  // Digits alone are a number, whatever a parser makes of them.
  const parsed = /^\s*\d+\s*$/.test(text) ? undefined : parse(text.trim());
  if (!parsed) return { ok: false, code: "color-invalid", reason: `"${text}" is not a colour` };
  if ((parsed.alpha ?? 1) < 1) return { ok: false, code: "color-transparent", reason: `"${text}" is not opaque` };
  return { ok: true, value: formatHex(toRgb(parsed)) as Hex };
}

const toRgb = converter("rgb");

/** The three channels, 0 to 255. */
export function channels(hex: string): [red: number, green: number, blue: number] {
  const value = Number.parseInt(hex.slice(1, 7), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

export function hexOf(red: number, green: number, blue: number): Hex {
  return `#${[red, green, blue].map((channel) => Math.round(channel).toString(16).padStart(2, "0")).join("")}`;
}

/** Contrast ratio of two colours, 1 to 21 (W3C, WCAG 2, relative luminance). */
export const contrast = (a: string, b: string): number => wcagContrast(a, b);

/** Black or white, whichever can be read better on a colour. */
export const readableOn = (hex: string): Hex =>
  contrast("#ffffff", hex) >= contrast("#000000", hex) ? "#ffffff" : "#000000";

const toOklch = converter("oklch");

/**
 * The same hue, as dark as a screen at night: at most 22 % light, and little of the colour. What is no colour stays
 * as it is.
 */
export function darken(text: string): string {
  const color = toOklch(parse(text));
  if (!color) return text;
  return formatHex(clampChroma({ ...color, l: Math.min(color.l, 0.22), c: Math.min(color.c, 0.05) }, "oklch"));
}

/**
 * The same hue in so much light, 1 to 99 of 100 (OKLCH), with the less of the colour the nearer it is to black or
 * white: for grounds, texts and lines that go with it. Lightnesses that lie 60 apart read well on each other. What is
 * no colour stays as it is.
 */
export function withLightness(text: string, light: number): string {
  const color = toOklch(parse(text));
  if (!color) return text;
  const l = Math.min(99, Math.max(1, light)) / 100;
  const c = Math.min(color.c, 0.15 * Math.min(l, 1 - l));
  return formatHex(clampChroma({ ...color, l, c }, "oklch"));
}

/** What dark screens are taken to show behind an app's own colours. */
const night = "#121212";

/**
 * The same hue, light enough to be read on a dark screen: 4.5 : 1 (W3C, WCAG 2, contrast minimum). What is no colour
 * stays as it is.
 */
export function lift(text: string): string {
  const color = toOklch(parse(text));
  if (!color) return text;
  const start = formatHex(toRgb(color));
  for (let light = color.l; light < 1; light += 0.02) {
    const hex = light === color.l ? start : formatHex(clampChroma({ ...color, l: light }, "oklch"));
    if (contrast(hex, night) >= 4.5) return hex;
  }
  return "#ffffff";
}

const toOklab = converter("oklab");

/** A colour as it is seen: lightness 0 to 1, green to red, blue to yellow (OKLab). Channels are 0 to 255. */
export function seenColor(red: number, green: number, blue: number): readonly [number, number, number] {
  const { l, a, b } = toOklab({ mode: "rgb", r: red / 255, g: green / 255, b: blue / 255 });
  return [l, a, b];
}
