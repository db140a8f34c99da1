import type { Conduct } from "../conduct.ts";

const asOf = "2026-11-01";
const testing = 'Play Console help, "Set up an open, closed or internal test"';

export const googlePlayConduct: Conduct = {
  enters: "credentials",
  tracks: [
    {
      kind: "inner",
      title: "Internal testing",
      most: 100,
      isReviewed: false,
      joins: "store-link",
      ...{ source: testing, asOf, sure: 97 },
    },
    {
      kind: "outer",
      title: "Closed testing",
      most: 400_000,
      mostGroups: 200,
      isReviewed: true,
      joins: "store-link",
      ...{ source: testing, asOf, sure: 80 },
    },
    {
      kind: "open",
      title: "Open testing",
      most: Number.POSITIVE_INFINITY,
      least: 1000,
      isReviewed: true,
      joins: "store-link",
      ...{ source: testing, asOf, sure: 85 },
    },
  ],
  goesOut: {
    shares: "any",
    ...{ source: 'Play Console help, "Release app updates with staged rollouts"', asOf, sure: 97 },
  },
  waits: {
    processing: { usual: 0.2, long: 2, source: "common knowledge", asOf, sure: 70 },
    review: { usual: 24, long: 168, source: 'Play Console help, "Publish your app"', asOf, sure: 85 },
    testing: { usual: 12, long: 168, source: 'Play Console help, "Publish your app"', asOf, sure: 75 },
  },
  // Android developers, "About Android App Bundles": new apps since August 2021; those from before may send packages.
  packages: ["aab", "apk"],
  wantsSigned: true,
  reviewsTextsAlone: true,
  agreements: ["Developer Distribution Agreement"],
  byHand: [
    {
      name: "record",
      done: "created",
      at: "All apps › Create app",
      says: "Give name, language, app or game, free or paid.",
      takes: ["creation"],
    },
    {
      name: "listing",
      done: "told",
      at: "Grow users › Store presence",
      says: "Fill in the listing, language by language.",
      takes: ["texts", "pictures"],
    },
    {
      name: "questions",
      done: "told",
      at: "Policy and programs › App content",
      says: "Answer the questions, one form each.",
      takes: ["answers"],
    },
    {
      name: "build",
      done: "build-sent",
      at: "Test and release › Production › Create new release",
      says: "Drag the bundle there.",
      takes: ["package"],
    },
    { name: "review", done: "submitted", at: "Publishing overview", says: "Send the changes for review." },
    { name: "decision", done: "approved", at: "Publishing overview", says: "Wait for the mail; note what it says." },
    { name: "out", done: "out", at: "Test and release › Production", says: "Say which share of the people gets it." },
    { name: "everybody", done: "live", at: "Test and release › Production", says: "Raise the share to 100 %." },
  ],
};
