import { type StoreKey, storeKeys } from "../values/store.ts";

/** One of a store's questions about an app, whose answer is the template's more often than the client's. */
export interface Declaration {
  /** What it is called in files. */
  name: string;
  /** The question, for a producer. */
  asks: string;
  /** Words that may answer it. */
  of: readonly string[];
  stores: readonly StoreKey[];
  /** The store's rule behind it, whose documentation states it, and the day on which that was read. */
  rule: string;
  source: string;
  asOf: string;
  /** Features that leave one right answer as soon as an app has one of them. */
  locks?: { features: readonly string[]; answer: string; because: string };
  /** It says that the app handles what belongs to a person: then a policy is compulsory. */
  isPersonal?: true;
}

const asOf = "2026-11-01";
const everywhere = storeKeys;
const apple = ["app-store", "mac-app-store"] as const;
const yesNo = ["yes", "no"] as const;
const rating = {
  stores: everywhere,
  source: 'IARC questionnaire; App Store Connect help, "Set an app age rating"',
  asOf,
};
const data = {
  stores: everywhere,
  of: ["no", "used", "linked", "shared"],
  source: 'Play Console help, "Data safety"; App Store Connect help, "App privacy"; Partner Center, "Privacy policy"',
  asOf,
  isPersonal: true,
} as const;

const rated = (name: string, asks: string): Declaration => ({
  name,
  asks,
  of: ["none", "seldom", "often"],
  rule: "The rating follows from how often it is shown; a wrong answer takes the app out of the store",
  ...rating,
});

const collected = (name: string, what: string, features: readonly string[]): Declaration => ({
  name: `data-${name}`,
  asks: `Does the app collect ${what}? used: for the app alone; linked: to who somebody is; shared: with others`,
  rule: "Everything that leaves the device is declared, by kind, use and link to a person",
  ...data,
  ...(features.length === 0
    ? {}
    : { locks: { features, answer: "used", because: `the app has ${features.join(" or ")}, and so uses ${what}` } }),
});

/** What stores ask of every app, in the order in which they do. */
export const declarations: readonly Declaration[] = [
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
  collected("location", "where somebody is", ["location"]),
  collected("contacts", "whom somebody knows", ["contacts"]),
  collected("photos", "photos or videos", ["camera", "photos"]),
  collected("voice", "what somebody says", ["microphone"]),
  collected("account", "name, e-mail or an account", ["sign-in"]),
  collected("purchases", "what somebody bought", ["purchases"]),
  collected("usage", "how somebody uses the app", ["analytics"]),
  collected("identifiers", "identifiers of a device", ["push", "analytics"]),
  {
    name: "tracking",
    asks: "Are people followed across apps and websites of others?",
    of: yesNo,
    stores: ["google-play", ...apple],
    rule: "Following people needs their consent first, and a text that asks for it",
    source: 'App Review Guidelines, 5.1.2; Play Console help, "Data safety"',
    asOf,
    isPersonal: true,
  },
  {
    name: "deletion",
    asks: "Can people have their account and data deleted?",
    of: ["yes", "no", "no account"],
    stores: ["google-play", ...apple],
    rule: "Where an account can be made in the app, it can be deleted there",
    source: 'App Review Guidelines, 5.1.1(v); Play Console help, "Account deletion"',
    asOf,
    locks: {
      features: ["sign-in"],
      answer: "yes",
      because: "people have an account, and it must be possible to delete it",
    },
  },
  {
    name: "advertising",
    asks: "Does the app show advertising?",
    of: yesNo,
    stores: everywhere,
    rule: "Apps with advertising are marked",
    source: 'Play Console help, "Ads declaration"',
    asOf,
    locks: { features: ["ads"], answer: "yes", because: "the app shows advertising" },
  },
  {
    name: "encryption",
    asks: "Which encryption does it use? exempt: what the system brings, for connections and sign-in",
    of: ["none", "exempt", "own"],
    stores: apple,
    rule: "Encryption of one's own needs papers for export",
    source: 'App Store Connect help, "Overview of export compliance"',
    asOf,
  },
  {
    name: "news",
    asks: "Is it an app for news?",
    of: yesNo,
    stores: ["google-play"],
    rule: "Apps for news name who publishes them",
    source: 'Play Console help, "News declaration"',
    asOf,
  },
  {
    name: "finance",
    asks: "Does it offer loans, accounts, payments or other services of finance?",
    of: yesNo,
    stores: ["google-play"],
    rule: "Services of finance are declared, with licences where they are needed",
    source: 'Play Console help, "Financial features declaration"',
    asOf,
  },
  {
    name: "government",
    asks: "Is it made for a government?",
    of: yesNo,
    stores: ["google-play"],
    rule: "Apps of governments need their consent",
    source: 'Play Console help, "Government apps"',
    asOf,
  },
  {
    name: "health",
    asks: "Does it have features of health?",
    of: yesNo,
    stores: ["google-play"],
    rule: "Features of health are declared",
    source: 'Play Console help, "Health apps declaration"',
    asOf,
  },
  {
    name: "hardware",
    asks: "Does it need hardware that some devices lack?",
    of: ["none", "camera", "location", "bluetooth", "touch"],
    stores: ["microsoft-store"],
    rule: "Devices without it are not offered the app",
    source: 'Partner Center, "System requirements"',
    asOf,
  },
  {
    name: "accessibility",
    asks: "Has it been tried with a screen reader and large type?",
    of: yesNo,
    stores: [...apple, "microsoft-store"],
    rule: "What is declared as accessible has to be",
    source: 'App Store Connect help, "Accessibility nutrition labels"; Partner Center, "Product declarations"',
    asOf,
  },
];
