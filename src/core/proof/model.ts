import type { Sheet } from "../page/sheet.ts";

export interface ProofModel {
  agency: string;
  accent: string;
  onAccent: string;
  sheets: readonly Sheet[];
  /** Clients that could not be shown, each with the reason. */
  absent: readonly { client: string; reason: string }[];
}
