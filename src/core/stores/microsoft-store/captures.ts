import type { CaptureRow } from "../capture-row.ts";

const asOf = "2026-11-01";

export const microsoftStoreCaptures: readonly CaptureRow[] = [
  {
    device: "desktop",
    title: "Desktop screenshots",
    need: "required",
    least: 1,
    most: 10,
    within: { least: 768, longest: 1366, most: 3840, ratio: 3 },
    formats: ["png"],
    source: 'Partner Center, "App screenshots, images, and trailers"',
    asOf,
  },
];
