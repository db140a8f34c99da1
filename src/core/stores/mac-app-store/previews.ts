import { applePreviews } from "../apple/previews.ts";
import type { PreviewRow } from "../preview-row.ts";

export const macAppStorePreviews: readonly PreviewRow[] = [
  { device: "mac", title: "Mac app previews", sizes: [[1920, 1080]], ...applePreviews },
];
