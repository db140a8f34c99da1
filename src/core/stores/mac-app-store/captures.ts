import type { CaptureRow } from "../capture-row.ts";

const asOf = "2026-11-01";

export const macAppStoreCaptures: readonly CaptureRow[] = [
  {
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
    formats: ["png", "jpg"],
    source: 'App Store Connect help, "Screenshot specifications"',
    asOf,
  },
];
