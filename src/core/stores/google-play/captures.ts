import type { CaptureRow } from "../capture-row.ts";

const asOf = "2026-11-01";

export const googlePlayCaptures: readonly CaptureRow[] = [
  {
    device: "phone",
    title: "Phone screenshots",
    need: "required",
    least: 2,
    most: 8,
    within: { least: 320, most: 3840, ratio: 2 },
    formats: ["png", "jpg"],
    source: 'Play Console help, "Add preview assets"',
    asOf,
  },
];
