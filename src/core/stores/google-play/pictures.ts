import type { Slot } from "../../pictures/slots/slot.ts";

const inStore = {
  platform: "android",
  from: "icon",
  ground: { kind: "full", color: "colors.ground" },
  tone: "color",
  trueColor: true,
} as const;

/** Pictures of the store's record; they lie beside its texts (Google Play, preview assets). */
export const googlePlayPictures: readonly Slot[] = [
  {
    ...inStore,
    role: "store-icon",
    path: "store/google-play/icon.png",
    width: 512,
    height: 512,
    qualifier: "512",
    alpha: "kept",
    safe: { shape: "box", share: 0.66 },
    rule: "Store icon: 512 × 512, 32-bit PNG of at most 1,024 KB, a full square that the store rounds",
  },
  {
    ...inStore,
    role: "feature-graphic",
    path: "store/google-play/feature-graphic.{locale}.png",
    byLanguage: "store/google-play/feature-graphic.{locale}.png",
    width: 1024,
    height: 500,
    qualifier: "1024x500",
    from: "wide",
    lettered: true,
    alpha: "none",
    safe: { shape: "box", share: 0.7 },
    rule: "Feature graphic: 1024 × 500, 24-bit PNG without alpha",
  },
  {
    ...inStore,
    from: "wide",
    lettered: true,
    alpha: "none",
    safe: { shape: "box", share: 0.8 },
    role: "store-tv-banner",
    path: "store/google-play/tv-banner.{locale}.png",
    byLanguage: "store/google-play/tv-banner.{locale}.png",
    width: 1280,
    height: 720,
    qualifier: "1280x720",
    rule: "TV banner of the store: 1280 × 720, without alpha",
    only: "television",
  },
];
