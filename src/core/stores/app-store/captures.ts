import type { CaptureRow } from "../capture-row.ts";

const asOf = "2026-11-01";

export const appStoreCaptures: readonly CaptureRow[] = [
  {
    device: "iphone",
    title: "iPhone 6.9″ screenshots",
    need: "required",
    least: 1,
    most: 10,
    sizes: [
      [1320, 2868],
      [1290, 2796],
    ],
    formats: ["png", "jpg"],
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
  {
    device: "ipad",
    title: "iPad 13″ screenshots",
    need: "recommended",
    least: 1,
    most: 10,
    sizes: [
      [2064, 2752],
      [2048, 2732],
    ],
    formats: ["png", "jpg"],
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
];
