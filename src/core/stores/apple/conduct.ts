import type { Conduct } from "../conduct.ts";

const asOf = "2026-11-01";
const testing = 'App Store Connect help, "TestFlight overview"';

/** What holds for apps of telephones, tablets and Macs alike. */
export const appleConduct: Conduct = {
  enters: "signed",
  tracks: [
    {
      kind: "inner",
      title: "Internal testers",
      most: 100,
      isReviewed: false,
      joins: "tester-app",
      ...{ source: testing, asOf, sure: 95 },
    },
    {
      kind: "outer",
      title: "External testers",
      most: 10_000,
      isReviewed: true,
      joins: "tester-app",
      ...{ source: testing, asOf, sure: 95 },
    },
  ],
  goesOut: {
    shares: [1, 2, 5, 10, 20, 50, 100],
    mostPausedDays: 30,
    ...{ source: 'App Store Connect help, "Release a version update in phases"', asOf, sure: 98 },
  },
  testsFor: { days: 90, source: testing, asOf, sure: 95 },
  waits: {
    processing: { usual: 0.5, long: 24, source: "common knowledge", asOf, sure: 70 },
    review: { usual: 24, long: 72, source: 'Apple, "App Review"', asOf, sure: 85 },
    testing: { usual: 24, long: 72, source: testing, asOf, sure: 75 },
  },
  packages: ["ipa", "installer"],
  wantsSigned: true,
  reviewsTextsAlone: false,
  agreements: ["Apple Developer Program License Agreement"],
  byHand: [
    {
      name: "record",
      done: "created",
      at: "Apps › New App",
      says: "Give platform, name, main language, bundle ID and SKU.",
      takes: ["creation"],
    },
    {
      name: "information",
      done: "told",
      at: "App Information",
      says: "Fill in what holds for every version.",
      takes: ["texts"],
    },
    {
      name: "questions",
      done: "told",
      at: "App Privacy",
      says: "Answer what is collected, kind by kind.",
      takes: ["answers"],
    },
    {
      name: "version",
      done: "told",
      at: "Distribution › the version",
      says: "Fill in texts and pictures, language by language.",
      takes: ["texts", "pictures"],
    },
    {
      name: "build",
      done: "build-sent",
      at: "the delivery program on a Mac",
      says: "Send the archive, and wait for the mail.",
      takes: ["package"],
    },
    { name: "attach", done: "attached", at: "Distribution › the version › Build", says: "Choose the build." },
    { name: "review", done: "submitted", at: "Distribution › the version", says: "Add it for review, then submit." },
    { name: "decision", done: "approved", at: "App Review", says: "Wait for the mail; note what it says." },
    { name: "out", done: "out", at: "Distribution › the version", says: "Release it, at once or in phases." },
    {
      name: "everybody",
      done: "live",
      at: "Distribution › the version",
      says: "Release it to all, or wait for the seventh day.",
    },
  ],
};
