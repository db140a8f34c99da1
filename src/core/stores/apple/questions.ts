import type { StoreQuestion } from "../question.ts";
import { askedEverywhere, type SharedQuestion } from "../questions-in-common.ts";

const asOf = "2026-11-01";
const yesNo = ["yes", "no"] as const;
const often = ["none", "seldom", "often"] as const;
const rating = {
  rule: "The rating (4+, 9+, 13+, 16+, 18+) follows from the answers; without them no update is taken",
  source: 'App Store Connect help, "Set an app age rating"',
  asOf,
};

/** What an app for telephones, tablets and Macs is asked alike, of what several stores ask. */
export const appleAsks: readonly SharedQuestion[] = [
  ...askedEverywhere,
  "tracking",
  "deletion",
  "advertising",
  "encryption",
];

/** What Apple's stores alone ask of every app; an answer is given once for both. */
export const appleQuestions: readonly StoreQuestion[] = [
  { name: "violence-graphic", asks: "Does it show violence at length, or cruelly?", of: often, ...rating },
  { name: "sex-graphic", asks: "Does it show sex openly?", of: often, ...rating },
  { name: "weapons", asks: "Does it show guns or other weapons?", of: often, ...rating },
  { name: "contests", asks: "Are there contests?", of: often, ...rating },
  { name: "medical", asks: "Does it tell of treatments or medicine?", of: often, ...rating },
  { name: "wellness", asks: "Is it about health, fitness or diet?", of: yesNo, ...rating },
  { name: "parental-controls", asks: "Can parents limit what children do in it?", of: yesNo, ...rating },
  { name: "age-assurance", asks: "Does it find out how old people are?", of: yesNo, ...rating },
  {
    name: "content-rights",
    asks: "Does it show what belongs to others? with rights: it does, and may",
    of: ["no", "with rights"],
    wantsConsent: ["with rights"],
    rule: "Content of others is shown by right alone",
    source: 'App Store Connect help, "App information: content rights"',
    asOf,
  },
  {
    name: "trader",
    asks: "Does whoever offers it act as a trader in the European Union? Whoever sells for a business does",
    of: yesNo,
    rule: "A trader's address and telephone are shown there; without an answer, nothing is offered there",
    source: 'App Store Connect help, "Manage European Union Digital Services Act trader requirements"',
    asOf,
  },
  {
    name: "medical-device",
    asks: "Is it a medical device that is regulated (in the United States, Europe, Britain)?",
    of: yesNo,
    wantsConsent: ["yes"],
    rule: "Apps for medicine, health and fitness say so",
    source: 'App Store Connect help, "Declare regulated medical device status"',
    asOf,
  },
  {
    name: "accessibility",
    asks: "Which of these has it been tried with, all the way through its main tasks, on every device that it runs on?",
    of: [
      "none",
      "voiceover",
      "voice-control",
      "larger-text",
      "dark-interface",
      "without-color-alone",
      "sufficient-contrast",
      "reduced-motion",
      "captions",
      "audio-descriptions",
    ],
    isSeveral: true,
    rule: "What is declared as accessible has to be, for each kind of device by itself",
    source: 'App Store Connect help, "Overview of Accessibility Nutrition Labels"',
    asOf,
  },
];
