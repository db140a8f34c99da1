import { darkSlot, type Slot, scaleToPixels } from "../../../pictures/slots/slot.ts";
import type { AndroidRole } from "./titles.ts";

/** Screen densities and their factor over mdpi (Android documentation, "Support different pixel densities"). */
const densities = { mdpi: 1, hdpi: 1.5, xhdpi: 2, xxhdpi: 3, xxxhdpi: 4 } as const;

type Picture = Omit<Slot<AndroidRole>, "platform" | "width" | "height" | "qualifier"> & {
  /** Width of the canvas in dp, and its height where it is no square. */
  dp: number;
  dpHeight?: number;
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
  {
    role: "start-mark-plate",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 240,
    from: "mark",
    ground: { kind: "none" },
    alpha: "kept",
    tone: "color",
    safe: { shape: "circle", share: 160 / 240, drawn: 0.9 },
    rule: "Splash screens (API 31) with an icon background: icon of 240 dp, content within a circle of 160 dp",
  },
  {
    role: "start-branding",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 200,
    dpHeight: 80,
    from: "wide",
    ground: { kind: "none" },
    alpha: "kept",
    tone: "color",
    safe: { shape: "box", share: 0.9 },
    rule: "Splash screens (API 31): branding of 200 × 80 dp at the foot of the screen",
  },
  {
    role: "start-texture",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 48,
    from: "ground",
    ground: { kind: "full", color: "colors.start" },
    alpha: "none",
    tone: "color",
    safe: { shape: "box", share: 1 },
    rule: "A texture repeated over the start screen: a client's has its start screen's ground alone",
  },
  {
    role: "notification",
    path: "{res}/{type}-{density}/{name}.png",
    dp: 24,
    from: "mono",
    ground: { kind: "none" },
    alpha: "only",
    tone: "white",
    safe: { shape: "box", share: 22 / 24 },
    rule: "Notification icons: 24 dp, live area of 22 dp, white and alpha only",
  },
];

/** Start screens before API 31 as one full picture: width and height upright, in pixels. */
const fullStarts = {
  mdpi: [320, 480],
  hdpi: [480, 800],
  xhdpi: [720, 1280],
  xxhdpi: [960, 1600],
  xxxhdpi: [1280, 1920],
} as const;

const fullStartSlots: readonly Slot<AndroidRole>[] = Object.entries(fullStarts).flatMap(([density, [short, long]]) =>
  [
    { role: "start-full-port" as const, folder: "drawable", width: short, height: long },
    { role: "start-full-land" as const, folder: "drawable-land", width: long, height: short },
  ].map(({ role, folder, width, height }) => ({
    platform: "android" as const,
    role,
    path: `{res}/${folder}-${density}/{name}.png`,
    width,
    height,
    qualifier: density,
    from: "mark" as const,
    covers: "splash" as const,
    scene: true as const,
    ground: { kind: "full" as const, color: "colors.start" as const },
    alpha: "none" as const,
    tone: "color" as const,
    safe: { shape: "circle" as const, share: 0.5 },
    rule: "Start screens before API 31: a full picture in both turns; keep the middle free of what may be cut",
  })),
);

/** The banner of an app that runs on a TV, which it has instead of an icon: with its name in the picture. */
const tvBanner: Slot<AndroidRole> = {
  platform: "android",
  role: "tv-banner",
  only: "television",
  path: "{res}/{type}-xhdpi/{name}.png",
  byLanguage: "{res}/{type}-{qualifier}-xhdpi/{name}.png",
  width: 320,
  height: 180,
  qualifier: "xhdpi",
  from: "wide",
  lettered: true,
  ground: { kind: "full", color: "colors.ground" },
  alpha: "none",
  tone: "color",
  trueColor: true,
  safe: { shape: "box", share: 0.8 },
  rule: "TV banner: 320 × 180 at xhdpi, the app's name within the picture (Android TV)",
};

const lightSlots: readonly Slot<AndroidRole>[] = [
  ...pictures.flatMap(({ dp, dpHeight = dp, ...picture }) =>
    Object.entries(densities).map(([density, factor]) => ({
      ...picture,
      platform: "android" as const,
      path: picture.path.replace("{density}", density),
      width: scaleToPixels(dp, factor),
      height: scaleToPixels(dpHeight, factor),
      qualifier: density,
    })),
  ),
  ...fullStartSlots,
];

/** Every Android picture at every density, for light and dark screens. */
export const androidSlots: readonly Slot<AndroidRole>[] = [
  ...lightSlots,
  ...lightSlots.filter(({ role }) => role.startsWith("start-")).map(nightSlot),
  tvBanner,
];

/**
 * The same resource for the night (Android documentation, "Dark theme"): the qualifier stands between turn and
 * density.
 */
function nightSlot(slot: Slot<AndroidRole>): Slot<AndroidRole> {
  return darkSlot(slot, slot.path.replace(/-(?=(\{density\}|m|h|xh|xxh|xxxh)dpi\/)/, "-night-"));
}
