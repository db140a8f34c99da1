import type { StoreQuestion } from "../question.ts";

const asOf = "2026-11-01";
const hardware = [
  "none",
  "touch",
  "keyboard",
  "mouse",
  "camera",
  "microphone",
  "bluetooth",
  "nfc",
  "gamepad",
  "motion",
  "telephony",
  "memory-4gb",
  "memory-8gb",
  "memory-16gb",
  "directx-11",
  "directx-12",
  "video-memory-2gb",
  "video-memory-4gb",
  "video-memory-6gb",
] as const;
const requirements = {
  of: hardware,
  isSeveral: true,
  rule: "Devices without what is required are not offered the app; without what is recommended, people are told",
  source: 'Partner Center, "System requirements"',
  asOf,
} as const;

/** What the Microsoft Store alone asks of every app. */
export const microsoftStoreQuestions: readonly StoreQuestion[] = [
  { name: "hardware", asks: "What does it need of a device at least?", ...requirements },
  { name: "hardware-wanted", asks: "What of a device is it better with?", ...requirements },
  {
    name: "accessible",
    asks: "Has it been tested against guidelines for accessibility?",
    of: ["yes", "no"],
    rule: "What is declared as accessible has to be",
    source: 'Partner Center, "Product declarations"',
    asOf,
  },
];
