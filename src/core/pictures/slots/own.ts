import type { Platform } from "../../ground/values/platform.ts";
import type { OwnKind } from "./drawable-kinds.ts";
import type { Slot } from "./slot.ts";

const kinds: Readonly<Record<OwnKind, Pick<Slot, "from" | "ground" | "alpha" | "tone" | "safe"> & Partial<Slot>>> = {
  icon: {
    from: "icon",
    ground: { kind: "square", color: "colors.ground", side: 1, corner: 0.2 },
    alpha: "kept",
    tone: "color",
    safe: { shape: "box", share: 0.7 },
  },
  mark: {
    from: "mark",
    ground: { kind: "none" },
    alpha: "kept",
    tone: "color",
    safe: { shape: "box", share: 1 },
  },
  mono: {
    from: "mono",
    ground: { kind: "none" },
    alpha: "only",
    tone: "white",
    safe: { shape: "box", share: 0.9 },
  },
  wide: {
    from: "wide",
    lettered: true,
    ground: { kind: "full", color: "colors.ground" },
    alpha: "none",
    tone: "color",
    safe: { shape: "box", share: 0.7 },
  },
  start: {
    from: "mark",
    covers: "splash",
    scene: true,
    ground: { kind: "full", color: "colors.start" },
    alpha: "none",
    tone: "color",
    safe: { shape: "circle", share: 0.5 },
  },
  ground: {
    from: "ground",
    ground: { kind: "full", color: "colors.ground" },
    alpha: "none",
    tone: "color",
    safe: { shape: "box", share: 1 },
  },
};

/** A picture of the template's own, in the size that it has there. */
export const ownSlot = (
  platform: Platform,
  kind: OwnKind,
  { width, height }: { width: number; height: number },
): Slot => ({
  ...kinds[kind],
  platform,
  role: `own-${kind}`,
  path: "{file}",
  width,
  height,
  qualifier: `${width}x${height}`,
  rule: "A picture of the template's own, named in template.yaml: in the size that the template has it",
});
