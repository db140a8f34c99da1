import type { PreviewRow } from "../preview-row.ts";

/** What every film of an app is held to, whatever it was taken on. */
export const applePreviews: Pick<PreviewRow, "most" | "seconds" | "bytes" | "source" | "asOf"> = {
  most: 3,
  seconds: [15, 30],
  bytes: 500_000_000,
  source: 'App Store Connect help, "App preview specifications"',
  asOf: "2026-11-01",
};
