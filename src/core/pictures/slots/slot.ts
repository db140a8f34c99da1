import type { Hex } from "../../ground/values/color.ts";
import { darkOf, type Field } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { ArtRole } from "./art-roles.ts";

/** What a picture stands on. */
export type Ground =
  /** The ground's colour over the whole canvas. */
  | { kind: "full"; color: Field }
  /** A shape of that colour within a transparent canvas; sizes are shares of the canvas, 0 to 1. */
  | { kind: "square"; color: Field; side: number; corner: number }
  | { kind: "circle"; color: Field; side: number }
  /** Nothing: what lies behind the picture shows through. */
  | { kind: "none" };

/** Where the drawing must stay. */
export interface SafeZone {
  shape: "circle" | "box";
  /** The circle's diameter as a share of the canvas's shorter side; the box's sides as a share of the canvas's. */
  share: number;
  /** How much of the zone a mark takes that nobody fitted by hand; 1 where absent. */
  drawn?: number;
}

/** One picture that a platform wants: a row of the catalog. */
export interface Slot<Role extends string = string> {
  platform: Platform;
  role: Role;
  /** Pattern of the file's path below what the survey found, for example `{res}/mipmap-xxhdpi/{name}.png`. */
  path: string;
  /** Pixels. */
  width: number;
  height: number;
  /** What tells this picture from the others of its role: density, scale, target size, idiom, appearance, purpose. */
  qualifier: string;
  /**
   * What it is drawn from: the square picture, the logo alone, its one-coloured or its wide form, or the ground and
   * nothing on it.
   */
  from: "icon" | "mark" | "mono" | "wide" | "ground";
  /** A supplied picture that stands over the whole canvas instead. */
  covers?: ArtRole;
  /** Fills a screen: a client's gradient or pattern, where it has one, is its ground. */
  scene?: true;
  /** The app's name stands beside the mark, where no wide logo says it already. */
  lettered?: true;
  /**
   * Pattern of the path of its form for one language: with `{locale}` as the tag, or `{qualifier}` as the platform
   * writes it.
   */
  byLanguage?: string;
  /** Shown where the system is set to dark: the client's dark pictures, where it has them. */
  theme?: "dark";
  /** Wanted of apps for these alone. */
  only?: "television";
  ground: Ground;
  /** none: no alpha channel. kept: transparent where nothing is drawn. only: one colour, the shape is in the alpha. */
  alpha: "none" | "kept" | "only";
  /** The file may have no palette: whoever takes it asks for 24 or 32 bits a pixel. */
  trueColor?: true;
  tone: "color" | "white" | "black" | "grey";
  /** Set where the system lays a ground of its own under the picture, which the mark must stand out from. */
  behind?: Hex;
  safe: SafeZone;
  /** The platform's rule behind the row, and whose documentation states it. */
  rule: string;
}

/** A size multiplied by a scale, rounded half up to whole pixels. */
export const scaleToPixels = (base: number, scale: number): number => Math.floor(base * scale + 0.5);

/** The form of a picture for a dark screen: another ground, other sources, another place. */
export const darkSlot = <Role extends string>(slot: Slot<Role>, path: string): Slot<Role> => ({
  ...slot,
  path,
  theme: "dark",
  qualifier: `${slot.qualifier}-night`,
  ground: "color" in slot.ground ? { ...slot.ground, color: darkOf(slot.ground.color) } : slot.ground,
});

/** A slot's path with the survey's names put in; what it does not know yet, such as a client's language, stays. */
export const slotPath = (slot: Slot, names: Readonly<Record<string, string>>): string =>
  slot.path.replace(/\{(\w+)\}/g, (whole, name: string) => names[name] ?? whole);

/** Where the form of a slot's picture for one language lies; undefined where it has none. */
export function pathIn(
  { slot, path }: { slot: Slot; path: string },
  language: { locale: string; qualifier: string },
): string | undefined {
  if (slot.byLanguage === undefined) return undefined;
  const pattern = slot.path.split(/(\{\w+\})/).map((part) => /^\{(\w+)\}$/.exec(part)?.[1] ?? escapeRegExp(part));
  const names = slot.path.match(/\{\w+\}/g) ?? [];
  const known = new RegExp(`^${pattern.map((part, at) => (at % 2 === 1 ? "(.*)" : part)).join("")}$`).exec(path);
  const given = Object.fromEntries(names.map((name, at) => [name.slice(1, -1), known?.[at + 1] ?? ""]));
  return known ? slotPath({ ...slot, path: slot.byLanguage }, { ...given, ...language }) : undefined;
}

const escapeRegExp = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
