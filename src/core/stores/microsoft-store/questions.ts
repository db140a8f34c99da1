import type { StoreQuestion } from "../question.ts";

const asOf = "2026-11-01";

/** What the Microsoft Store alone asks of every app. */
export const microsoftStoreQuestions: readonly StoreQuestion[] = [
  {
    name: "hardware",
    asks: "Does it need hardware that some devices lack?",
    of: ["none", "camera", "location", "bluetooth", "touch"],
    rule: "Devices without it are not offered the app",
    source: 'Partner Center, "System requirements"',
    asOf,
  },
];
