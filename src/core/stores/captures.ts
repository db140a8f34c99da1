import type { StoreKey } from "../values/store.ts";

/** Pictures of a running app that a store shows: for one class of devices. */
export interface CaptureRow {
  store: StoreKey;
  /** The folder in which a client's pictures of it lie: captures/<device>/<language>/. */
  device: "phone" | "iphone" | "ipad" | "mac" | "desktop";
  /** What the store calls it. */
  title: string;
  need: "required" | "recommended";
  least: number;
  most: number;
  /** Exactly these, in pixels, upright; turned ones are taken as well. */
  sizes?: readonly (readonly [shorter: number, longer: number])[];
  /** Only wider than high. */
  isWide?: true;
  /** Or any size within these: each side in pixels, and how many times the shorter one the longer may be. */
  within?: { least: number; leastHeight?: number; most: number; ratio: number };
  /** By the ending of a file's name. */
  formats: readonly ("png" | "jpg")[];
  source: string;
  asOf: string;
}

const asOf = "2026-11-01";
const both = ["png", "jpg"] as const;

/** What each store takes, none of them with an alpha channel. */
export const captureRows: readonly CaptureRow[] = [
  {
    store: "google-play",
    device: "phone",
    title: "Phone screenshots",
    need: "required",
    least: 2,
    most: 8,
    within: { least: 320, most: 3840, ratio: 2 },
    formats: both,
    source: 'Play Console help, "Add preview assets"',
    asOf,
  },
  {
    store: "app-store",
    device: "iphone",
    title: "iPhone 6.9″ screenshots",
    need: "required",
    least: 1,
    most: 10,
    sizes: [
      [1320, 2868],
      [1290, 2796],
    ],
    formats: both,
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
  {
    store: "app-store",
    device: "ipad",
    title: "iPad 13″ screenshots",
    need: "recommended",
    least: 1,
    most: 10,
    sizes: [
      [2064, 2752],
      [2048, 2732],
    ],
    formats: both,
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
  {
    store: "mac-app-store",
    device: "mac",
    title: "Mac screenshots",
    need: "required",
    least: 1,
    most: 10,
    sizes: [
      [800, 1280],
      [900, 1440],
      [1600, 2560],
      [1800, 2880],
    ],
    isWide: true,
    formats: both,
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
  {
    store: "microsoft-store",
    device: "desktop",
    title: "Desktop screenshots",
    need: "required",
    least: 1,
    most: 10,
    within: { least: 768, leastHeight: 768, most: 3840, ratio: 3 },
    formats: ["png"],
    source: 'Partner Center, "App screenshots, images, and trailers"',
    asOf,
  },
];
