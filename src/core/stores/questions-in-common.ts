import { dataKindNames } from "./data-kinds.ts";
import type { StoreQuestion } from "./question.ts";

const asOf = "2026-11-01";
const yesNo = ["yes", "no"] as const;
const rating = {
  source: 'IARC questionnaire; App Store Connect help, "Set an app age rating"',
  asOf,
};

/** A question about what is shown, and how often. */
const shown = <Name extends string>(name: Name, asks: string) => ({
  name,
  asks,
  of: ["none", "seldom", "often"],
  rule: "The rating follows from how often it is shown; a wrong answer takes the app out of the store",
  ...rating,
});

/** What the rating by age follows from, wherever one is given. */
const ofRating = [
  shown("violence-fantasy", "Does it show violence as in cartoons or tales?"),
  shown("violence", "Does it show violence as it is?"),
  shown("fear", "Does it frighten?"),
  shown("suggestive", "Does it hint at sex, or speak of it?"),
  shown("sex", "Does it show nudity or sex?"),
  shown("language", "Does it swear, or joke crudely?"),
  shown("drugs", "Does it show alcohol, tobacco or drugs, or speak of them?"),
  shown("gambling-simulated", "Can people play at gambling, without money?"),
  {
    name: "gambling",
    asks: "Can people gamble for money?",
    of: yesNo,
    wantsConsent: ["yes"],
    rule: "Gambling for money needs licences, and is not offered everywhere",
    ...rating,
  },
  {
    name: "loot-boxes",
    asks: "Can people buy something without knowing what is in it?",
    of: yesNo,
    rule: "What is in it by chance is declared, with its chances",
    ...rating,
  },
  {
    name: "messaging",
    asks: "Can people write to each other?",
    of: yesNo,
    rule: "Who writes to whom can be blocked and reported",
    ...rating,
    locks: { features: ["chat"], answer: "yes", because: "the app lets people write to each other" },
  },
  {
    name: "user-content",
    asks: "Can people show others what they made: pictures, texts, comments?",
    of: yesNo,
    rule: "What people make has to be reported, blocked and taken down",
    ...rating,
    locks: { features: ["comments"], answer: "yes", because: "the app shows what people write" },
  },
  {
    name: "open-web",
    asks: "Can people reach any page of the web in it?",
    of: yesNo,
    rule: "An app that opens any page is rated as the web is",
    ...rating,
  },
] as const satisfies readonly StoreQuestion[];

/** What some stores ask besides. */
const further = [
  {
    name: "data",
    asks: "Which data leaves the device, and what for? What stays on it is not collected",
    of: ["none", ...dataKindNames],
    isSeveral: true,
    rule: "Everything that leaves the device is declared, by kind, use and link to a person",
    source: 'Play Console help, "Data safety"; App Store Connect help, "App privacy"; Partner Center, "Privacy policy"',
    asOf,
    isPersonal: true,
  },
  {
    name: "tracking",
    asks: "Are people followed across apps and websites of others?",
    of: yesNo,
    rule: "Following people needs their consent first, and a text that asks for it",
    source: 'App Review Guidelines, 5.1.2; Apple, "User privacy and data use"',
    asOf,
    isPersonal: true,
  },
  {
    name: "deletion",
    asks: "Can people have their account and data deleted? no account: none can be made in the app",
    of: ["yes", "no", "no account"],
    rule: "Where an account can be made in the app, it can be deleted there, and Google wants an address for it",
    source: 'App Review Guidelines, 5.1.1(v); Play Console help, "Account deletion"',
    asOf,
    doubts: {
      features: ["sign-in"],
      answers: ["no"],
      because: "people sign in, and an account that can be made in the app has to be deleted there too",
    },
  },
  {
    name: "advertising",
    asks: "Does the app show advertising?",
    of: yesNo,
    rule: "Apps with advertising are marked",
    source: 'Play Console help, "Ads declaration"; App Store Connect help, "Set an app age rating"',
    asOf,
    locks: { features: ["ads"], answer: "yes", because: "the app shows advertising" },
  },
  {
    name: "encryption",
    asks: "Which encryption does it use? exempt: what the system brings, for connections and sign-in",
    of: ["none", "exempt", "own"],
    rule: "Encryption of one's own needs papers for export",
    source: 'App Store Connect help, "Overview of export compliance"; Partner Center, "Export controls"',
    asOf,
  },
] as const satisfies readonly StoreQuestion[];

const all = [...ofRating, ...further] as const;

/** What a question is called that several stores ask. */
export type SharedQuestion = (typeof all)[number]["name"];

/** What several stores ask of every app, in the order in which they do. */
export const sharedQuestions: readonly (StoreQuestion & { name: SharedQuestion })[] = all;

/** Those that every store asks. */
export const askedEverywhere: readonly SharedQuestion[] = [...ofRating.map(({ name }) => name), "data"];
