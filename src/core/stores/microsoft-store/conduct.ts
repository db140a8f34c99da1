import type { Conduct } from "../conduct.ts";

const asOf = "2026-11-01";

export const microsoftStoreConduct: Conduct = {
  enters: "credentials",
  tracks: [
    {
      kind: "outer",
      title: "Package flight",
      most: 10_000,
      isReviewed: true,
      joins: "account",
      ...{ source: 'Partner Center, "Package flights"', asOf, sure: 70 },
    },
  ],
  goesOut: { shares: "any", source: 'Partner Center, "Gradual package rollout"', asOf, sure: 85 },
  nameHeld: { days: 90, source: 'Partner Center, "Reserve your app\'s name"', asOf, sure: 80 },
  waits: {
    processing: { usual: 1, long: 24, source: "common knowledge", asOf, sure: 70 },
    review: { usual: 24, long: 72, source: 'Partner Center, "The app certification process"', asOf, sure: 80 },
    testing: { usual: 24, long: 72, source: 'Partner Center, "Package flights"', asOf, sure: 70 },
  },
  packages: ["msix", "msixbundle"],
  // Partner Center, "App package requirements": the store signs what it takes.
  wantsSigned: false,
  reviewsTextsAlone: true,
  agreements: ["App Developer Agreement"],
  byHand: [
    {
      name: "record",
      done: "created",
      at: "Apps and games › New product",
      says: "Reserve the name.",
      takes: ["creation"],
    },
    {
      name: "forms",
      done: "told",
      at: "Pricing and availability; Properties; Age ratings",
      says: "Fill in the forms.",
      takes: ["texts", "answers"],
    },
    { name: "build", done: "build-sent", at: "Packages", says: "Drag the package there.", takes: ["package"] },
    {
      name: "listing",
      done: "told",
      at: "Store listings",
      says: "Fill in texts and pictures, language by language.",
      takes: ["texts", "pictures"],
    },
    { name: "review", done: "submitted", at: "Submission options", says: "Submit for certification." },
    { name: "decision", done: "approved", at: "the app's overview", says: "Wait for the mail; note what it says." },
    { name: "out", done: "out", at: "the app's overview", says: "Publish it, to all or to a share." },
    { name: "everybody", done: "live", at: "the app's overview", says: "Finalize the rollout." },
  ],
};
