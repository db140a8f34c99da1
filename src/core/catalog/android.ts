import { type Slot, scaled } from "./slot.ts";

/** Screen densities and their factor over mdpi (Android documentation, "Support different pixel densities"). */
const densities = { mdpi: 1, hdpi: 1.5, xhdpi: 2, xxhdpi: 3, xxxhdpi: 4 } as const;

type Picture = Omit<Slot, "platform" | "width" | "height" | "qualifier"> & {
  /** Side of the square canvas in dp. */
  dp: number;
};

const adaptive = { shape: "circle", share: 66 / 108, drawn: 0.84 } as const;
const layerRule = "Adaptive icons: 108 dp layers; masks may cut all outside the middle circle of 66 dp";

const pictures: readonly Picture[] = [
  {
    role: "launcher",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 48,
    from: "icon",
    ground: { kind: "square", color: "colors.ground", side: 38 / 48, corner: 3 / 48 },
    alpha: "kept",
    tone: "color",
    safe: { shape: "box", share: 27 / 48 },
    rule: "Launcher icons before API 26: 48 dp; square keyline of 38 dp with 3 dp corners",
  },
  {
    role: "launcher-round",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 48,
    from: "icon",
    ground: { kind: "circle", color: "colors.ground", side: 44 / 48 },
    alpha: "kept",
    tone: "color",
    safe: { shape: "circle", share: 32 / 48 },
    rule: "Round launcher icons: 48 dp; circle keyline of 44 dp",
  },
  {
    role: "adaptive-foreground",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 108,
    from: "mark",
    ground: { kind: "none" },
    alpha: "kept",
    tone: "color",
    safe: adaptive,
    rule: layerRule,
  },
  {
    role: "adaptive-background",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 108,
    from: "ground",
    ground: { kind: "full", color: "colors.ground" },
    alpha: "none",
    tone: "color",
    safe: adaptive,
    rule: `${layerRule}; the background is opaque`,
  },
  {
    role: "adaptive-monochrome",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 108,
    from: "mono",
    ground: { kind: "none" },
    alpha: "only",
    tone: "black",
    safe: adaptive,
    rule: `${layerRule}; themed icons (API 33) use only the alpha`,
  },
  {
    role: "start-mark",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 288,
    from: "mark",
    ground: { kind: "none" },
    alpha: "kept",
    tone: "color",
    safe: { shape: "circle", share: 192 / 288, drawn: 0.9 },
    rule: "Splash screens (API 31): icon of 288 dp, content within a circle of 192 dp",
  },
];

/** Every Android picture at every density. */
export const androidSlots: readonly Slot[] = pictures.flatMap(({ dp, ...picture }) =>
  Object.entries(densities).map(([density, factor]) => ({
    ...picture,
    platform: "android" as const,
    path: picture.path.replace("{density}", density),
    width: scaled(dp, factor),
    height: scaled(dp, factor),
    qualifier: density,
  })),
);
