import { askedEverywhere, type SharedQuestion } from "../questions-in-common.ts";

/** What an app for telephones, tablets and Macs is asked alike, of what several stores ask. */
export const appleAsks: readonly SharedQuestion[] = [
  ...askedEverywhere,
  "tracking",
  "deletion",
  "advertising",
  "encryption",
  "accessibility",
];
