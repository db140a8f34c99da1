import type { CaptureRow } from "../capture-row.ts";

const asOf = "2026-11-01";

export const appStoreCaptures: readonly CaptureRow[] = [
  {
    device: "iphone",
    title: "iPhone 6.9″ or 6.5″ screenshots",
    need: "required",
    least: 1,
    most: 10,
    sizes: [
      [1320, 2868],
      [1290, 2796],
      [1260, 2736],
      // Where there are none of 6.9″.
      [1284, 2778],
      [1242, 2688],
    ],
    formats: ["png", "jpg"],
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
  {
    device: "ipad",
    title: "iPad 13″ screenshots",
    need: "required",
    only: "tablet",
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
