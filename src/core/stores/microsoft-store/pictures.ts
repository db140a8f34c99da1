import type { Slot } from "../../pictures/slots/slot.ts";

const inStore = {
  platform: "windows",
  from: "icon",
  ground: { kind: "full", color: "colors.ground" },
  tone: "color",
  trueColor: true,
  alpha: "none",
} as const;

/** Logos of the store's record (Partner Center, "App screenshots, images, and trailers": store logos). */
export const microsoftStorePictures: readonly Slot[] = [
  {
    ...inStore,
    role: "store-tile",
    path: "store/microsoft-store/tile.png",
    width: 300,
    height: 300,
    qualifier: "300",
    safe: { shape: "box", share: 0.66 },
    rule: "App tile icon: 300 × 300",
  },
  {
    ...inStore,
    role: "store-box",
    // Larger than icons have to be.
    from: "mark",
    path: "store/microsoft-store/box.png",
    width: 1080,
    height: 1080,
    qualifier: "1080",
    safe: { shape: "box", share: 0.66 },
    rule: "Box art: 1080 × 1080; shown in place of the package's own logo, without a word of price or platform",
  },
  {
    ...inStore,
    role: "store-poster",
    // No icon has that shape.
    from: "mark",
    path: "store/microsoft-store/poster.png",
    width: 720,
    height: 1080,
    qualifier: "720x1080",
    safe: { shape: "box", share: 0.7 },
    rule: "Poster art: 720 × 1080; the main picture for whoever has a current system",
  },
];
