import { applePreviews } from "../apple/previews.ts";
import type { PreviewRow } from "../preview-row.ts";

export const appStorePreviews: readonly PreviewRow[] = [
  {
    device: "iphone",
    title: "iPhone app previews",
    sizes: [
      [886, 1920],
      [1920, 886],
      [1080, 1920],
      [1920, 1080],
    ],
    ...applePreviews,
  },
  {
    device: "ipad",
    title: "iPad app previews",
    sizes: [
      [1200, 1600],
      [1600, 1200],
      [900, 1200],
      [1200, 900],
    ],
    ...applePreviews,
  },
];
