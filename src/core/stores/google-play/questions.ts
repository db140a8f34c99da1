import type { StoreQuestion } from "../question.ts";

const asOf = "2026-11-01";
const yesNo = ["yes", "no"] as const;

/** What Google Play alone asks of every app. */
export const googlePlayQuestions: readonly StoreQuestion[] = [
  {
    name: "news",
    asks: "Is it an app for news?",
    of: yesNo,
    rule: "Apps for news name who publishes them",
    source: 'Play Console help, "News declaration"',
    asOf,
  },
  {
    name: "finance",
    asks: "Does it offer loans, accounts, payments or other services of finance?",
    of: yesNo,
    rule: "Services of finance are declared, with licences where they are needed",
    source: 'Play Console help, "Financial features declaration"',
    asOf,
  },
  {
    name: "government",
    asks: "Is it made for a government?",
    of: yesNo,
    rule: "Apps of governments need their consent",
    source: 'Play Console help, "Government apps"',
    asOf,
  },
  {
    name: "health",
    asks: "Does it have features of health?",
    of: yesNo,
    rule: "Features of health are declared",
    source: 'Play Console help, "Health apps declaration"',
    asOf,
  },
];
