import type { CaptureRow } from "../capture-row.ts";

const shown = {
  formats: ["png", "jpg"],
  source: 'Play Console help, "Add preview assets"',
  asOf: "2026-11-01",
} as const;

/** What screens larger than a telephone's are held to. */
const large = { least: 1080, most: 7680, ratio: 2 };

export const googlePlayCaptures: readonly CaptureRow[] = [
  {
    device: "phone",
    title: "Phone screenshots",
    need: "required",
    least: 2,
    most: 8,
    within: { least: 320, most: 3840, ratio: 2 },
    ...shown,
  },
  {
    device: "tablet-7",
    title: "7-inch tablet screenshots",
    need: "optional",
    least: 1,
    most: 8,
    within: { least: 320, most: 3840, ratio: 2 },
    ...shown,
  },
  {
    device: "tablet-10",
    title: "10-inch tablet screenshots",
    need: "optional",
    least: 1,
    most: 8,
    within: large,
    ...shown,
  },
  {
    device: "chromebook",
    title: "Chromebook screenshots",
    need: "optional",
    least: 4,
    most: 8,
    within: large,
    ...shown,
  },
  {
    device: "android-tv",
    title: "Android TV screenshots",
    need: "optional",
    least: 1,
    most: 8,
    within: { least: 320, most: 3840, ratio: 2 },
    isWide: true,
    ...shown,
  },
  {
    device: "wear",
    title: "Wear OS screenshots",
    need: "optional",
    least: 1,
    most: 8,
    within: { least: 384, most: 3840, ratio: 1 },
    ...shown,
  },
];
