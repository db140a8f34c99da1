import { darkSlot, type Slot, scaleToPixels } from "../../../pictures/slots/slot.ts";

/**
 * Sizes of a listed icon set: points and scales for each idiom (Apple, Human Interface Guidelines and asset catalog
 * reference).
 */
const listed: Readonly<Record<string, Readonly<Record<string, readonly number[]>>>> = {
  iphone: { 20: [2, 3], 29: [2, 3], 40: [2, 3], 60: [2, 3] },
  ipad: { 20: [1, 2], 29: [1, 2], 40: [1, 2], 76: [1, 2], "83.5": [2] },
  "ios-marketing": { 1024: [1] },
};

const icon = {
  platform: "ios",
  role: "icon",
  path: "{set}/{file}",
  from: "icon",
  ground: { kind: "full", color: "colors.ground" },
  alpha: "none",
  tone: "color",
  safe: { shape: "box", share: 0.66 },
  rule: "App icons: opaque, square corners; the system cuts them",
} as const satisfies Partial<Slot>;

const square = (side: number) => ({ width: side, height: side });

const listedSlots: readonly Slot<"icon">[] = Object.entries(listed).flatMap(([idiom, sizes]) =>
  Object.entries(sizes).flatMap(([points, scales]) =>
    scales.map((scale) => ({
      ...icon,
      ...square(scaleToPixels(Number(points), scale)),
      qualifier: `${idiom}-${points}@${scale}x`,
    })),
  ),
);

const singleSlots: readonly Slot<"icon">[] = [
  { ...icon, ...square(1024), qualifier: "universal" },
  {
    ...icon,
    ...square(1024),
    qualifier: "universal-dark",
    from: "mark",
    ground: { kind: "none" },
    alpha: "kept",
    theme: "dark",
    covers: "dark.icon",
    behind: "#1c1c1e",
    rule: "Dark app icon: transparent ground allowed, the system lays its own dark ground under it",
  },
  {
    ...icon,
    ...square(1024),
    qualifier: "universal-tinted",
    from: "mark",
    ground: { kind: "none" },
    alpha: "kept",
    tone: "grey",
    rule: "Tinted app icon: grey on transparent ground; the system tints it",
  },
];

/** Every picture of an app icon set, single or listed. */
export const iosIconSlots: readonly Slot<"icon">[] = [...singleSlots, ...listedSlots];

/** The only layer of an icon in layers: the mark on nothing, on the ground that the icon's description says. */
export const iosLayerSlot: Slot<"icon"> = {
  ...icon,
  ...square(1024),
  qualifier: "layer",
  from: "mark",
  ground: { kind: "none" },
  alpha: "kept",
  rule:
    "A layer of an icon in layers: 1024 px, transparent; the system shades it and cuts the icon (Apple, " +
    "Icon Composer)",
};

/** What a layer of a stack holds, from the one in front to the one at the back. */
const layers = {
  front: { from: "mark", ground: { kind: "none" }, alpha: "kept" },
  middle: { from: "ground", ground: { kind: "none" }, alpha: "kept" },
  back: { from: "ground", ground: { kind: "full", color: "colors.ground" }, alpha: "none" },
} as const;

/** A layer of an icon that stands in several, of a television or a headset. */
export const iconLayer = (
  place: keyof typeof layers,
  size: { width: number; height: number },
  qualifier: string,
): Slot<"icon-layer"> => ({
  ...icon,
  ...size,
  ...layers[place],
  role: "icon-layer",
  qualifier: `${qualifier}-${place}`,
  safe: { shape: "box", share: 0.6 },
  rule: "Icons in layers: the one at the back opaque, the others on nothing; the system cuts and moves them",
});

/** A picture over the apps of a television's first row. */
export const topShelf = (size: { width: number; height: number }, qualifier: string): Slot<"top-shelf"> => ({
  ...icon,
  ...size,
  role: "top-shelf",
  from: "wide",
  lettered: true,
  qualifier,
  safe: { shape: "box", share: 0.6 },
  rule: "Top shelf: opaque; its edges may be cut",
});

/** The start screen's mark at one scale; its size in points is the template's own. */
const iosStartSlot = (points: { width: number; height: number }, scale: number): Slot<"start-mark"> => ({
  platform: "ios",
  role: "start-mark",
  path: "{set}/{file}",
  width: scaleToPixels(points.width, scale),
  height: scaleToPixels(points.height, scale),
  qualifier: `${scale}x`,
  from: "mark",
  ground: { kind: "none" },
  alpha: "kept",
  tone: "color",
  safe: { shape: "box", share: 1 },
  rule: "Launch screens: an image set at 1x, 2x and 3x on a colour set, never one picture a device",
});

/** The start screen's mark at one scale, for a light and for a dark screen. */
export const iosStartForms = (
  points: { width: number; height: number },
  scale: number,
): [Slot<"start-mark">, Slot<"start-mark">] => {
  const light = iosStartSlot(points, scale);
  return [light, darkSlot(light, light.path)];
};

/** A picture over the whole start screen, as large as the template's own, for a light and for a dark screen. */
export const iosStartFull = (
  points: { width: number; height: number },
  scale: number,
): [Slot<"start-full">, Slot<"start-full">] => {
  const light: Slot<"start-full"> = {
    ...iosStartSlot(points, scale),
    role: "start-full",
    covers: "splash",
    scene: true,
    ground: { kind: "full", color: "colors.start" },
    alpha: "none",
    safe: { shape: "circle", share: 0.24 },
    rule: "A picture scaled to fill the launch screen: keep the middle free of what may be cut in either turn",
  };
  return [light, darkSlot(light, light.path)];
};

/** An entry of an icon set for an idiom that is not the phone's or the tablet's: its size is what the set says. */
export const iconOfIdiom = (idiom: string, points: number, scale: number): Slot<"icon"> => ({
  ...icon,
  ...square(scaleToPixels(points, scale)),
  qualifier: `${idiom}-${points}@${scale}x`,
});

/** Points of the start screen's mark where the template does not say. */
export const iosStartPoints = { width: 160, height: 160 };
