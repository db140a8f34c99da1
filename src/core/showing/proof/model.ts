import type { PageLanguage } from "../../ground/values/page-language.ts";
import type { Sheet } from "../../pages/parts/sheet.ts";

/** The picture that is shown by its shape alone. */
export const masked = "and-mono";

/** Why a client is not on the page: words of the page's. */
export type Why = "notMade" | "outOfDate" | "faulty";

export interface ProofModel {
  agency: string;
  language: PageLanguage;
  accent: string;
  onAccent: string;
  sheets: readonly Sheet[];
  /** Clients that could not be shown: why, and what is wrong in particular. */
  absent: readonly { client: string; why: Why; reason: string }[];
}
