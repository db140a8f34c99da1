import type { CaptureRow } from "../capture-row.ts";

/** The same for each family of devices. */
const shown = {
  least: 1,
  most: 10,
  within: { least: 768, longest: 1366, most: 3840, ratio: 3 },
  formats: ["png"],
  source: 'Partner Center, "App screenshots, images, and trailers"',
  asOf: "2026-11-01",
} as const;

export const microsoftStoreCaptures: readonly CaptureRow[] = [
  { device: "desktop", title: "Desktop screenshots", need: "required", ...shown },
  { device: "xbox", title: "Xbox screenshots", need: "optional", ...shown },
  { device: "hololens", title: "Holographic screenshots", need: "optional", ...shown },
];
