import type { StoreQuestion } from "./question.ts";

const asOf = "2026-11-01";
const yesNo = ["yes", "no"] as const;
const rating = {
  source: 'IARC questionnaire; App Store Connect help, "Set an app age rating"',
  asOf,
};
const data = {
  of: ["no", "used", "linked", "shared"],
  source: 'Play Console help, "Data safety"; App Store Connect help, "App privacy"; Partner Center, "Privacy policy"',
  asOf,
  isPersonal: true,
} as const;

const rated = <Name extends string>(name: Name, asks: string) => ({
  name,
  asks,
  of: ["none", "seldom", "often"],
  rule: "The rating follows from how often it is shown; a wrong answer takes the app out of the store",
  ...rating,
});

/** Only what leaves the device is collected: that an app uses a camera says nothing of it. */
const collected = <Name extends string>(
  name: Name,
  what: string,
  more: Pick<StoreQuestion, "locks" | "doubts"> = {},
) => ({
  name: `data-${name}` as const,
  asks:
    `Does the app collect ${what}? What stays on the device is not collected. ` +
    "used: for the app alone; linked: to who somebody is; shared: with others",
  rule: "Everything that leaves the device is declared, by kind, use and link to a person",
  ...data,
  ...more,
});

/** What the rating by age follows from. */
const ofRating = [
  rated("violence", "Does it show violence?"),
  rated("fear", "Does it frighten?"),
  rated("sex", "Does it show nudity or speak of sex?"),
  rated("language", "Does it swear?"),
  rated("drugs", "Does it show alcohol, tobacco or drugs?"),
  rated("gambling", "Is there gambling, real or simulated?"),
  {
    name: "talk",
    asks: "Can people write to each other, or show what they made?",
    of: yesNo,
    rule: "What people make has to be reported, blocked and taken down",
    ...rating,
    locks: { features: ["chat", "comments"], answer: "yes", because: "the app lets people write to each other" },
  },
] as const satisfies readonly StoreQuestion[];

/** Which data the app collects. */
const ofData = [
  collected("location", "where somebody is"),
  collected("contacts", "whom somebody knows"),
  collected("photos", "photos or videos"),
  collected("voice", "what somebody says"),
  collected("account", "name, e-mail or an account", {
    doubts: {
      features: ["sign-in"],
      answers: ["no", "used"],
      because: "people sign in, and what says who they are is linked to them, unless it stays on the device",
    },
  }),
  collected("purchases", "what somebody bought"),
  collected("usage", "how somebody uses the app", {
    locks: {
      features: ["analytics"],
      answer: "used",
      because: "the app has analytics, and so tells how it is used",
    },
  }),
  collected("identifiers", "identifiers of a device"),
] as const satisfies readonly StoreQuestion[];

/** What some stores ask besides. */
const further = [
  {
    name: "tracking",
    asks: "Are people followed across apps and websites of others?",
    of: yesNo,
    rule: "Following people needs their consent first, and a text that asks for it",
    source: 'App Review Guidelines, 5.1.2; Play Console help, "Data safety"',
    asOf,
    isPersonal: true,
  },
  {
    name: "deletion",
    asks: "Can people have their account and data deleted?",
    of: ["yes", "no", "no account"],
    rule: "Where an account can be made in the app, it can be deleted there",
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
    source: 'Play Console help, "Ads declaration"',
    asOf,
    locks: { features: ["ads"], answer: "yes", because: "the app shows advertising" },
  },
  {
    name: "encryption",
    asks: "Which encryption does it use? exempt: what the system brings, for connections and sign-in",
    of: ["none", "exempt", "own"],
    rule: "Encryption of one's own needs papers for export",
    source: 'App Store Connect help, "Overview of export compliance"',
    asOf,
  },
  {
    name: "accessibility",
    asks: "Has it been tried with a screen reader and large type?",
    of: yesNo,
    rule: "What is declared as accessible has to be",
    source: 'App Store Connect help, "Accessibility nutrition labels"; Partner Center, "Product declarations"',
    asOf,
  },
] as const satisfies readonly StoreQuestion[];

const all = [...ofRating, ...ofData, ...further] as const;

/** What a question is called that several stores ask. */
export type SharedQuestion = (typeof all)[number]["name"];

/** What several stores ask of every app, in the order in which they do. */
export const sharedQuestions: readonly (StoreQuestion & { name: SharedQuestion })[] = all;

/** Those that every store asks. */
export const askedEverywhere: readonly SharedQuestion[] = [...ofRating, ...ofData].map(({ name }) => name);
