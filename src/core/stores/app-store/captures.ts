import type { CaptureRow } from "../capture-row.ts";

const shown = {
  formats: ["png", "jpg"],
  source: 'App Store Connect help, "Screenshot specifications"',
  asOf: "2026-11-01",
} as const;

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
    ...shown,
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
    ...shown,
  },
  {
    device: "apple-watch",
    title: "Apple Watch screenshots",
    need: "optional",
    least: 1,
    most: 10,
    sizes: [
      [422, 514],
      [410, 502],
      [416, 496],
      [396, 484],
      [368, 448],
      [312, 390],
    ],
    ...shown,
  },
  {
    device: "apple-tv",
    title: "Apple TV screenshots",
    need: "optional",
    least: 1,
    most: 10,
    sizes: [
      [1080, 1920],
      [2160, 3840],
    ],
    isWide: true,
    ...shown,
  },
  {
    device: "vision",
    title: "Apple Vision Pro screenshots",
    need: "optional",
    least: 1,
    most: 10,
    sizes: [[2160, 3840]],
    isWide: true,
    ...shown,
  },
];
